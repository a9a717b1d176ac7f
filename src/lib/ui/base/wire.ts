import type { Body, Kind } from '$lib/core/command/commands';
import type { Outcome } from '$lib/core/command/envelope';
import { shell } from './page.svelte';
import { keep, kept } from './kept';

/** What a write comes back with: done, or why not, by field. */
export type Sent<T> =
  { ok: true; data: T } | { ok: false; errors: Record<string, string>; more: Record<string, unknown> };

/** A body as a form holds it: a pick from a list is any text until the schema has seen it. */
export type Typed<T> = T extends string
  ? string
  : T extends readonly (infer U)[]
    ? readonly Typed<U>[]
    : T extends object
      ? { [K in keyof T]: Typed<T[K]> }
      : T;

/** One command of a list. Without an id it gets one; `after` names the one it rests on. */
export type Item = {
  [K in Kind]: { kind: K; body: Typed<Body<K>>; id?: string; at?: string; after?: string };
}[Kind];

export const NO_SERVER = 'No answer from the server. What you wrote is kept here; try again.';

/** A name this device keeps for itself, so that the book can tell which one a write came from. */
function device(): string {
  try {
    const kept = localStorage.getItem('ht_device');
    if (kept) return kept;
    const made = crypto.randomUUID();
    localStorage.setItem('ht_device', made);
    return made;
  } catch {
    return '';
  }
}

const CLOCK = 'clock ahead';
/** What the server says of the time with every answer, to the second. Kept, so that it is known without a signal too. */
export function lookAtClock(response: Response): void {
  const served = Date.parse(response.headers.get('date') ?? '');
  if (Number.isNaN(served)) return;
  shell.clockAheadMs = Date.now() - served;
  keep('device', CLOCK, shell.clockAheadMs);
}
/** As an earlier page has seen it. */
export function recallClock(): void {
  const was = kept('device', CLOCK);
  if (shell.clockAheadMs === null && typeof was === 'number') shell.clockAheadMs = was;
}

/** Characters; the limit is 64 KiB for all that is on its way, and a character may take three bytes. */
const CARRIED_PAST_THE_PAGE = 15_000;

/**
 * Posts JSON and brings back an answer of ours. Never throws: a lost connection is an error of the form as a whole.
 * @param patience after so long without an answer there is none, ms; without it, as long as the browser waits
 */
async function post(
  url: string,
  body: unknown,
  patience?: number
): Promise<Record<string, unknown> & { ok: boolean }> {
  try {
    const text = JSON.stringify(body);
    const response = await fetch(url, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: text,
      // Whoever writes and leaves the page at once has written it; browsers carry no more than this past its end.
      keepalive: text.length < CARRIED_PAST_THE_PAGE,
      ...(patience !== undefined && { signal: AbortSignal.timeout(patience) })
    });
    lookAtClock(response);
    const answer = await response.json().catch(() => null);
    if (answer && typeof answer.ok === 'boolean') return answer;
    // Not an answer of ours to this write (a fault, a proxy): sending it again is right, and harmless.
    const fault = answer?.message ? `${answer.message}${answer.id ? ` (${answer.id})` : ''}` : NO_SERVER;
    return { ok: false, errors: { '': fault }, more: { retry: true } };
  } catch {
    return { ok: false, errors: { '': NO_SERVER }, more: { retry: true } };
  }
}

/** Asks the server something whose question is too long for an address. Nothing is written. */
export async function ask<T>(url: string, question: unknown): Promise<Sent<T>> {
  return (await post(url, question)) as unknown as Sent<T>;
}

/**
 * Sends commands, to be carried out one after the other.
 * @param patience as {@link post} has it
 * @returns what became of each, in their order; where none could be tried, all of them are refused alike, with `more.none`
 */
export async function sendAll(
  items: readonly Item[],
  patience?: number
): Promise<(Sent<unknown> & { id: string })[]> {
  const commands = items.map(({ id, at, after, kind, body }) => ({
    id: id ?? crypto.randomUUID(),
    kind,
    at: at ?? new Date().toISOString(),
    body,
    ...(after && { after })
  }));
  const answer = await post(
    '/api/commands',
    { device: device(), sent: new Date().toISOString(), commands },
    patience
  );
  if (answer.ok) return answer.outcomes as Outcome[];
  const { errors = {}, more = {} } = answer as Partial<Extract<Sent<never>, { ok: false }>>;
  return commands.map(({ id }) => ({ id, ok: false, errors, more: { ...more, none: true } }));
}
