import { expect, it } from 'vitest';
import { KINDS } from './commands';
import { kindWords } from './rules';

it('every kind of command is said in words, no two alike', () => {
  const words = KINDS.map(kindWords);
  for (const w of words) expect(w).toMatch(/^[a-z][a-z ]+: [a-z][a-z ]+$/);
  expect(new Set(words).size).toBe(words.length);
  expect(kindWords('reading.strike')).toBe('reading: struck out');
});
