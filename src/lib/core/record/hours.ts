import { showHours, type Centihours } from '../hours/hours';

/** At which hours something was done: its own count, and the machine's where it is a component's. Hundredths of an hour. */
export interface DoneAt {
  /** Own hours of the component, or the machine's where it is the machine's work; null: not known. */
  hours: Centihours | null;
  /** The component; null: the machine itself. */
  part: string | null;
  /** Running hours of the machine it was on then; null: the machine's own work, or not known. */
  machineHours: Centihours | null;
}

/** The machine's hours where they are others than the component's; null where there is nothing to tell apart. */
export const machineThen = ({ hours, part, machineHours }: DoneAt): Centihours | null =>
  part !== null && machineHours !== null && machineHours !== hours ? machineHours : null;

/** `22.4 h`; of a component that counts otherwise than its machine, each by its name: `engine 22.4 h, machine 71.0 h`. */
export function doneAtInWords(at: DoneAt): string {
  const machine = machineThen(at);
  if (at.hours === null)
    return machine === null ? 'hours not known' : `machine ${showHours(machine)} h, ${at.part} not known`;
  if (machine === null) return `${showHours(at.hours)} h`;
  return `${at.part} ${showHours(at.hours)} h, machine ${showHours(machine)} h`;
}
