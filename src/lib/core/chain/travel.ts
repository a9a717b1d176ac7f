import { excess, loopLength, slackIn, slackOf, straightRun, tautLoop, type Gears } from './run';

/**
 * Why slack differs between machines: the arm's pivot is not on the front sprocket's centre, so the loop is tightest when
 * sprocket, pivot and axle are in line (handbook, section 9). The sprocket's centre is the origin, x to the rear, y up; the arm's
 * angle is from the horizontal, down less than nothing. Millimetres and degrees.
 */
export interface Arm {
  pivot: { x: number; y: number };
  /** Pivot to axle, mm. */
  length: number;
  /** Wheel hanging free, and at the end of its travel. */
  droop: number;
  bump: number;
}
const RAD = Math.PI / 180;

/** Where the axle is with the arm at an angle. */
export const axleAt = ({ pivot, length }: Arm, angle: number): { x: number; y: number } => ({
  x: pivot.x + length * Math.cos(angle * RAD),
  y: pivot.y + length * Math.sin(angle * RAD)
});

/** From axis to axis with the arm at an angle, mm. */
export function centreAt(arm: Arm, angle: number): number {
  const { x, y } = axleAt(arm, angle);
  return Math.hypot(x, y);
}

/** As long as the arm is for a centre distance at an angle, mm; null where no arm reaches it. */
export function armFor(pivot: Arm['pivot'], centre: number, angle: number): number | null {
  const [cos, sin] = [Math.cos(angle * RAD), Math.sin(angle * RAD)];
  const b = pivot.x * cos + pivot.y * sin;
  const rest = centre * centre - pivot.x ** 2 - pivot.y ** 2 + b * b;
  const length = rest < 0 ? -1 : Math.sqrt(rest) - b;
  return length > 0 ? length : null;
}

/** Nearer the sprocket's centre than this the pivot is on it. mm */
const CONCENTRIC = 0.01;
export const isConcentric = ({ pivot }: Pick<Arm, 'pivot'>): boolean =>
  Math.hypot(pivot.x, pivot.y) < CONCENTRIC;

/** The angle within its travel at which the loop is tightest; null where the drive is concentric: it is the same everywhere. */
export function tightAngle(arm: Arm): number | null {
  if (isConcentric(arm)) return null;
  const inLine = Math.atan2(arm.pivot.y, arm.pivot.x) / RAD;
  return Math.min(arm.bump, Math.max(arm.droop, inLine));
}

/** Slack that was measured with the arm at an angle. */
export interface MeasuredAt {
  /** Along the run, 0 to 1. */
  at: number;
  slack: number;
  angle: number;
}

export interface TightPoint {
  /** Null: concentric. */
  angle: number | null;
  centre: number;
  /** Total at the same place of the run, mm. */
  slack: number;
  /** By how much the loop would have to stretch, mm; 0: it does not. */
  short: number;
}

/** The tightest place of the travel, and what is left of the slack there. */
export function tightPoint(arm: Arm, gears: Gears, m: MeasuredAt): TightPoint {
  const loop = loopLength(centreAt(arm, m.angle), gears, m);
  const angle = tightAngle(arm);
  const centre = centreAt(arm, angle ?? m.angle);
  return {
    angle,
    centre,
    slack: slackIn(loop, centre, gears, m.at),
    short: Math.max(0, tautLoop(centre, gears) - loop)
  };
}

/** Slack over the whole travel, from hanging free to its end, in even steps: pairs of angle and slack, flat. */
export function slackOverTravel(arm: Arm, gears: Gears, m: MeasuredAt, places: number): Float64Array {
  const loop = loopLength(centreAt(arm, m.angle), gears, m);
  const curve = new Float64Array(2 * places);
  for (let i = 0; i < places; i++) {
    const angle = arm.droop + ((arm.bump - arm.droop) * i) / (places - 1);
    const centre = centreAt(arm, angle);
    curve[2 * i] = angle;
    curve[2 * i + 1] = slackOf(straightRun(centre, gears), m.at, loop - tautLoop(centre, gears));
  }
  return curve;
}

/**
 * What has to be measured at an angle so that so much is left where it is tightest, mm in all.
 * @param least wanted at the tightest, mm
 */
export function slackToLeave(
  arm: Arm,
  gears: Gears,
  where: Pick<MeasuredAt, 'at' | 'angle'>,
  least: number
): number {
  const tight = centreAt(arm, tightAngle(arm) ?? where.angle);
  const loop = tautLoop(tight, gears) + excess(straightRun(tight, gears), where.at, least);
  return slackIn(loop, centreAt(arm, where.angle), gears, where.at);
}
