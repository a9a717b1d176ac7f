import type { HouseRules } from '../rules/rules';
import type { Figure } from '../specs/sheet';
import type { CheckInput, PastCheck, Reading, ShimAt, ValveRules } from './check';
import type { DrawerShim } from './choice';
import type { Limits } from './clearance';
import type { Side } from './head';
import type { ClearanceUnit } from './limits';
import { USUAL_STEP } from './stamp';
import type { Head, KeptPlan } from './stored';

/** A head as it is laid out, with whose it is. */
export interface HeadRow extends Head {
  id: string;
  machineId: string | null;
  componentId: string | null;
  /** The machine on whose sheet its limits stand. */
  sheetMachineId: string;
}

/** A feeler blade as it is marked. */
export interface Blade {
  um: number;
  unit: ClearanceUnit;
}

/** A check that stands open. */
export interface OpenCheck {
  id: string;
  visitId: string | null;
  begunAt: Date;
  by: string;
  plan: KeptPlan | null;
  /** Running hours of the engine when it was begun; null: not known. */
  hours: number | null;
  readings: (Reading & { at: Date })[];
}

/** Everything a head is judged by. */
export interface ValveSheet {
  head: HeadRow;
  engine: { id: string; name: string } | null;
  /** The figures its limits stand on; null: not on the sheet. */
  figures: Record<Side, Figure | null>;
  /** Plate of the machine they stand on, where that is another one. */
  sheetOf: string | null;
  limits: Record<Side, Limits | null>;
  rules: ValveRules;
  blades: Blade[];
  check: OpenCheck | null;
  shims: (ShimAt & { at: number; by: string })[];
  past: PastCheck[];
  drawer: DrawerShim[];
  /** Running hours of the engine; null: not known. */
  hours: number | null;
  /** Running hours from this check to the next, by the shortest of its tasks; null: none counts hours. */
  nextInH: number | null;
  /** The latest moment by which it is known to have run. */
  ranAt: Date | null;
  /** Hours an engine stands until it is stone cold, by the house rule. */
  coldAfterHours: number;
}

export const valveRules = (r: HouseRules): ValveRules => ({
  shims: r.shims,
  aim: r.aim,
  shimReading: r.shimReading,
  borderlineValve: r.borderlineValve
});

/** The steps its shims are made in, µm. */
export const stepOf = (head: Pick<HeadRow, 'series'>): number => head.series?.step ?? USUAL_STEP;

/**
 * What `standsOf` takes.
 * @param unit blades marked in it are asked for first; null: all alike
 */
export const checkInput = (
  s: Pick<ValveSheet, 'head' | 'limits' | 'rules' | 'blades' | 'check' | 'shims' | 'past'>,
  unit: ClearanceUnit | null = null
): CheckInput => ({
  layout: s.head.layout,
  limits: s.limits,
  rules: s.rules,
  blades: s.blades.map((b) => b.um),
  prefer: unit === null ? [] : s.blades.filter((b) => b.unit === unit).map((b) => b.um),
  step: stepOf(s.head),
  checkId: s.check?.id ?? null,
  readings: s.check?.readings ?? [],
  shims: s.shims,
  past: s.past
});
