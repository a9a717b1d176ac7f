import type { Role, Team } from '../../core/team/team';

/** Whose writes they are. */
export interface Sender {
  team: Team;
  person: { id: string; role: Role };
  device: string;
  /** How far the device’s clock was ahead of ours when it sent this, s; without it, it did not say. */
  clockAheadS?: number | null;
}
