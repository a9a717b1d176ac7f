import type { Centihours } from '../hours/hours';

/** A window of the trail: hundredths of an hour behind (negative) and ahead of now. */
export interface Window {
  from: Centihours;
  to: Centihours;
}

/** What the home screen shows of every lane: the same hours for all, now at the same line. */
export const HOME_WINDOW: Window = { from: -1200, to: 2800 };
/** Things that would be drawn on top of one another, put together: those within `gap` percent of the first of a bunch. */
export function bunch<T>(things: readonly T[], at: (t: T) => number, gap: number): T[][] {
  const order = [...things].sort((a, b) => at(a) - at(b));
  const bunches: T[][] = [];
  for (const thing of order) {
    const last = bunches.at(-1);
    if (last && at(thing) - at(last[0]!) < gap) last.push(thing);
    else bunches.push([thing]);
  }
  return bunches;
}
