import { expect, it } from 'vitest';
import { Turns } from './turns';

it('a few at once, of one and of all; who has too many waiting comes again', async () => {
  const turns = new Turns({ ofAll: 3, ofOne: 2, waitingOfOne: 2 });
  const at: string[] = [];
  const going: (() => void)[] = [];
  const begin = (whose: string) =>
    turns.take(whose, async () => {
      at.push(whose);
      await new Promise<void>((done) => going.push(done));
      return whose;
    });
  const settled = () => new Promise((done) => setTimeout(done));
  const mine = [begin('mia'), begin('mia'), begin('mia'), begin('mia')];
  await settled();
  expect(at).toEqual(['mia', 'mia']);
  await expect(begin('mia')).rejects.toMatchObject({ more: { retry: true } });
  const others = [begin('nan'), begin('oz')];
  await settled();
  expect(at).toEqual(['mia', 'mia', 'nan']);
  while (going.length > 0) {
    going.shift()!();
    await settled();
    expect(at.length).toBeLessThanOrEqual(6);
  }
  expect(await Promise.all([...mine, ...others])).toEqual(['mia', 'mia', 'mia', 'mia', 'nan', 'oz']);
  const failed = turns.take('mia', () => Promise.reject(new Error('broken')));
  await expect(failed).rejects.toThrow('broken');
  const after = begin('mia');
  await settled();
  going.shift()!();
  expect(await after).toBe('mia');
});
