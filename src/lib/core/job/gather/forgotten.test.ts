import { describe, expect, it } from 'vitest';
import { forgottenBefore, type Forgotten } from './forgotten';

const LAST: Forgotten[] = [
  { job: 'engine-oil', day: '2026-10-03', what: ['8 mm socket', 'Rags'] },
  { job: 'gearbox-oil', day: '2026-11-01', what: ['rags', 'funnel'] },
  { job: 'differentials', day: '2026-11-02', what: ['axle stands'] }
];

describe('what was forgotten last time', () => {
  it('is that of the jobs at hand, once each, with the latest day', () => {
    expect(forgottenBefore(LAST, ['engine-oil', 'gearbox-oil'])).toEqual([
      { what: '8 mm socket', day: '2026-10-03' },
      { what: 'rags', day: '2026-11-01' },
      { what: 'funnel', day: '2026-11-01' }
    ]);
  });
  it('is nothing where nothing was', () => {
    expect(forgottenBefore(LAST, ['engine-oil-only'])).toEqual([]);
    expect(forgottenBefore([], ['engine-oil'])).toEqual([]);
  });
});
