import type { WaitsFor } from '../finding/reminder';
import type { Found } from '../fasteners/found';
import { goesIn } from './goes-in';
import { facesOf, pulls } from '../fasteners/pattern';
import { quantity, show, type Quantity } from '../quantity/quantity';
import { NOTHING_SEEN, type Entry, type WhichFilter } from './entry';
import type { OpenedItem } from '../job/plan';

export type ItemStand =
  'fitted' | 'off' | 'by hand' | 'snug' | 'torqued' | 'by feel' | 'marked' | 'shut' | 'deferred';

/** An entry, and how many came before it. */
export interface Mark {
  id: string;
  n: number;
}

export interface ItemState {
  item: OpenedItem;
  /** The last entry about it. */
  last: Mark | null;
  /** The entries about it, each with its number. */
  seenAs: Map<string, number>;
  /** The one that took it off; null: it was never off. */
  cameOff: Mark | null;
  /** Written as shut by a device that did not know it had come off again. */
  asked: { by: string; at: string; said: string } | null;
  stand: ItemStand;
  /** Taken off at some time in this visit. */
  opened: boolean;
  torque: Quantity | null;
  wrenchId: string | null;
  /** That the torque was read off by itself. */
  instrument: string | null;
  settingNm: number | null;
  reason: string | null;
  seal: 'new' | 'again' | null;
  /** Which filter went in, and the number on it; null: it is none, or nobody said. */
  filter: { which: WhichFilter; number: string } | null;
  remarks: string[];
  deferred: { waitsFor: WaitsFor; reason: string; part: string; usable: boolean } | null;
  found: { how: Found; note: string }[];
  /** Pulls done of a criss-cross sequence: `round/bolt`. */
  pulled: string[];
  by: string | null;
  at: string | null;
}

export function freshItem(item: OpenedItem): ItemState {
  return {
    item,
    last: null,
    seenAs: new Map(),
    cameOff: null,
    asked: null,
    stand: 'fitted',
    opened: false,
    torque: null,
    wrenchId: null,
    instrument: null,
    settingNm: null,
    reason: null,
    seal: null,
    filter: null,
    remarks: [],
    deferred: null,
    found: [],
    pulled: [],
    by: null,
    at: null
  };
}

/** Neither off nor out nor only hand-tight. What was never opened is shut; what is deferred is written down as such. */
export function isShut(i: ItemState): boolean {
  return i.stand !== 'off' && i.stand !== 'by hand' && i.stand !== 'snug';
}
export const isTight = (i: ItemState) =>
  i.stand === 'torqued' || i.stand === 'by feel' || i.stand === 'marked' || i.stand === 'shut';

/** What says of a thing that it is on again. */
export const SHUTS: ReadonlySet<string> = new Set([
  'by hand',
  'snug',
  'bolt',
  'torqued',
  'by feel',
  'shut',
  'deferred'
]);
/** Whether an entry was written without knowing that its thing had come off; what does not say what it knew is believed. */
export function unknown(i: ItemState, entry: Pick<Entry, 'seen'>): boolean {
  if (i.cameOff === null || entry.seen === undefined || entry.seen === null) return false;
  const knew = entry.seen === NOTHING_SEEN ? -1 : i.seenAs.get(entry.seen);
  return knew !== undefined && knew < i.cameOff.n;
}

/** Keeps that an entry was about it. */
export function touch(i: ItemState, mark: Mark): void {
  i.last = mark;
  i.seenAs.set(mark.id, mark.n);
}

export function takeOff(i: ItemState, entry: Pick<Entry, 'by' | 'at'>, mark: Mark): void {
  touch(i, mark);
  Object.assign(i, {
    ...freshItem(i.item),
    last: i.last,
    seenAs: i.seenAs,
    cameOff: mark,
    found: i.found,
    remarks: i.remarks,
    stand: 'off',
    opened: true,
    by: entry.by,
    at: entry.at
  });
}

