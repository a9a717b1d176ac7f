/** What is out for one key, and the one that begins once it is back. */
interface Rounds<T> {
  out: Promise<T>;
  next: Promise<T> | null;
}

/**
 * Asks the same thing once for all who want it at the same time. Who comes while it is being asked waits for the next round,
 * which begins when this one is back: no answer is older than its question.
 */
export class InRounds<T> {
  readonly #byKey = new Map<string, Rounds<T>>();

  /** @param ask asks it; the first of a round's is used */
  of(key: string, ask: () => Promise<T>): Promise<T> {
    const there = this.#byKey.get(key);
    if (!there) return this.#begin(key, ask);
    return (there.next ??= there.out.then(
      () => this.#begin(key, ask),
      () => this.#begin(key, ask)
    ));
  }

  #begin(key: string, ask: () => Promise<T>): Promise<T> {
    const round: Rounds<T> = { out: ask(), next: null };
    this.#byKey.set(key, round);
    const over = () => {
      // Nobody waits: nothing is kept of it.
      if (round.next === null && this.#byKey.get(key) === round) this.#byKey.delete(key);
    };
    round.out.then(over, over);
    return round.out;
  }
}
