import { error, type RequestEvent } from '@sveltejs/kit';
import { RateLimiterMemory } from 'rate-limiter-flexible';

/**
 * Tries to come in from one address: what a workshop full of phones behind one address needs, and no dictionary. The count for each
 * person is kept by the database; this one is of this process.
 */
const tries = new RateLimiterMemory({ points: 60, duration: 300 });

/** @throws HttpError 429 */
export async function countTries(event: Pick<RequestEvent, 'getClientAddress' | 'locals'>): Promise<void> {
  if (event.locals.local) return;
  await tries
    .consume(event.getClientAddress())
    .catch(() => error(429, 'Too many tries from there. Wait a few minutes.'));
}
