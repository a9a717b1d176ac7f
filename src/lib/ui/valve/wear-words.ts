import type { ValveStand } from '$lib/core/valve/check';
import type { ValveWear } from '$lib/core/valve/wear-of-head';
import type { Line } from './WearChart.svelte';

/** Slower than this is no wear a blade can tell. µm an hour */
const STILL = 0.05;

const h = (hours: number) => `${hours < 10 ? hours.toFixed(1).replace(/\.0$/, '') : Math.round(hours)}`;

/** What a valve's wear means, in a sentence. */
export function wearLine(w: ValveWear): string {
  if (w.rate === null)
    return w.checks.length === 0
      ? `${w.name}: no check with a shim that is known yet.`
      : `${w.name}: one check; the next tells how fast it goes.`;
  const rate = `${Math.abs(w.rate).toFixed(1)} µm an hour`;
  if (Math.abs(w.rate) < STILL) return `${w.name} stands still.`;
  if (w.rate > 0) return `${w.name} opens by ${rate}.`;
  if (!w.reaches) return `${w.name} closes up by ${rate}.`;
  const { early, likely, late } = w.reaches;
  if (late !== null && late <= 0) return `${w.name} closes up by ${rate} and has reached its lower limit.`;
  if (early < 1 && (late === null || late > 1000))
    return `${w.name} closes up by ${rate} and is near its lower limit: about ${h(likely)} h at that rate, perhaps less.`;
  const when =
    late === null || late > 1000
      ? `${h(early)} h or more`
      : h(early) === h(late)
        ? `about ${h(early)} h`
        : `about ${h(early)} to ${h(late)} h`;
  return `${w.name} closes up by ${rate} and reaches its lower limit in ${when}.`;
}

/** The one sentence of a head: of the valve that gets there first. */
export function headline(wear: readonly ValveWear[]): { valve: string | null; words: string } {
  const soonest = [...wear]
    .filter((w) => w.reaches !== null)
    .sort((a, b) => a.reaches!.likely - b.reaches!.likely)[0];
  if (soonest) return { valve: soonest.valve, words: wearLine(soonest) };
  const words = wear.some((w) => w.rate !== null)
    ? 'No valve of it closes up.'
    : 'Two checks at known hours, with the shims known, tell how fast each valve goes.';
  return { valve: null, words };
}

/** Lines of the chart: of every valve that was checked twice. */
export function linesOf(wear: readonly ValveWear[], stands: readonly ValveStand[]): Line[] {
  return wear.flatMap((w): Line[] => {
    const { valve, limits } = stands.find((s) => s.valve.id === w.valve)!;
    return w.course.length < 2
      ? []
      : [{ name: w.name, side: valve.side, points: w.course, lo: limits?.lo ?? null }];
  });
}
