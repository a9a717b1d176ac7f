import { expect, it } from 'vitest';
import { troubleInWords } from './backup';

const DAY = 86_400_000;
const NOW = Date.UTC(2026, 10, 29, 12);
const ago = (days: number) => new Date(NOW - days * DAY).toISOString();
const words = (last: string | null, error: string | null = null, running = NOW - 10 * DAY) =>
  troubleInWords({ last, error, tried: last }, NOW, running);

it('nothing is said of backups that are made each night', () => {
  expect(words(ago(0.4))).toBeNull();
  expect(words(ago(2))).toBeNull();
});
it('old ones are told, with how old; not in the first hour, in which one is made', () => {
  expect(words(ago(3))).toBe('The book is not backed up. The last good one is 3 days old.');
  expect(words(null)).toBe('The book is not backed up. There is none yet.');
  expect(words(ago(30), null, NOW - 60_000)).toBeNull();
});
it('one that failed is told at once, with why', () => {
  expect(words(ago(0.2), 'The disk is full')).toBe(
    'The book could not be backed up: The disk is full. The last good one is from today.'
  );
  expect(words(ago(1.2), 'The disk is full.', NOW)).toBe(
    'The book could not be backed up: The disk is full. The last good one is a day old.'
  );
});
