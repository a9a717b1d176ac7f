import { lowerEnd, type Band } from '../quantity/band';
import type { FigureKind } from './kinds';

/** Why a figure looks like a slip of a digit or of a unit; null when it is plausible. Bounds in base units. */
export function implausible(kind: FigureKind, band: Band): string | null {
  if (!kind.plausible) return null;
  const [lo, hi] = kind.plausible;
  if (lowerEnd(band).base < lo)
    return `That is very little for “${kind.label.toLowerCase()}”. Is it the right unit?`;
  if ((band.to ?? lowerEnd(band)).base > hi)
    return `That is very much for “${kind.label.toLowerCase()}”. Is it the right unit?`;
  return null;
}
