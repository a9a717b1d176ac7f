import { setTimeout as pause } from 'node:timers/promises';
import type { TeamKind } from '../../core/command/commands';
import type { Sql } from '../base/db';
import { isAway } from '../base/problems';
import { carryOutAll } from './carry-out';
import { Twice, type Done, type Job } from './job';

/**
 * Writes to one machine or one visit wait for one another in any case. Those that come while one is being carried out stand in a line, and
 * are carried out together in the next transaction.
 */
interface Waiting {
  job: Job;
  done: (answer: unknown) => void;
  failed: (error: unknown) => void;
}
/** So many at once: a transaction that takes longer keeps others waiting. */
const MOST_TOGETHER = 40;
/** So many at once are a crowd; who writes alone, or two in turn, waits for nobody. */
const CROWD = 3;
const lines = new Map<string, Waiting[]>();

/**
 * Carries out a command together with whatever else is written at the same place.
 * @param place which place
 * @returns its answer
 */
export function inLine<K extends TeamKind>(sql: Sql, place: string, job: Job<K>): Promise<unknown> {
  return new Promise((done, failed) => {
    const line = lines.get(place);
    const mine = { job, done, failed };
    if (line) line.push(mine);
    else {
      lines.set(place, [mine]);
      void work(sql, place);
    }
  });
}

async function work(sql: Sql, place: string): Promise<void> {
  const line = lines.get(place)!;
  for (let batch = line.splice(0, MOST_TOGETHER); batch.length > 0; batch = line.splice(0, MOST_TOGETHER)) {
    try {
      const results = await carryOutAll(
        sql,
        batch.map((b) => b.job)
      );
      for (const [i, one] of batch.entries()) tell(line, one, results[i]!);
      // Those who have just been answered write again in a moment: a little later, all of them go together instead of by halves.
      if (batch.length >= CROWD) await pause(batch.length);
    } catch (e) {
      // Where one of them is a mistake of ours, the others are not to suffer for it.
      if (batch.length === 1 || isAway(e)) for (const one of batch) one.failed(e);
      else
        for (const one of batch)
          await carryOutAll(sql, [one.job]).then(
            ([result]) => tell(line, one, result!),
            (error: unknown) => one.failed(error)
          );
    }
  }
  lines.delete(place);
}
function tell(line: Waiting[], one: Waiting, result: Done): void {
  if (result.ok) one.done(result.answer);
  else if (result.error instanceof Twice) line.push(one);
  else one.failed(result.error);
}