export function applyToItem(i: ItemState, entry: Entry & { itemKey: string }, mark: Mark): void {
  switch (entry.action) {
    case 'found':
      i.found.push(entry.content);
      return;
    case 'bolt':
      i.pulled.push(`${entry.content.round}/${entry.content.bolt}`);
      i.stand = 'snug';
      i.opened = true;
      return;
    case 'marked':
      // A paint mark goes on what is tight already.
      if (i.stand === 'torqued' || i.stand === 'by feel') i.stand = 'marked';
      return;
    case 'off':
      takeOff(i, entry, mark);
      return;
    default:
  }
  i.asked = null;
  i.stand = entry.action as ItemStand;
  i.opened = true;
  i.by = entry.by;
  i.at = entry.at;
  i.torque = entry.action === 'torqued' ? quantity(entry.content.value, entry.content.unit) : null;
  i.wrenchId = entry.action === 'torqued' ? (entry.content.wrenchId ?? null) : null;
  i.instrument = entry.action === 'torqued' ? (entry.content.instrument ?? null) : null;
  i.settingNm = entry.action === 'torqued' ? (entry.content.settingNm ?? null) : null;
  i.reason =
    entry.action === 'torqued'
      ? (entry.content.reason ?? null)
      : entry.action === 'by feel' || entry.action === 'deferred'
        ? entry.content.reason
        : null;
  if (entry.action === 'shut')
    i.filter = entry.content.filter
      ? { which: entry.content.filter, number: entry.content.number ?? '' }
      : null;
  const said = entry.content as { seal?: 'new' | 'again'; sealReason?: string; remark?: string };
  // What was said of the washer before it was put off still holds.
  if (said.seal !== undefined) i.seal = said.seal;
  if (said.remark?.trim()) i.remarks.push(said.remark.trim());
  if (said.sealReason?.trim()) i.remarks.push(`the old ${i.item.seal} again: ${said.sealReason.trim()}`);
  i.deferred =
    entry.action === 'deferred'
      ? {
          waitsFor: entry.content.waitsFor,
          reason: entry.content.reason,
          part: entry.content.part,
          usable: entry.content.usable ?? false
        }
      : null;
}

/** Bolts of a criss-cross sequence still to pull, in order; empty where there is none. */
export function pullsLeft(i: ItemState) {
  return pulls(i.item.quantity, facesOf(i.item.name, i.item.quantity)).filter(
    (p) => !i.pulled.includes(`${p.round}/${p.bolt}`)
  );
}

const SAID: Readonly<Record<string, string>> = { bolt: 'pulled' };
/** Which filter is in: “new, in, 70-12”. */
export const filterInWords = ({ which, number }: NonNullable<ItemState['filter']>): string =>
  [which === 'again' ? 'the old one again' : which, number].filter(Boolean).join(', ');

export function standInWords(i: ItemState): string {
  switch (i.stand) {
    case 'off':
      return `${goesIn(i.item.name) ? 'in the engine' : i.item.kind === 'part' ? 'out' : 'off'}${i.asked ? `; ${i.asked.by} wrote it down as ${SAID[i.asked.said] ?? i.asked.said} on a device that did not know it had come off: look, and write it again` : ''}`;
    case 'by hand':
      return 'only hand-tight';
    case 'snug':
      return 'only snug';
    case 'torqued':
      return i.torque ? `torqued, ${show(i.torque)}` : 'torqued';
    case 'by feel':
      return 'tight by feel';
    case 'marked':
      return i.torque ? `torqued, ${show(i.torque)}, and marked` : 'tight and marked';
    case 'shut':
      if (i.filter) return filterInWords(i.filter);
      return goesIn(i.item.name) ? 'taken out' : i.item.kind === 'part' ? 'back in' : 'shut';
    case 'deferred':
      return `deferred, waits for ${i.deferred?.part || i.deferred?.waitsFor}`;
    case 'fitted':
      return 'not opened';
  }
}
