import type { Earlier } from '../debris/trend';
import type { CircuitFill } from '../fluids/ledger';
import type { Inside, OilWant } from '../fluids/oil';
import type { Quantity } from '../quantity/quantity';
import type { Circuit, FastenerRole, LevelMethod, Seal } from '../specs/sheet';
import type { Opens } from './template';

/** A number from the spec sheet as a step shows it. `quantity` null means the sheet does not say: unknown. */
export interface SheetNumber {
  label: string;
  quantity: Quantity | null;
  /** Where it comes from and how sure it is: "Workshop manual, 3rd ed., p. 41 · printed". */
  source: string | null;
  unsure: boolean;
}

/** What goes in: all of it, and the first pour with what is kept back. Null where the sheet does not say. */
export interface Fill {
  quantityMl: number | null;
  firstMl: number | null;
  heldBackMl: number | null;
  number: SheetNumber;
}

/** How a level is read, so that readings compare. */
export interface Protocol {
  method: LevelMethod | null;
  runSeconds: number | null;
  settleSeconds: number | null;
  temperature: string | null;
  attitude: string | null;
  /** 0 at the low mark, 1 at the high; null: the sheet names no aim. */
  aim: number | null;
  betweenMl: number | null;
}

export type StepInput =
  /** Done or not. */
  | { type: 'tick' }
  | { type: 'choice' }
  | { type: 'measure'; unit: string; from: number | null; to: number | null }
  /** Ticking it takes these off or out. `twins`: fasteners of other circuits that could be taken for these. */
  | { type: 'open'; items: string[]; twins: Point[] }
  /** Done when each of these is torqued, shut or back in. */
  | { type: 'close'; items: string[] }
  | {
      type: 'drained';
      circuit: Circuit;
      pouredLastTimeMl: number | null;
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
  engine: 'any' | 'cold' | 'warm';
  heats: boolean;
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
  /** How often the seal in it has been used, and how often the house lets it be; null: nobody knows, no end. */
  sealUses: number | null;
  sealMost: number | null;
  note: string;
  /** What was found at it before: "found loose, 3 May". */
  found: string[];
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
  /** Minutes: hands on it, and from the first to the last. Null for visits laid out before they were ordered. */
  estimate: { attended: number; elapsed: number } | null;
}

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

/** Steps as they were kept before visits held more than one job: brought to today's shape. */
export function readStep(kept: unknown): Step {
  const old = kept as Partial<Step> & { number?: SheetNumber | null; input: Record<string, unknown> };
  const input = old.input;
  const circuit: Circuit = (input.circuit as Circuit | undefined) ?? 'engine';
  let now = input as unknown as StepInput;
  if (input.type === 'open' && input.twins === undefined)
    now = { type: 'open', items: input.items as string[], twins: [] };
  else if (input.type === 'drained' && input.others === undefined)
    now = {
      type: 'drained',
      circuit,
      pouredLastTimeMl: input.pouredLastTimeMl as number | null,
      mine: null,
      others: []
    };
  else if (input.type === 'debris' && input.oilHours === undefined)
    now = {
      type: 'debris',
      circuit,
      place: input.place as string,
      before: (input.before as unknown as Earlier['grade'][]).map((grade) => ({
        grade,
        materials: [],
        oilHours: null,
        day: '',
        photoId: null
      })),
      breakIn: input.breakIn as boolean,
      oilHours: null
    };
  else if (input.type === 'pour' && input.fill === undefined)
    now = {
      type: 'pour',
      circuit,
      fill: {
        quantityMl: input.quantityMl as number | null,
        firstMl: input.firstMl as number | null,
        heldBackMl: input.heldBackMl as number | null,
        number: old.number ?? { label: 'First pour', quantity: null, source: null, unsure: false }
      },
      without: null
    };
  else if (input.type === 'level' && input.protocol === undefined)
    now = {
      type: 'level',
      circuit,
      protocol: {
        method: input.method as LevelMethod | null,
        runSeconds: null,
        settleSeconds: input.settleSeconds as number | null,
        temperature: null,
        attitude: null,
        aim: null,
        betweenMl: null
      }
    };
  return makeStep({ ...(old as Step), input: now });
}

/** Items as they were kept then. */
export function readItem(kept: unknown): OpenedItem {
  const bare: Partial<OpenedItem> = {
    fastenerId: null,
    role: null,
    circuit: 'engine',
    head: '',
    thread: '',
    oiled: false,
    adapter: false,
    sealUses: null,
    sealMost: null,
    found: []
  };
  return { ...bare, ...(kept as OpenedItem) };
}
