import { chance } from '../demo/history';
import { KINDS } from '../src/lib/core/command/commands';
import { PLACES } from '../src/lib/core/access/places';
import { Place } from './place';
import type { Result } from './run';

const VALUES: readonly unknown[] = [
  null,
  '',
  'x'.repeat(20_000),
  '\u0000',
  '\ud800',
  '2026-02-31',
  '0001-01-01',
  'NaN',
  -1,
  1e308,
  Number.MAX_SAFE_INTEGER,
  true,
  [],
  {},
  [[[[]]]],
  { __proto__: null, constructor: 1 },
  "'; drop table machine; --",
  '<script>alert(1)</script>',
  '00000000-0000-0000-0000-000000000000',
  '../../etc/passwd'
];
const FIELDS = [
  'id',
  'machineId',
  'visitId',
  'entry',
  'typed',
  'day',
  'readings',
  'answers',
  'what',
  'list',
  'name'
];
/** What no address takes: without it some of them would be asked for nothing odd. */
const QUERIES = [
  '?before=-1',
  '?list=\u0000',
  '?machine=x',
  '?step=%',
  '?q=%00',
  '?after=1e99',
  '?task=..%2f..'
];

/** No nonsense takes the server longer, ms. */
const WITHIN = 2000;

/** Nonsense over every command and every page: refused, none of it our mistake, and none of it slow. */
export async function malformed(count: number): Promise<Result> {
  const place = await Place.open();
  try {
    // The same nonsense in every run.
    const roll = chance('nonsense');
    const pick = <T>(list: readonly T[]): T => list[Math.floor(roll() * list.length)]!;
    const pages = Object.keys(PLACES)
      .concat([
        '/',
        '/due',
        '/bench',
        '/stores',
        '/machines/[id=id]',
        '/machines/[id=id]/sheet',
        '/visits/[id=id]',
        '/tasks/[id]'
      ])
      .map((p) =>
        p.replaceAll(/\[[^\]]+\]/g, () =>
          pick(['x', '%00', place.machineId, '00000000-0000-4000-8000-000000000000'])
        )
      );
    const odd: string[] = [];
    const statuses: Record<string, number> = {};
    let slowest = { ms: 0, what: '' };
    const one = async (): Promise<void> => {
      const write = roll() < 0.7;
      const kind = pick(KINDS);
      const body = Object.fromEntries(FIELDS.filter(() => roll() < 0.5).map((f) => [f, pick(VALUES)]));
      const command = {
        id: roll() < 0.9 ? crypto.randomUUID() : pick(VALUES),
        kind,
        at: roll() < 0.9 ? new Date().toISOString() : pick(VALUES),
        body: roll() < 0.9 ? body : pick(VALUES)
      };
      const raw =
        roll() < 0.1
          ? pick(['{', '', '[]', 'null', '{"commands":[', '\u0000'])
          : JSON.stringify({ device: pick(['', 'x', 'y'.repeat(500)]), commands: [command] });
      const path = write ? '/api/commands' : encodeURI(pick(pages)).replaceAll('%25', '%') + pick(QUERIES);
      const type =
        roll() < 0.95 ? 'application/json' : pick(['text/plain', 'application/x-www-form-urlencoded', '']);
      const began = performance.now();
      const response = await fetch(place.url + path, {
        method: write ? 'POST' : 'GET',
        headers: { cookie: place.cookie, accept: 'text/html', ...(write && { 'content-type': type }) },
        ...(write && { body: raw }),
        redirect: 'manual',
        signal: AbortSignal.timeout(20_000)
      });
      // The line of what is written never ends: its head is enough.
      if (response.headers.get('content-type')?.includes('event-stream')) await response.body?.cancel();
      else {
        const text = await response.text();
        if (response.status >= 500 || text.includes('"fault"'))
          odd.push(
            `${response.status} ${write ? `${kind} ${raw.slice(0, 200)}` : path} ${text.slice(0, 200)}`
          );
      }
      const ms = performance.now() - began;
      if (ms > slowest.ms) slowest = { ms, what: write ? kind : path };
      if (ms > WITHIN) odd.push(`${Math.round(ms)} ms ${write ? raw.slice(0, 200) : path}`);
      statuses[response.status] = (statuses[response.status] ?? 0) + 1;
    };
    let left = count;
    await Promise.all(
      Array.from({ length: 4 }, async () => {
        while (left-- > 0) await one();
      })
    );
    return {
      ok: odd.length === 0 && slowest.ms < WITHIN,
      figures: `${count} malformed requests over ${KINDS.length} commands and ${pages.length} addresses: ${odd.length} mistakes of ours or slow ones, the slowest ${Math.round(slowest.ms)} ms, ${slowest.what} (${Object.entries(
        statuses
      )
        .map(([s, n]) => `${s}: ${n}`)
        .join(', ')})`,
      odd
    };
  } finally {
    await place.close();
  }
}
