import type { Air } from './air';
import { gradesIn, isGearGrade, readCan, type Can, type Oil } from './can';
import { readGradeTable, type GradeSpan } from '../specs/changes';
import type { Circuit } from '../specs/sheet';

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

/** Grades of a table that cover the whole of a span of air temperature. */
export function gradesFor(table: readonly GradeSpan[], air: Air): string[] {
  return table
    .filter((s) => (s.from === null || s.from <= air.from) && (s.to === null || s.to >= air.to))
    .map((s) => s.grade);
}

const same = (a: string, b: string) => gradesIn(a)[0] !== undefined && gradesIn(b).includes(gradesIn(a)[0]!);

/** What the can of an oil says, and what somebody wrote of it when it was put into the stores. */
export function canOf(oil: Oil): Can {
  const said = readCan(oil.name);
  const both = <T>(a: readonly T[], b: readonly T[]): T[] => [...new Set([...a, ...b])];
  return {
    ...oil,
    ratings: both(oil.ratings, said.ratings),
    additives: both(oil.additives, said.additives),
    notWetClutch: said.notWetClutch
  };
}

/**
 * Whether an oil may go into a circuit: the stop for what ruins a clutch, a gearbox or a bearing and for a grade or kind that is not
 * the sheet's, a word for the rest. It judges by what the can says and what the sheet says; where either is silent it says so.
 */
export function judgeOil(can: Can, want: OilWant, air: Air | null): OilVerdict {
  const word: string[] = [];
  const stop = [...wrongKind(can, want), ...slips(can, want)];
  const grades = [...gradesIn(want.grade ?? ''), ...want.table.map((s) => s.grade)];
  const wanted = want.grade !== null && gradesIn(want.grade).length > 0;
  let fits: boolean | null = wanted || want.table.length > 0 ? true : null;
  if (grades.length > 0 && !grades.some((g) => same(can.grade, g))) {
    fits = false;
    stop.push(
      gradesIn(can.grade).length > 0
        ? `The sheet wants ${wanted ? want.grade : want.table.map((s) => s.grade).join(' or ')}; this is ${can.grade}.`
        : `It names no grade, and the sheet wants ${want.grade ?? want.table.map((s) => s.grade).join(' or ')}.`
    );
  }
  if (want.grade === null && want.table.length === 0)
    word.push('The sheet names no grade: look it up in the manual.');
  const span = want.table.find((s) => same(can.grade, s.grade));
  if (air && want.table.length > 0) {
    const now = gradesFor(want.table, air);
    if (!now.some((g) => same(can.grade, g))) {
      fits = false;
      if (span)
        word.push(
          `For ${air.from} to ${air.to} °C the table has ${now.length > 0 ? now.join(' or ') : 'no one grade'}; ${can.grade} is for ${spanWords(span)}.`
        );
      else if (fits !== null && wanted && same(can.grade, want.grade!))
        word.push(`${can.grade} is not in the machine’s table of grades.`);
    }
  }
  return { stop, word, fits };
}

/** Thicker than gearboxes with a clutch in their oil run on: 80W-90, SAE 90. */
const isHeavy = (grade: string) =>
  isGearGrade(grade) && gradesIn(grade).some((g) => Number(/(\d+)$/.exec(g)![1]) >= 85);
const isGearbox = (c: Circuit) => c === 'gearbox' || c === 'primary';

/** An oil that is made for something else; what the sheet names by its grade is made for it. */
function wrongKind({ kind, grade }: Can, want: OilWant): string[] {
  const { circuit } = want;
  const asked = [want.grade ?? '', ...want.table.map((s) => s.grade)].some((g) => same(grade, g));
  if (kind === 'two-stroke oil, burnt with the fuel')
    return [
      isGearbox(circuit) || want.twoStroke
        ? 'This oil is made to burn with the fuel of a two-stroke. In a gearbox it holds no gear and slips the clutch.'
        : 'This oil is made to burn with the fuel of a two-stroke; it lubricates no engine from the sump.'
    ];
  if (circuit.includes('differential')) {
    const gear = kind === 'differential oil' || (kind === 'gearbox oil' && isGearGrade(grade));
    return kind === null || gear
      ? []
      : ['A differential wants gear oil for differentials; this is another kind.'];
  }
  if (circuit === 'engine' && (kind === 'gearbox oil' || kind === 'differential oil' || isGearGrade(grade)))
    return ['This is gear oil; an engine’s bearings want engine oil.'];
  if (isGearbox(circuit) && !asked && (kind === 'differential oil' || isHeavy(grade)))
    return [`This is gear oil${grade && ` (${grade})`}, and the sheet does not ask for it here.`];
  return [];
}

/** What makes a clutch slip that runs in it; a clutch nobody wrote down is taken for a wet one. */
function slips(can: Can, want: OilWant): string[] {
  const clutch = (want.circuit === 'engine' || isGearbox(want.circuit)) && want.wetClutch !== false;
  if (!clutch || can.kind === 'two-stroke oil, burnt with the fuel') return [];
  const because =
    want.wetClutch === null ? 'the sheet does not say that its clutch is dry' : 'its clutch runs in it';
  const stop: string[] = [];
  if (can.additives.length > 0)
    stop.push(`It holds ${can.additives.join(' and ')}, and ${because}: the clutch will slip.`);
  if (can.notWetClutch) stop.push(`The can says it is not for wet clutches, and ${because}.`);
  if (can.ratings.includes('JASO MB')) stop.push(`JASO MB is made slippery, and ${because}.`);
  else if (!can.ratings.some((r) => r.startsWith('JASO MA')))
    stop.push(`The can names no JASO MA or MA2, and ${because}.`);
  return stop;
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
