import { foundInWords } from '../fasteners/found';
import type { Severity } from '../finding/finding';
import { judge, lowerEnd, showBand, upperEnd, type Band } from '../quantity/band';
import { parseQuantity } from '../quantity/parse';
import { fromBase, show, type Quantity } from '../quantity/quantity';
import { UNIT_NAMES, UNITS, USUAL_UNIT, type UnitName } from '../quantity/units';
import { figureKind } from '../specs/kinds';
import { HELD, type Check, type Held, type Measure, type TorqueHeld } from './check';

/** What is said of a check. `none`: this machine has no such thing. `passed over`: not looked at this time, and why. */
export const SAIDS = ['well', 'wrong', 'none', 'passed over'] as const;
export type Said = (typeof SAIDS)[number];

/** A check answered once. Answers are only ever added: the latest of a check counts. */
export interface Answer {
  check: string;
  said: Said;
  /** What the gauge showed, and what it was set to; null: not read, not set. */
  found: Quantity | null;
  set: Quantity | null;
  choice: string | null;
  /** How often it was pumped, and whether it had been dry. */
  count: number | null;
  dry: boolean;
  /** How grave, where it is wrong. */
  severity: Severity | null;
  note: string;
}

/** The same as fields hold it. */
export interface TypedAnswer {
  check: string;
  said: Said;
  found: string;
  set: string;
  choice: string;
  count: string;
  dry: boolean;
  severity: Severity | null;
  note: string;
}
export const untyped = (check: string, said: Said = 'well'): TypedAnswer => ({
  check,
  said,
  found: '',
  set: '',
  choice: '',
  count: '',
  dry: false,
  severity: null,
  note: ''
});

/** The unit a naked number of a check is in: the sheet's own, or the usual one. */
export const unitOf = (check: Measure, band: Band | null): UnitName =>
  band ? lowerEnd(band).unit : check.unit;

/**
 * The unit a gauge is offered to be read in: the sheet's own; else what it was read in last, or what this team reads in.
 *
 * @param last what it was set to last; null: nobody knows
 */
export function unitShown(
  check: Measure,
  band: Band | null,
  last: Quantity | null,
  system: 'metric' | 'imperial'
): UnitName {
  if (band) return unitOf(check, band);
  return last?.unit ?? (system === 'metric' ? check.unit : USUAL_UNIT[UNITS[check.unit].dimension].imperial);
}

const hasUnit = (text: string) => /[^\d\s.,+\-/]/u.test(text);

/** A number as it is sent: with the unit it was offered to be read in, where that is not the one a naked number has anyway. */
export const withUnit = (text: string, unit: UnitName, naked: UnitName): string =>
  unit === naked || text.trim() === '' || hasUnit(text) ? text : `${text.trim()} ${unit}`;

/**
 * A number in the wrong unit: as it stands it is far from the band, in another unit of the same dimension it lies in it. Null:
 * nothing of the kind.
 */
export function unitSlip(text: string, read: Quantity, band: Band | null): string | null {
  if (!band || hasUnit(text) || judge(read, band) !== 'outside') return null;
  for (const unit of UNIT_NAMES) {
    if (unit === read.unit || UNITS[unit].dimension !== read.dimension) continue;
    const other = fromBase(read.value * UNITS[unit].factor, unit);
    // Tenths off it are a tyre that lost air; a unit is seven times off or more.
    const far = Math.max(read.base / (other.base || 1), other.base / (read.base || 1)) > 3;
    if (far && judge(other, band) !== 'outside')
      return `${show(read)}? ${show(other)} would be within ${showBand(band)}. Write the unit.`;
  }
  return null;
}

type Read<T> = { ok: true; value: T } | { ok: false; message: string };
/** A gauge’s number. What was found may be nothing at all; what is set may not. */
function readNumber(text: string, check: Measure, band: Band | null, mayBeNought: boolean): Read<Quantity> {
  const kind = figureKind(check.figure);
  const parsed = parseQuantity(text, { dimension: kind.dimension!, unit: unitOf(check, band) });
  if (!parsed.ok) return { ok: false, message: parsed.problem.message };
  const q = parsed.quantity;
  const slip = unitSlip(text, q, band);
  if (slip) return { ok: false, message: slip };
  const [least, most] = kind.plausible ?? [0, Infinity];
  if (q.base > most)
    return { ok: false, message: `${show(q)} is more than there can be. Is it the right unit?` };
  // Flat is nothing at all; a little is believed where its unit was written.
  if (q.base < least && !(mayBeNought && (q.base === 0 || (q.base > 0 && hasUnit(text)))))
    return { ok: false, message: `${show(q)} is less than there can be. Write the unit if it is another.` };
  return { ok: true, value: q };
}

