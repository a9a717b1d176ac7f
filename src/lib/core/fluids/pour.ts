import { JUDGED_BY, lineOf } from '../judged/by';
import type { LevelMethod } from '../specs/sheet';

const BY = JUDGED_BY.oil;

/**
 * The pouring plan of an oil change. Volumes in millilitres.
 */
export interface PouringPlan {
  /** What goes in first. */
  firstMl: number;
  /** What is kept for after the level has been read. */
  heldBackMl: number;
}

/**
 * First pour = quantity − hold-back.
 * @param quantityMl what the sheet says goes in
 * @param holdBackPercent house rule, 0 to 50
 * @throws RangeError outside those
 */
export function pouringPlan(quantityMl: number, holdBackPercent: number): PouringPlan {
  if (!(quantityMl > 0)) throw new RangeError(`no such quantity: ${quantityMl} ml`);
  if (!(holdBackPercent >= 0 && holdBackPercent <= 50))
    throw new RangeError(`no such hold-back: ${holdBackPercent} %`);
  if (holdBackPercent === 0) return { firstMl: quantityMl, heldBackMl: 0 };
  // A measuring jug has marks every 10 ml.
  const firstMl = Math.round((quantityMl * (1 - holdBackPercent / 100)) / 10) * 10;
  return { firstMl, heldBackMl: Math.max(0, quantityMl - firstMl) };
}

/**
 * What goes in next of a circuit's oil, and what is kept back of it for after the level has been read; null where the sheet says no
 * quantity. What the filter took is of the first pour: it leaves the hold-back alone.
 * @param inMl what is in it by now
 */
export function nextPour(
  fill: { quantityMl: number | null; firstMl: number | null; heldBackMl: number | null },
  inMl: number
): { ml: number; heldBackMl: number } | null {
  if (fill.quantityMl === null) return null;
  const first = fill.firstMl ?? fill.quantityMl;
  return inMl < first * BY.asPoured.is
    ? { ml: first - inMl, heldBackMl: fill.heldBackMl ?? 0 }
    : { ml: Math.max(0, fill.quantityMl - inMl), heldBackMl: 0 };
}

/**
 * What is odd about the total poured against what the sheet says; null when nothing is.
 * Of a range, less than its lower end and more than its upper. Far too little means a drain that was not opened, more than there can be means the wrong circuit (handbook, section 5).
 */
export function oddTotal(pouredMl: number, quantityMl: number, mostMl: number = quantityMl): string | null {
  if (pouredMl < quantityMl * (1 - BY.oddFill.is))
    return `${Math.round(quantityMl - pouredMl)} ml less than the sheet says went in. Was every drain opened? ${lineOf(BY.oddFill)}`;
  if (pouredMl > mostMl * (1 + BY.oddFill.is))
    return `${Math.round(pouredMl - mostMl)} ml more than the sheet says went in. Is it the right circuit, and the right unit? ${lineOf(BY.oddFill)}`;
  return null;
}

/**
 * What is wrong with what was poured into a circuit that was drained, in words; null where it fits. A level that was read explains a
 * tenth, or as much as lies between its marks: some oil stays in an engine. Where none is read there is only the jug.
 * @param sheet what the sheet says goes in, from and to, ml
 * @param read how the level was read, and ml between its marks where they are known
 */
export function totalOutside(
  inMl: number,
  [fromMl, toMl]: readonly [number, number],
  read: { circuit: string; method: LevelMethod | null; betweenMl: number | null }
): string | null {
  const byLevel = read.method !== null && read.method !== 'measured quantity only';
  const explained = (ml: number) =>
    byLevel
      ? Math.max(ml * BY.oddFill.is, read.betweenMl ?? 0)
      : Math.max(ml * BY.jugFraction.is, BY.jugMark.is);
  const range =
    toMl === Infinity
      ? `at least ${round(fromMl)}`
      : fromMl === toMl
        ? `${round(fromMl)}`
        : `${round(fromMl)} to ${round(toMl)}`;
  if (inMl < fromMl - explained(fromMl))
    return `${round(inMl)} ml of the ${range} ml of ${read.circuit} oil are in it: pour the rest, or say why it stays so.`;
  return inMl > toMl + explained(toMl)
    ? `${round(inMl)} ml are in it, and the ${read.circuit} takes ${range} ml: let the rest out, or say why it stays so.`
    : null;
}
const round = (ml: number) => Math.round(ml);

/**
 * What is odd about what came out against what went in at the last change; null when nothing is, or nothing is known.
 * @param inFilterMl of it, what a dry filter took
 */
export function oddDrain(drainedMl: number, pouredLastTimeMl: number | null, inFilterMl = 0): string | null {
  if (pouredLastTimeMl === null) return null;
  const insideMl = pouredLastTimeMl - inFilterMl;
  if (drainedMl < insideMl * BY.littleOut.is)
    return `${Math.round(insideMl - drainedMl)} ml less came out than went in last time: burnt, leaked, or a drain still shut. ${lineOf(BY.littleOut)}`;
  if (drainedMl > pouredLastTimeMl * BY.muchOut.is)
    return `${Math.round(drainedMl - pouredLastTimeMl)} ml more came out than went in last time: look for fuel or water in it. ${lineOf(BY.muchOut)}`;
  return null;
}
