import { describe, expect, it } from 'vitest';
import { isLeft, stillStands, type Dated } from './age';

const NOW = new Date('2026-06-10T18:00:00Z');
const ago = (hours: number) => new Date(NOW.getTime() - hours * 3_600_000);
const round = (begun: number, done: number | null): Dated => ({
  begunAt: ago(begun),
  doneAt: done === null ? null : ago(done)
});

describe('how old a round may be', () => {
  it('begun a day ago and never done it was left; done it was not', () => {
    expect(isLeft(round(25, null), NOW)).toBe(true);
    expect(isLeft(round(23, null), NOW)).toBe(false);
    expect(isLeft(round(99, 98), NOW)).toBe(false);
    expect(isLeft(null, NOW)).toBe(false);
  });
  it('a ready round stands for as long as it makes the machine ready', () => {
    expect(stillStands('ready', round(50, 49), { state: 'done' }, NOW)).toBe(true);
    expect(stillStands('ready', round(2, 1), { state: 'ridden since' }, NOW)).toBe(false);
    // It will be over when the outing begins; today it stands.
    expect(stillStands('ready', round(2, 1), { state: 'too old then', days: 9 }, NOW)).toBe(true);
    expect(stillStands('ready', round(2, 1), { state: 'ridden before', at: 'Fold Day' }, NOW)).toBe(true);
    // Where the house asks for none, nothing else ends it.
    expect(stillStands('ready', round(2, 1), { state: 'not asked' }, NOW)).toBe(true);
    expect(stillStands('ready', round(50, 49), { state: 'not asked' }, NOW)).toBe(false);
  });
  it('the other lists stand for half a day', () => {
    expect(stillStands('torque', round(12, 11), { state: 'none' }, NOW)).toBe(true);
    expect(stillStands('washed', round(14, 13), { state: 'done' }, NOW)).toBe(false);
    expect(stillStands('torque', round(1, null), { state: 'none' }, NOW)).toBe(false);
    expect(stillStands('torque', null, { state: 'none' }, NOW)).toBe(false);
  });
});
