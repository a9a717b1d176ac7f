import { otherUnit, show } from '$lib/core/quantity/quantity';
import { showRange } from '$lib/core/quantity/range';
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
  const q = f.quantity;
  if (!q) return { main: f.text ?? '', other: null };
  const other = otherUnit(q);
  const range = { from: q, to: f.to };
  return {
    main: f.to ? showRange(range) : show(q),
    other: other === q.unit ? null : f.to ? showRange(range, other) : show(q, other)
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
