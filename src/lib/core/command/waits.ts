import type { Kind } from './commands';
import { RULES } from './rules';

/** Whether it may wait on a device until there is a signal. */
export const mayWait = (kind: Kind): boolean => RULES[kind].waits !== undefined;

const text = (body: unknown, field: string): string => {
  const value = typeof body === 'object' && body !== null ? (body as Record<string, unknown>)[field] : null;
  return typeof value === 'string' ? value : '';
};

/**
 * What a command belongs with: the visit, the round, the head or the chain that it is written at.
 * @returns '' where it stands by itself
 */
export const placeOf = (kind: Kind, body: unknown): string =>
  RULES[kind].waits?.place?.((field) => text(body, field)) ?? '';

/** The visit that a command begins; '' where it begins none. */
export const begunBy = (kind: Kind, body: unknown): string =>
  RULES[kind].waits?.begins ? text(body, 'id') : '';
/** Whether one cannot be carried out without another: what is written in a visit, or measured in it, without its beginning. */
export function restsOn({ body }: { body: unknown }, before: { kind: Kind; body: unknown }): boolean {
  const visit = begunBy(before.kind, before.body);
  return visit !== '' && text(body, 'visitId') === visit;
}

/** What ends what was written at its place before: it is not carried out while something of that was refused. */
export const endsItsPlace = (kind: Kind): boolean => RULES[kind].waits?.ends === true;
