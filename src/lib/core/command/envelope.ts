import { z } from 'zod';
import { id } from '../forms';
import { KINDS } from './commands';

/** A command as a device sends it. The body is checked by its kind's own schema. */
export const envelopeSchema = z.object({
  /** Made by the device: sent twice, it is carried out once. */
  id,
  kind: z.enum(KINDS, { error: 'There is no such command.' }),
  /** When it was done, by the device's clock. */
  at: z.iso.datetime({ offset: true, error: 'When was it done? A moment such as 2026-11-25T16:00:00Z.' }),
  body: z.unknown(),
  /** Another command of this device that it rests on: where that one was refused, this one waits. */
  after: id.nullable().default(null)
});
export type Envelope = z.infer<typeof envelopeSchema>;

export const MOST_COMMANDS = 200;
export const listSchema = z.object({
  /** Which device it is: any name it keeps for itself. */
  device: z.string().max(60).default(''),
  commands: z
    .array(envelopeSchema)
    .min(1, 'Nothing to write.')
    .max(MOST_COMMANDS, `At most ${MOST_COMMANDS} at once.`)
});

/** What became of one command. */
export type Outcome<T = unknown> =
  | { id: string; ok: true; data: T }
  | {
      id: string;
      ok: false;
      /** Why, by field, in the person's words. */
      errors: Record<string, string>;
      /** What the form needs to ask the next question; `retry`: it was not refused, it may be sent again as it is. */
      more: Record<string, unknown>;
    };
