import type { Role, Team } from '../../core/team/team';
import type { Held } from '../book/hold';
import type { Tx } from '../base/db';

/** Whose writes they are. */
export interface Sender {
  team: Team;
  person: { id: string; role: Role };
  device: string;
  /** How far the device’s clock was ahead of ours when it sent this, s; without it, it did not say. */
  clockAheadS?: number | null;
}
/** Of a write that touches no machine's book. */
export const NOTHING_HELD: Held = { machines: new Map(), components: [] };
export const SENT_BEFORE =
  'That was sent before, with other content. Open the page again to see what is there.';
/**
 * Whether a command that is there already was sent with this body: by what is kept of it; or, kept before keys that nobody reads were
 * left out, by all of it.
 */
export const sameBody = (tx: Tx, kept: unknown, sent: unknown) =>
  tx`body in (${tx.json(kept as never)}::jsonb, ${tx.json((sent ?? null) as never)}::jsonb)`;
