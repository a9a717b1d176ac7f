import { afterAll, beforeAll, expect, it } from 'vitest';
import { asRequest, log, logFault } from './log';

const level = log.level;
beforeAll(() => {
  log.level = 'silent';
});
afterAll(() => {
  log.level = level;
});

it('a fault is called as the request it came of; without one it has a name of its own', async () => {
  const fault = async () => logFault(new Error('lost'), 'here');
  // Two that are answered at once are told apart.
  expect(await Promise.all([asRequest('0000aaaa', fault), asRequest('0000bbbb', fault)])).toEqual([
    '0000aaaa',
    '0000bbbb'
  ]);
  const [one, two] = [await fault(), await fault()];
  expect(one).toMatch(/^[0-9a-f]{8}$/);
  expect(two).not.toBe(one);
});
