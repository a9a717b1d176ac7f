import { show, quantity } from '../quantity/quantity';
import type { UnitName } from '../quantity/units';
import { lineSchema, type Drag, type Line } from './line';

/**
 * Simulated instruments that ship with the app. Each turns what a hand does at it into lines as a real one would, so that
 * everything behind the line can be tried, shown and tested without one.
 */
export interface StandIn {
  key: string;
  name: string;
  about: string;
  /** Units it can be switched to; empty: it has none, it types. */
  units: readonly UnitName[];
  /** What it shows when it is taken out of its case, in its first unit. */
  shows: number;
  step: number;
  /** What sends its reading. */
  does: string;
  /** How much two readings of the same thing differ, as a share of it. */
  scatter: number;
  /** The smallest thing its display shows, per unit. */
  digits: Partial<Record<UnitName, number>>;
  extra: 'of' | 'blades' | 'keys' | 'scale' | 'weather' | null;
}

export const STAND_INS: readonly StandIn[] = [
  {
    key: 'torque wrench',
    name: 'Wrench, click and send',
    about: 'Sends the peak of a pull. No two pulls are quite alike.',
    units: ['N·m', 'lbf·ft', 'lbf·in'],
    shows: 24,
    step: 0.5,
    does: 'Pull',
    scatter: 0.01,
    digits: { 'N·m': 1, 'lbf·ft': 1, 'lbf·in': 0 },
    extra: null
  },
  {
    key: 'hour meter',
    name: 'Hour meter, wireless',
    about: 'Says what it shows and on which machine it hangs.',
    units: ['h'],
    shows: 48.6,
    step: 0.1,
    does: 'Send what it shows',
    scatter: 0,
    digits: { h: 1 },
    extra: 'of'
  },
  {
    key: 'calliper',
    name: 'Calliper',
    about: 'Types its number and Enter like a keyboard, where the cursor is. It says no unit.',
    units: [],
    shows: 2.25,
    step: 0.01,
    does: 'Type it',
    scatter: 0,
    digits: {},
    extra: 'keys'
  },
  {
    key: 'dial',
    name: 'Dial gauge',
    about: 'Sends a length, in the unit it is switched to.',
    units: ['mm', 'in'],
    shows: 0.12,
    step: 0.01,
    does: 'Send',
    scatter: 0,
    digits: { mm: 2, in: 4 },
    extra: null
  },
  {
    key: 'feeler blades',
    name: 'Blades with a drag handle',
    about: 'Says which blade was tried and how it went; a clearance is closed in from both sides.',
    units: ['mm', 'in'],
    shows: 0.1,
    step: 0.01,
    does: '',
    scatter: 0,
    digits: { mm: 2, in: 4 },
    extra: 'blades'
  },
  {
    key: 'scale',
    name: 'Scale under the jug',
    about:
      'Weighs what went in or came out. It sends millilitres once it was told what a litre weighs: weigh one.',
    units: ['ml', 'US qt'],
    shows: 900,
    step: 10,
    does: 'Send',
    scatter: 0,
    digits: { ml: 0, 'US qt': 2 },
    extra: 'scale'
  },
  {
    key: 'tyre gauge',
    name: 'Tyre gauge',
    about: 'Sends the pressure it shows.',
    units: ['kPa', 'bar', 'psi'],
    shows: 90,
    step: 1,
    does: 'Send',
    scatter: 0.005,
    digits: { kPa: 0, bar: 2, psi: 1 },
    extra: null
  },
  {
    key: 'weather station',
    name: 'Weather station',
    about: 'Sends words for the remark of an outing.',
    units: [],
    shows: 12,
    step: 1,
    does: 'Send',
    scatter: 0,
    digits: {},
    extra: 'weather'
  }
];

/**
 * What an instrument shows of a true value: scattered as it scatters, cut to the digits of its display.
 * @param chance 0 to 1
 */
export function shown(s: StandIn, value: number, unit: UnitName, chance: number): number {
  const scattered = value * (1 + s.scatter * (2 * chance - 1));
  return Number(scattered.toFixed(s.digits[unit] ?? 2));
}

/**
 * Millilitres of what was weighed.
 * @param grams on the scale, without the jug
 * @param gramsPerLitre as one litre of it was weighed
 * @throws RangeError where nothing was weighed
 */
export function mlOf(grams: number, gramsPerLitre: number): number {
  if (!(gramsPerLitre > 0)) throw new RangeError(`a litre weighs something: ${gramsPerLitre}`);
  return (grams / gramsPerLitre) * 1000;
}

/** What a stand-in says. @throws ZodError where that is no line */
export function lineOf(
  said: { id: string; instrument: string; at: string },
  what: { value: number; unit: UnitName; of?: string; drag?: Drag } | { keys: string } | { words: string }
): Line {
  return lineSchema.parse({ v: 1, ...said, ...what });
}

/** A line in words, for the list of what was heard. */
export const lineWords = (l: Line): string =>
  'words' in l
    ? l.words
    : 'keys' in l
      ? `${l.keys.trim()}, typed`
      : `${show(quantity(l.value, l.unit))}${l.of ? ` of ${l.of}` : ''}${l.drag ? `, ${l.drag}` : ''}`;

/** The weather as a line of words. °C, %, hPa. */
export const weatherWords = (celsius: number, humidity: number, hPa: number, imperial: boolean): string =>
  `${imperial ? `${Math.round(celsius * 1.8 + 32)} °F` : `${celsius} °C`}, ${humidity} % humidity, ${hPa} hPa`;
