import type { Centihours } from '../hours/hours';

/** A window of the trail: hundredths of an hour behind (negative) and ahead of now. */
export interface Window {
  from: Centihours;
  to: Centihours;
}

/** What the home screen shows of every lane: the same hours for all, now at the same line. */
export const HOME_WINDOW: Window = { from: -1200, to: 2800 };
/** No closer than two hours, no wider than two thousand. */
export const LEAST_SPAN = 200;
export const MOST_SPAN = 200_000;

/** Where hours from now stand in a window, in percent of its width. May lie outside 0 to 100. */
export function percent(window: Window, ahead: Centihours): number {
  return ((ahead - window.from) / (window.to - window.from)) * 100;
}

/** Zooms about a point that stays where it is. `factor` below 1 goes closer. */
export function zoom(window: Window, factor: number, about: Centihours = 0): Window {
  const span = window.to - window.from;
  const wanted = Math.min(MOST_SPAN, Math.max(LEAST_SPAN, span * factor));
  const share = (about - window.from) / span;
  const from = Math.round(about - share * wanted);
  return { from, to: from + Math.round(wanted) };
}

/** Moves a window along the trail by a share of its width. */
export function pan(window: Window, share: number): Window {
  const by = Math.round((window.to - window.from) * share);
  return { from: window.from + by, to: window.to + by };
}

/** Marks every 1, 2 or 5 × 10ⁿ hours, so that there are about `wanted` of them. Hundredths of an hour from now. */
export function marks(window: Window, wanted = 8): Centihours[] {
  const rough = (window.to - window.from) / wanted;
  const power = 10 ** Math.floor(Math.log10(rough));
  const step = Math.max(10, ([1, 2, 5, 10].find((m) => m * power >= rough) ?? 10) * power);
  const list: Centihours[] = [];
  for (let at = Math.ceil(window.from / step) * step; at <= window.to; at += step) list.push(at);
  return list;
}

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
