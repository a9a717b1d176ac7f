import type { ValveStand, ValveVerdict } from '$lib/core/valve/check';
import { showUm, type ClearanceUnit } from '$lib/core/valve/limits';

/** How a valve stands, in words: the same in the drawing, the table and the panel. */
export const VERDICT_WORDS: Readonly<Record<ValveVerdict, string>> = {
  in: 'in',
  tight: 'too tight',
  loose: 'too loose',
  borderline: 'borderline',
  undecided: 'undecided',
  'not measured': 'not measured',
  'to be proven': 'measure again',
  'no limits': 'limits unknown'
};

/** What it says and what to do next, in a line. */
export function verdictLine(s: ValveStand, unit: ClearanceUnit): string {
  const blade = s.next?.what === 'try' ? `try ${showUm(s.next.blade, unit)}` : null;
  switch (s.verdict) {
    case 'undecided':
      return blade ? `undecided: ${blade}` : 'undecided: a finer bracket tells';
    case 'not measured':
      return blade ? `begin with ${blade.replace('try ', '')}` : 'not measured';
    case 'borderline':
      return 'borderline: no blade tells';
    case 'to be proven':
      return 'changed: measure again';
    default:
      return VERDICT_WORDS[s.verdict];
  }
}
