import type { Entry } from '$lib/core/visit/entry';
import type { VisitPlan } from '$lib/core/visit/plan';

/** A visit as its page gets it. */
export interface Visit {
  id: string;
  machineId: string;
  plate: string;
  machine: string;
  total: number | null;
  closedAt: Date | null;
  givenUpAt: Date | null;
  recordId: string | null;
  plan: VisitPlan;
  entries: Entry[];
}
