import { foundInWords } from '../fasteners/found';
import type { Severity } from '../finding/finding';
import { judge, showBand, type Band } from '../quantity/band';
import { show, type Quantity } from '../quantity/quantity';
import type { Answer } from './answer';
import type { Check, Held, Measure, TorqueHeld } from './check';
import { heldSeverity, isShort } from './grave';

/** What an answer comes to. */
export interface Judged {
  well: boolean;
  /** In words: `90 kPa`, `found 60 kPa, set to 90 kPa`, `torn or unseated`. */
  words: string;
  /** `closed`: it was put right on the spot, with what; it stays in the book as found. */
  finding: { what: string; severity: Severity; note: string; closed: string | null } | null;
}

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

/** `, too little, 80–100 kPa is wanted`. */
const wantedInWords = (q: Quantity, band: Band): string =>
  `, ${band.from && q.base < band.from.base ? 'too little' : 'too much'}, ${showBand(band)} is wanted`;

function judgeNumber(check: Measure, a: Answer, band: Band | null): Judged {
  const now = a.set ?? a.found!;
  const words =
    a.set && a.found && a.set.base !== a.found.base
      ? `found ${show(a.found)}, set to ${show(a.set)}`
      : `${show(now)}${a.instrument ? `, by ${a.instrument}` : ''}`;
  const outside = band !== null && judge(now, band) === 'outside';
  const noted = a.note ? `${words}: ${a.note}` : words;
  // Outside of what the maker prints, on purpose: the reason stands with it.
  if (a.said === 'well' && (!outside || a.note)) return { well: true, words: noted, finding: null };
  return {
    well: false,
    words: noted,
    finding: {
      what: `${check.wrong}: ${show(now)}${outside ? wantedInWords(now, band) : ''}`,
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
  const read = a.found ? `${show(a.found)}${a.instrument ? `, by ${a.instrument}` : ''}` : '';
  const given =
    check.how === 'count'
      ? pumps && a.dry
        ? `${pumps}, it was dry`
        : pumps
      : [a.choice, read].filter(Boolean).join(', ');
  const said = given || (a.said === 'well' ? 'as it should be' : 'wrong');
  const words = a.note ? `${said}: ${a.note}` : said;
  if (a.said === 'well') return { well: true, words, finding: null };
  // Where nothing else tells what is wrong, the note does.
  const more = given || a.note;
  return {
    well: false,
    words,
    finding: {
      what: `${more ? `${check.wrong}: ${more}` : check.wrong}${isShort(a, band) ? wantedInWords(a.found!, band!) : ''}`.slice(
        0,
        200
      ),
      severity: a.severity ?? check.severity,
      note: more === a.note ? '' : a.note,
      closed: null
    }
  };
}
