import { forget, keep, kept } from '../base/kept';

/** What somebody ticked for a visit that is not begun. */
export interface Ticked {
  picked: string[];
  found: string[];
  templates: Record<string, string>;
  kept: Record<string, boolean>;
  engine: 'cold' | 'warm';
}
const under = (machineId: string) => `hour-trail visit ${machineId}`;

/**
 * What was ticked in this window for a machine's next visit: found again after a look at another page, as long as one comes for
 * the same. `came`: what is ticked before anybody picks; where that has changed, what was ticked on top of it is over.
 */
export const ticked = {
  of(machineId: string, came: string): Ticked | null {
    const was = kept('window', under(machineId)) as { came?: string; ticked?: Ticked } | null;
    return was?.came === came ? (was.ticked ?? null) : null;
  },
  keep: (machineId: string, came: string, ticked: Ticked): void =>
    keep('window', under(machineId), { came, ticked }),
  forget: (machineId: string): void => forget('window', under(machineId))
};
