import pLimit, { type LimitFunction } from 'p-limit';
import { Refusal } from './refusal';

/** How many may be at it at once, of all and of one; and how many of one may wait. */
export interface Places {
  ofAll: number;
  ofOne: number;
  waitingOfOne: number;
}

/** Lets people do something heavy one after the other: a few at once, and nobody takes all the places. */
export class Turns {
  readonly #all: LimitFunction;
  readonly #own = new Map<string, LimitFunction>();
  constructor(readonly places: Places) {
    this.#all = pLimit(places.ofAll);
  }

  /**
   * Does it when its turn has come.
   * @throws Refusal where as many of theirs wait already as may
   */
  async take<T>(whose: string, run: () => Promise<T>): Promise<T> {
    const own = this.#own.get(whose) ?? pLimit(this.places.ofOne);
    this.#own.set(whose, own);
    if (own.pendingCount >= this.places.waitingOfOne)
      throw new Refusal(
        { '': 'Many of yours are on their way already. Send it again in a minute.' },
        { retry: true }
      );
    try {
      return await own(() => this.#all(run));
    } finally {
      if (own.activeCount + own.pendingCount === 0) this.#own.delete(whose);
    }
  }
}
