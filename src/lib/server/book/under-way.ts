import type { Role, Team } from '../../core/team/team';
import type { Held } from './hold';
import type { Tx } from '../base/db';
import { refuse } from '../base/refusal';

/** A write being carried out: its transaction, whose it is, when it came in, when it was done, and the machines it holds. */
export interface Write {
  tx: Tx;
  team: Team;
  personId: string;
  role: Role;
  now: Date;
  /** Earlier than `now` where it waited on a device without a signal. */
  at: Date;
  held: Held;
}

/** A machine that a write holds. @throws Refusal where it is not in the team */
export function heldMachine(w: Write, machineId: string, field = ''): { plate: string; name: string } {
  return w.held.machines.get(machineId) ?? refuse(field, 'That machine is not in this team.');
}
