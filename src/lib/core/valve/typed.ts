import { readNumber } from '../quantity/parse';
import { MOST_CLEARANCE, impossible, spanOf, type Limits, type Measured } from './clearance';
import { bareUm, showUm, wholeUm, type ClearanceUnit } from './limits';
import { JUDGED_BY } from '../judged/by';

/** A clearance as it was typed, or what is wrong with it. `sure`: it may be taken once somebody says that it is so. */
export type TypedClearance =
  { ok: true; measured: Measured } | { ok: false; message: string; sure?: Measured };

/** No blade is thinner. µm */
const THINNEST_BLADE = 15;
const TEN_FOLD = JUDGED_BY.valves.tenFold.is;

const UNIT = /\s*(mm|in|inch|inches|"|″|thou)\s*$/iu;
const EXAMPLE = 'Such as 0.12, or 0.10–0.15: goes, does not go.';
const PER: Readonly<Record<string, number>> = { mm: 1000, in: 25_400, thou: 25.4 };
const unitOf = (word: string): string => (/^mm$/i.test(word) ? 'mm' : /^thou$/i.test(word) ? 'thou' : 'in');

/**
 * Reads a clearance as a practised hand writes it: `0.12` (one reading), `0.10-0.15` or `0.10/0.15` (this blade goes, that one
 * does not), `<0.05` (not even that blade goes), `>0.30` (that blade goes, none thicker was tried), `0.12±0.01` (a dial); with or without a unit.
 *
 * @param unit what a naked number means: as the blades are marked
 * @param limits of the valve, for slips of the decimal point; null: not known
 */
export function readClearance(typed: string, unit: ClearanceUnit, limits: Limits | null): TypedClearance {
  let text = typed
    .trim()
    .replace(/[−–—]/g, '-')
    .replace(/(\d),(\d)/g, '$1.$2');
  const word = UNIT.exec(text);
  if (word) text = text.slice(0, word.index);
  const per = PER[word ? unitOf(word[1]!) : unit]!;
  const um = (part: string): number | null => {
    // A naked inch is in the middle of a range as well: .004 in-.006 in.
    const plain = part.trim().replace(UNIT, '').trim();
    const n = plain === '' ? null : readNumber(plain);
    return n === null || n === 'two readings' ? null : wholeUm(n.value * per);
  };
  const sided = /^([<>])(.+)$/.exec(text);
  const two =
    sided || text.includes('±') || /\+\/?-/.test(text)
      ? null
      : /^(.+?)\s*(?:-|\/|\bto\b|\.\.)\s*(.+)$/.exec(text);
  const dial = /^(.+?)\s*(?:±|\+\/-|\+-)\s*(.+)$/.exec(text);
  let measured: Measured;
  if (dial) {
    const [at, by] = [um(dial[1]!), um(dial[2]!)];
    if (at === null || by === null || by > at) return { ok: false, message: EXAMPLE };
    measured = { by: 'dial', from: at - by, to: at + by };
  } else if (sided) {
    const at = um(sided[2]!);
    if (at === null) return { ok: false, message: EXAMPLE };
    measured = { by: 'blades', goes: sided[1] === '>' ? at : null, stops: sided[1] === '<' ? at : null };
  } else if (two) {
    const [goes, stops] = [um(two[1]!), um(two[2]!)];
    if (goes === null || stops === null) return { ok: false, message: EXAMPLE };
    measured = { by: 'blades', goes, stops };
  } else {
    const at = um(text);
    if (at === null) return { ok: false, message: EXAMPLE };
    measured = { by: 'reading', at };
  }
  return judgeTyped(measured, word ? (unitOf(word[1]!) === 'mm' ? 'mm' : 'in') : unit, limits);
}

/** What cannot be, and what looks like a slip: a decimal point, the other unit, the two blades the wrong way round. */
export function judgeTyped(measured: Measured, unit: ClearanceUnit, limits: Limits | null): TypedClearance {
  const odd = impossible(measured);
  if (odd?.what === 'upside down') {
    const span = spanOf(measured);
    return {
      ok: false,
      message: `The blade that does not go (${showUm(span.to, unit)}) has to be thicker than the one that goes (${showUm(span.from, unit)}).`
    };
  }
  const { from, to } = spanOf(measured);
  const most = Number.isFinite(to) ? to : from;
  const other = unit === 'mm' ? 'in' : 'mm';
  if (odd)
    return {
      ok: false,
      message: `${showUm(most, unit)} is more than any valve has (${showUm(MOST_CLEARANCE, unit)}). A decimal point, or ${other}?`
    };
  const least = from > 0 ? from : to;
  if (least > 0 && least < THINNEST_BLADE)
    return {
      ok: false,
      message: `${showUm(least, unit)} is thinner than any blade. A decimal point, or ${other}? Write the unit after it.`,
      sure: measured
    };
  if (limits && from > TEN_FOLD * limits.hi)
    return {
      ok: false,
      message: `${showUm(from, unit)} is ${Math.round(from / limits.hi)} times the upper limit of ${showUm(limits.hi, unit)}. Is the decimal point right?`,
      sure: measured
    };
  return { ok: true, measured };
}

/** A clearance in words, as it was measured: `0.10 mm goes, 0.125 mm does not`. */
export function measuredWords(m: Measured, unit: ClearanceUnit): string {
  if (m.by === 'reading') return showUm(m.at, unit);
  if (m.by === 'dial') return `${showUm(m.from, unit)} to ${showUm(m.to, unit)}`;
  if (m.goes === null && m.stops === null) return 'not measured';
  if (m.goes === null) return `not even ${showUm(m.stops!, unit)} goes`;
  return m.stops === null
    ? `${showUm(m.goes, unit)} goes`
    : `${showUm(m.goes, unit)} goes, ${showUm(m.stops, unit)} does not`;
}
/** The same as it is typed: `0.10–0.125`. */
export function measuredTyped(m: Measured, unit: ClearanceUnit): string {
  const bare = (um: number) => bareUm(um, unit);
  if (m.by === 'reading') return bare(m.at);
  if (m.by === 'dial')
    return `${bare(Math.round((m.from + m.to) / 2))}±${bare(Math.round((m.to - m.from) / 2))}`;
  if (m.goes === null) return m.stops === null ? '' : `<${bare(m.stops)}`;
  return m.stops === null ? `>${bare(m.goes)}` : `${bare(m.goes)}–${bare(m.stops)}`;
}
