import { z } from 'zod';
import type { Shape } from '../stored/stored';
import type { Band } from './band';
import type { Quantity } from './quantity';
import { UNIT_NAMES, UNITS, unitsNamed, type Dimension, type UnitName } from './units';

const DIMENSIONS = [...new Set(Object.values(UNITS).map((u) => u.dimension))] as [Dimension, ...Dimension[]];

export const storedQuantity = z.object({
  dimension: z.enum(DIMENSIONS),
  base: z.number(),
  value: z.number(),
  unit: z.enum(UNIT_NAMES)
} satisfies Shape<Quantity>);

export const storedBand = z.object({
  from: storedQuantity.nullable(),
  to: storedQuantity.nullable()
} satisfies Shape<Band>);

/** The unit a word named where units were free text, and that word where it was none: counted in pieces of it. */
export function unitWas(word: string): { unit: UnitName; of: string } {
  const named = unitsNamed(word);
  return named.length === 1 ? { unit: named[0]!, of: '' } : { unit: 'pieces', of: word };
}
