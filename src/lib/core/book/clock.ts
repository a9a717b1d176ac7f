import { WINDOW_DAYS, YEAR_DAYS, type DayPoint } from '../forecast/history';
import { learn, type Learned } from '../hours/learned';
import { fittedSeries, type Series } from '../hours/series';
import { STRAINS, type Strain } from '../outing/outing';
import type { Clock } from '../schedule/count';
import { COUNTERS } from '../schedule/task';
import { dayNumber, dayOf } from '../time/day';
import { startOf } from '../time/moment';
import type { Recent } from './rows';
import type { Step } from './steps';

/** So many of the latest outings tell a machine's pace: a season's worth, and what is older may be another engine's. */
export const LEARN_FROM = 60;
/** So many of the latest steps are looked at for the rate of use: the window holds fewer for anyone. */
export const RECENT_STEPS = 240;

/**
 * What a machine counted, over time.
 *
 * @param steps all of them, or those that stand at the moments that are asked for and the first in which each count is
 *   known: between two that are not there nothing is asked. In order of time
 */
export function clockOf(steps: readonly Step[]): Clock {
  const of = (total: (s: Step) => number | null): Series => {
    const at: number[] = [];
    const totals: number[] = [];
    for (const s of steps) {
      const t = total(s);
      if (t === null) continue;
      at.push(s.at);
      totals.push(t);
    }
    return { at, total: totals };
  };
  const last = steps.at(-1);
  const noted = (last?.ridden ?? 0) > 0;
  const strains: Clock['strains'] = {};
  for (const strain of STRAINS) {
    if (last?.strains[strain] !== undefined) strains[strain] = of((s) => s.strains[strain] ?? 0);
  }
  return {
    hours: of((s) => s.hours),
    // Where riders noted distances, the count begins with the book; else with the first odometer that was read.
    distance: of((s) => (noted ? (s.odometer ?? 0) + s.ridden : s.odometer)),
    outings: of((s) => s.outings),
    races: of((s) => s.races),
    strains
  };
}

/** What a component brought along, and where it was. */
export interface PartRows {
  brought: number;
  broughtDistance: number;
  /** When it came into the book, ms since 1970. */
  since: number;
  /** In any order. `host`: the clock of the machine or engine it was fitted to. */
  fittings: readonly { host: Clock; from: number; to: number | null }[];
}

/** What a component counted, over time: brought along, and in every place while it was fitted there. */
export function partClock(part: PartRows): Clock {
  const of = (brought: number, pick: (clock: Clock) => Series | undefined): Series =>
    fittedSeries(
      brought,
      part.fittings.flatMap(({ host, from, to }) => {
        const series = pick(host);
        return series ? [{ host: series, from, to }] : [];
      }),
      part.since
    );
  const brought = { hours: part.brought, distance: part.broughtDistance, outings: 0, races: 0 };
  const strains: Partial<Record<Strain, Series>> = {};
  for (const strain of STRAINS)
    if (part.fittings.some((f) => f.host.strains[strain])) strains[strain] = of(0, (k) => k.strains[strain]);
  const [hours, distance, outings, races] = COUNTERS.map((m) => of(brought[m], (k) => k[m])) as [
    Series,
    Series,
    Series,
    Series
  ];
  return { hours, distance, outings, races, strains };
}

/** Where a machine stands after everything in its book. */
export interface Stand {
  total: number | null;
  estimated: boolean;
  /** Hundredths of a kilometre; null where none was ever counted. */
  distance: number | null;
}
export function standOf(steps: readonly Step[]): Stand {
  const last = steps.at(-1);
  return {
    total: last?.hours ?? null,
    estimated: last?.estimated ?? false,
    distance: last && (last.odometer !== null || last.ridden > 0) ? (last.odometer ?? 0) + last.ridden : null
  };
}

/** Kinds of step that say what the running hours were. */
export const isHours = (s: Pick<Step, 'kind'>): boolean => s.kind === 'reading' || s.kind === 'meter closed';

/** What a machine's rate and pace are told from, of all its steps in order of time. */
export function recentOf(steps: readonly Step[]): Recent {
  return {
    hours: steps
      .filter(isHours)
      .slice(-RECENT_STEPS)
      .map(({ at, hours, planned }) => ({ at, hours: hours!, planned })),
    outings: steps.flatMap((s) => (s.outing ? [s.outing] : [])).slice(-LEARN_FROM),
    readAt: steps.findLast((s) => s.kind === 'reading')?.at ?? null
  };
}

/** A machine's own pace, from its latest outings. */
export function paceOf(recent: Pick<Recent, 'outings'>): Learned {
  return learn(recent.outings.slice(-LEARN_FROM));
}

const MS_PER_DAY = 86_400_000;
/** So far apart at the least stand the points before the window: they tell of the season, not of a week. */
const SPARSE_DAYS = 28;

/**
 * The last point of each day in the window, one before it, and one every four weeks for the year before the window: so
 * that a rate and a season can be read off.
 */
export function recentPoints(recent: Pick<Recent, 'hours'>, timeZone: string): DayPoint[] {
  const steps = recent.hours.slice(-RECENT_STEPS);
  const last = steps.at(-1);
  if (!last) return [];
  // A fortnight more than the window, so that it stays full while nothing is written.
  const end = dayNumber(dayOf(new Date(last.at), timeZone));
  const start = end - WINDOW_DAYS - 14;
  // So that a year and a window are reached from it while nothing is written.
  const oldest = start - YEAR_DAYS - SPARSE_DAYS;
  const days: DayPoint[] = [];
  let midnight = Infinity;
  let apart = 0;
  for (let i = steps.length - 1; i >= 0; i--) {
    const s = steps[i]!;
    // Going back, the first of a day is its last.
    if (s.at >= midnight - apart) continue;
    const date = dayOf(new Date(s.at), timeZone);
    const day = dayNumber(date);
    midnight = startOf(date, timeZone).getTime();
    days.unshift({ day, total: s.hours, ...(s.planned > 0 && { planned: s.planned }) });
    if (day < oldest) break;
    if (day < start) apart = (SPARSE_DAYS - 1) * MS_PER_DAY;
  }
  return days;
}
