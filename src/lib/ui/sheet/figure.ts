import { lowerEnd, showBand } from '$lib/core/quantity/band';
import { otherUnit } from '$lib/core/quantity/quantity';
import type { Figure } from '$lib/core/specs/sheet';

/** A figure as a sheet lists it. */
export interface SheetFigure extends Figure {
  superseded: boolean;
  by: string;
  copiedFrom: string | null;
  /** Modifications since which nobody has looked at it again. */
  doubts: { id: string; what: string; day: string }[];
}

/** A sheet shows what is printed, and the other unit beside it, whatever the device prefers. */
export function bothUnits(f: Figure): { main: string; other: string | null } {
  if (!f.band) return { main: f.text ?? '', other: null };
  const other = otherUnit(lowerEnd(f.band));
  return {
    main: showBand(f.band),
    other: other === lowerEnd(f.band).unit ? null : showBand(f.band, other)
  };
}

/** Where a figure comes from, in one line. */
export const sourceLine = (f: SheetFigure): string =>
  [
    f.copiedFrom ? `copied from ${f.copiedFrom}` : '',
    f.source,
    f.page && `p. ${f.page}`,
    f.confidence,
    f.variant && `for ${f.variant}`
  ]
    .filter(Boolean)
    .join(' · ');
