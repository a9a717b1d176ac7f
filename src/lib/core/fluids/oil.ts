import type { Air } from './air';
import { readGradeTable, type GradeSpan } from '../specs/changes';
import type { Circuit } from '../specs/sheet';

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

/** What a circuit wants, from the machine's sheet. */
export interface OilWant {
  circuit: Circuit;
  twoStroke: boolean;
  /** The plates of the clutch run in it: from the sheet; null: the sheet does not say, and it is treated as if they did. */
  wetClutch: boolean | null;
  /** The grade and ratings in words, as the sheet has them; null: unknown. */
  grade: string | null;
  /** Its table of grades by air temperature; empty: none. */
  table: GradeSpan[];
}
export interface OilVerdict {
  /** It must not go in; an override needs its reason. */
  stop: string[];
  /** It may, and these are worth knowing. */
  word: string[];
  /** Its grade is the sheet's, or one its table has for the air; null: the sheet names none. */
  fits: boolean | null;
}

/** What is judged of an oil. `kind` null: nobody said. */
export type Can = Omit<Oil, 'id' | 'kind'> & { kind: Oil['kind'] | null };

/** An oil that is not from the stores, by what somebody copied from its can: all that can be judged of it. */
export function canInWords(words: string): Can {
  return {
    name: words.trim(),
    kind: null,
    grade: gradesIn(words)[0] ?? '',
    ratings: [...words.matchAll(/\bJASO[ -]?M([AB])(2?)\b/gi)].map(
      (m) => `JASO M${m[1]!.toUpperCase()}${m[2]}`
    ) as Oil['ratings'],
    additives: [...words.matchAll(/molybd\w*|graphite|friction modifiers?/gi)].map((m) =>
      m[0].toLowerCase()
    ) as Oil['additives']
  };
}

/** Grades as a can or a book writes them: `10W-50`, `75W-80`, `SAE 30`. */
export function gradesIn(text: string): string[] {
  return [...text.matchAll(/\b(\d{1,3}\s*W\s*-?\s*\d{2,3}|SAE\s*\d{2,3})\b/gi)].map((m) =>
    m[1]!
      .toUpperCase()
      .replace(/\s+/g, '')
      .replace(/W-?(\d)/, 'W-$1')
  );
}

/** Grades of a table that cover the whole of a span of air temperature. */
export function gradesFor(table: readonly GradeSpan[], air: Air): string[] {
  return table
    .filter((s) => (s.from === null || s.from <= air.from) && (s.to === null || s.to >= air.to))
    .map((s) => s.grade);
}

const same = (a: string, b: string) => gradesIn(a)[0] !== undefined && gradesIn(b).includes(gradesIn(a)[0]!);

/**
 * Whether an oil may go into a circuit: the stop for what ruins a clutch or a gearbox, a word for what is only not the book's.
 * It judges by what the can says and what the sheet says; where either is silent it says so.
 */
export function judgeOil(oil: Can, want: OilWant, air: Air | null): OilVerdict {
  const stop: string[] = [];
  const word: string[] = [];
  const gearbox = want.circuit === 'gearbox' || want.circuit === 'primary';
  if (oil.kind === 'two-stroke oil, burnt with the fuel')
    stop.push(
      gearbox || want.twoStroke
        ? 'This oil is made to burn with the fuel of a two-stroke. In a gearbox it holds no gear and slips the clutch.'
        : 'This oil is made to burn with the fuel of a two-stroke; it lubricates no engine from the sump.'
    );
  const clutch = (want.circuit === 'engine' || gearbox) && want.wetClutch !== false;
  if (clutch && oil.kind !== 'two-stroke oil, burnt with the fuel') {
    const because =
      want.wetClutch === null ? 'the sheet does not say that its clutch is dry' : 'its clutch runs in it';
    if (oil.additives.length > 0)
      stop.push(`It holds ${oil.additives.join(' and ')}, and ${because}: the clutch will slip.`);
    if (oil.ratings.includes('JASO MB')) stop.push(`JASO MB is made slippery, and ${because}.`);
    else if (!oil.ratings.some((r) => r.startsWith('JASO MA')))
      stop.push(`The can names no JASO MA or MA2, and ${because}.`);
  }
  if (oil.kind === null && gradesIn(want.grade ?? '').length > 0 && gradesIn(oil.grade).length === 0)
    stop.push(`It names no grade, and the sheet wants ${want.grade}.`);
  if (want.circuit.includes('differential') && oil.kind !== null && oil.kind !== 'differential oil')
    stop.push('A differential wants gear oil for differentials; this is another kind.');
  if (want.circuit === 'engine' && (oil.kind === 'gearbox oil' || oil.kind === 'differential oil'))
    stop.push('This is gear oil; an engine’s bearings want engine oil.');

  const wanted = want.grade !== null && gradesIn(want.grade).length > 0;
  let fits: boolean | null = wanted || want.table.length > 0 ? true : null;
  if (wanted && !same(oil.grade, want.grade!)) {
    if (!want.table.some((s) => same(oil.grade, s.grade))) fits = false;
    if (fits === false && gradesIn(oil.grade).length > 0)
      word.push(`The sheet wants ${want.grade}; this is ${oil.grade}.`);
  }
  if (want.grade === null && want.table.length === 0)
    word.push('The sheet names no grade: look it up in the manual.');
  if (air && want.table.length > 0) {
    const span = want.table.find((s) => same(oil.grade, s.grade));
    const grades = gradesFor(want.table, air);
    if (!grades.some((g) => same(oil.grade, g))) fits = false;
    if (!span) word.push(`${oil.grade} is not in the machine’s table of grades.`);
    else if (!grades.some((g) => same(oil.grade, g)))
      word.push(
        `For ${air.from} to ${air.to} °C the table has ${grades.length > 0 ? grades.join(' or ') : 'no one grade'}; ${oil.grade} is for ${spanWords(span)}.`
      );
  }
  return { stop, word, fits };
}

export function spanWords(s: GradeSpan): string {
  if (s.from !== null && s.to !== null) return `${s.from} to ${s.to} °C`;
  return s.from !== null ? `above ${s.from} °C` : s.to !== null ? `below ${s.to} °C` : 'any air';
}

/** What is in a circuit now. */
export interface Inside {
  oilId: string | null;
  name: string;
  grade: string;
}
/** What topping up with another oil comes to; null where it is the same, or nobody knows what is in it. */
export function mixing(oil: Pick<Oil, 'id' | 'name' | 'grade'>, inside: Inside | null): string | null {
  if (!inside || inside.oilId === oil.id) return null;
  return `${inside.name} (${inside.grade}) is inside; topping up with ${oil.name} (${oil.grade}) mixes them.`;
}

/** The table of a sheet, or none where it has none or cannot be read. */
export function tableOf(text: string | null): GradeSpan[] {
  if (!text) return [];
  const read = readGradeTable(text);
  return read.ok ? read.spans : [];
}
