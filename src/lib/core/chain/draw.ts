import { pitchRadius, type Gears } from './run';

/** A place seen from the machine's left, mm: the front sprocket's centre is the origin, x to the rear, y up. */
export interface Point {
  x: number;
  y: number;
}
/** A straight run, from the front sprocket to the rear one. */
export interface Run {
  front: Point;
  rear: Point;
}

/** Where both straight runs leave the sprockets: the outer tangents of the two pitch circles. */
export function runsOf(gears: Gears, axle: Point): { upper: Run; lower: Run } {
  const [r1, r2] = [pitchRadius(gears.pitch, gears.front), pitchRadius(gears.pitch, gears.rear)];
  const line = Math.atan2(axle.y, axle.x);
  const lean = Math.acos((r1 - r2) / Math.hypot(axle.x, axle.y));
  const run = (normal: number): Run => ({
    front: { x: r1 * Math.cos(normal), y: r1 * Math.sin(normal) },
    rear: { x: axle.x + r2 * Math.cos(normal), y: axle.y + r2 * Math.sin(normal) }
  });
  return { upper: run(line + lean), lower: run(line - lean) };
}

/** A place along a run, 0 at the front to 1 at the rear. */
export const along = ({ front, rear }: Run, at: number): Point => ({
  x: front.x + (rear.x - front.x) * at,
  y: front.y + (rear.y - front.y) * at
});
