import { addDays, type Day } from '../src/lib/core/time/day';
import { REMARKS } from './people';
import type { DemoMachine } from './machines';

/** Nine months of use for one machine, made so that its tasks were done at the hours the scenario wants. Deterministic. */

export interface DemoOuting {
  day: Day;
  /** Hundredths of an hour ridden, and the running total after. */
  used: number;
  total: number;
  race: boolean;
  remark: string;
}

const SEASON_DAYS = 273;

/** A small seeded generator (mulberry32): the same demo on every machine, every time. */
export function chance(seed: string): () => number {
  let a = 0;
  for (const c of seed) a = (Math.imul(a, 31) + c.charCodeAt(0)) | 0;
  return () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/**
 * Outings from nine months ago to the last reading, in order. They add up to the machine's hours today.
 * @param marks running totals (hundredths) at which an outing must end, because work was done there
 */
export function outings(machine: DemoMachine, today: Day, marks: readonly number[]): DemoOuting[] {
  const next = chance(machine.slug);
  const list: { day: Day; used: number; race: boolean }[] = [];
  let week = 0;
  for (let ago = SEASON_DAYS; ago > machine.readDaysAgo; ago -= 3 + Math.floor(next() * 5)) {
    week += 1;
    const race = machine.races && week % 6 === 0;
    const share = machine.perWeek * (0.4 + next() * 0.9) * (race ? 1.5 : 0.75);
    list.push({ day: addDays(today, -ago), used: Math.max(30, Math.round(share * 10) * 10), race });
  }
  list.push({
    day: addDays(today, -machine.readDaysAgo),
    used: Math.round(machine.perWeek * 6) * 10,
    race: false
  });

  const now = Math.round(machine.hoursNow * 100);
  // A machine newer than the season joined it later.
  const sum = () => list.reduce((s, o) => s + o.used, 0);
  while (sum() > now) list.shift();
  let total = now - sum();
  const cut = [...marks].sort((a, b) => a - b);
  const result: DemoOuting[] = [];
  for (const o of list) {
    const end = total + o.used;
    // Work done in the middle of a ride means it was two rides, with the bench between them.
    const inside = cut.filter((m) => m > total && m < end);
    for (const stop of [...inside, end]) {
      result.push({
        day: o.day,
        used: stop - total,
        total: stop,
        race: o.race,
        remark: REMARKS[Math.floor(next() * REMARKS.length)]!
      });
      total = stop;
    }
  }
  return result;
}

/** Running totals at which a task was done, the latest first: back from the last by roughly its interval. */
export function doneAt(
  machine: DemoMachine,
  since: number,
  intervalHours: number,
  firstTotal: number
): number[] {
  const next = chance(`${machine.slug}/${since}/${intervalHours}`);
  const marks: number[] = [];
  let at = Math.round((machine.hoursNow - since) * 100);
  while (at > firstTotal) {
    marks.push(at);
    at -= Math.round(intervalHours * (0.88 + next() * 0.16) * 10) * 10;
  }
  return marks;
}

/** The running total with which the book begins, before its first outing. */
export function firstTotal(machine: DemoMachine, today: Day): number {
  const first = outings(machine, today, [])[0]!;
  return first.total - first.used;
}
