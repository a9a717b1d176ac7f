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
