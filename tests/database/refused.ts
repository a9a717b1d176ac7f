import { expect } from 'vitest';
import { Refusal } from '../../src/lib/server/base/refusal';

async function refusalOf(sent: Promise<unknown>): Promise<Refusal> {
  const e = await sent.then(
    () => null,
    (error: unknown) => error
  );
  expect(e).toBeInstanceOf(Refusal);
  return e as Refusal;
}
/** Refused: what is said at which field. */
export const refused = async (sent: Promise<unknown>) => (await refusalOf(sent)).errors;
/** Refused: what is said of it as a whole. */
export const refusedWith = async (sent: Promise<unknown>) => (await refusalOf(sent)).message;
