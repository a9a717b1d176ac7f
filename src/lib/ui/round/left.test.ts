import { beforeEach, expect, it, vi } from 'vitest';
import { untyped } from '../../core/round/answer';
import { sendLeftRounds } from './left';
import { roundsLeft } from './left-behind';
import { keepLeft, readLeft, type Waiting } from './waiting';

const { send, readAgain } = vi.hoisted(() => ({ send: vi.fn(), readAgain: vi.fn() }));
vi.mock('../form/send', () => ({ send }));
vi.mock('../shell/again', () => ({ readAgain }));

const store = new Map<string, string>();
vi.stubGlobal('localStorage', {
  get length() {
    return store.size;
  },
  key: (i: number) => [...store.keys()][i] ?? null,
  getItem: (k: string) => store.get(k) ?? null,
  setItem: (k: string, v: string) => void store.set(k, v),
  removeItem: (k: string) => void store.delete(k)
});
const [A, B] = ['7df3a37c-4e45-4fb3-9d57-84e0198b6e5f', '8df3a37c-4e45-4fb3-9d57-84e0198b6e5f'];
const one = (check: string): Waiting => ({ ...untyped(check), id: crypto.randomUUID() });

beforeEach(() => {
  store.clear();
  send.mockReset().mockResolvedValue({ ok: true, data: 'r' });
  readAgain.mockReset();
});

it('sends each round that something waits of, once, and forgets it', async () => {
  keepLeft('ready', A, { roundId: B, waiting: [one('coolant')] });
  keepLeft('torque', B, { roundId: A, waiting: [one('x')] });
  store.set('round ready not-a-machine', '{}');
  store.set(`round nonsense ${A}`, '{}');
  expect(roundsLeft()).toHaveLength(2);
  await sendLeftRounds();
  expect(send.mock.calls.map((c) => [c[1].machineId, c[1].list, c[1].answers.length])).toEqual([
    [A, 'ready', 1],
    [B, 'torque', 1]
  ]);
  expect(roundsLeft()).toEqual([]);
  expect(readAgain).toHaveBeenCalledOnce();
});

it('keeps what was refused, what had no answer, and what was answered meanwhile', async () => {
  const [first, later] = [one('coolant'), one('plug')];
  keepLeft('ready', A, { roundId: B, waiting: [first] });
  send.mockResolvedValueOnce({ ok: false, errors: { '': 'away' }, more: { retry: true } });
  await sendLeftRounds();
  expect(readLeft('ready', A)!.waiting).toEqual([first]);
  expect(readAgain).not.toHaveBeenCalled();
  send.mockImplementationOnce(() => {
    keepLeft('ready', A, { roundId: B, waiting: [first, later] });
    return Promise.resolve({ ok: true, data: B });
  });
  await sendLeftRounds();
  expect(readLeft('ready', A)!.waiting).toEqual([later]);
});

it('rubbish is passed over', async () => {
  for (const rubbish of ['[]', 'null', '{"roundId":5,"waiting":[{}]}', 'x{']) {
    store.set(`round ready ${A}`, rubbish);
    await sendLeftRounds();
  }
  expect(send).not.toHaveBeenCalled();
});
