import { has, type Part } from '../machine/has';
import type { Kind } from '../machine/machine';
import { FIGURE_KINDS, type FigureKey, type Section } from './kinds';

const CHAIN: Section[] = ['Chain and final drive'];
const COMMON: Section[] = ['Fork, coolant and brakes', 'Controls and ignition', 'Wheels and tyres'];
const FOUR: Section[] = ['Engine oil', 'Valves', ...CHAIN, ...COMMON];
const TWO: Section[] = ['Gearbox oil', ...CHAIN, ...COMMON];

/** Sections a kind of machine has something in. A starter sheet names what to look up; it holds no figure. */
const SECTIONS_OF: Readonly<Record<Kind, readonly Section[]>> = {
  'four-stroke enduro': [...FOUR, 'Gearbox oil'],
  'two-stroke enduro': TWO,
  'four-stroke motocross': FOUR,
  'two-stroke motocross': TWO,
  'dual-sport': FOUR,
  'youth bike': FOUR,
  'sport quad': FOUR,
  'utility quad': ['Engine oil', 'Valves', 'Differentials and primary', ...COMMON],
  electric: ['Electric drive', 'Gearbox oil', ...CHAIN, 'Fork, coolant and brakes', 'Wheels and tyres']
};

/** What most manuals print and most jobs want first; the rest is added where a machine has it. */
const FIRST = new Set([
  'engine oil with filter',
  'engine oil without filter',
  'engine oil grade',
  'oil level method',
  'oil level run time',
  'oil level settle time',
  'gearbox oil',
  'gearbox oil grade',
  'gearbox level method',
  'front differential oil',
  'rear differential oil',
  'differential oil grade',
  'fork oil level',
  'coolant',
  'brake fluid',
  'inlet valve clearance',
  'exhaust valve clearance',
  'top dead centre',
  'chain slack',
  'chain slack place',
  'chain links',
  'front sprocket',
  'rear sprocket',
  'clutch free play',
  'throttle free play',
  'plug gap',
  'spark plug',
  'front tyre pressure',
  'rear tyre pressure',
  'storage charge'
]);
/** An electric machine has no clutch cable, plug or engine oil to look up. */
const NEEDS: Readonly<Partial<Record<FigureKey, Part>>> = {
  'clutch free play': 'clutch',
  'plug gap': 'spark plug',
  'spark plug': 'spark plug'
};

/**
 * The figures to look up in the manual for a kind of machine, by key: a list of questions, without a single answer.
 */
export function starterKeys(kind: Kind): FigureKey[] {
  const sections = new Set(SECTIONS_OF[kind]);
  return FIGURE_KINDS.filter(
    (k) =>
      k.section !== null &&
      sections.has(k.section) &&
      FIRST.has(k.key) &&
      !(NEEDS[k.key] && !has(kind, NEEDS[k.key]!))
  ).map((k) => k.key);
}

/** The sections a kind of machine usually has. */
export function sectionsOf(kind: Kind): readonly Section[] {
  return SECTIONS_OF[kind];
}
