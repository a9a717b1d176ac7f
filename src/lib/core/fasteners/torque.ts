import { judge, lowerEnd, onlyOne, showBand, type Band } from '../quantity/band';
import { show, type Quantity } from '../quantity/quantity';
import { JUDGED_BY } from '../judged/by';

/** Of a single value; a range is its own tolerance. */
const TOLERANCE = JUDGED_BY.bolts.setWithin.is;

/** What may have been mistaken for what, by the ratio of the two. */
export type TorqueSlip =
  'lbf·ft taken for N·m' | 'lbf·in taken for N·m' | 'lbf·in taken for lbf·ft' | 'a ten-fold slip';
const SLIPS: readonly (readonly [number, TorqueSlip])[] = [
  [1.3558, 'lbf·ft taken for N·m'],
  [8.8507, 'lbf·in taken for N·m'],
  [12, 'lbf·in taken for lbf·ft'],
  [10, 'a ten-fold slip']
];
/** A value that is not the sheet's. */
export interface OddTorque {
  spec: Band;
  set: Quantity;
  more: boolean;
  slip: TorqueSlip | null;
}

/**
 * What is odd about the value a wrench was set to, against the sheet; null when nothing is, or the sheet has none.
 * A ratio near that of two units (lbf·ft or lbf·in for N·m) or a factor of ten is named as the likely slip.
 */
export function oddTorque(set: Quantity, spec: Band | null): OddTorque | null {
  if (!spec || judge(set, spec) !== 'outside') return null;
  // Against the end that is nearer.
  const end = spec.to && (!spec.from || set.base > spec.from.base) ? spec.to : lowerEnd(spec);
  const ratio = set.base / end.base;
  if (onlyOne(spec) && Math.abs(ratio - 1) <= TOLERANCE) return null;
  const near = (r: number) => Math.abs(ratio / r - 1) < 0.05;
  const slip = SLIPS.find(([r]) => near(r) || near(1 / r));
  return { spec, set, more: ratio > 1, slip: slip ? slip[1] : null };
}

/** A value a wrench was set to that is not the sheet's. */
export const oddTorqueInWords = ({ spec, set, more, slip }: OddTorque): string =>
  `The sheet says ${showBand(spec)}; ${show(set)} is ${more ? 'more' : 'less'}${slip ? `: ${slip}?` : '.'}`;
