import { recentPoints } from '../../src/lib/core/book/clock';
import { rateOfUse } from '../../src/lib/core/forecast/rate';
import { daysUntil } from '../../src/lib/core/forecast/until';

/** How machines live, for a forecast to be held against: made up, each from its seed. */
export const LIVES = [
  'daily',
  'weekends',
  'every other weekend',
  'now and then',
  'seasonal',
  'race-only'
] as const;
export type Kind = (typeof LIVES)[number];

interface Life {
  /** Hundredths of an hour by day. */
  ridden: number[];
  planned: Map<number, number>;
  /** Readings in the order of time, as the book keeps them. */
  readings: { at: number; hours: number; planned: number }[];
}

const DAYS = 5 * 365;
const DAY_MS = 86_400_000;
const WEEKEND = [5, 6];

/** T. Ettinger's mulberry32, public domain: a small generator whose seeds give lives unlike one another. */
function chance(seed: number): () => number {
  let s = seed >>> 0;
  return () => {
    s = (s + 0x6d2b79f5) >>> 0;
    let t = Math.imul(s ^ (s >>> 15), 1 | s);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}

/** Hours of one ride, lognormal, in hundredths: `mean` hours, `varies` the standard deviation as a share of it. */
function ride(r: () => number, mean: number, varies: number): number {
  const normal = Math.sqrt(-2 * Math.log(1 - r())) * Math.cos(2 * Math.PI * r());
  const s2 = Math.log(1 + varies ** 2);
  return Math.round(100 * mean * Math.exp(normal * Math.sqrt(s2) - s2 / 2));
}

/** Each life from day to day: the hours of a day, and what was planned for it. */
const RIDE: Record<Kind, (r: () => number, scale: number, life: Life) => void> = {
  daily(r, scale, { ridden }) {
    const often = 0.6 + 0.35 * r();
    for (let d = 0; d < DAYS; d++) if (r() < often) ridden[d] = ride(r, 1.3 * scale, 0.5);
  },
  weekends(r, scale, { ridden }) {
    const often = 0.6 + 0.35 * r();
    for (let d = 0; d < DAYS; d++)
      if (WEEKEND.includes(d % 7) && r() < often) ridden[d] = ride(r, 2.5 * scale, 0.4);
  },
  'every other weekend'(r, scale, { ridden }) {
    let week = Math.floor(r() * 2);
    while (week * 7 + 6 < DAYS) {
      if (r() < 0.9) for (const d of WEEKEND) if (r() < 0.8) ridden[week * 7 + d] = ride(r, 2.5 * scale, 0.4);
      week += r() < 0.85 ? 2 : r() < 0.5 ? 1 : 3;
    }
  },
  'now and then'(r, scale, { ridden }) {
    const often = 1 / (5 + 9 * r());
    for (let d = 0; d < DAYS; d++) if (r() < often) ridden[d] = ride(r, 2 * scale, 0.6);
  },
  seasonal(r, scale, { ridden }) {
    for (let d = 0; d < DAYS; d++) {
      const season = Math.max(0.03, Math.min(1, 0.5 - 0.75 * Math.cos((2 * Math.PI * (d % 365)) / 365)));
      if (r() < season * (WEEKEND.includes(d % 7) ? 0.7 : 0.08)) ridden[d] = ride(r, 2.2 * scale, 0.5);
    }
  },
  'race-only'(r, scale, { ridden, planned }) {
    for (let d = 5 + Math.floor(r() * 14); d < DAYS;) {
      const hours = Math.round(100 * (2 + 2 * scale));
      planned.set(d, hours);
      if (r() < 0.95) ridden[d] = ride(r, hours / 100, 0.25);
      if (r() < 0.25) ridden[Math.max(0, d - 3)] = ride(r, 0.7, 0.5);
      d += 7 * (r() < 0.5 ? 2 : r() < 0.6 ? 3 : 1);
    }
  }
};

function lifeOf(kind: Kind, r: () => number): Life {
  const life: Life = { ridden: new Array<number>(DAYS).fill(0), planned: new Map(), readings: [] };
  RIDE[kind](r, 0.6 + 0.9 * r(), life);
  const reads = 0.75 + 0.25 * r();
  let hours = 0;
  let planned = 0;
  life.ridden.forEach((ridden, day) => {
    if (ridden === 0) return;
    hours += ridden;
    if (life.planned.has(day)) planned += ridden;
    if (r() < reads) life.readings.push({ at: day * DAY_MS + DAY_MS / 2, hours, planned });
  });
  return life;
}

/** How often the stated range held, and how wide it was. */
export interface Held {
  all: number;
  inside: number;
  early: number;
  late: number;
  /** Days, of those that name an end. */
  width: number;
  /** Nobody could say. */
  silent: number;
}

/**
 * A kind of life held against what the forecast says of it: after a year and a half at the least, 1 to 15 hours ahead.
 * @param lives how many machines
 * @param asked how often each is asked, on days of chance
 */
export function holdAgainst(kind: Kind, lives: number, asked: number): Held {
  const held = { all: 0, inside: 0, early: 0, late: 0, width: 0, silent: 0 };
  let ended = 0;
  for (let i = 0; i < lives; i++) {
    const r = chance(i * 7919 + LIVES.indexOf(kind) * 101 + 1);
    const life = lifeOf(kind, r);
    for (let k = 0; k < asked; k++) {
      const today = 550 + Math.floor(r() * 500);
      const left = Math.round(100 * (1 + r() * 14));
      const read = life.readings.filter((x) => x.at < (today + 1) * DAY_MS);
      const rate = rateOfUse(recentPoints({ hours: read }, 'UTC'), today);
      if (!rate) {
        held.silent++;
        continue;
      }
      const planned = [...life.planned]
        .filter(([d]) => d > today && d < today + 120)
        .map(([d, hours]) => ({ from: d - today, to: d - today, hours }));
      const said = daysUntil(left, rate, planned);
      let total = 0;
      const on = life.ridden.findIndex((h) => (total += h) >= read.at(-1)!.hours + left);
      const took = on < 0 ? Infinity : Math.max(0, on - today);
      held.all++;
      if (took < said.early) held.early++;
      else if (took > said.late) held.late++;
      else held.inside++;
      if (Number.isFinite(said.late)) {
        ended++;
        held.width += said.late - said.early;
      }
    }
  }
  return { ...held, width: held.width / ended };
}
