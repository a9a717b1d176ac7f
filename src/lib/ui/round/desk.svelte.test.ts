import { beforeEach, expect, it, vi } from 'vitest';
import { parseBand } from '../../core/quantity/band';
import { readAnswer, untyped } from '../../core/round/answer';
import { checksOf } from '../../core/round/lists';
import type { Given } from '../../core/round/stand';
import { RoundDesk, type RoundOn } from './desk.svelte';

const { send } = vi.hoisted(() => ({ send: vi.fn() }));
vi.mock('../form/send', () => ({ send }));
vi.mock('../shell/again', () => ({ readAgain: () => Promise.resolve() }));

const store = new Map<string, string>();
vi.stubGlobal('localStorage', {
  getItem: (k: string) => store.get(k) ?? null,
  setItem: (k: string, v: string) => void store.set(k, v),
  removeItem: (k: string) => void store.delete(k)
});

const MACHINE = '7df3a37c-4e45-4fb3-9d57-84e0198b6e5f';
const checks = checksOf('four-stroke motocross', 'ready');
const check = (key: string) => checks.find((c) => c.key === key)!;
const KPA = parseBand('80–100 kPa', { dimension: 'pressure' });
let on: RoundOn;
const desk = () =>
  new RoundDesk(
    () => on,
    () => 'Ada'
  );
const settled = () => new Promise((go) => setTimeout(go));
const LOST = { ok: false, errors: { '': 'No answer from the server.' }, more: { retry: true } };

beforeEach(() => {
  store.clear();
  send.mockReset().mockResolvedValue({ ok: true, data: 'r' });
  on = {
    machineId: MACHINE,
    list: 'ready',
    round: null,
    checks,
    bands: { 'front-tyre': KPA.ok ? KPA.band : null },
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
  await settled();
  expect(send).toHaveBeenCalledOnce();
});

it('keeps what waits on the device, and sends it once with what came meanwhile', async () => {
  send.mockResolvedValue(LOST);
  const d = desk();
  d.allWell([check('fork-seals'), check('steering-head')]);
  await settled();
  expect(d.said).toBe('No answer from the server.');
  expect(store.size).toBe(1);
  // The page is loaded anew: it is all there, under the same round and the same ids.
  const again = desk();
  expect(again.stand.items.filter((i) => i.answer !== null)).toHaveLength(2);
  send.mockResolvedValue({ ok: true, data: 'r' });
  again.allWell([check('coolant')]);
  await settled();
  const [first, last] = [send.mock.calls[0]![1], send.mock.calls.at(-1)![1]];
  expect(last.roundId).toBe(first.roundId);
  expect(last.answers.map((a: { check: string }) => a.check)).toEqual([
    'fork-seals',
    'steering-head',
    'coolant'
  ]);
  expect(last.answers[0].id).toBe(first.answers[0].id);
  expect(store.size).toBe(0);
});

it('what the server refuses stands at its check again; the others go without it', async () => {
  const d = desk();
  send.mockResolvedValueOnce(LOST);
  d.allWell([check('coolant')]);
  await settled();
  send
    .mockResolvedValueOnce({ ok: false, errors: { 'answers.1.found': 'More than there can be.' }, more: {} })
    .mockResolvedValueOnce({ ok: true, data: 'r' });
  d.answer(check('front-tyre'), { found: '95' });
  await settled();
  expect(d.at('front-tyre').found).toBe('95');
  expect(d.errorOf('front-tyre', 'found')).toBe('More than there can be.');
  expect(send.mock.calls.at(-1)![1].answers.map((a: { check: string }) => a.check)).toEqual(['coolant']);
  expect(d.waiting).toEqual([]);
});

it('what is answered in a round that is over goes into a new one, and is not lost', async () => {
  on = { ...on, round: { ...round, doneAt: new Date(0) } };
  const d = desk();
  send
    .mockResolvedValueOnce({ ok: false, errors: { '': 'That round is over.' }, more: {} })
    .mockResolvedValueOnce({ ok: true, data: 'new' });
  d.allWell([check('coolant')]);
  await settled();
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
