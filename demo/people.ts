import type { Role } from '../src/lib/core/team/team';

/** Skerrow Vale Enduro: an invented hill-farm cross-country team in a valley that is on no map. */
export const TEAM = { name: 'Skerrow Vale Enduro', timeZone: 'Europe/London' };

export const PEOPLE = [
  { slug: 'maud', name: 'Maud Tarrick', role: 'chief mechanic' },
  { slug: 'jory', name: 'Jory Pell', role: 'mechanic' },
  { slug: 'anwen', name: 'Anwen Skarrow', role: 'mechanic' },
  { slug: 'ines', name: 'Ines Varrow', role: 'rider' },
  { slug: 'tobiah', name: 'Tobiah Reave', role: 'rider' },
  { slug: 'kit', name: 'Kit Lorne', role: 'rider' }
] as const satisfies readonly { slug: string; name: string; role: Role }[];
export type PersonSlug = (typeof PEOPLE)[number]['slug'];

/** What a rider's words say about the riding, as the outing's form would have it. */
export function riddenAs(remark: string): { conditions: string[]; crossings: number; clutch: string } {
  return {
    conditions: [
      ...(/dust/i.test(remark) ? ['dust'] : []),
      ...(/peat|bog|mud/i.test(remark) ? ['mud'] : []),
      ...(/ford/i.test(remark) ? ['water'] : [])
    ],
    crossings: /ford/i.test(remark) ? 2 : 0,
    clutch: /clutch/i.test(remark) ? 'heavy' : 'usual'
  };
}

/** What riders say when they bring a machine back. */
export const REMARKS = [
  '',
  '',
  '',
  'Went well.',
  'Dust all day behind the quads.',
  'Two deep fords, ran clean after.',
  'Clutch got hot on the long climb, then recovered.',
  'Peat and bog, chain packed solid.',
  'Dropped it once at walking pace, bars straight.',
  'Hard to start warm, fine cold.'
] as const;

/** The same, as one or another says it: no two machines come back with one sentence all season. */
const OTHER_WORDS: Readonly<Record<string, readonly string[]>> = {
  'Went well.': [
    'Ran sweet all day.',
    'No complaints.',
    'Good on the hills, tidy on the flat.',
    'As it should be.'
  ],
  'Dust all day behind the quads.': [
    'Dust from start to flag.',
    'Ate dust on the quarry loop.',
    'Dry and dusty; filter will show it.'
  ],
  'Two deep fords, ran clean after.': [
    'Ford up to the tank, coughed once.',
    'Both fords deep, no water in it.',
    'Through the mill ford twice.'
  ],
  'Clutch got hot on the long climb, then recovered.': [
    'Clutch dragged after the ruts, came back cold.',
    'Slipped the clutch a lot on the scree.'
  ],
  'Peat and bog, chain packed solid.': [
    'Bog to the pegs on the moor section.',
    'Mud all day, dug the chain out twice.',
    'Peat in everything.'
  ],
  'Dropped it once at walking pace, bars straight.': [
    'Laid it down on the off-camber, lever bent a little.',
    'Fell over at the gate; nothing broken.'
  ],
  'Hard to start warm, fine cold.': ['Took six kicks after the stop.', 'Would not light hot at the check.']
};

/** What a rider says of a ride, in his own words. @param n any number that goes with the ride */
export function inOwnWords(remark: string, n: number): string {
  const words = [remark, ...(OTHER_WORDS[remark] ?? [])];
  return words[n % words.length]!;
}
