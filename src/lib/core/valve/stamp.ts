import { parseQuantity, readNumber } from '../quantity/parse';
import { showUm, toUm, wholeUm, type ClearanceUnit } from './limits';
import { stamped, type Series } from './shim';

/** No valve shim of any engine is thinner or thicker. µm */
export const THINNEST_SHIM = 500;
export const THICKEST_SHIM = 6000;
/** Sizes are made in steps as fine as this where nobody said how they are made: it has the coarser ones in it. µm */
export const USUAL_STEP = 25;

export type TypedSize = { ok: true; um: number } | { ok: false; message: string };

/** What is out of reach of any shim, or of the series of this head. µm */
export function oddSize(um: number, series: Series | null): string | null {
  if (um < THINNEST_SHIM || um > THICKEST_SHIM)
    return `${showUm(um)} is no shim: they are ${showUm(THINNEST_SHIM)} to ${showUm(THICKEST_SHIM)} thick.`;
  // A worn or a ground one may lie just outside.
  if (series && (um < series.thinnest - 2 * series.step || um > series.thickest + 2 * series.step))
    return `${showUm(um)} is not made for it: ${showUm(series.thinnest)} to ${showUm(series.thickest)}.`;
  return null;
}

/**
 * Reads what is stamped on a shim: `185` (hundredths of a millimetre), `1.85`, `232` for 2.325 in steps of 0.025, `2.325`.
 * @returns its thickness as made, µm
 */
export function readStamp(typed: string, series: Series | null): TypedSize {
  const text = typed
    .trim()
    .replace(',', '.')
    .replace(/\s*mm$/i, '');
  const n = /^\d+(\.\d+)?$/.test(text) ? Number(text) : Number.NaN;
  if (!Number.isFinite(n)) return { ok: false, message: 'As it is stamped, such as 185 or 1.85.' };
  const places = text.split('.')[1]?.length ?? 0;
  const step = series?.step ?? USUAL_STEP;
  // With three decimals nothing is rounded any more.
  const um = places >= 3 ? Math.round(n * 1000) : stamped(Math.round(n >= 20 ? n : n * 100), step);
  const odd = oddSize(um, series);
  return odd ? { ok: false, message: odd } : { ok: true, um };
}

/** Reads a micrometer: `1.842`, `1.842 mm`, `.0725 in`. */
export function readMicrometer(typed: string, series: Series | null): TypedSize {
  const parsed = parseQuantity(typed, { dimension: 'length', unit: 'mm' });
  if (!parsed.ok)
    return {
      ok: false,
      message: parsed.problem.kind === 'empty' ? 'Such as 1.842.' : parsed.problem.message
    };
  const um = toUm(parsed.quantity);
  const odd = oddSize(um, series);
  return odd ? { ok: false, message: odd } : { ok: true, um };
}

/** A stamp as it stands on the shim: 1.85 mm is 185, and 2.325 mm in steps of 0.025 is 232. */
export const stampOf = (um: number): string => String(Math.floor(um / 10));

/** µm, thinnest first, and how they are marked. */
export type TypedBlades = { ok: true; um: number[]; unit: ClearanceUnit } | { ok: false; message: string };
const BLADES_EXAMPLE = 'Such as 0.05 to 0.20 by 0.01, 0.25, 0.30 mm; or .002 .003 .004 in.';
const MOST_BLADES = 120;
const ROW = /([\d.]+)\s*(?:-|to)\s*([\d.]+)\s*by\s*([\d.]+)/gi;
/** No blade is thinner or thicker. µm */
const BLADE_FROM = 10;
const BLADE_TO = 2000;

/** Reads the blades of a set: one after another, or from the thinnest to the thickest by a step, in millimetres or inches. */
export function readBlades(typed: string): TypedBlades {
  const text = typed
    .trim()
    .replace(/[−–—]/g, '-')
    .replace(/(\d),(\d)/g, '$1.$2');
  const unit = /\s*(mm|in|inch|inches|"|″)\s*$/iu.exec(text);
  const per = unit && !/^mm$/i.test(unit[1]!) ? 25_400 : 1000;
  const plain = unit ? text.slice(0, unit.index) : text;
  const um = new Set<number>();
  const number = (part: string) => {
    const n = readNumber(part.trim());
    return n === null || n === 'two readings' ? null : n.value;
  };
  // First the rows, then what stands by itself.
  let alone = plain;
  for (const [whole, from, to, by] of plain.matchAll(ROW)) {
    const [first, last, step] = [number(from!), number(to!), number(by!)];
    if (first === null || last === null || step === null || step <= 0 || last < first)
      return { ok: false, message: BLADES_EXAMPLE };
    const count = Math.round((last - first) / step);
    if (count > MOST_BLADES) return { ok: false, message: `At most ${MOST_BLADES} blades.` };
    for (let i = 0; i <= count; i++) um.add(wholeUm((first + i * step) * per));
    alone = alone.replace(whole, ' ');
  }
  for (const part of alone.split(/[\s,;]+/).filter(Boolean)) {
    const one = number(part);
    if (one === null) return { ok: false, message: BLADES_EXAMPLE };
    um.add(wholeUm(one * per));
  }
  const list = [...um].sort((a, b) => a - b);
  if (list.length === 0) return { ok: false, message: BLADES_EXAMPLE };
  if (list.length > MOST_BLADES) return { ok: false, message: `At most ${MOST_BLADES} blades.` };
  const odd = list.find((b) => b < BLADE_FROM || b > BLADE_TO);
  if (odd !== undefined) {
    const other = per === 1000 ? 'in' : 'mm';
    return {
      ok: false,
      message: `${showUm(odd, per === 1000 ? 'mm' : 'in')} is no blade. A decimal point, or ${other}?`
    };
  }
  return { ok: true, um: list, unit: per === 1000 ? 'mm' : 'in' };
}
