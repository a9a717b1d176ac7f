import type { TaskDue } from '../schedule/due';
import { leftInWords } from '../schedule/words';
import { addDays, dayNumber, type Day } from '../time/day';

/** A calendar somebody subscribes to. */
export interface Feed {
  id: string;
  /** What it is of, in words: the team, `12 Fell 250`, a rider. */
  of: string;
  machineId: string | null;
  personId: string | null;
  secret: string;
  by: string;
}

/** Something that stands in a calendar for whole days. */
export interface Entry {
  /** The same each time the calendar is read, so that it is changed there and not added. */
  uid: string;
  /** First and last day, both inside. */
  from: Day;
  to: Day;
  title: string;
  words: string;
  /** It may fall on any of these days, or on another: it takes nobody's time. */
  likely: boolean;
}

export interface PlannedEvent {
  id: string;
  name: string;
  kind: string;
  firstDay: Day;
  lastDay: Day;
  /** Who goes: plates; null: the whole fleet. */
  plates: readonly string[] | null;
}

/** A weekend as it is planned. */
export const eventEntry = (e: PlannedEvent): Entry => ({
  uid: `event-${e.id}`,
  from: e.firstDay,
  to: e.lastDay,
  title: e.name,
  words: `${e.kind}; ${e.plates === null ? 'the whole fleet' : e.plates.length > 0 ? e.plates.join(', ') : 'no machine yet'}`,
  likely: false
});

/** So far ahead a likely day is worth a place in a calendar: past it every rate of use is a guess. Ours. */
const AHEAD_DAYS = 200;

/**
 * A task as it likely falls due: a span of days in which it does eight times out of ten (see `forecast/`), from today on. What is
 * past due stands at today until it is done. Null: too little history, or too far ahead, or open to the end.
 */
export function dueEntry(
  machine: { id: string; plate: string; name: string },
  due: Pick<TaskDue, 'task' | 'state' | 'likely' | 'deciding'>,
  today: Day
): Entry | null {
  const { task, state, likely } = due;
  const on = `${machine.plate} ${machine.name}${task.part ? `, ${task.part.name}` : ''}`;
  const entry = (from: Day, to: Day, title: string, guess: boolean): Entry => ({
    uid: `task-${task.id}-${machine.id}`,
    from,
    to,
    title: `${machine.plate}: ${title}`,
    words: `${on}. ${leftInWords(due)}`,
    likely: guess
  });
  if (state === 'past limit') return entry(today, today, `${task.name}, past its limit`, false);
  if (state === 'past due') return entry(today, today, `${task.name}, past due`, false);
  if (!likely || likely.to === null) return null;
  const from = likely.from < today ? today : likely.from;
  const to = likely.to < from ? from : likely.to;
  if (dayNumber(from) - dayNumber(today) > AHEAD_DAYS) return null;
  return entry(from, to, `${task.name}, likely`, true);
}

/** The day after the last: calendars end a whole day where the next begins. */
export const endOf = (e: Pick<Entry, 'to'>): Day => addDays(e.to, 1);
