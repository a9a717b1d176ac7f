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
/** Air the machine will be ridden in until the next change, °C. */
export interface Air {
  from: number;
  to: number;
}

export interface OilVerdict {
  /** It must not go in; an override needs its reason. */
  stop: string[];
  /** It may, and these are worth knowing. */
  word: string[];
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
export function judgeOil(oil: Oil, want: OilWant, air: Air | null): OilVerdict {
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
  if (want.circuit.includes('differential') && oil.kind !== 'differential oil')
    stop.push('A differential wants gear oil for differentials; this is another kind.');
  if (want.circuit === 'engine' && (oil.kind === 'gearbox oil' || oil.kind === 'differential oil'))
    stop.push('This is gear oil; an engine’s bearings want engine oil.');

  if (want.grade !== null && gradesIn(want.grade).length > 0 && !same(oil.grade, want.grade)) {
    if (!want.table.some((s) => same(oil.grade, s.grade)))
      word.push(`The sheet wants ${want.grade}; this is ${oil.grade}.`);
  }
  if (want.grade === null && want.table.length === 0)
    word.push('The sheet names no grade: look it up in the manual.');
  if (air && want.table.length > 0) {
    const span = want.table.find((s) => same(oil.grade, s.grade));
    const fits = gradesFor(want.table, air);
    if (!span) word.push(`${oil.grade} is not in the machine’s table of grades.`);
    else if (!fits.some((g) => same(oil.grade, g)))
      word.push(
        `For ${air.from} to ${air.to} °C the table has ${fits.length > 0 ? fits.join(' or ') : 'no one grade'}; ${oil.grade} is for ${spanWords(span)}.`
      );
  }
  return { stop, word };
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

/** Air temperatures as people type them: `-5 to 15`, `-5..15 °C`, `23 to 60 F`. Null where it cannot be read. */
export function parseAir(text: string): Air | null {
  const m = /^\s*([-−]?\d{1,3})\s*°?\s*[CF]?\s*(?:to|\.\.|–|—|,)\s*([-−]?\d{1,3})\s*°?\s*([CF])?\s*$/i.exec(
    text
  );
  if (!m) return null;
  const c = (t: string) => {
    const n = Number(t.replace('−', '-'));
    return m[3]?.toUpperCase() === 'F' ? Math.round(((n - 32) * 5) / 9) : n;
  };
  const [a, b] = [c(m[1]!), c(m[2]!)];
  return Math.min(a, b) < -60 || Math.max(a, b) > 70 ? null : { from: Math.min(a, b), to: Math.max(a, b) };
}

/** The table of a sheet, or none where it has none or cannot be read. */
export function tableOf(text: string | null): GradeSpan[] {
  if (!text) return [];
  const read = readGradeTable(text);
  return read.ok ? read.spans : [];
}
