import { endsItsPlace } from '$lib/core/command/waits';
import type { HouseRules } from '$lib/core/rules/rules';
import { readsChain, readsValves, type VisitPlan } from '$lib/core/job/plan';
import type { Around, Visit } from '$lib/core/visit/page';
import type { Kept } from './store';
import { CACHES, dataOf, FRAME } from './names';
import { whole } from './nodes';

/** A machine at which a visit is begun, as its page has it. */
export interface BeginsAt {
  id: string;
  plate: string;
  name: string;
  total: number | null;
  ready: boolean;
}

/** The page of a visit as the server will give it once it knows of it: laid out here, nothing written yet. */
export const begunPage = (
  id: string,
  at: BeginsAt,
  plan: VisitPlan,
  rules: HouseRules,
  around: Omit<Around, 'photos'>,
  startedAt: Date
): { visit: Visit & { rules: HouseRules }; timers: []; around: Around } => ({
  visit: {
    id,
    machineId: at.id,
    plate: at.plate,
    machine: at.name,
    total: at.total,
    ready: at.ready,
    startedAt,
    closedAt: null,
    givenUpAt: null,
    recordIds: [],
    rules,
    plan,
    entries: []
  },
  timers: [],
  around: {
    ...around,
    valves: readsValves(plan) ? around.valves : null,
    chain: readsChain(plan) ? around.chain : null,
    photos: []
  }
});

/** A visit that was begun on this device and waits to go into the book. */
export interface BegunVisit {
  id: string;
  machineId: string;
  /** By the clock of this device. */
  at: string;
  /** How much was written in it since. */
  written: number;
  closed: boolean;
}
/** @param items what waits on this device, refused or not */
export const begunVisits = (items: readonly Kept[]): BegunVisit[] =>
  items
    .filter((k) => k.kind === 'visit.start')
    .map(({ at, body, place }) => {
      const { id, machineId } = body as { id: string; machineId: string };
      const closed = items.some((c) => c.place === place && endsItsPlace(c.kind));
      const written = items.filter((c) => c.place === place).length - 1 - (closed ? 1 : 0);
      return { id, machineId, at, written, closed };
    });
/** The one of them that stands open at a machine; null: there is none. */
export const begunHere = (items: readonly Kept[], machineId: string): string | null =>
  begunVisits(items).find((v) => v.machineId === machineId && !v.closed)?.id ?? null;

const pathOf = (visitId: string): string => dataOf(`/visits/${visitId}`);
const able = (): boolean =>
  'caches' in globalThis && Boolean(globalThis.navigator?.serviceWorker?.controller);

/**
 * Keeps the page of a visit that is begun here, so that it opens where the server is not asked, or does not know it yet.
 * @returns whether it will: this browser keeps pages, and has those that this one needs
 */
export async function keepBegun(page: ReturnType<typeof begunPage>): Promise<boolean> {
  if (!able()) return false;
  try {
    const pages = await caches.open(CACHES.pages);
    const frame = await (await pages.match(FRAME))?.text();
    const { pageData } = await import('./page-data');
    const body = whole(pageData(page), frame ?? null);
    if (body === null) return false;
    const path = pathOf(page.visit.id);
    await pages.put(path, new Response(body, { headers: { 'content-type': 'application/json' } }));
    await (await caches.open(CACHES.begun)).put(path, new Response(page.visit.startedAt.toISOString()));
    return true;
  } catch {
    // Its storage is full, or shut off.
    return false;
  }
}

/** The visit is not begun after all, or the server has it. */
export async function dropBegun(visitId: string): Promise<void> {
  if (!('caches' in globalThis)) return;
  const path = pathOf(visitId);
  await Promise.all([CACHES.pages, CACHES.begun].map(async (name) => (await caches.open(name)).delete(path)));
}
