import type { Kind } from './machine';

/** What a machine may have or not have, as far as work, checks, symptoms and questions hang on it. */
export const PARTS = [
  'combustion engine',
  'exhaust',
  'engine oil',
  'valves',
  'spark plug',
  'fuel',
  'air filter',
  'coolant',
  'clutch',
  'gears',
  'chain'
] as const;
export type Part = (typeof PARTS)[number];

const LACKS: Readonly<Partial<Record<Kind, readonly Part[]>>> = {
  electric: PARTS.filter((p) => p !== 'chain'),
  'two-stroke enduro': ['engine oil', 'valves'],
  'two-stroke motocross': ['engine oil', 'valves'],
  // Driven by shafts, and shifted by itself.
  'utility quad': ['chain', 'clutch']
};

/** Whether machines of a kind have something: the one place that says so, for every step, caution, check, symptom and question. */
export const has = (kind: Kind, part: Part): boolean => !LACKS[kind]?.includes(part);
