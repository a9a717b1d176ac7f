import { readSlack, type How, type RuleUnit } from './slack-typed';

/** What is read of slack at one stage: at the tightest place, at the slackest, and the marks of both sides. */
export const FIELDS = ['slack', 'slackest', 'left', 'right'] as const;
export type SlackField = (typeof FIELDS)[number];

/** What the fields of a reading go by. */
export interface ReadBy {
  /** How a naked number is told, and where along the run. */
  how: How;
  at: number;
  /** A finger, mm. */
  finger: number;
  unit: RuleUnit;
  /** The mark with the axle all back; null: not known. */
  lastMark: number | null;
}
export type TypedReading =
  | { ok: true; slack: number; slackest: number | null; left: number | null; right: number | null }
  | { ok: false; errors: Partial<Record<SlackField, string>> };

export const BACKWARDS = 'The slackest place has more slack than the tightest.';

/** Why the axle cannot stand at a mark; null: it can. */
export function markProblem(mark: number, lastMark: number | null): string | null {
  return lastMark !== null && (mark < 0 || mark > lastMark)
    ? `The marks go from 0 to ${lastMark}: beyond is past the end of the slot.`
    : null;
}

/**
 * Reads a stage of slack as it was typed, field by field. A number stands for what was not touched: it is in all already, mm.
 * Empty but for the slack: not read.
 */
export function readReading(
  typed: Readonly<Record<SlackField, string | number | null>>,
  by: ReadBy
): TypedReading {
  const errors: Partial<Record<SlackField, string>> = {};
  const length = (field: 'slack' | 'slackest'): number | null => {
    const text = typed[field];
    if (typeof text !== 'string') return text;
    if (field === 'slackest' && text.trim() === '') return null;
    const read = readSlack(text, by.how, by.at, by.finger, by.unit);
    if (read.ok) return read.slack;
    errors[field] = read.message;
    return null;
  };
  const mark = (field: 'left' | 'right'): number | null => {
    const text = typed[field];
    if (typeof text !== 'string') return text;
    if (text.trim() === '') return null;
    const n = Number(text.trim().replace(',', '.'));
    const problem = Number.isFinite(n) ? markProblem(n, by.lastMark) : 'The mark it stands at, such as 4.5.';
    if (problem) errors[field] = problem;
    return n;
  };
  const [slack, slackest] = [length('slack'), length('slackest')];
  if (slack !== null && slackest !== null && slackest < slack) errors.slackest = BACKWARDS;
  const [left, right] = [mark('left'), mark('right')];
  return slack === null || Object.keys(errors).length > 0
    ? { ok: false, errors }
    : { ok: true, slack, slackest, left, right };
}
