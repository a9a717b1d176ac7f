import { refuse, Refusal } from '../../base/refusal';
import { work } from '../../work/pool';
import type { TakenIn } from './in';

/**
 * Takes a team's file in, in a worker of its own: what is in it may be made to fill a memory or to keep a processor busy.
 * @param path of the zip
 * @throws Refusal at the file, in words
 */
export async function takeInByWorker(
  path: string,
  copy: { id: string; name: string } | null,
  databaseUrl = process.env.DATABASE_URL!
): Promise<TakenIn> {
  const came = await work('teamFile', { databaseUrl, path, copy }).catch((e: unknown) => {
    if (e instanceof Refusal) refuse('file', e.message, e.more);
    throw e;
  });
  return came.ok ? came.made : refuse('file', came.words);
}
