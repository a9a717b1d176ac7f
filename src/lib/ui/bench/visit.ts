import type { ChainSheet } from '$lib/core/chain/sheet';
import type { Air } from '$lib/core/fluids/air';
import type { Fastener } from '$lib/core/specs/sheet';
import type { Entry } from '$lib/core/visit/entry';
import type { Forgotten } from '$lib/core/job/gather/forgotten';
import type { VisitPlan } from '$lib/core/job/plan';
import type { ValveSheet } from '$lib/core/valve/sheet';
import type { Toolbox } from '$lib/core/stores/toolbox';

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
