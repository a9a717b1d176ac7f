/** What oils are made for. `burnt`: mixed with the fuel of a two-stroke, and never for a gearbox. */
export const OIL_KINDS = [
  'engine oil, four-stroke',
  'gearbox oil',
  'differential oil',
  'two-stroke oil, burnt with the fuel'
] as const;
export type OilKind = (typeof OIL_KINDS)[number];
/** Ratings a can may carry that matter to a clutch. */
export const RATINGS = ['JASO MA', 'JASO MA1', 'JASO MA2', 'JASO MB', 'API GL-4', 'API GL-5'] as const;
export type Rating = (typeof RATINGS)[number];
/** What makes a wet clutch slip. */
export const ADDITIVES = ['friction modifiers', 'graphite', 'molybdenum'] as const;
export type Additive = (typeof ADDITIVES)[number];

export interface Oil {
  id: string;
  name: string;
  kind: OilKind;
  grade: string;
  ratings: Rating[];
  additives: Additive[];
}

/** What is judged of an oil. `kind` null: nobody said. */
export type Can = Omit<Oil, 'id' | 'kind'> & {
  kind: OilKind | null;
  /** It says itself that no wet clutch may run in it. */
  notWetClutch: boolean;
};

/** Grades as a can or a book writes them: `10W-50`, `75W/80`, `SAE 30`. */
export function gradesIn(text: string): string[] {
  return [...text.matchAll(/\b(\d{1,3}\s*W\s*[-/]?\s*\d{2,3}|SAE\s*\d{2,3})\b/gi)].map((m) =>
    m[1]!
      .toUpperCase()
      .replace(/[\s/]+/g, '')
      .replace(/W-?(\d)/, 'W-$1')
  );
}
/** An oil as it is called: its name, and its grade where the name does not say that already. */
export const oilInWords = ({ name, grade }: { name: string; grade: string }): string =>
  grade === '' || gradesIn(name).some((g) => gradesIn(grade).includes(g)) || name.includes(grade)
    ? name
    : `${name} ${grade}`;

/** From 70 on, and from SAE 80, a grade is one of gear oils. */
export const isGearGrade = (grade: string): boolean =>
  gradesIn(grade).some((g) => (g.startsWith('SAE') ? Number(g.slice(3)) >= 75 : parseInt(g) >= 70));

/** What a word on a can is about. A negation reaches over a list of what is of one sort, and no further. */
type Term =
  | { sort: 'rating'; is: Rating }
  | { sort: 'additive'; is: Additive }
  | { sort: 'kind'; is: OilKind }
  | { sort: 'clutch'; is: 'wet' | 'dry only' }
  | { sort: 'not' }
  | { sort: 'but' };

const of =
  <T extends Term>(term: T) =>
  () => [term];
