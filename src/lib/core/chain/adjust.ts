import { centreFor, loopLength, type Gears, type Slack } from './run';

/** One turn of a six-sided nut or bolt. */
export const FLATS = 6;

/**
 * How far the axle moves for another slack, mm; to the rear is more than nothing. The loop stays as long as it is.
 * @param centre from axis to axis now, mm
 * @param at where along the run the slack is measured, 0 to 1
 * @returns null where the loop cannot hang through so far before the sprockets touch
 */
export function axleTravel(
  centre: number,
  gears: Gears,
  at: number,
  now: number,
  want: number
): number | null {
  const loop = loopLength(centre, gears, { at, slack: now });
  const there = centreFor(loop, gears, { at, slack: want }, centre);
  return there === null ? null : there - centre;
}

/** Turns of an adjuster of a thread for so much axle travel. @param threadPitch mm a turn */
export const turnsFor = (travel: number, threadPitch: number): number => travel / threadPitch;

/** Turns to the next flat, as a hand turns them: so many whole turns, and flats of one more. */
export interface Turns {
  /** Which way the axle goes by it. */
  way: 'back' | 'forward' | 'none';
  turns: number;
  flats: number;
}
export function wholeFlats(turns: number): Turns {
  const all = Math.round(Math.abs(turns) * FLATS);
  return {
    way: all === 0 ? 'none' : turns > 0 ? 'back' : 'forward',
    turns: Math.floor(all / FLATS),
    flats: all % FLATS
  };
}

/** An axle that is carried off the middle of a round carrier, which is turned in its housing. */
export interface Eccentric {
  /** The axis of the front sprocket to the carrier's middle, straight behind it, mm. */
  carrier: number;
  /** The carrier's middle to the axle, mm. */
  offset: number;
}
const RAD = Math.PI / 180;

/** From axis to axis with the carrier turned so. @param angle 0° straight back, up is more than nothing */
export const centreOf = ({ carrier, offset }: Eccentric, angle: number): number =>
  Math.hypot(carrier + offset * Math.cos(angle * RAD), offset * Math.sin(angle * RAD));

/**
 * The angle at which a carrier gives another slack, degrees, on the side on which the axle stands now.
 * @returns null where the carrier cannot give it
 */
export function carrierAngle(
  e: Eccentric,
  gears: Gears,
  angle: number,
  slack: Slack,
  want: number
): number | null {
  const centre = centreOf(e, angle);
  const loop = loopLength(centre, gears, slack);
  const there = centreFor(loop, gears, { at: slack.at, slack: want }, centre);
  if (there === null) return null;
  const cos = (there * there - e.carrier ** 2 - e.offset ** 2) / (2 * e.carrier * e.offset);
  // A hair past its end is rounding; more is not there.
  if (Math.abs(cos) > 1 + 1e-12) return null;
  const size = Math.acos(Math.min(1, Math.max(-1, cos))) / RAD;
  return angle < 0 ? -size : size;
}

/**
 * How crooked the wheel stands, degrees: the difference of both marks over the distance between the two adjusters.
 * @param left how far back the axle stands on that side, mm
 * @param across between the two adjusters, mm
 */
export const crooked = (left: number, right: number, across: number): number =>
  Math.atan2(left - right, across) / RAD;
