import { describe, expect, it } from 'vitest';
import { isTime } from './backup.mjs';

describe('when a backup is made by itself', () => {
  const at = (hour: number, day = 29) => new Date(2026, 10, day, hour, 30);
  const status = (last: Date | null, error: string | null = null, tried = last) => ({
    last: last?.toISOString() ?? null,
    error,
    tried: tried?.toISOString() ?? null
  });
  it('is at once where there is none', () => expect(isTime(status(null), at(14))).toBe(true));
  it('is at night, once', () => {
    expect(isTime(status(at(3, 28)), at(14, 28))).toBe(false);
    expect(isTime(status(at(3, 28)), at(2))).toBe(true);
    expect(isTime(status(at(2)), at(3))).toBe(false);
  });
  it('is by day where the server was off at night', () => {
    expect(isTime(status(at(9, 28)), at(10))).toBe(false);
    expect(isTime(status(at(3, 28)), at(8))).toBe(true);
  });
  it('is an hour after one that failed', () => {
    expect(isTime(status(at(3, 20), 'full', at(13)), at(13))).toBe(false);
    expect(isTime(status(at(3, 20), 'full', at(13)), at(15))).toBe(true);
  });
});
