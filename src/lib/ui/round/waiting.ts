import type { List } from '$lib/core/round/check';
import { answerTyped, type RoundAnswerInput } from '$lib/core/round/form';
import { forget, keep, kept } from '../form/kept';
import { nameOf } from './left-behind';

export type Waiting = RoundAnswerInput['answers'][number];
/** What this device has of a round and the server has not. */
export interface Left {
  roundId: string;
  waiting: Waiting[];
}

/** As it was kept; null where nothing was, or nothing of it can be read. */
export function readLeft(list: List, machineId: string): Left | null {
  const was = kept('device', nameOf(list, machineId)) as { roundId?: unknown; waiting?: unknown } | null;
  const waiting = (Array.isArray(was?.waiting) ? was.waiting : []).flatMap((w) => {
    const read = answerTyped.safeParse(w);
    return read.success ? [read.data] : [];
  });
  return waiting.length > 0 && typeof was?.roundId === 'string' ? { roundId: was.roundId, waiting } : null;
}
/** Keeps it, or forgets it where nothing waits any more. */
export function keepLeft(list: List, machineId: string, left: Left): void {
  if (left.waiting.length === 0) forget('device', nameOf(list, machineId));
  else keep('device', nameOf(list, machineId), left);
}
