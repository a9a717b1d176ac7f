import { scaleLinear, type ScaleLinear } from 'd3-scale';
import { zoomIdentity, type ZoomTransform } from 'd3-zoom';
import { HOME_WINDOW, type Window } from '$lib/core/trail/scale';

/** No closer than two hours, no wider than two thousand; hundredths of an hour. */
const LEAST_SPAN = 200;
const MOST_SPAN = 200_000;
const HOME_SPAN = HOME_WINDOW.to - HOME_WINDOW.from;
/** How far the home window may be magnified, from the widest to the closest. */
export const MAGNIFIED: [number, number] = [HOME_SPAN / MOST_SPAN, HOME_SPAN / LEAST_SPAN];

/** The home window across so many pixels: what is zoomed and moved. */
export const homeAcross = (width: number): ScaleLinear<number, number> =>
  scaleLinear([HOME_WINDOW.from, HOME_WINDOW.to], [0, width]);

/** The window that is seen of the trail once it is zoomed and moved so far. @param width of what it is drawn in, px */
export function windowOf(transform: ZoomTransform, width: number): Window {
  const [from, to] = transform.rescaleX(homeAcross(width)).domain();
  return { from: from!, to: to! };
}

/** How far the home window is zoomed and moved so that this one is seen; the other way round of {@link windowOf}. */
export function transformOf(window: Window, width: number): ZoomTransform {
  const k = HOME_SPAN / (window.to - window.from);
  return zoomIdentity.translate(-k * homeAcross(width)(window.from), 0).scale(k);
}
