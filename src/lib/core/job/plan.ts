import type { Earlier } from '../debris/trend';
import type { Aim } from '../fluids/aim';
import type { CircuitFill } from '../fluids/ledger';
import type { FoundBefore } from '../fasteners/found';
import type { Inside, OilWant } from '../fluids/oil';
import type { Band } from '../quantity/band';
import type { UnitName } from '../quantity/units';
import type { FigureKey } from '../specs/kinds';
import type { Circuit, FastenerRole, LevelMethod, Seal } from '../specs/sheet';
import type { SlackInput } from '../chain/at-bench';
import type { ValveStage } from '../valve/stages';
import type { ENGINES, Opens } from './template';

/** A figure of the spec sheet as a step shows it. Neither a band nor words: the sheet does not say, unknown. */
export interface SheetNumber {
  label: string;
  /** Both its ends: one figure, a range, or one-sided. */
  band: Band | null;
  /** As the manual says it where it gives no number: “tighten securely”. */
  words: string | null;
  /** Where it comes from and how sure it is: "Workshop manual, 3rd ed., p. 41 · printed". */
  source: string | null;
  unsure: boolean;
}

/** What goes in: all of it, and the first pour with what is kept back. Null where the sheet does not say. */
export interface Fill {
  /** The figure, or the lower end of its range: what is poured to before the level is read. */
  quantityMl: number | null;
  /** The upper end: more than this is too much. The same as the lower where it is one figure; null: the sheet names none. */
  mostMl: number | null;
  firstMl: number | null;
  heldBackMl: number | null;
  number: SheetNumber;
}

/** How a level is read, so that readings compare. */
export interface Protocol {
  method: LevelMethod | null;
  runSeconds: number | null;
  /** As long as both ends of a printed range hold. */
  settleSeconds: number | null;
  /** Of a printed range the lower end: from then on it may be read. Plans of before have none. */
  settleLeastSeconds?: number | null;
  temperature: string | null;
  attitude: string | null;
  /** Where it should stand; null: the sheet names no aim. */
  aim: Aim | null;
  betweenMl: number | null;
}

export type StepInput =
  /** Done or not. */
  | { type: 'tick' }
  | { type: 'choice' }
  /** Measured, and judged by the band of `number`: a figure of the sheet, or what the job itself says. */
  | { type: 'measure'; unit: UnitName; figure: FigureKey | null; number: SheetNumber }
  /** Ticking it takes these off or out. `twins`: fasteners of other circuits that could be taken for these. */
  | { type: 'open'; items: string[]; twins: Point[] }
  /** Done when each of these is torqued, shut or back in. */
  | { type: 'close'; items: string[] }
  | {
      type: 'drained';
      circuit: Circuit;
      pouredLastTimeMl: number | null;
      /** Of it, what a dry filter took; null: none, or nobody knows. */
      inFilterMl: number | null;
      mine: CircuitFill | null;
      others: CircuitFill[];
    }
  | {
      type: 'debris';
      circuit: Circuit;
      place: string;
      before: Earlier[];
      breakIn: boolean;
      oilHours: number | null;
    }
  | { type: 'oil'; circuit: Circuit; want: OilWant; inside: Inside | null; quantityMl: number | null }
  /** `without`: another fill where that step was answered no. */
  | { type: 'pour'; circuit: Circuit; fill: Fill; without: { step: string; fill: Fill } | null }
  | { type: 'level'; circuit: Circuit; protocol: Protocol }
  /** The numbers of the valves, from the valve sheet: as found, once shims are in, as left. */
  | { type: 'clearances'; stage: ValveStage }
  /** Slack of the chain, read. */
  | SlackInput
  /** The chain dressed, as the house has it. */
  | { type: 'dressing'; dressing: 'lube' | 'wax' | 'dry' }
  /** Starts the engine: refused while oil is out or a plug is. */
  | { type: 'start' };

/** A fastener as the map of the underside names it. */
export interface Point {
  id: string;
  name: string;
  place: string;
  circuit: Circuit | null;
  role: FastenerRole;
}

/** What was written at this step on this machine last time. */
export interface LastTime {
  day: string;
  remark: string | null;
  photoId: string | null;
}

