import { setTimeout as pause } from 'node:timers/promises';
import type { Sql, Tx } from '../base/db';
import { standAnew } from './standing';
import { stillReaches, Wider, type Held, type Scope } from './hold';

/** How often a write is begun again before whoever sent it is told to do so. */
const MOST_ATTEMPTS = 8;
/** What PostgreSQL says when two transactions stand in each other's way: neither is wrong, one goes first. */
const IN_THE_WAY = new Set(['40P01', '40001']);

/**
 * Carries out a transaction, and again from the start where another stood in its way or it turned out to reach further.
 * @param run what is done in it; `also` are machines to hold besides those it knows of
 */
export async function attempt<T>(sql: Sql, run: (tx: Tx, also: readonly string[]) => Promise<T>): Promise<T> {
  let also: readonly string[] = [];
  for (let n = 1; ; n++) {
    try {
      return (await sql.begin((tx) => run(tx, also))) as T;
    } catch (e) {
      if (n >= MOST_ATTEMPTS) throw e;
      if (e instanceof Wider) also = e.machines;
      else if (IN_THE_WAY.has((e as { code?: string } | null)?.code ?? ''))
        await pause(Math.random() * 20 * n);
      else throw e;
    }
  }
}

/** Works out anew, once each, the machines that hang on what was written. */
export async function settle(tx: Tx, teamId: string, scope: Scope, held: Held): Promise<void> {
  if (scope.counts === false) return;
  // Nothing can be moved off or onto a machine that is held, but by this write itself.
  if (scope.moves) await stillReaches(tx, teamId, scope, held);
  await standAnew(tx, teamId, {
    machines: [...held.machines.keys(), ...(scope.makes ?? [])],
    components: held.components,
    moved: scope.moves ?? false
  });
}
