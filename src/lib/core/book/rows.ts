import type { Finding } from '../finding/finding';
import type { Reminder } from '../finding/reminder';
import type { Ageing, Anchoring, Call, Task, Trigger } from '../schedule/task';
import type { Day } from '../time/day';
import type { PastOuting } from '../hours/learned';
import type { Step } from './steps';

/**
 * Everything the book of some machines is worked out from, as the server loads it: in a number of queries that does not
 * grow with machines, tasks or history. Moments are ms since 1970, hours hundredths.
 */
export interface BookOf {
  timeZone: string;
  /** House rules on scheduling, where a task leaves it to them. */
  rules: { ageing: Ageing; anchoring: Anchoring };
  machines: readonly MachineRow[];
  parts: readonly PartRow[];
  tasks: readonly TaskRow[];
  restarts: readonly RestartRow[];
  /** When tasks that others count were done. */
  times: readonly { taskId: string; ofTaskId: string; at: number }[];
  calls: readonly (Call & { taskId: string })[];
  findings: readonly FindingRow[];
  reminders: readonly ReminderRow[];
  pegs: readonly PegRow[];
  /** Records whose hours follow the book, and may have to be put right. */
  followers: readonly FollowerRow[];
}

export interface MachineRow {
  id: string;
  /** When it came into service. */
  day: Day;
}

/** An engine, a chain: with everywhere it was. */
export interface PartRow {
  id: string;
  name: string;
  brought: number;
  broughtDistance: number;
  /** When it came into the book. */
  since: number;
  day: Day;
  /** The machine it is on now, by itself or in an engine; null on the shelf. */
  machineId: string | null;
  total: number;
  fittings: readonly { machineId: string | null; hostId: string | null; from: number; to: number | null }[];
}

export interface TaskRow {
  id: string;
  name: string;
  job: string | null;
  machineId: string | null;
  componentId: string | null;
  anchoring: Anchoring | null;
  ageing: Ageing | null;
  sensitivity: Task['sensitivity'];
  perPart: boolean;
  /** Never done, and counted from when its machine or component came into the book new. */
  fromNew: boolean;
  triggers: Trigger[];
}

/** A task done, or a component rebuilt: what restarts a count, or would. */
export interface RestartRow {
  taskId: string;
  kind: 'done' | 'rebuild';
  at: number;
  day: Day;
  replaced: boolean;
  /** Hours somebody stated; null: nobody knows; undefined: as the book has it. */
  stated?: number | null;
  /** When it was written down. */
  written: number;
  /** What was seen then wants it again within so many hundredths of an hour; left out: nothing did. */
  within?: number | null;
}

/** An open finding: on a machine, or on a component wherever that is now. */
export interface FindingRow extends Omit<Finding, 'part'> {
  /** The machine it was found on; null where it was found on the shelf. */
  machineId: string | null;
  componentId: string | null;
  at: number;
}

/** A reminder that belongs to no finding. */
export interface ReminderRow extends Reminder {
  machineId: string;
}

export interface PegRow {
  machineId: string;
  recordId: string;
  name: string;
  day: Day;
  at: number;
  /** The component it is of; null: the machine itself. */
  componentId: string | null;
  /** Hours somebody stated; null: nobody knows; undefined: as the book has it. */
  stated?: number | null;
}

/** A record whose hours follow the book: its own, or the machine's beside those that were stated of a component. */
export interface FollowerRow {
  id: string;
  /** Of the task. */
  machineId: string | null;
  componentId: string | null;
  /** The machine it was done on; null on the shelf. */
  onMachineId: string | null;
  at: number;
  hours: number | null;
  /** Somebody stated `hours`: only the machine's follow. */
  stated: boolean;
  machineHours: number | null;
}

/** What a machine's rate of use and its pace are told from: its latest steps, the oldest first. */
export interface Recent {
  /** Moments at which its running hours were known, and of these what was ridden at planned events. */
  hours: readonly { at: number; hours: number; planned: number }[];
  outings: readonly PastOuting[];
  /** When it was last read or ridden; null when it never was. */
  readAt: number | null;
}

/** Steps of machines, of which only those at the moments that are asked for need be there. By machine, in order of time. */
export type StepsOf = ReadonlyMap<string, readonly Step[]>;