/**
 * Reads what was typed at a check.
 *
 * @param band what the sheet says of it; null: it says nothing
 * @returns the answer, or what is wrong by field, in words that say what would be taken
 */
export function readAnswer(
  check: Check,
  band: Band | null,
  typed: TypedAnswer
): { ok: true; answer: Answer } | { ok: false; errors: Record<string, string> } {
  const errors: Record<string, string> = {};
  const note = typed.note.trim();
  const answer: Answer = {
    check: check.key,
    said: typed.said,
    found: null,
    set: null,
    choice: null,
    count: null,
    dry: false,
    severity: typed.said === 'wrong' ? (typed.severity ?? check.severity) : null,
    note
  };
  if (typed.said === 'passed over' && note === '') errors['note'] = 'Say why, in a few words.';
  if (typed.said === 'none' || typed.said === 'passed over')
    return Object.keys(errors).length > 0 ? { ok: false, errors } : { ok: true, answer };
  if (typed.said === 'wrong' && isUnasked(check, typed)) {
    // Something else is wrong with it than what is asked for: said in words it needs no number.
    if (note === '') errors['note'] = 'Say what is wrong, in a few words.';
    return note === '' ? { ok: false, errors } : { ok: true, answer };
  }
  if (check.how === 'measure') {
    for (const field of ['found', 'set'] as const) {
      const text = typed[field].trim();
      if (text === '') continue;
      if (field === 'set' && !check.sets) continue;
      const read = readNumber(text, check, band, field === 'found');
      if (read.ok) answer[field] = read.value;
      else errors[field] = read.message;
    }
    // In spec without a reading does not pass (handbook, section 4).
    if (typed.found.trim() === '') errors['found'] = 'A pass needs its number: what does the gauge show?';
  }
  if (check.how === 'choose') {
    const choice = check.choices.find((c) => c.word === typed.choice);
    if (!choice) errors['choice'] = `One of: ${check.choices.map((c) => c.word).join(', ')}.`;
    else {
      answer.choice = choice.word;
      answer.said = choice.wrong === null ? 'well' : 'wrong';
      answer.severity = choice.wrong === null ? null : (typed.severity ?? choice.wrong);
    }
  }
  if (check.how === 'torque') {
    const held = HELD.find((h) => h === typed.choice);
    if (!held) errors['choice'] = `One of: ${HELD.join(', ')}.`;
    else {
      answer.choice = held;
      answer.said = held === 'held' ? 'well' : 'wrong';
      answer.severity = held === 'held' ? null : (typed.severity ?? heldSeverity(check, held));
    }
  }
  if (check.how === 'count') {
    const n = Number(typed.count.trim());
    if (!/^\d{1,4}$/.test(typed.count.trim()))
      errors['count'] = 'How many pumps until fresh grease showed, such as 6.';
    else if (n > check.most)
      errors['count'] =
        `More than ${check.most} pumps go nowhere: a fitting or seal is broken. Say that it is wrong, and what you saw.`;
    else answer.count = n;
    answer.dry = typed.dry;
    if (typed.dry) {
      answer.said = 'wrong';
      answer.severity = typed.severity ?? check.severity;
    }
  }
  return Object.keys(errors).length > 0 ? { ok: false, errors } : { ok: true, answer };
}

/** Nothing of what a check asks for was given. */
const isUnasked = (check: Check, t: TypedAnswer): boolean =>
  (check.how === 'measure' && t.found.trim() === '') ||
  (check.how === 'choose' && t.choice === '') ||
  (check.how === 'count' && t.count.trim() === '' && !t.dry);

/** What an answer comes to. */
export interface Judged {
  well: boolean;
  /** In words: `90 kPa`, `found 60 kPa, set to 90 kPa`, `torn or unseated`. */
  words: string;
  /** `closed`: it was put right on the spot, with what; it stays in the book as found. */
  finding: { what: string; severity: Severity; note: string; closed: string | null } | null;
}

/** Loose once it is tightened and watched; loose again, the same torque once more is not the answer (handbook, section 7). */
const heldSeverity = (check: TorqueHeld, held: Held): Severity =>
  held === 'loose' && check.looseBefore > 0 ? 'fix now' : 'watch';

