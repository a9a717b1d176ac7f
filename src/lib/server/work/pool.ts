import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { Piscina } from 'piscina';
// Before any worker does: its library stays for as long as the process does.
import 'sharp';
import { log } from '../base/log';
import { Refusal } from '../base/refusal';
import type * as jobs from './jobs';

/** Whatever takes long to work out is done here, so that everybody else is answered meanwhile. */
type Jobs = typeof jobs;
type Job = 'photo' | 'paper' | 'labels' | 'owner' | 'teamFile';

/** One core stays with those who only read and write. */
const THREADS = Math.max(1, availableParallelism() - 1);
/** Waiting for their turn; who comes beyond that comes again. */
const MOST_WAITING = 200;
/** Nothing to do for so long, and a worker goes, ms. */
const IDLE = 60_000;
/** Of one worker, MB: a page of many photos is far below, and what grows past it ends that job and nothing else. */
const MEMORY = 512;
/** A team’s whole book stands in it once, MB. */
const MEMORY_FOR_A_TEAM = 1024;

const open = (maxThreads: number, maxQueue: number, memory: number, idleTimeout: number): Piscina => {
  const pool = new Piscina({
    filename: join(process.cwd(), 'src/lib/server/work/worker.mjs'),
    minThreads: 0,
    maxThreads,
    maxQueue,
    idleTimeout,
    // Whoever only reads and writes goes first.
    niceIncrement: 10,
    resourceLimits: { maxOldGenerationSizeMb: memory, maxYoungGenerationSizeMb: 64 }
  });
  // Whoever asked for the job is told; a worker that died is made anew for the next one.
  pool.on('error', (err) => log.error({ err }, 'a worker died'));
  return pool;
};
let shared: Piscina | null = null;
let forTeams: Piscina | null = null;

const isFull = (e: unknown) => e instanceof Error && /queue/i.test(e.message);
const isOutOfMemory = (e: unknown) =>
  e instanceof Error && 'code' in e && e.code === 'ERR_WORKER_OUT_OF_MEMORY';

/**
 * Does a job in a worker, when its turn comes.
 * @param given what it works on; it has to be plain data
 * @throws Refusal where too much is waiting already, or where it takes more memory than there is for one
 */
export async function work<J extends Job>(
  job: J,
  given: Parameters<Jobs[J]>[0]
): Promise<Awaited<ReturnType<Jobs[J]>>> {
  const pool =
    job === 'teamFile'
      ? (forTeams ??= open(1, 1, MEMORY_FOR_A_TEAM, 0))
      : (shared ??= open(THREADS, MOST_WAITING, MEMORY, IDLE));
  try {
    return (await pool.run(given, { name: job })) as Awaited<ReturnType<Jobs[J]>>;
  } catch (e) {
    if (isFull(e))
      throw new Refusal({ '': 'A lot is being made here just now. Try again in a minute.' }, { retry: true });
    if (isOutOfMemory(e))
      throw new Refusal({
        '': `That takes more than the ${job === 'teamFile' ? MEMORY_FOR_A_TEAM : MEMORY} MB this server has for one of them.`
      });
    throw e;
  }
}
