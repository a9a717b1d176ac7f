import type { Earlier } from '../../debris/trend';
import { upperEnd } from '../../quantity/band';
import type { FoundBefore } from '../../fasteners/found';
import type { Inside } from '../../fluids/oil';
import type { Kind } from '../../machine/machine';
import type { HouseRules } from '../../rules/rules';
import { CIRCUIT_FIGURES } from '../../specs/circuits';
import type { LevelPart } from '../../specs/kinds';
import { figureOf, type Circuit, type Fastener, type Figure, type Sheet } from '../../specs/sheet';
import type { LastTime } from '../plan';
import type { VersionedTemplate, When } from '../template';
import type { ChainForJobs } from '../../chain/at-bench';
import type { HeadForJobs } from '../../valve/stages';
import { levelMethod } from './words';

/** What is known of one circuit from the changes before. */
export interface CircuitHistory {
  /** What went in at the last change, ml; null when nobody knows. */
  pouredLastTimeMl: number | null;
  /** Of it, what went into the filter as it was written; null: nobody wrote it. */
  intoFilterMl: number | null;
  /** Whether a dry filter went in with it, new or washed. */
  filterDry: boolean;
  /** Hours on the oil that is in it, hundredths; null when nobody knows. */
  oilHours: number | null;
  inside: Inside | null;
  /** Earlier debris by place, the latest first. */
  debris: Readonly<Record<string, Earlier[]>>;
  /** In the first hours after new or a rebuild. */
  breakIn: boolean;
}
export const NO_HISTORY: CircuitHistory = {
  pouredLastTimeMl: null,
  intoFilterMl: null,
  filterDry: false,
  oilHours: null,
  inside: null,
  debris: {},
  breakIn: false
};

export interface JobInput {
  template: Pick<VersionedTemplate, 'key' | 'version' | 'title' | 'circuits' | 'steps'>;
  /** The task it answers; null where it was only added to the visit. */
  taskId: string | null;
}

/** Everything a visit is laid out from. */
export interface LayoutInput {
  kind: Kind;
  sheet: Sheet;
  /** False where its hours are counted from time ridden: there is no meter to read. */
  hourMeter?: boolean;
  rules: HouseRules;
  jobs: JobInput[];
  history: Partial<Record<Circuit, CircuitHistory>>;
  /** Uses of the seal that is in each fastener, by its id; absent: nobody knows. */
  sealUses: Readonly<Record<string, number>>;
  /** What was found at each fastener before, by its id. */
  found: Readonly<Record<string, FoundBefore[]>>;
  /** What was written at each step last time, by its key. */
  last: Readonly<Record<string, LastTime>>;
  /** The head of its engine; null or left out: not laid out. */
  head?: HeadForJobs | null;
  /** Its chain; null or left out: it has none, or nobody asked. */
  chain?: ChainForJobs | null;
}

export function historyOf(input: LayoutInput, circuit: Circuit): CircuitHistory {
  return input.history[circuit] ?? NO_HISTORY;
}

/** The figure a circuit's key names, or null. */
export function circuitFigure(
  sheet: Sheet,
  circuit: Circuit,
  which: 'amount' | 'withoutFilter' | 'grade' | 'table' | 'between'
): Figure | null {
  const key = CIRCUIT_FIGURES[circuit][which];
  return key === null ? null : figureOf(sheet, key);
}
export function levelFigure(sheet: Sheet, circuit: Circuit, which: LevelPart): Figure | null {
  const prefix = CIRCUIT_FIGURES[circuit].level;
  return prefix === null ? null : figureOf(sheet, `${prefix} ${which}`);
}
/** How its level is read: as the sheet says; a circuit with a check screw and nothing said is read there. */
export function methodOf(sheet: Sheet, circuit: Circuit) {
  return (
    levelMethod(levelFigure(sheet, circuit, 'method')?.text) ??
    (sheet.fasteners.some((f) => f.circuit === circuit && f.role === 'check screw') ? 'check screw' : null)
  );
}
const runsBefore = (f: Figure | null) => f?.band != null && upperEnd(f.band).base > 0;
export const isTwoStroke = (kind: Kind) => kind.startsWith('two-stroke');

export function holds(when: When, input: LayoutInput, circuit: Circuit | null): boolean {
  const { rules } = input;
  switch (when) {
    case 'in break-in':
      return circuit !== null && historyOf(input, circuit).breakIn;
    case 'not in break-in':
      return circuit === null || !historyOf(input, circuit).breakIn;
    case 'two-stroke':
      return isTwoStroke(input.kind);
    case 'house rule: fill the filter first':
      return rules.fillFilterFirst;
    case 'house rule: filter replaced':
      return rules.filter === 'paper, replaced';
    case 'house rule: filter washed':
      return rules.filter === 'washable';
    case 'house rule: lay it on its side':
      return rules.sideForFilter;
    case 'house rule: screens replaced':
      return rules.screens === 'replace';
    case 'the level is read at a check screw':
      return circuit !== null && methodOf(input.sheet, circuit) === 'check screw';
    case 'a level is read':
      return circuit === null || methodOf(input.sheet, circuit) !== 'measured quantity only';
    case 'the head has shims':
      return input.head?.valves.some((v) => v.shimmed) ?? true;
    case 'the head has screws':
      return input.head?.valves.some((v) => !v.shimmed) ?? true;
    case 'the level is read after a run':
      return circuit !== null && runsBefore(levelFigure(input.sheet, circuit, 'run time'));
  }
}

/** A drain plug that carries the screen: opened once, read once, back in once. */
export const carriesScreen = (f: Fastener): boolean => /\bscreen/i.test(f.comesWith);

/** Millimetres on the map, as a part of the machine's length, within which two plugs are taken for one another. */
const NEAR = 0.3;
/**
 * Fasteners of other circuits that could be taken for this one: the same role, and near it on the map or with the same head;
 * where the map does not say, any of the same role.
 */
export function twinsOf(f: Fastener, sheet: Sheet): Fastener[] {
  if (f.circuit === null) return [];
  return sheet.fasteners.filter((o) => {
    if (o.id === f.id || o.role !== f.role || o.circuit === null || o.circuit === f.circuit) return false;
    if (!f.at || !o.at) return true;
    return Math.hypot(f.at.x - o.at.x, f.at.y - o.at.y) < NEAR || (f.head !== '' && f.head === o.head);
  });
}
