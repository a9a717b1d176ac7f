import { z } from 'zod';
import { SEVERITIES } from '../finding/finding';
import { id, name, remark } from '../forms';
import { SAIDS, type TypedAnswer } from './answer';
import { LISTS } from './check';
import { roundChecks } from './lists';

const short = (max: number) => z.string().max(max, `At most ${max} characters.`).default('');

/** A check answered, as fields hold it; the number in it is read where the machine’s sheet is. */
export const answerTyped = z.object({
  id,
  check: z.string().regex(/^[a-z0-9-]{1,40}$/, 'There is no such check.'),
  said: z.enum(SAIDS, { error: 'As it should be, or not?' }),
  found: short(60),
  set: short(60),
  choice: short(60),
  count: short(12),
  dry: z.boolean().default(false),
  severity: z.enum(SEVERITIES).nullable().default(null),
  note: z.string().trim().max(150, 'At most 150 characters.').default(''),
  instrument: short(60)
}) satisfies z.ZodType<TypedAnswer>;

/** A round, or part of one, sent in one go: as many checks as were answered meanwhile. */
export const roundAnswerSchema = z.object({
  /** What a new round goes by. Where one stands open on that machine, it goes on in that. */
  roundId: id,
  machineId: id,
  list: z.enum(LISTS, { error: 'Which round?' }),
  answers: z.array(answerTyped).min(1, 'Nothing was answered.').max(100, 'At most 100 at once.')
});
export type RoundAnswerInput = z.output<typeof roundAnswerSchema>;

/** A round that does not count: a mistake, or one that was begun and left. */
export const roundStrikeSchema = z.object({ roundId: id, reason: name('why', 10_000) });
export type RoundStrikeInput = z.output<typeof roundStrikeSchema>;

/** What a team checks, saved as its next version; without content, back to how it came. */
export const roundChecksSchema = z.object({
  /** The version it was changed from; 0: as it came. */
  from: z.number().int().min(0).max(1_000_000),
  content: roundChecks.nullable(),
  word: remark
});
export type RoundChecksInput = z.output<typeof roundChecksSchema>;

/** What is sent, by the kind of its command: the form and the server check alike. */
export const bodies = {
  'round.answer': roundAnswerSchema,
  'round.strike': roundStrikeSchema,
  'round.checks': roundChecksSchema
};
