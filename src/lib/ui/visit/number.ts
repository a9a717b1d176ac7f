import type { SheetNumber } from '$lib/core/job/plan';
import { lowerEnd, showBand } from '$lib/core/quantity/band';
import { otherUnit } from '$lib/core/quantity/quantity';
import { UNITS } from '$lib/core/quantity/units';

/**
 * A figure of the sheet as the bench shows it: large in the device's own units, small in the other, both ends of it; the
 * manual's words where it gives no number. Null: unknown.
 */
export function inBothUnits(
  n: Pick<SheetNumber, 'band' | 'words'>,
  prefer: 'metric' | 'imperial'
): { main: string; other: string } | null {
  if (!n.band) return n.words === null ? null : { main: n.words, other: '' };
  const q = lowerEnd(n.band);
  const other = otherUnit(q);
  const { system } = UNITS[q.unit];
  if (other === q.unit) return { main: showBand(n.band), other: '' };
  return system === prefer || system === 'both'
    ? { main: showBand(n.band), other: showBand(n.band, other) }
    : { main: showBand(n.band, other), other: showBand(n.band) };
}
