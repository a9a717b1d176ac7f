import type { Lane, Stake } from '$lib/core/trail/lane';

export type Panel = 'hours' | 'finding' | 'find' | 'keys' | null;

/** What the frame round every page shares: which panel is open, what was said last, whether instruments are listened to. */
export const shell = $state<{
  panel: Panel;
  machineId: string | null;
  said: Said | null;
  instruments: boolean;
  /** The server cannot be reached, or there is no connection at all: what is shown may be old. */
  away: boolean;
  /** How far the clock of this device is ahead of the server’s, ms, as its last answer showed it; null: none came yet. */
  clockAheadMs: number | null;
}>({
  panel: null,
  machineId: null,
  said: null,
  instruments: false,
  away: false,
  clockAheadMs: null
});

export interface Said {
  text: string;
  /** Work that has become due, with where to go for it. */
  links: { text: string; href: string }[];
}

export function openHours(machineId: string | null = null): void {
  shell.machineId = machineId;
  shell.panel = 'hours';
}

export function openFinding(machineId: string | null = null): void {
  shell.machineId = machineId;
  shell.panel = 'finding';
}

/** Where one looks after what is kept on this device. */
export const WAITS: Said['links'] = [{ text: 'What waits', href: '/waiting' }];

export function say(text: string, links: Said['links'] = []): void {
  shell.said = { text, links };
}

/** Where a stake leads: to the bench where there are steps for it, else to writing it down as done. */
export function stakeHref(
  lane: Pick<Lane, 'id' | 'visitId'>,
  stake: Pick<Stake, 'kind' | 'id' | 'job'>
): string {
  if (stake.kind !== 'task') return `/machines/${lane.id}#findings`;
  return stake.job
    ? `/machines/${lane.id}/visit?task=${stake.id}`
    : `/machines/${lane.id}?done=${stake.id}#tasks`;
}
