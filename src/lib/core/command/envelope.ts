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
  /** When this list was sent, by the same clock as `at`: how far that clock is out shows by it. */
  sent: z.iso
    .datetime({ offset: true, error: 'When was it sent? A moment such as 2026-11-25T16:00:00Z.' })
    .optional(),
  commands: z
    .array(envelopeSchema)
    .min(1, 'Nothing to write.')
    .max(MOST_COMMANDS, `At most ${MOST_COMMANDS} at once.`)
});

/** Nothing waits on a device for longer; a clock that says so is no clock. */
const MOST_WAITED = 400 * 86_400_000;

/**
 * When a command was done, by the server's clock. What waited on a device for a signal was done as long before it came in as
 * it was before it was sent, however wrong the clock of that device is.
 * @param sent by the device's clock; undefined: it did not say, and its clock is taken to be right
 * @param received by the server's clock
 * @returns a moment not after `received`, and at most 400 days before it
 */
export function doneAt(at: string, sent: string | undefined, received: Date): Date {
  const waited = (sent === undefined ? received.getTime() : Date.parse(sent)) - Date.parse(at);
  return new Date(received.getTime() - Math.min(MOST_WAITED, Math.max(0, waited)));
}

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
