import type { Grade } from '../debris/debris';
import type { Quantity } from '../quantity/quantity';
import type { LevelMethod, Seal } from '../specs/sheet';

/** A number from the spec sheet as a step shows it. `quantity` null means the sheet does not say: unknown. */
export interface SheetNumber {
  label: string;
  quantity: Quantity | null;
  /** Where it comes from and how sure it is: "Workshop manual, 3rd ed., p. 41 · printed". */
  source: string | null;
  unsure: boolean;
}

export type StepInput =
  /** Done or not. */
  | { type: 'tick' }
  /** Ticking it takes these off or out. */
  | { type: 'open'; items: string[] }
  /** Done when each of these is torqued, shut or back in. */
  | { type: 'close'; items: string[] }
  | { type: 'drained'; pouredLastTimeMl: number | null }
  | { type: 'debris'; place: string; before: Grade[]; breakIn: boolean }
  | { type: 'pour'; quantityMl: number | null; firstMl: number | null; heldBackMl: number | null }
  | { type: 'level'; method: LevelMethod | null; settleSeconds: number | null };

export interface Step {
  key: string;
  title: string;
  /** What to do, one short line each. */
  lines: string[];
  /** The danger at this step, one line; null where there is none. */
  caution: string | null;
  number: SheetNumber | null;
  input: StepInput;
  /** Whether it may be left out with a reason. Measures that a pass needs may not. */
  mayLeaveOut: boolean;
  /** Items that must be shut before this step makes sense: a cover knows what it covers. */
  after: string[];
}

/** Something that is opened or taken out in a visit and has to be shut or back in before it closes. */
export interface OpenedItem {
  key: string;
  /** A fastener is torqued; a cap is shut; a part goes back in. */
  kind: 'fastener' | 'cap' | 'part';
  name: string;
  place: string;
  /** Like bolts counted as one item. */
  quantity: number;
  torque: SheetNumber | null;
  seal: Seal;
  note: string;
}

export interface VisitPlan {
  job: string;
  version: number;
  title: string;
  steps: Step[];
  items: OpenedItem[];
}
