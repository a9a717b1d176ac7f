import type { Adapter, TorqueWrench } from '../fasteners/wrench';
import type { Kind } from '../machine/machine';
import type { Band } from '../quantity/band';
import type { Quantity } from '../quantity/quantity';
import type { Check, List } from './check';
import type { Given } from './stand';

/** A round of a machine as its page shows it and its writes judge it. */
export interface RoundSheet {
  machineId: string;
  kind: Kind;
  list: List;
  /** The one that stands open, or the latest that is done; null: there was none yet. */
  round: { id: string; begunAt: Date; by: string; doneAt: Date | null; doneHours: number | null } | null;
  checks: Check[];
  bands: Record<string, Band | null>;
  /** By check, what the sheet says in words that is wanted while looking; null: it does not say. */
  shown: Record<string, { label: string; words: string | null }>;
  /** The clean air filters there are for it, by the book; null: none go round. */
  spares: { name: string; clean: number; dirty: number } | null;
  answers: Given[];
  /** By check, what it was set to last, or showed. */
  last: Record<string, Quantity>;
  /** What this machine was said to have none of. */
  none: Check[];
  /** Findings that stand open, by the check they came from. */
  open: { id: string; check: string; what: string; roundId: string | null }[];
  /** Of a torque round: what it is tried with, and what every machine has and this sheet does not name. */
  torque: { wrenches: TorqueWrench[]; adapters: Adapter[]; missing: string[] } | null;
}
