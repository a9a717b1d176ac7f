import { describe, expect, it } from 'vitest';
import { rateOfUse } from './rate';
import { seasonAt, seasonOf } from './season';
import { daysUntil } from './until';

/** A ride of 2 h on every seventh day from March to October, for two years, read each time. */
const rides = Array.from({ length: 104 }, (_, w) => w * 7).filter((d) => d % 365 >= 60 && d % 365 < 300);
const summers = [{ day: 0, total: 0 }, ...rides.map((day, i) => ({ day, total: (i + 1) * 200 }))];
const recent = { hours: 2400, lump: 200, variance: 1000 };

describe('a season', () => {
  it('is told from the year before: at its end a machine is said to stand until spring', () => {
    // Mid October of the second year: 1 h is one more ride, 20 h are ten more, of which the winter holds none.
    const today = 365 + 285;
    const rate = rateOfUse(summers, today)!;
    expect(rate.season).not.toBeNull();
    const { early, late } = daysUntil(2000, rate);
    // Four more weeks of riding at the most, then not before day 730 + 60.
    expect(early).toBeGreaterThan(730 + 60 - today - 21);
    expect(late).toBeLessThan(730 + 200 - today);
  });
  it('without the year before, the last twelve weeks go on', () => {
    const today = 285;
    const rate = rateOfUse(
      summers.filter((p) => p.day <= today),
      today
    )!;
    expect(rate.season).toBeNull();
    expect(daysUntil(2000, rate).early).toBeLessThan(90);
  });
  it('is none where rides come and go the whole year', () => {
    const always = Array.from({ length: 104 }, (_, w) => ({ day: w * 7, total: w * 200 }));
    expect(rateOfUse(always, 720)!.season).toBeNull();
  });
  it('is set to the level of this year', () => {
    const at = (hours: number) => seasonOf(summers, 365 + 200, { ...recent, hours })!;
    // Twelve rides of 2 h in these weeks a year ago: 24 h, so 24 h now leaves it, and 48 h counts (48 + 16) to (24 + 16).
    const [same, twice] = [at(2400), at(4800)];
    expect(twice.at(-1)! / same.at(-1)!).toBeCloseTo(64 / 40, 9);
  });
  it('goes on year after year', () => {
    const season = [0, 100, 300];
    expect(seasonAt(season, 0)).toBe(0);
    expect(seasonAt(season, 7)).toBe(50);
    expect(seasonAt(season, 14)).toBe(100);
    expect(seasonAt(season, 28)).toBe(300);
    expect(seasonAt(season, 42)).toBe(400);
  });
});
