import { AsyncLocalStorage } from 'node:async_hooks';
import { randomUUID } from 'node:crypto';
import pino from 'pino';

/** The request that is being answered, wherever in its answering something is logged. */
const requests = new AsyncLocalStorage<{ id: string }>();
const idNow = () => requests.getStore()?.id;

export const log = pino({
  level: process.env.LOG_LEVEL ?? 'warn',
  mixin: () => {
    const request = idNow();
    return request ? { request } : {};
  }
});

/** A name that a person can tell. */
export const shortId = (): string => randomUUID().slice(0, 8);
export const asRequest = <T>(id: string, answer: () => Promise<T>): Promise<T> =>
  requests.run({ id }, answer);

/** Logs a mistake of ours. @returns what it is called: as the request it came of, where there is one */
export function logFault(e: unknown, where: string): string {
  const id = idNow() ?? shortId();
  log.error({ id, where, err: e }, 'request failed');
  return id;
}
