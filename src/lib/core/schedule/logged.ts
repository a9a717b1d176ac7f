import type { DueKind } from './fleet';
import type { State } from './state';

/** What a reading is answered with. */
export interface Logged {
  machineId: string;
  plate: string;
  /** Running hours after it, in words, and what has become due by it. */
  total: string;
  due: { kind: DueKind; id: string; name: string; state: State; left: string }[];
}

/** What became of one pasted row. */
export type RowAnswer =
  { ok: true } | { ok: false; errors: Record<string, string>; more: Record<string, unknown> };
