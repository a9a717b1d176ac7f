import { expect, it } from 'vitest';
import { awayWords, isAway, isBusy } from './problems';

const error = (code: string, message = 'x') => Object.assign(new Error(message), { code });

it('a database that is away is told from a disk that is full, and both from a mistake of ours', () => {
  for (const code of ['ECONNREFUSED', '57P01']) {
    expect(isAway(error(code))).toBe(true);
    expect(awayWords(error(code))).toMatch(/does not answer/);
  }
  for (const code of ['40P01', '40001', '55P03']) {
    expect([isAway(error(code)), isBusy(error(code))]).toEqual([true, true]);
    expect(awayWords(error(code))).toMatch(/Others are writing/);
  }
  expect(isBusy(error('57P01'))).toBe(false);
  expect(isAway(error('53100'))).toBe(true);
  expect(awayWords(error('53100'))).toMatch(/disk of the server is full.*make room/);
  expect(awayWords(error('58030', 'could not write: No space left on device'))).toMatch(/disk/);
  expect([isAway(error('23505')), isAway(new Error('x')), isAway(null)]).toEqual([false, false, false]);
});
