import { refusalOf } from './problems';
import type { Refusal } from './refusal';
import type { Write } from './write';

/** One after the other, each in a savepoint of its own: what is refused takes nothing back of the others. */
export async function eachBySavepoint<T, R>(
  list: readonly { w: Write; input: T }[],
  run: (w: Write, input: T) => Promise<R>
): Promise<(R | Refusal)[]> {
  const results: (R | Refusal)[] = [];
  for (const { w, input } of list) {
    try {
      results.push((await w.tx.savepoint((tx) => run({ ...w, tx }, input))) as R);
    } catch (e) {
      const refusal = refusalOf(e);
      if (!refusal) throw e;
      results.push(refusal);
    }
  }
  return results;
}
