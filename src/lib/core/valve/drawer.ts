import { z } from 'zod';
import { bad, id } from '../forms';
import { acrossTyped, known } from './shim-typed';
import { readMicrometer, readStamp } from './stamp';

/** What came into the drawer or went out of it, or what lies there by a look. */
export type CountNote = { what: 'more' | 'less' | 'is'; count: number };
const MOST = 500;

/** Reads `+2`, `-1`, or `3`: that many lie there. */
export function readCount(typed: string): CountNote | null {
  const m = /^([+-]?)\s*(\d{1,4})$/.exec(typed.trim().replace(/[−–]/g, '-'));
  if (!m || Number(m[2]) > MOST) return null;
  const count = Number(m[2]);
  if (m[1] === '') return { what: 'is', count };
  return count === 0 ? null : { what: m[1] === '+' ? 'more' : 'less', count };
}

/** By how many a count changes. Null: by the book there are not so many. */
export function changeBy(note: CountNote, there: number): number | null {
  if (note.what === 'is') return note.count - there;
  if (note.what === 'more') return note.count;
  return note.count > there ? null : -note.count;
}

/** What lies there of a size, and how many of the size as stamped are to lie there at least; 0: nobody said. All µm. */
export interface SizeThere {
  across: number;
  stamp: number | null;
  measured: number | null;
  count: number;
  least: number;
}

/** Sizes of which too few lie there, whatever their micrometer says, with how many are missing. */
export function toOrder(sizes: readonly SizeThere[]): { across: number; stamp: number; missing: number }[] {
  const wanted = sizes.filter((s) => s.stamp !== null && s.least > 0);
  return wanted.flatMap(({ across, stamp, least }, i) => {
    const same = (s: SizeThere) => s.across === across && s.stamp === stamp;
    if (wanted.findIndex(same) !== i) return [];
    const there = sizes.filter(same).reduce((n, s) => n + Math.max(0, s.count), 0);
    return there < least ? [{ across, stamp: stamp!, missing: least - there }] : [];
  });
}

const sized = (read: typeof readStamp) =>
  z
    .string()
    .trim()
    .max(20, 'At most 20 characters.')
    .default('')
    .transform((text, ctx): number | null => {
      if (text === '') return null;
      const size = read(text, null);
      return size.ok ? size.um : bad(ctx, size.message);
    });
const countTyped = z
  .string({ error: 'Such as +2, −1, or 3.' })
  .max(20, 'At most 20 characters.')
  .transform((text, ctx): CountNote => readCount(text) ?? bad(ctx, `Such as +2, −1, or 3: at most ${MOST}.`));

const row = {
  /** How far across, mm; empty: nobody says. */
  across: acrossTyped.transform((um) => um ?? 0),
  stamp: sized(readStamp),
  measured: sized(readMicrometer),
  now: countTyped
};
/** Shims counted: one size. */
export const drawerSchema = z
  .object({ id, ...row, why: z.string().trim().max(200, 'At most 200 characters.').default('') })
  .superRefine(known);
export type DrawerInput = z.infer<typeof drawerSchema>;

/** A whole list, as from a file: what lies there, size by size. */
export const drawerPasteSchema = z.object({
  id,
  rows: z
    .array(z.object(row).superRefine(known))
    .min(1, 'There is no row in it.')
    .max(400, 'At most 400 rows.')
});
export type DrawerPasteInput = z.infer<typeof drawerPasteSchema>;

/** How many of a size are to lie there at least; 0: none. */
export const levelSchema = z.object({
  across: z.number().int().min(0).max(40_000),
  stamp: z.number().int().min(500).max(6000),
  least: z.number().int().min(0, 'Not below zero.').max(100, 'At most 100.')
});
