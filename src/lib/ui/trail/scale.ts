import { scaleLinear, type ScaleLinear } from 'd3-scale';
import type { Window } from '$lib/core/trail/scale';

/** Where hours from now stand in a window, in percent of its width. May lie outside 0 to 100. */
export function percentIn(window: Window): ScaleLinear<number, number> {
  return scaleLinear([window.from, window.to], [0, 100]);
}

/** Round hours in a window, about `wanted` of them. Hundredths of an hour from now. */
export function marks(window: Window, wanted = 8): number[] {
  return scaleLinear([window.from / 100, window.to / 100], [0, 1])
    .ticks(wanted)
    .map((hours) => Math.round(hours * 100));
}
