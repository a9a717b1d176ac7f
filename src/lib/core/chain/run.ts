/**
 * The run of a chain between its two sprockets, and what of it is slack. Millimetres throughout.
 *
 * Sources: the pitch circle of a roller chain sprocket, r = p / (2 sin(π/z)); the open belt about two circles; and the handbook's
 * excess of a run that is held aside at one place by half the total slack (section 9).
 */
export interface Gears {
  /** From pin to pin, mm. */
  pitch: number;
  /** Teeth. */
  front: number;
  rear: number;
}

/** Radius of the circle the pins run on, mm. */
export const pitchRadius = (pitch: number, teeth: number): number => pitch / (2 * Math.sin(Math.PI / teeth));

/** How much larger the rear circle is than the front one, mm; less than nothing where the front one is larger. */
const step = ({ pitch, front, rear }: Gears): number => pitchRadius(pitch, rear) - pitchRadius(pitch, front);

/** The least distance between two axes at which the sprockets do not touch, mm. */
export const leastCentre = ({ pitch, front, rear }: Gears): number =>
  pitchRadius(pitch, front) + pitchRadius(pitch, rear);

/**
 * The straight run, from where the chain leaves one sprocket to where it meets the other.
 * @param centre from axis to axis, mm; more than the difference of the two pitch radii
 */
export function straightRun(centre: number, gears: Gears): number {
  const d = step(gears);
  return Math.sqrt(centre * centre - d * d);
}

/** Half the loop that is wrapped about both sprockets, mm, and the two straight runs: the loop with nothing slack. */
export function tautLoop(centre: number, gears: Gears): number {
  const lean = Math.asin(step(gears) / centre);
  const [r1, r2] = [pitchRadius(gears.pitch, gears.front), pitchRadius(gears.pitch, gears.rear)];
  return 2 * straightRun(centre, gears) + r1 * (Math.PI - 2 * lean) + r2 * (Math.PI + 2 * lean);
}

/**
 * By how much a run is longer than straight, mm.
 * @param run the straight run, mm
 * @param at where along it the slack is measured, 0 to 1 of it, ends excluded
 * @param slack total up and down there, mm
 */
export function excess(run: number, at: number, slack: number): number {
  const h = slack / 2;
  return Math.hypot(at * run, h) + Math.hypot((1 - at) * run, h) - run;
}

/**
 * Total slack at a place of a run that is so much longer than straight: the place lies on an ellipse about the run's ends.
 * @param more than straight, mm; none or less: no slack
 */
export function slackOf(run: number, at: number, more: number): number {
  if (more <= 0) return 0;
  const a = (run + more) / 2;
  // (a − c/2)(a + c/2), in the form that loses no digits where there is hardly any slack.
  const b2 = (more / 2) * (run + more / 2);
  const x = (at - 0.5) * run;
  return 2 * Math.sqrt(b2 * Math.max(0, 1 - (x * x) / (a * a)));
}

/** Where slack is measured: how far along the run from the front, 0 to 1, and what it came to, mm in all. */
export interface Slack {
  at: number;
  slack: number;
}

/** How long the whole loop is, by what it hangs through: taut, and what is slack in one of its runs. mm */
export const loopLength = (centre: number, gears: Gears, s: Slack): number =>
  tautLoop(centre, gears) + excess(straightRun(centre, gears), s.at, s.slack);

/** Slack of a loop of a known length at a place, mm; nothing where it is taut or would have to stretch. */
export const slackIn = (loop: number, centre: number, gears: Gears, at: number): number =>
  slackOf(straightRun(centre, gears), at, loop - tautLoop(centre, gears));

/** Nearer than this nobody turns an adjuster. mm */
const NEAR = 1e-9;

/**
 * The centre distance at which a loop of a known length has a slack at a place. The further apart, the less of it.
 * @param near about where it lies, mm
 * @returns null where there is none: the sprockets would touch, or the chain is far too long
 */
export function centreFor(loop: number, gears: Gears, want: Slack, near: number): number | null {
  const over = (centre: number) => loopLength(centre, gears, want) - loop;
  let lo = leastCentre(gears);
  // Two runs and half a circle: no loop reaches further than half of itself.
  let hi = Math.max(loop / 2, lo);
  if (over(lo) > 0 || over(hi) < 0) return null;
  let c = Math.min(hi, Math.max(lo, near));
  for (let i = 0; i < 100 && hi - lo > NEAR; i++) {
    const off = over(c);
    if (Math.abs(off) < NEAR) return c;
    if (off > 0) hi = c;
    else lo = c;
    // Newton, since a loop grows by about twice what its axle moves; by halves where that leads outside.
    const next = c - off / 2;
    c = next > lo && next < hi ? next : (lo + hi) / 2;
  }
  return c;
}
