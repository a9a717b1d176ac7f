import type { ChainSheet } from '../chain/sheet';
import type { Air } from '../fluids/air';
import type { Fastener } from '../specs/sheet';
import type { Entry } from './entry';
import type { Forgotten } from '../job/gather/forgotten';
import type { VisitPlan } from '../job/plan';
import type { ValveSheet } from '../valve/sheet';
import type { Toolbox } from '../stores/toolbox';

export interface Photo {
  id: string;
  stepKey: string;
  by: string;
  at: string | Date;
}

/** A visit as its page gets it. */
export interface Visit {
  id: string;
  machineId: string;
  plate: string;
  machine: string;
  total: number | null;
  /** False while a finding that parks the machine is open. */
  ready: boolean;
  startedAt: Date;
  closedAt: Date | null;
  givenUpAt: Date | null;
  /** One for each job, in their order. */
  recordIds: string[];
  plan: VisitPlan;
  entries: Entry[];
}

/** What else the bench has at hand. */
export interface Around {
  tools: Toolbox;
  /** What was not laid out last time, by job. */
  forgotten: Forgotten[];
  /** The house lets bolts be tightened by feel: it asks for no reason each time. */
  byFeel: boolean;
  fasteners: Fastener[];
  outline: 'bike' | 'quad';
  photos: Photo[];
  people: { id: string; name: string }[];
  /** Manuals that figures come from. */
  sources: string[];
  today: string;
  /** The valves, where a job of the visit is about them; sheet null: the head is not laid out. */
  valves: { sheet: ValveSheet | null } | null;
  /** The chain sheet, where a job of the visit is about the slack. */
  chain: ChainSheet | null;
  /** Air of the weeks ahead, by the simulated station; null: there is none. */
  air: Air | null;
}