/** What is looked for, each with what it means. Of two that begin at one place the longer one is meant. */
const WORDS: readonly (readonly [RegExp, (m: RegExpMatchArray) => Term[]])[] = [
  [
    /\b(?:not|no|none|non|without|never|free (?:of|from)|isn['’]t|doesn['’]t|don['’]t|lacks?)\b/gi,
    of({ sort: 'not' })
  ],
  // Something else begins. "Does not contain" is one negation.
  [/(?<!\bnot )\b(?:but|with|contains|plus|added)\b|[;.](?!\d)/gi, of({ sort: 'but' })],
  [
    /\bJASO\b[ :-]*(?:T ?903\S*[ :-]*)?M([AB])[ -]?([12])?\b/gi,
    (m) => [{ sort: 'rating', is: jaso(m[1]!, m[2]) }]
  ],
  // Without its name only where it cannot be another word.
  [/\bM(A)-?([12])\b/gi, (m) => [{ sort: 'rating', is: jaso(m[1]!, m[2]) }]],
  [/\bM([AB])\b/g, (m) => [{ sort: 'rating', is: jaso(m[1]!, undefined) }]],
  [/\bGL-?([45])\b/gi, (m) => [{ sort: 'rating', is: `API GL-${m[1] as '4' | '5'}` }]],
  [/\bmoly\b|\bmolybd\w*|\bmo ?s(?:2|₂)|\bmodtc\b/giu, of({ sort: 'additive', is: 'molybdenum' })],
  [/\bgraphit\w*/gi, of({ sort: 'additive', is: 'graphite' })],
  [
    /\bfriction[ -]?(?:modif|reduc)\w*|\b(?:energy|resource)[ -]conserving\b/gi,
    of({ sort: 'additive', is: 'friction modifiers' })
  ],
  [
    /\b(?:two|2)[ -]?strokes?\b|\b2T\b|\bpre-?mix\b/gi,
    of({ sort: 'kind', is: 'two-stroke oil, burnt with the fuel' })
  ],
  [
    /\b(?:four|4)[ -]?strokes?\b|\b4T\b|\bengine oil\b/gi,
    of({ sort: 'kind', is: 'engine oil, four-stroke' })
  ],
  [/\bgear ?(?:box)?(?: oil)?\b|\btransmission\b/gi, of({ sort: 'kind', is: 'gearbox oil' })],
  [/\bdifferentials?\b|\bhypoid\b/gi, of({ sort: 'kind', is: 'differential oil' })],
  [/\bdry clutch(?:es)? only\b/gi, of({ sort: 'clutch', is: 'dry only' })],
  [/\bwet[ -]clutch(?:es)?\b/gi, of({ sort: 'clutch', is: 'wet' })]
];
function jaso(letter: string, digit: string | undefined): Rating {
  return letter.toUpperCase() === 'B' ? 'JASO MB' : (`JASO MA${digit ?? ''}` as Rating);
}
/** After a word it takes that word back: `graphite-free`, `JASO MA: no`, `MA not met`. */
const TAKEN_BACK = /^\s*(?:-?\s*free\b(?! (?:of|from))|[:=]\s*(?:no|none)\b|not (?:met|claimed|rated)\b)/i;

/** Which of several kinds is meant: a gearbox oil of two-strokes is one for gearboxes. */
const KINDS: readonly OilKind[] = [
  'differential oil',
  'gearbox oil',
  'two-stroke oil, burnt with the fuel',
  'engine oil, four-stroke'
];

/**
 * Reads what somebody copied from a can, or named an oil: its grade, ratings, what makes a clutch slip, what it is for. What a can
 * says that it has not, it has not; of what it does not speak nothing is known.
 */
export function readCan(words: string): Can {
  const found = WORDS.flatMap(([pattern, terms]) =>
    [...words.matchAll(pattern)].flatMap((m) =>
      terms(m).map((term) => ({ term, at: m.index, end: m.index + m[0].length }))
    )
  ).sort((a, b) => a.at - b.at || b.end - a.end);
  const said: Term[] = [];
  const denied: Term[] = [];
  let [over, not, about] = [0, false, null as Term['sort'] | null];
  for (const { term, at, end } of found) {
    if (at < over) continue;
    const between = words.slice(over, at);
    over = end;
    if (term.sort === 'not' || term.sort === 'but') {
      [not, about] = [term.sort === 'not', null];
      continue;
    }
    // A list of additives goes on over its commas; anything else ends at one, and where it turns to something else.
    if (not && about !== null && (about !== term.sort || (/,/.test(between) && term.sort !== 'additive')))
      not = false;
    about = term.sort;
    (not || TAKEN_BACK.test(words.slice(end)) ? denied : said).push(term);
  }
  const all = <S extends 'rating' | 'additive' | 'kind'>(sort: S) => [
    ...new Set(said.flatMap((t) => (t.sort === sort ? [t.is] : [])))
  ];
  const grade = gradesIn(words)[0] ?? '';
  const kinds = all('kind');
  return {
    name: words.trim(),
    kind: KINDS.find((k) => kinds.includes(k)) ?? (isGearGrade(grade) ? 'gearbox oil' : null),
    grade,
    ratings: all('rating') as Rating[],
    additives: all('additive') as Additive[],
    notWetClutch:
      said.some((t) => t.sort === 'clutch' && t.is === 'dry only') ||
      denied.some((t) => t.sort === 'clutch' && t.is === 'wet')
  };
}
