import { parseBand, type Band } from '../quantity/band';
import { parseQuantity, readNumber } from '../quantity/parse';
import type { Quantity } from '../quantity/quantity';
import type { UnitName } from '../quantity/units';
import type { Figure } from '../specs/sheet';

/** How slack is told: all of it up and down; so much each way from the middle; pushed up only, from where it hangs; in fingers. */
export const HOWS = ['in all', 'each way', 'up only', 'fingers'] as const;
export type How = (typeof HOWS)[number];

/** More than this hangs on no machine: it is another length, or another unit. mm */
export const MOST_SLACK = 200;

/**
 * How much of it in all one is that is told in a way.
 *
 * Pushed up only, it is pushed from where it hangs. A chain hangs in a bow, less deep than the corner a hand pushes into it; for
 * a bow and a corner that take as much chain, at a fraction a of the run, the one is √(3a(1−a)) of the other (parabola of the
 * same excess). Up only is then that and one more half: total = up · 2 / (1 + √(3a(1−a))), 1.07 of it half-way.
 *
 * @param at where along the run, 0 to 1
 */
export function inAll(how: How, at: number): number {
  if (how === 'each way') return 2;
  if (how === 'up only') return 2 / (1 + Math.sqrt(3 * at * (1 - at)));
  return 1;
}

export interface Told {
  how: How;
  /** In all, mm; both the same where it is one figure. Null: open at that end, as the manual leaves it. */
  lo: number | null;
  hi: number | null;
}

/** Nobody counts more of them. */
const MOST_FINGERS = 6;
const WORDS: Readonly<Record<string, number>> = { one: 1, two: 2, three: 3, four: 4, a: 1, half: 0.5 };
const FINGERS = /^(.+?)\s*fingers?$/i;
const UP = /^(?:(?:push(?:ed)?\s+)?up(?:\s+only)?\s+(.+)|(.+?)\s+up(?:wards?)?(?:\s+only)?)$/i;
const EACH = /^(?:(?:±|\+\/?-)\s*(.+)|(.+?)\s+(?:each way|up and down each|either way))$/i;
const ALL = /^(?:(?:in all|total)\s+(.+)|(.+?)\s+(?:in all|total|up and down))$/i;

/** So much up and so much down, each by itself: `¼ in up, ¼ in down`. */
const UP_DOWN = /^(.+?)\s+up\s*(?:,|and|&|\/|\+)?\s*(.+?)\s+down$/i;

/** The way it is told, and what is left of the words. */
function wayOf(typed: string): { how: How; rest: string } | null {
  const text = typed.trim().replace(/\s+/g, ' ');
  const fingers = FINGERS.exec(text);
  if (fingers) return { how: 'fingers', rest: fingers[1]! };
  const both = UP_DOWN.exec(text);
  // As much each way; of two that differ nobody knows which middle is meant.
  if (both) return both[1]!.trim() === both[2]!.trim() ? { how: 'each way', rest: both[1]! } : null;
  for (const [how, pattern] of [
    ['up only', UP],
    ['each way', EACH],
    ['in all', ALL]
  ] as const) {
    const m = pattern.exec(text);
    if (m) return { how, rest: (m[1] ?? m[2])! };
  }
  return null;
}

/** Fingers as people count them: `2`, `two`, `1 1/2`, `2-3`. */
function fingersOf(rest: string): { lo: number; hi: number } | null {
  const one = (word: string): number | null => {
    const w = word.trim().toLowerCase();
    const half = /^(\S+) and a half$/.exec(w);
    if (half) {
      const whole = one(half[1]!);
      return whole === null ? null : whole + 0.5;
    }
    if (WORDS[w] !== undefined) return WORDS[w];
    const n = parseQuantity(w, { dimension: 'count', unit: 'pieces' });
    return n.ok && n.quantity.base > 0 && n.quantity.base <= MOST_FINGERS ? n.quantity.base : null;
  };
  const two = /^(.+?)\s*(?:–|-|\bto\b)\s*(.+)$/i.exec(rest);
  const whole = one(rest);
  if (whole !== null) return { lo: whole, hi: whole };
  const [lo, hi] = two ? [one(two[1]!), one(two[2]!)] : [null, null];
  return lo !== null && hi !== null && hi > lo ? { lo, hi } : null;
}

/** Slack told in words rather than as one total: in fingers, each way, up only. Null: it is not. */
export function slackInWords(typed: string): How | null {
  const way = wayOf(typed);
  if (!way) return null;
  if (way.how === 'fingers') return fingersOf(way.rest) ? 'fingers' : null;
  return parseBand(way.rest, { dimension: 'length', unit: 'mm' }).ok ? way.how : null;
}

/** What was printed of the slack wanted, as totals. Null: it is in words that say no figure. */
export function toldOf(figure: Pick<Figure, 'band' | 'text'>, at: number, fingerMm: number): Told | null {
  if (figure.band) return totals('in all', figure.band, at);
  const way = wayOf(figure.text ?? '');
  if (!way) return null;
  if (way.how === 'fingers') {
    const f = fingersOf(way.rest);
    return f && { how: 'fingers', lo: f.lo * fingerMm, hi: f.hi * fingerMm };
  }
  const band = parseBand(way.rest, { dimension: 'length', unit: 'mm' });
  return band.ok ? totals(way.how, band.band, at) : null;
}
function totals(how: How, band: Band, at: number): Told {
  const by = inAll(how, at);
  const end = (q: Quantity | null) => q && q.base * by;
  return { how, lo: end(band.from), hi: end(band.to) };
}

