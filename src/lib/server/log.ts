import { randomUUID } from 'node:crypto';
import pino from 'pino';

export const log = pino({ level: process.env.LOG_LEVEL ?? 'warn' });

/** Logs a mistake of ours under a name that a person can tell. */
export function logFault(e: unknown, where: string): string {
  const id = randomUUID().slice(0, 8);
  log.error({ id, where, err: e }, 'request failed');
  return id;
}
