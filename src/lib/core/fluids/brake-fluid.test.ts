import { describe, expect, it } from 'vitest';
import { brakeFluidStop } from './brake-fluid';

describe('a brake fluid that is named', () => {
  it('is stopped where it is not what the sheet names', () => {
    expect(brakeFluidStop('Topped up with DOT 4', 'mineral')).toMatch(
      /^The sheet names mineral\. With glycol in it/
    );
    expect(brakeFluidStop('bled, mineral fluid', 'glycol DOT 5.1')).toMatch(/With mineral in it/);
    // DOT 5 is silicone, DOT 5.1 glycol.
    expect(brakeFluidStop('DOT 5 in', 'glycol DOT 4')).toMatch(/With silicone in it/);
  });
  it('is taken where it is', () => {
    expect(brakeFluidStop('topped up, dot 5.1', 'glycol DOT 4')).toBeNull();
    expect(brakeFluidStop('Mineral to the upper mark', 'mineral')).toBeNull();
  });
  it('is stopped where nobody has written which it takes', () => {
    expect(brakeFluidStop('DOT4 in', null)).toMatch(/not on its sheet/);
  });
  it.each([
    'DOT 4 flushed out, mineral in, new seals',
    'DOT 4 flushed out with mineral',
    'mineral in, the DOT 4 drained',
    'DOT 4 replaced with mineral'
  ])('may be the one that came out: %s', (words) => {
    expect(brakeFluidStop(words, 'mineral')).toBeNull();
  });
  it.each([
    'drained the mineral, filled with DOT 4',
    'mineral out and DOT 5.1 in',
    'mineral replaced with DOT 4',
    'flushed with DOT 4',
    'brake flushed DOT 4'
  ])('is stopped where the right one came out for it: %s', (words) => {
    expect(brakeFluidStop(words, 'mineral')).toMatch(/With glycol in it/);
  });
  it('that nobody names stops nothing', () => {
    expect(brakeFluidStop('hose replaced, bled, lever firm', null)).toBeNull();
    expect(brakeFluidStop('disc cleaned with mineral spirits', null)).toBeNull();
  });
});
