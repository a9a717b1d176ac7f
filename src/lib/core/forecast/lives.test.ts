import { expect, it } from 'vitest';
import { holdAgainst, LIVES } from '../../../../tests/core/lives';

// Eighty in a hundred, give or take five, and what six hundred asked by chance may stray.
it.each(LIVES)('the stated range holds eight times out of ten: %s', (kind) => {
  const held = holdAgainst(kind, 200, 3);
  expect(held.all).toBeGreaterThan(400);
  expect(held.inside / held.all).toBeGreaterThan(0.8 - 0.075);
  expect(held.inside / held.all).toBeLessThan(0.8 + 0.075);
});
