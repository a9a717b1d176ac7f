import { describe, expect, it } from 'vitest';
import { InRounds } from './in-rounds';

/** A question whose answers are given by hand. */
function asked() {
  const open: { answer: (v: number) => void; fail: (e: Error) => void }[] = [];
  const ask = () => new Promise<number>((answer, fail) => open.push({ answer, fail }));
  return { open, ask };
}
const soon = () => new Promise((r) => setTimeout(r));

describe('asking in rounds', () => {
  it('asks once for all who come while it is out, and only after they came', async () => {
    const { open, ask } = asked();
    const rounds = new InRounds<number>();
    const first = rounds.of('a', ask);
    const second = rounds.of('a', ask);
    const third = rounds.of('a', ask);
    expect(open).toHaveLength(1);
    open[0]!.answer(1);
    expect(await first).toBe(1);
    await soon();
    expect(open).toHaveLength(2);
    // Whoever comes now was not there when the second round began.
    const fourth = rounds.of('a', ask);
    open[1]!.answer(2);
    expect(await Promise.all([second, third])).toEqual([2, 2]);
    await soon();
    open[2]!.answer(3);
    expect(await fourth).toBe(3);
    await soon();
    // Nobody waited, so the next begins at once.
    void rounds.of('a', ask);
    expect(open).toHaveLength(4);
  });

  it('does not make one key wait for another', () => {
    const { open, ask } = asked();
    const rounds = new InRounds<number>();
    void rounds.of('a', ask);
    void rounds.of('b', ask);
    expect(open).toHaveLength(2);
  });

  it('fails those of its own round only', async () => {
    const { open, ask } = asked();
    const rounds = new InRounds<number>();
    const first = rounds.of('a', ask);
    const second = rounds.of('a', ask);
    open[0]!.fail(new Error('away'));
    await expect(first).rejects.toThrow('away');
    await soon();
    open[1]!.answer(2);
    expect(await second).toBe(2);
  });
});
