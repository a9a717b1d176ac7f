import 'fake-indexeddb/auto';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { patiently } from '../../../../tests/patiently';
import { parseBand } from '../../core/quantity/band';
import { readAnswer, untyped } from '../../core/round/answer';
import { checksOf } from '../../core/round/lists';
import type { Given } from '../../core/round/stand';
import { outbox } from '../outbox/outbox.svelte';
import { store } from '../offline/store';
import { RoundDesk, type RoundOn } from './desk.svelte';

const { send } = vi.hoisted(() => ({ send: vi.fn() }));
// One command after the other, each answered by itself.
vi.mock('../base/wire', () => ({
  NO_SERVER: '',
  sendAll: (items: { id: string; kind: string; body: unknown }[]) =>
    Promise.all(items.map(async ({ id, kind, body }) => ({ id, ...(await send(kind, body)) })))
}));
vi.mock('../base/again', () => ({ readAgain: () => Promise.resolve() }));

const MACHINE = '7df3a37c-4e45-4fb3-9d57-84e0198b6e5f';
const checks = checksOf('four-stroke motocross', 'ready');
const check = (key: string) => checks.find((c) => c.key === key)!;
const KPA = parseBand('80–100 kPa', { dimension: 'pressure' });
let on: RoundOn;
const left: (() => void)[] = [];
function desk(): RoundDesk {
  const made = new RoundDesk(
    () => on,
    () => 'Ada'
  );
  left.push(made.listen());
  return made;
}
const LOST = { ok: false, errors: { '': 'No answer from the server.' }, more: { retry: true } };

afterEach(async () => {
  for (const leave of left.splice(0)) leave();
  for (const { id } of outbox.items) outbox.drop(id);
  await patiently(async () => expect(await store.all()).toEqual([]));
});
beforeEach(() => {
  send.mockReset().mockResolvedValue({ ok: true, data: 'r' });
  on = {
    machineId: MACHINE,
    list: 'ready',
    round: null,
    checks,
    bands: { 'front-tyre': KPA.ok ? KPA.band : null },
    shown: {},
    answers: []
  };
});

it('counts a press at once, and says what cannot be read at its field', async () => {
  const d = desk();
  expect(d.answer(check('front-tyre'), { found: '12' })).toBe(false);
  expect(d.errorOf('front-tyre', 'found')).toMatch(/12 psi would be within/);
  expect(send).not.toHaveBeenCalled();
  expect(d.answer(check('front-tyre'), { found: '90' })).toBe(true);
  expect(d.errorOf('front-tyre', 'found')).toBeUndefined();
  expect(d.stand.items.find((i) => i.check.key === 'front-tyre')!.judged!.words).toBe('90 kPa');
  await patiently(() => expect(outbox.items).toEqual([]));
  expect(send).toHaveBeenCalledOnce();
});

it('keeps what waits on the device, and sends it once with what came meanwhile', async () => {
  send.mockResolvedValue(LOST);
  const d = desk();
  d.allWell([check('fork-seals'), check('steering-head')]);
  await patiently(() => expect(d.said).toBe('No answer from the server.'));
  await patiently(async () => expect(await store.all()).toHaveLength(1));
  // The page is loaded anew: it is all there, under the same round and the same ids.
  for (const leave of left.splice(0)) leave();
  outbox.items = [];
  await outbox.load();
  const again = desk();
  expect(again.stand.items.filter((i) => i.answer !== null)).toHaveLength(2);
  send.mockResolvedValue({ ok: true, data: 'r' });
  again.allWell([check('coolant')]);
  await patiently(() => expect(outbox.items).toEqual([]));
  const [first, resent, last] = [send.mock.calls[0]![1], ...send.mock.calls.slice(-2).map((c) => c[1])];
  expect(resent).toEqual(first);
  expect(first.answers.map((a: { check: string }) => a.check)).toEqual(['fork-seals', 'steering-head']);
  expect(last.answers.map((a: { check: string }) => a.check)).toEqual(['coolant']);
  expect(last.roundId).toBe(first.roundId);
  expect([again.waiting, outbox.items]).toEqual([[], []]);
});

it('what the server refuses stands at its check again; what was sent with it goes without it', async () => {
  const d = desk();
  send
    .mockResolvedValueOnce({ ok: false, errors: { 'answers.1.found': 'More than there can be.' }, more: {} })
    .mockResolvedValueOnce({ ok: true, data: 'r' });
  d.allWell([check('coolant'), check('front-tyre')]);
  await patiently(() => expect(d.errorOf('front-tyre', 'found')).toBe('More than there can be.'));
  await patiently(() => expect(d.waiting).toEqual([]));
  expect(send.mock.calls.at(-1)![1].answers.map((a: { check: string }) => a.check)).toEqual(['coolant']);
  expect(d.waiting).toEqual([]);
  send.mockResolvedValueOnce({
    ok: false,
    errors: { 'answers.0.found': 'More than there can be.' },
    more: {}
  });
  d.answer(check('front-tyre'), { found: '95' });
  await patiently(() => expect(d.waiting).toEqual([]));
  expect(d.at('front-tyre').found).toBe('95');
  expect(d.waiting).toEqual([]);
});

it('what is answered in a round that is over goes into a new one, and is not lost', async () => {
  on = { ...on, round: { ...round, doneAt: new Date(0) } };
  const d = desk();
  send
    .mockResolvedValueOnce({ ok: false, errors: { '': 'That round is over.' }, more: {} })
    .mockResolvedValueOnce({ ok: true, data: 'new' });
  d.allWell([check('coolant')]);
  await patiently(() => expect(send).toHaveBeenCalledTimes(2));
  await patiently(() => expect(d.waiting).toEqual([]));
  const [first, second] = send.mock.calls.map((c) => c[1]);
  expect(first.roundId).toBe('r');
  expect(second.roundId).not.toBe('r');
  expect(second.answers).toEqual(first.answers);
  expect(d.waiting).toEqual([]);
});

it('walked again, a round that is done begins empty', () => {
  const read = readAnswer(check('coolant'), null, untyped('coolant'));
  const given: Given = { ...(read.ok ? read.answer : null!), id: 'a', by: 'Ada', at: 0 };
  on = { ...on, round: { ...round, doneAt: new Date(0) }, answers: [given] };
  const d = desk();
  expect(d.over).toBe(true);
  expect(d.stand.open).toHaveLength(checks.length - 1);
  d.begin();
  expect(d.over).toBe(false);
  expect(d.stand.open).toHaveLength(checks.length);
});

const round = { id: 'r', begunAt: new Date(0), by: 'Ada', doneAt: null, doneHours: null };
