import { afterAll, beforeAll, expect, it } from 'vitest';
import { everyBody } from '../../../../tests/database/bodies';
import { uuid } from '../../../../tests/database/book';
import { later, Pit } from '../../../../tests/database/pit';
import { KINDS, type Kind } from '../../core/command/commands';
import type { Envelope } from '../../core/command/envelope';
import { runCommands, type Sender } from './run';

/**
 * Every command with every field of it made odd in every way we know: each is taken or refused at a field, and none is a
 * mistake of ours. What is taken must not make anything else stumble afterwards either.
 */
let pit: Pit;
let from: Sender;
let bodies: Record<Exclude<Kind, 'team.found'>, Record<string, unknown>>;
const faults: { kind: string; body: string; error: unknown }[] = [];

const send = async (kind: Kind, body: unknown) => {
  const c: Envelope = { id: uuid(), kind, at: '2026-06-12T00:00:00Z', body, after: null };
  const [outcome] = await runCommands(
    pit.sql,
    from,
    [c],
    () => later(48),
    (error) => {
      faults.push({ kind, body: JSON.stringify(body).slice(0, 300), error });
      return 'fault';
    }
  );
  return outcome!;
};

beforeAll(async () => {
  pit = await Pit.open();
  const { book } = pit;
  from = { team: book.team, person: { id: book.personId, role: 'chief mechanic' }, device: 'a walk' };
  bodies = everyBody(pit);
});
afterAll(() => pit.book.close());

const LONG = 'x'.repeat(30_000);
const ODD: unknown[] = [
  null,
  undefined,
  '',
  ' ',
  '\u0000',
  '\ud800',
  'a\u0000b',
  '\u200b',
  LONG,
  '९९',
  "'; drop table machine; --",
  '1e999',
  '-1',
  '99999999999999999999',
  '0001-01-01',
  '9999-12-31',
  '2026-02-30',
  'not-an-id',
  'new',
  0,
  -1,
  1.5,
  1e300,
  Number.MAX_SAFE_INTEGER,
  true,
  false,
  [],
  {},
  [null],
  ['mud', 'mud'],
  [[[[[[[[[[[[[[1]]]]]]]]]]]]]],
  { a: { b: LONG } },
  uuid(),
  [uuid()],
  '00000000-0000-0000-0000-000000000000'
];

it('knows every kind there is', () => {
  expect(Object.keys(bodies).sort()).toEqual(KINDS.filter((k) => k !== 'team.found').sort());
});

it('no body at all, and bodies that are none, are refused', async () => {
  for (const kind of KINDS)
    for (const body of [undefined, null, [], 'x', 5, {}])
      expect([kind, body, (await send(kind, body)).ok]).toEqual([kind, body, false]);
  expect(faults).toEqual([]);
});

it('every field of every command made odd: taken or refused at a field, never our mistake', async () => {
  const taken = new Map<string, number>();
  for (const [kind, body] of Object.entries(bodies) as [Kind, Record<string, unknown>][]) {
    for (const field of Object.keys(body))
      for (const odd of ODD) {
        // A thing of its own each time, so that it is not refused merely for being there.
        const fresh = 'id' in body && field !== 'id' ? { id: uuid() } : {};
        const outcome = await send(kind, { ...body, ...fresh, [field]: odd });
        if (!outcome.ok) expect(Object.keys(outcome.errors).length).toBeGreaterThan(0);
        else taken.set(kind, (taken.get(kind) ?? 0) + 1);
      }
    // As it should be, once, so that what follows has something to stumble over.
    const outcome = await send(kind, body);
    if (!outcome.ok) expect(Object.keys(outcome.errors).length).toBeGreaterThan(0);
  }
  expect(faults.map((f) => [f.kind, f.body, (f.error as Error)?.message])).toEqual([]);
  expect(taken.size).toBeGreaterThan(20);
}, 240_000);