/** Slack wanted: from, to, and what is aimed at. mm in all. */
export interface Wanted extends Told {
  /** Null: an end is open, and nobody says where between there and nowhere it should stand. */
  aim: number | null;
  /** By how much the house lets one figure alone be missed, mm; null: both ends are the manual's. */
  tolerance: number | null;
}
/** One figure is kept to within a tolerance of the house; of a range the middle is aimed at; an open end stays open. */
export function wantedOf(told: Told, tolerance: number): Wanted {
  const { lo, hi } = told;
  if (lo === null || hi === null) return { ...told, aim: null, tolerance: null };
  const aim = (lo + hi) / 2;
  return hi > lo
    ? { ...told, aim, tolerance: null }
    : { ...told, lo: Math.max(0, aim - tolerance), hi: aim + tolerance, aim, tolerance };
}
/** From and to, in words. */
export function wantedRange({ lo, hi }: Told, unit: RuleUnit = 'mm'): string {
  if (lo === null) return hi === null ? '' : `at most ${showSlack(hi, unit)}`;
  return hi === null ? `at least ${showSlack(lo, unit)}` : `${showSlack(lo, unit)} to ${showSlack(hi, unit)}`;
}
/** The same short, with one unit at the end: `35 to 45 mm`. */
export const wantedShort = (told: Told, unit: RuleUnit = 'mm'): string =>
  wantedRange(told, unit).replace(` ${unit} to `, ' to ');
/** Where the house rule made a range of one figure, which; else empty. */
export const byHouseRule = ({ tolerance, aim }: Wanted, unit: RuleUnit = 'mm'): string =>
  tolerance === null || aim === null
    ? ''
    : `by the house rule ${showSlack(tolerance, unit)} either way of ${showSlack(aim, unit)}`;
/** What is wanted, in words, with the house rule where it is one. */
export const wantedInWords = (w: Wanted, unit: RuleUnit = 'mm'): string =>
  [wantedRange(w, unit), byHouseRule(w, unit)].filter(Boolean).join(', ');

export type TypedSlack = { ok: true; slack: number; how: How } | { ok: false; message: string };

/**
 * Reads slack as it was read off the chain: `38`, `1 1/2 in`, `2 fingers`, `20 up`, `± 18`. A naked number is told as this
 * machine's manual tells it.
 * @param usual how a naked number is told
 * @param unit of a naked number
 * @returns total, mm
 */
export function readSlack(
  typed: string,
  usual: How,
  at: number,
  fingerMm: number,
  unit: UnitName = 'mm'
): TypedSlack {
  const bare = usual === 'fingers' ? readNumber(typed) : null;
  if (bare !== null && bare !== 'two readings' && bare.value > 0 && bare.value <= MOST_FINGERS)
    return {
      ok: false,
      message: `${typed.trim()} fingers, or ${typed.trim()} ${unit}? The manual tells it in fingers: write which.`
    };
  const way = wayOf(typed) ?? { how: usual === 'fingers' ? ('in all' as const) : usual, rest: typed };
  if (way.how === 'fingers') {
    const f = fingersOf(way.rest);
    if (!f) return { ok: false, message: 'Fingers are counted: 2 fingers, 1 1/2 fingers. Or in mm or in.' };
    return judged(((f.lo + f.hi) / 2) * fingerMm, 'fingers');
  }
  const read = parseQuantity(way.rest, { dimension: 'length', unit });
  if (!read.ok)
    return {
      ok: false,
      message: read.problem.kind === 'empty' ? 'Such as 38, 1 1/2 in or 2 fingers.' : read.problem.message
    };
  return judged(read.quantity.base * inAll(way.how, at), way.how);
}
/** As it was typed, with the unit a naked number is in: read again by whoever has another rule, it is the same. */
export function withUnit(typed: string, unit: RuleUnit): string {
  const text = typed.trim();
  return /^[\d\s.,/]+$/.test(text) ? `${text} ${unit}` : text;
}
function judged(slack: number, how: How): TypedSlack {
  if (slack > MOST_SLACK)
    return {
      ok: false,
      message: `${Math.round(slack)} mm is more than hangs on any machine (${MOST_SLACK} mm). The other unit, or a decimal point?`
    };
  return { ok: true, slack: Math.round(slack * 10) / 10, how };
}

/** The unit a rule is marked in. */
export type RuleUnit = 'mm' | 'in';
/** Slack in words: whole and half millimetres, or inches in sixteenths. */
export const showSlack = (mm: number, unit: RuleUnit = 'mm'): string =>
  unit === 'in' ? inSixteenths(mm) : `${Math.round(mm * 2) / 2} mm`;
export function inSixteenths(mm: number): string {
  const all = Math.round((mm / 25.4) * 16);
  const [whole, part] = [Math.floor(all / 16), all % 16];
  if (part === 0) return `${whole} in`;
  let [over, under] = [part, 16];
  while (over % 2 === 0) [over, under] = [over / 2, under / 2];
  return `${whole > 0 ? `${whole} ` : ''}${over}/${under} in`;
}
