import type { NewEntry } from '$lib/core/visit/entry';
import type { Kept } from '../offline/store';

/** A timer that runs, as it is shown. */
export interface Running {
  id: string;
  visitId: string;
  plate: string;
  stepKey: string;
  label: string;
  /** By the server's clock. */
  endsAt: string;
}

/**
 * Timers as this device knows them: those of the server, with what was set and turned off here and waits for a signal.
 * @param waiting what waits on this device
 * @param plates of visits that are known here, by their id
 * @param aheadMs how far the clock of this device is ahead of the server’s, ms
 */
export function timersHere(
  there: readonly Running[],
  waiting: readonly Kept[],
  plates: Readonly<Record<string, string>>,
  aheadMs: number
): Running[] {
  const entries = waiting.flatMap((k) =>
    k.kind === 'visit.enter' && k.refused === null
      ? [{ at: k.at, ...(k.body as { visitId: string; entry: NewEntry }) }]
      : []
  );
  const off = entries.flatMap(({ entry }) => (entry.action === 'timer off' ? [entry.content.of] : []));
  const mine = entries.flatMap(({ at, visitId, entry }): Running[] => {
    if (entry.action !== 'timer' || there.some((t) => t.id === entry.id)) return [];
    const { label, seconds } = entry.content;
    const endsAt = new Date(Date.parse(at) - aheadMs + seconds * 1000).toISOString();
    const plate = plates[visitId] ?? there.find((t) => t.visitId === visitId)?.plate ?? '';
    return [{ id: entry.id, visitId, plate, stepKey: entry.stepKey ?? '', label, endsAt }];
  });
  return [...there, ...mine].filter((t) => !off.includes(t.id));
}
