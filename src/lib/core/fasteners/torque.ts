import { judge, lowerEnd, onlyOne, showBand, type Band } from '../quantity/band';
import { show, type Quantity } from '../quantity/quantity';

/** A click wrench is good to about ±4 %; a value set by hand to the nearest mark lies within a tenth. A range is its own tolerance. */
const TOLERANCE = 0.1;

/**
 * What is odd about the value a wrench was set to, against the sheet; null when nothing is, or the sheet has none.
 * A ratio near that of two units (lbf·ft or lbf·in for N·m) or a factor of ten is named as the likely slip.
 */
export function oddTorque(set: Quantity, spec: Band | null): string | null {
  if (!spec || judge(set, spec) !== 'outside') return null;
  // Against the end that is nearer.
  const end = spec.to && (!spec.from || set.base > spec.from.base) ? spec.to : lowerEnd(spec);
  const ratio = set.base / end.base;
  if (onlyOne(spec) && Math.abs(ratio - 1) <= TOLERANCE) return null;
  const near = (r: number) => Math.abs(ratio / r - 1) < 0.05;
  const slip =
    near(1.3558) || near(1 / 1.3558)
      ? 'lbf·ft taken for N·m'
      : near(8.8507) || near(1 / 8.8507)
        ? 'lbf·in taken for N·m'
        : near(12) || near(1 / 12)
          ? 'lbf·in taken for lbf·ft'
          : near(10) || near(0.1)
            ? 'a ten-fold slip'
            : null;
  return `The sheet says ${showBand(spec)}; ${show(set)} is ${ratio > 1 ? 'more' : 'less'}${slip ? `: ${slip}?` : '.'}`;
}
