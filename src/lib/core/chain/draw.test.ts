import fc from 'fast-check';
import { expect, it } from 'vitest';
import { along, runsOf } from './draw';
import { pitchRadius, straightRun } from './run';

it('both runs touch both pitch circles, and are as long as the straight run', () => {
  const gears = fc.record({
    pitch: fc.constantFrom(12.7, 15.875),
    front: fc.integer({ min: 10, max: 18 }),
    rear: fc.integer({ min: 34, max: 60 })
  });
  const axle = fc.record({
    x: fc.double({ min: 400, max: 700, noNaN: true }),
    y: fc.double({ min: -250, max: 150, noNaN: true })
  });
  fc.assert(
    fc.property(gears, axle, (g, a) => {
      const { upper, lower } = runsOf(g, a);
      for (const run of [upper, lower]) {
        expect(Math.hypot(run.front.x, run.front.y)).toBeCloseTo(pitchRadius(g.pitch, g.front), 6);
        expect(Math.hypot(run.rear.x - a.x, run.rear.y - a.y)).toBeCloseTo(pitchRadius(g.pitch, g.rear), 6);
        const long = Math.hypot(run.rear.x - run.front.x, run.rear.y - run.front.y);
        expect(long).toBeCloseTo(straightRun(Math.hypot(a.x, a.y), g), 6);
        // A tangent stands square on its radius.
        const square = (run.rear.x - run.front.x) * run.front.x + (run.rear.y - run.front.y) * run.front.y;
        expect(Math.abs(square)).toBeLessThan(1e-6 * long * 200);
      }
      expect(upper.front.y).toBeGreaterThan(lower.front.y);
    })
  );
});

it('a place along a run', () => {
  expect(along({ front: { x: 0, y: 10 }, rear: { x: 100, y: 30 } }, 0.25)).toEqual({ x: 25, y: 15 });
});
