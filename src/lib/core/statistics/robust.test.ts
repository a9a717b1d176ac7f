import { describe, expect, it } from 'vitest';
import { median, theilSen } from './robust';

describe('a robust rate', () => {
  it('is the median of slopes, and the middle of a list', () => {
    expect(
      theilSen([
        { x: 0, y: 0 },
        { x: 1, y: 2 },
        { x: 2, y: 4 },
        { x: 3, y: 90 }
      ])
    ).toBe(16);
    expect(
      theilSen([
        { x: 0, y: 1 },
        { x: 1, y: 3 },
        { x: 2, y: 5 }
      ])
    ).toBe(2);
    expect(
      theilSen([
        { x: 1, y: 1 },
        { x: 1, y: 9 }
      ])
    ).toBeNull();
    expect([median([3, 1, 2]), median([4, 1, 2, 3])]).toEqual([2, 2.5]);
    expect(() => median([])).toThrow(RangeError);
  });
});