export interface Step {
  key: string;
  /** The jobs it belongs to: more than one where they share it. */
  jobs: string[];
  circuit: Circuit | null;
  title: string;
  /** What to do, one short line each. */
  lines: string[];
  /** The danger at this step, one line; null where there is none. */
  caution: string | null;
  input: StepInput;
  /** Whether it may be left out with a reason. Measures that a pass needs may not. */
  mayLeaveOut: boolean;
  /** Items that must be shut before this step makes sense: a cover knows what it covers. */
  after: string[];
  /** Appears only once another step was answered so. Any of several like steps opens it. */
  gate: { steps: string[]; is: Opens } | null;
  orientation: boolean;
  /** Fasteners of the map that it is about. */
  points: string[];
  minutes: number;
  /** Minutes that go by themselves afterwards, and what happens in them. */
  wait: number;
  waitFor: string;
  engine: (typeof ENGINES)[number];
  heats: boolean;
  /** Minutes the engine has cooled for what is done cool; null: it asks for none. */
  coolFor: number | null;
  /** Minutes a warm-up is good for, for what is done warm; null: it asks for none. */
  warmFor: number | null;
  /** Done and their waits over before this one. */
  needs: string[];
  /** Done before this one. */
  during: string[];
  /** Covers that have to be on for it: a ride. */
  covered: string[];
  /** Spills oil: goes before the oil is poured. */
  spills: boolean;
  /** Why it stands where it stands. */
  why: string;
  last: LastTime | null;
}

/** Something that is opened or taken out in a visit and has to be shut or back in before it closes. */
export interface OpenedItem {
  key: string;
  /** Of the sheet; null for what the sheet does not name. */
  fastenerId: string | null;
  /** A fastener is torqued; a cap is shut; a part goes back in. */
  kind: 'fastener' | 'cap' | 'part';
  role: FastenerRole | null;
  circuit: Circuit | null;
  name: string;
  place: string;
  /** Like bolts counted as one item. */
  quantity: number;
  torque: SheetNumber | null;
  head: string;
  thread: string;
  oiled: boolean;
  adapter: boolean;
  seal: Seal;
  /** Of a filter: whether a new one goes in or this one washed, by the house rule; null: it is no filter. */
  filter: 'new' | 'washed' | null;
  /** How often the seal in it has been used, and how often the house lets it be; null: nobody knows, no end. */
  sealUses: number | null;
  sealMost: number | null;
  note: string;
  /** What was found at it at earlier visits, the oldest first. */
  found: FoundBefore[];
}

export interface PlanJob {
  key: string;
  version: number;
  title: string;
  taskId: string | null;
  circuits: Circuit[];
}

export interface VisitPlan {
  jobs: PlanJob[];
  title: string;
  steps: Step[];
  items: OpenedItem[];
  /** Points of the map in the circuits of this visit: those not visited are asked about. */
  points: Point[];
  /** Minutes an engine takes from warm to stone cold, by the house rule. */
  coolsIn: number;
  /** Minutes: hands on it, and from the first to the last. Null for visits laid out before they were ordered. */
  estimate: { attended: number; elapsed: number } | null;
}

/** More than as many jobs as a visit may have bring with them. */
export const MOST_STEPS = 1000;

/** A step of it is about the valves, and has their sheet beside it; about the slack of the chain, and has that. */
export const readsValves = (plan: Pick<VisitPlan, 'steps'>): boolean =>
  plan.steps.some((s) => s.input.type === 'clearances');
export const readsChain = (plan: Pick<VisitPlan, 'steps'>): boolean =>
  plan.steps.some((s) => s.input.type === 'slack');

const BARE: Omit<Step, 'key' | 'title' | 'input'> = {
  jobs: [],
  circuit: null,
  lines: [],
  caution: null,
  mayLeaveOut: true,
  after: [],
  gate: null,
  orientation: false,
  points: [],
  minutes: 0,
  wait: 0,
  waitFor: '',
  engine: 'any',
  heats: false,
  coolFor: null,
  warmFor: null,
  needs: [],
  during: [],
  covered: [],
  spills: false,
  why: '',
  last: null
};
/** A step with what is usual filled in. */
export function makeStep(s: Partial<Step> & Pick<Step, 'key' | 'title' | 'input'>): Step {
  return { ...BARE, ...s };
}
