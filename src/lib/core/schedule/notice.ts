import { gravestFirst, parks, type Finding } from '../finding/finding';
import { eventInWords, waitsInWords, type Reminder } from '../finding/reminder';
import { showHours } from '../hours/hours';
import { showDay, type Day } from '../time/day';
import { decide, pressingFirst, type Special } from './decide';
import type { Ahead, State } from './state';
import type { WhyLine } from './why';

/** What is open on a machine besides its tasks. */
export interface OpenOn {
  findings: readonly Finding[];
  reminders: readonly Reminder[];
}

/** A finding or a reminder among what presses on a machine today. */
export interface NoticeDue {
  kind: 'finding' | 'reminder';
  id: string;
  name: string;
  part: string | null;
  state: State;
  order: { press: number; ahead: number };
  /** It keeps the machine from being called ready. */
  parks: boolean;
  /** What it comes to, in words: `not ready`, `fix now`, `waits for the next outing`. */
  left: string;
  /** What closing it waits for, in words; empty where it waits for nothing. */
  waits: string;
}

/**
 * What is special about a finding: one that parks the machine stands before everything; one to be fixed now is due, and so is
 * whatever waited for something that has come.
 */
export function specialOfFinding(f: Pick<Finding, 'severity' | 'waits'>): Special {
  if (parks(f)) return 'parks';
  return f.severity === 'fix now' || f.waits?.come ? 'now' : 'waits';
}
export const specialOfReminder = (r: Pick<Reminder, 'come'>): Special => (r.come ? 'now' : 'waits');

function findingInWords(f: Finding): string {
  const grave = parks(f) ? 'not ready' : f.severity;
  return f.waits ? `${grave}: ${eventInWords(f.waits)}` : grave;
}

/** Findings and reminders of a machine in the order in which they press. */
export function noticesDue({ findings, reminders }: OpenOn, ahead: Ahead): NoticeDue[] {
  const judged = (special: Special) => {
    const { state, press, ahead: far } = decide({ special, points: [] }, ahead);
    return { state, order: { press, ahead: far } };
  };
  return [
    ...[...findings].sort(gravestFirst).map((f): NoticeDue => ({
      kind: 'finding',
      id: f.id,
      name: f.what,
      part: f.part?.name ?? null,
      ...judged(specialOfFinding(f)),
      parks: parks(f),
      left: findingInWords(f),
      waits: f.waits ? eventInWords(f.waits) : ''
    })),
    ...reminders.map((r): NoticeDue => ({
      kind: 'reminder',
      id: r.id,
      name: r.words,
      part: null,
      ...judged(specialOfReminder(r)),
      parks: false,
      left: waitsInWords(r),
      waits: waitsInWords(r)
    }))
  ].sort((a, b) => pressingFirst({ ...a.order, ...a }, { ...b.order, ...b }));
}

/** What a finding says of itself where a task shows its sum. */
export function whyFinding(f: Finding, today: Day): WhyLine[] {
  const lines: WhyLine[] = [];
  const hours = f.hours === null ? '' : ` at ${showHours(f.hours)} h`;
  lines.push({
    head: 'Found',
    text: `${showDay(f.day, today)}${hours}, by ${f.by}${f.place ? `: ${f.place}` : ''}.`
  });
  if (f.note) lines.push({ head: 'In words', text: f.note });
  if (f.waits)
    lines.push({
      head: 'Waits for',
      text: `${f.waits.waitsFor}${f.waits.part ? `: ${f.waits.part}` : ''}${f.waits.come ? ', which has come' : ''}.`
    });
  lines.push({
    head: 'Then',
    text: parks(f)
      ? 'It is called ready when this is closed with what was done.'
      : 'It stays with the machine until it is closed with what was done.'
  });
  return lines;
}
export function whyReminder(r: Reminder): WhyLine[] {
  const lines = [{ head: 'Waits for', text: `${r.waitsFor}${r.part ? `: ${r.part}` : ''}.` }];
  if (r.come) lines.push({ head: 'Now', text: 'That has come: do it before the machine goes out again.' });
  return lines;
}
