import { z } from 'zod';
import { id, name } from '../forms';

/** Air filters that go round among machines that take the same: one in each, the others clean in their bags or waiting to be washed. */
export interface FilterSet {
  id: string;
  name: string;
  machines: { id: string; plate: string }[];
  /** By the book; below nothing: more went in than were counted. */
  clean: number;
  dirty: number;
}

const count = (what: string) =>
  z
    .string({ error: what })
    .max(20, 'A whole number, such as 2.')
    .trim()
    .regex(/^\d{0,3}$/, 'A whole number, such as 2.')
    .transform((text) => Number(text || '0'));

/** A set as it is put down or counted anew: what takes it, and how many there are besides those in the machines. */
export const filterSchema = z.object({
  id,
  name: name('what you call it', 60),
  machineIds: z.array(id).max(200, 'At most 200 machines.').default([]),
  clean: count('How many are clean and oiled?'),
  dirty: count('How many are to be washed?')
});
export type FilterInput = z.output<typeof filterSchema>;
/** Every filter of a set that waited was washed and oiled. */
export const filterWashedSchema = z.object({ filterId: id });

/** How a set is counted, in words: `2 clean, 1 to wash`. */
export function countInWords({ clean, dirty }: Pick<FilterSet, 'clean' | 'dirty'>): string {
  if (clean < 0 || dirty < 0) return 'more went in than were counted: count them';
  return `${clean} clean${dirty > 0 ? `, ${dirty} to wash` : ''}`;
}
