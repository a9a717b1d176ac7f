import type { FastenerRow } from '$lib/core/specs/rows';
import { sureOf } from '$lib/core/specs/sheet';
import { idsFor, sendAll, type Item } from '../form/send';
import type { Sitting } from './sitting.svelte';

/** What became of a pasted row. */
export interface Pasted {
  name: string;
  /** It is on the sheet, with its torque or without. */
  added: boolean;
  /** Why not, or why without its torque; null where all of it is there. */
  why: string | null;
}

/** So many go in one request: a few figures' worth of work for the server at a time. */
const BATCH = 40;
const errorOf = (sent: { ok: boolean; errors?: Record<string, string> } | undefined): string | null =>
  !sent || sent.ok ? null : (Object.values(sent.errors ?? {})[0] ?? 'Not taken.');

/**
 * Puts pasted rows on a machine's sheet, each with its torque after it. The same rows sent again, because no answer came, go under
 * the same ids and are there once.
 */
export async function pasteRows(
  machineId: string,
  rows: readonly FastenerRow[],
  from: Sitting
): Promise<Pasted[]> {
  const pasted: Pasted[] = [];
  for (let k = 0; k < rows.length; k += BATCH) {
    const part = rows.slice(k, k + BATCH).map((row) => {
      const { torque, ...f } = row;
      const [add, fastenerId, put, figureId] = idsFor([machineId, row, from], 4) as [
        string,
        string,
        string,
        string
      ];
      const body = { ...f, id: fastenerId, machineId, magnet: false, lean: '' };
      const figure = {
        ...from,
        confidence: sureOf('torque', torque, '', from.confidence),
        id: figureId,
        machineId,
        key: 'torque',
        fastenerId,
        typed: torque,
        page: ''
      };
      const items: Item[] = [
        { kind: 'fastener.add', id: add, body },
        ...(torque ? [{ kind: 'figure.add', id: put, after: add, body: figure } as const] : [])
      ];
      return { name: row.name, add, put, items };
    });
    const sent = new Map((await sendAll(part.flatMap((p) => p.items))).map((s) => [s.id, s]));
    for (const { name, add, put } of part) {
      const added = sent.get(add)?.ok ?? false;
      pasted.push({ name, added, why: errorOf(sent.get(add)) ?? errorOf(sent.get(put)) });
    }
  }
  return pasted;
}
