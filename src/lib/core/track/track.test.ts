import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { likelyMachine, metresBetween, rideFigures, rideOf, type Point } from './track';

const T0 = Date.UTC(2026, 10, 28, 9);
/** Metres of one degree of latitude on a sphere of that radius: 2 π · 6 371 008.8 / 360. */
const DEGREE = 111_195.08;
/** Northwards at so many metres a second, a point a second. */
const north = (seconds: number, speed: number, from = 0, lat = 50): Point[] =>
  Array.from({ length: seconds + 1 }, (_, i) => ({
    at: T0 + (from + i) * 1000,
    lat: lat + (i * speed) / DEGREE,
    lon: 8
  }));

describe('a ride', () => {
  it('is what moved', () => {
    // An hour at 10 m/s: 36 km.
    const ride = rideOf([north(3600, 10)], 'Europe/London')!;
    expect(ride.moving).toBe(3600);
    expect(ride.distance).toBeCloseTo(36_000, 0);
    expect(ride).toMatchObject({ day: '2026-11-28', stops: 0, leaps: 0, standing: 0 });
  });
  it('leaves stops out, and counts them', () => {
    const first = north(600, 10);
    const at = first.at(-1)!;
    // Ten minutes at the fence, the receiver wandering by half a metre a second.
    const fence = Array.from({ length: 600 }, (_, i) => ({
      at: at.at + (i + 1) * 1000,
      lat: at.lat + (i % 2 ? 0.5 : 0) / DEGREE,
      lon: 8
    }));
    const second = north(600, 10, 1200, at.lat).slice(1);
    const ride = rideOf([[...first, ...fence, ...second]], 'UTC')!;
    expect(ride).toMatchObject({ moving: 1200, stops: 1, standing: 600 });
    expect(ride.distance).toBeCloseTo(12_000, 0);
  });
  it('counts nothing over a leap in time, forwards or back, nor over one in place', () => {
    const day = 86_400;
    const later = north(600, 10, day);
    expect(rideOf([[...north(600, 10), ...later]], 'UTC')).toMatchObject({
      moving: 1200,
      stops: 1,
      leaps: 0
    });
    const back = rideOf([[...north(600, 10), ...north(60, 10, 100)]], 'UTC')!;
    expect(back).toMatchObject({ moving: 660, leaps: 1 });
    const [a, b] = [north(10, 10), north(10, 10, 11, 51)];
    const jumped = rideOf([[...a, ...b]], 'UTC')!;
    expect(jumped).toMatchObject({ moving: 20, leaps: 1 });
    expect(jumped.distance).toBeCloseTo(200, 0);
  });
  it('is on the day it began, where the team is', () => {
    const late = north(60, 10).map((p) => ({ ...p, at: p.at + 14.8 * 3_600_000 }));
    expect(rideOf([late], 'UTC')!.day).toBe('2026-11-28');
    expect(rideOf([late], 'Europe/Berlin')!.day).toBe('2026-11-29');
  });
  it('is none with fewer than two points', () => {
    expect(rideOf([], 'UTC')).toBeNull();
    expect(rideOf([[{ at: T0, lat: 0, lon: 0 }]], 'UTC')).toBeNull();
  });
  it('never moved for longer than it took, nor farther than its points are apart, whatever they are', () => {
    const point = fc.record({
      at: fc.integer({ min: T0, max: T0 + 1e8 }),
      lat: fc.double({ min: -90, max: 90, noNaN: true }),
      lon: fc.double({ min: -180, max: 180, noNaN: true })
    });
    fc.assert(
      fc.property(fc.array(point, { minLength: 2, maxLength: 40 }), (points) => {
        const sorted = points.toSorted((a, b) => a.at - b.at);
        const ride = rideOf([sorted], 'UTC')!;
        expect(ride.moving).toBeLessThanOrEqual((ride.to - ride.from) / 1000 + 1e-6);
        const all = sorted.slice(1).reduce((sum, p, i) => sum + metresBetween(sorted[i]!, p), 0);
        expect(ride.distance).toBeLessThanOrEqual(all + 1e-6);
      })
    );
  });
});

describe('the machine it was', () => {
  const machines = [
    { id: 'a', riderId: 'ines' },
    { id: 'b', riderId: 'kit' },
    { id: 'c', riderId: 'kit' }
  ];
  it('is the rider’s own; of several, the one ridden last; else what was ridden last', () => {
    expect(likelyMachine('ines', machines, [{ riderId: 'ines', machineId: 'b' }])).toBe('a');
    expect(likelyMachine('kit', machines, [{ riderId: 'kit', machineId: 'c' }])).toBe('c');
    expect(likelyMachine('wren', machines, [{ riderId: 'kit', machineId: 'c' }])).toBe('c');
    expect(likelyMachine('wren', machines, [{ riderId: 'wren', machineId: 'b' }])).toBe('b');
    expect(likelyMachine(null, [], [])).toBeNull();
  });
});

it('a ride comes to hours and a distance as people type them', () => {
  // 1 h 27 min are 1.45 h; 41 843 m are 26 miles of 1609.344 m, and a metre.
  const ride = { moving: 87 * 60, distance: 41_843 };
  expect(rideFigures(ride, 'metric')).toEqual({ hours: 1.45, typed: '+1.45', distance: '41.8 km' });
  expect(rideFigures(ride, 'imperial').distance).toBe('26.0 mi');
});
