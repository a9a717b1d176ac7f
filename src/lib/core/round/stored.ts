import { z } from 'zod';
import { SEVERITIES } from '../finding/finding';
import { storedQuantity } from '../quantity/stored';
import { readStored, type Shape } from '../stored/stored';
import { SAIDS, type Answer } from './answer';

const answer: Shape<Answer> = {
  check: z.string(),
  said: z.enum(SAIDS),
  found: storedQuantity.nullable(),
  set: storedQuantity.nullable(),
  choice: z.string().nullable(),
  count: z.number().int().nullable(),
  dry: z.boolean(),
  severity: z.enum(SEVERITIES).nullable(),
  note: z.string(),
  // Answers of before knew of none.
  instrument: z.string().nullable().default(null)
};
export const keptAnswer = z.object({ v: z.literal(1), ...answer });
export const writeAnswer = (a: Answer) => ({ v: 1 as const, ...a });
/** @throws UnreadableError */
export function readAnswerKept(kept: unknown): Answer {
  const { v: _, ...rest } = readStored('an answer of a round', keptAnswer, kept);
  return rest;
}