function judgeHeld(check: TorqueHeld, a: Answer, band: Band | null): Judged {
  const to = band ? showBand(band) : (check.words ?? 'its number unknown');
  if (a.choice === 'held') return { well: true, words: `held, ${to}`, finding: null };
  const far = a.note ? `${a.choice}: ${a.note}` : (a.choice ?? '');
  const again = a.choice === 'loose' && check.looseBefore > 0;
  return {
    well: false,
    words: far,
    finding: {
      what: foundInWords(check.title, a.choice ?? '', again),
      severity: a.severity ?? heldSeverity(check, a.choice as Held),
      note: a.note,
      // What moved or was loose is at its number once the wrench has clicked.
      closed: again || a.choice === 'over-tight' ? null : `Tightened in the round: ${to}.`
    }
  };
}

function judgeNumber(check: Measure, a: Answer, band: Band | null): Judged {
  const now = a.set ?? a.found!;
  const words =
    a.set && a.found && a.set.base !== a.found.base
      ? `found ${show(a.found)}, set to ${show(a.set)}`
      : show(now);
  const outside = band !== null && judge(now, band) === 'outside';
  const noted = a.note ? `${words}: ${a.note}` : words;
  // Outside of what the maker prints, on purpose: the reason stands with it.
  if (a.said === 'well' && (!outside || a.note)) return { well: true, words: noted, finding: null };
  const side = !band ? '' : now.base < lowerEnd(band).base ? ', too little' : ', too much';
  return {
    well: false,
    words: noted,
    finding: {
      what: `${check.wrong}: ${show(now)}${outside ? `${side}, ${showBand(band)} is wanted` : ''}`,
      severity: a.severity ?? check.severity,
      note: a.note,
      closed: null
    }
  };
}

/**
 * Judges an answer by the sheet's band. A number outside it is a finding, unless it was set so for a reason that is said.
 */
export function judgeAnswer(check: Check, a: Answer, band: Band | null): Judged {
  if (a.said === 'none') return { well: true, words: 'has none', finding: null };
  if (a.said === 'passed over') return { well: true, words: `passed over: ${a.note}`, finding: null };
  if (check.how === 'measure' && a.found) return judgeNumber(check, a, band);
  if (check.how === 'torque') return judgeHeld(check, a, band);
  const pumps = a.count === null ? '' : `${a.count} ${a.count === 1 ? 'pump' : 'pumps'}`;
  const given = check.how === 'choose' ? (a.choice ?? '') : pumps && a.dry ? `${pumps}, it was dry` : pumps;
  const said = given || (a.said === 'well' ? 'as it should be' : 'wrong');
  const words = a.note ? `${said}: ${a.note}` : said;
  if (a.said === 'well') return { well: true, words, finding: null };
  // Where nothing else tells what is wrong, the note does.
  const more = given || a.note;
  return {
    well: false,
    words,
    finding: {
      what: (more ? `${check.wrong}: ${more}` : check.wrong).slice(0, 200),
      severity: a.severity ?? check.severity,
      note: more === a.note ? '' : a.note,
      closed: null
    }
  };
}

/** Readings to tap: steps of the gauge from just below the band to just above it, and what it was set to last. */
export function likelyReadings(check: Measure, band: Band | null, last: Quantity | null): Quantity[] {
  const unit = band ? unitOf(check, band) : (last?.unit ?? check.unit);
  const { factor } = UNITS[unit];
  const from = band ? lowerEnd(band).base / factor : last ? last.base / factor : null;
  if (from === null) return [];
  const to = band ? upperEnd(band).base / factor : from;
  // A gauge in pounds has finer steps than one in kilopascals.
  const step = unit === check.unit ? check.step : niceStep((check.step * UNITS[check.unit].factor) / factor);
  const first = Math.max(0, Math.floor(from / step + 1e-9) - (to - from < 2 * step ? 1 : 0));
  const count = Math.min(7, Math.ceil(to / step - 1e-9) + (to - from < 2 * step ? 1 : 0) - first + 1);
  return Array.from({ length: count }, (_, i) => fromBase(round((first + i) * step) * factor, unit)).map(
    (q) => ({
      ...q,
      value: round(q.value)
    })
  );
}
const round = (n: number) => Number(n.toFixed(6));
/** The nearest of 1, 2 and 5, and their tens and tenths. */
function niceStep(step: number): number {
  const ten = 10 ** Math.floor(Math.log10(step));
  return [1, 2, 5, 10]
    .map((n) => n * ten)
    .reduce((a, b) => (Math.abs(b - step) < Math.abs(a - step) ? b : a));
}
