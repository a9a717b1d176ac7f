import type { Severity } from '../finding/finding';
import { brakeFluidStop } from '../fluids/brake-fluid';
import type { Band } from '../quantity/band';
import type { Quantity } from '../quantity/quantity';
import { gaugeOf, HELD, type Check } from './check';
import { readNumber } from './gauge';
import { gravest, heldSeverity, isShort, shortOf } from './grave';

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
  /** That the number was read off by itself; null: it was typed or tapped. */
  instrument: string | null;
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
  instrument: string;
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
  note: '',
  instrument: ''
});

/**
 * Reads what was typed at a check.
 *
 * @param band what the sheet says of it; null: it says nothing
 * @param shows what the sheet says in words, where the check shows that; null: nothing
 * @returns the answer, or what is wrong by field, in words that say what would be taken
 */
export function readAnswer(
  check: Check,
  band: Band | null,
  typed: TypedAnswer,
  shows: string | null = null
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
    note,
    instrument: null
  };
  const stop = check.how !== 'torque' && check.shows === 'brake fluid' ? brakeFluidStop(note, shows) : null;
  // A brake with the wrong fluid in it fails; nothing is well while nobody knows which is right.
  if (stop && typed.said === 'well') errors['note'] = stop;
  if (stop && typed.said === 'wrong' && shows !== null) answer.severity = 'park the machine';
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
  const gauge = gaugeOf(check);
  if (check.how !== 'measure' && gauge && typed.found.trim() !== '') {
    const read = readNumber(typed.found, gauge, band, false);
    if (read.ok) answer.found = read.value;
    else errors['found'] = read.message;
  }
  if (check.how === 'look' && isShort(answer, band)) {
    answer.said = 'wrong';
    answer.severity ??= typed.severity ?? shortOf(check, gauge);
  }
  if (check.how === 'choose') {
    const choice = check.choices.find((c) => c.word === typed.choice);
    // Its number alone tells, where there is something to hold it against.
    if (!choice && typed.choice === '' && answer.found && band) {
      const short = isShort(answer, band);
      answer.said = short ? 'wrong' : 'well';
      answer.severity = short ? (typed.severity ?? shortOf(check, gauge)) : null;
    } else if (!choice) {
      if (!errors['found']) errors['choice'] = `One of: ${check.choices.map((c) => c.word).join(', ')}.`;
    } else {
      const short = isShort(answer, band);
      answer.choice = choice.word;
      answer.said = choice.wrong === null && !short ? 'well' : 'wrong';
      answer.severity =
        answer.said === 'well'
          ? null
          : (typed.severity ?? gravest(choice.wrong, short ? shortOf(check, gauge) : null));
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
  if (answer.found) answer.instrument = typed.instrument.trim() || null;
  return Object.keys(errors).length > 0 ? { ok: false, errors } : { ok: true, answer };
}

/** Nothing of what a check asks for was given. */
const isUnasked = (check: Check, t: TypedAnswer): boolean =>
  (check.how === 'measure' && t.found.trim() === '') ||
  (check.how === 'choose' && t.choice === '' && t.found.trim() === '') ||
  (check.how === 'count' && t.count.trim() === '' && !t.dry);
