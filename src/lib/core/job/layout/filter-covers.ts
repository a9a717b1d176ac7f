import type { Fastener, Sheet } from '../../specs/sheet';

/** A row of the sheet that is a bolt, and no cover by itself. */
const BOLT = /\b(bolt|screw)s?\b/i;

/**
 * The cover a fastener holds: bolts that differ in length stand in rows of their own, and still hold one cover with one filter
 * behind it.
 * @returns the row that stands for the cover; a fastener of another role is its own
 */
export function coverOf(f: Fastener, { fasteners }: Pick<Sheet, 'fasteners'>): Fastener {
  if (f.role !== 'filter cover' || !BOLT.test(f.name)) return f;
  const all = fasteners.filter((x) => x.role === f.role && x.circuit === f.circuit);
  return all.find((x) => !BOLT.test(x.name)) ?? all[0] ?? f;
}

/** All rows that are undone to get a cover off, itself first. */
export const heldBy = (cover: Fastener, sheet: Pick<Sheet, 'fasteners'>): Fastener[] => [
  cover,
  ...sheet.fasteners.filter((x) => x.id !== cover.id && coverOf(x, sheet).id === cover.id)
];
