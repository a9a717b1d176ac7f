import { EVERYTHING, readNotice, together, type Told } from '../../core/live/told';
import type { Sql } from '../base/db';

/** The channel that the database tells on. */
const CHANNEL = 'trail';
/** What comes within that is told as one, ms. */
const GATHER = 120;

type Listener = (told: Told) => void;

/**
 * Who looks on, by team, and the one connection over which the database tells what was written: by this process or by any other on the
 * same database. Nothing is kept: who was not there reads what is there.
 */
export class Hub {
  readonly #teams = new Map<string, Set<Listener>>();
  readonly #gathered = new Map<string, Told>();
  #listening: Promise<unknown> | null = null;

  constructor(readonly sql: () => Sql) {}

  /**
   * Is told whatever is written in a team from now on.
   * @returns ends it
   * @throws where the database is away
   */
  async join(team: string, listener: Listener): Promise<() => void> {
    await this.#listen();
    const there = this.#teams.get(team) ?? new Set();
    this.#teams.set(team, there.add(listener));
    return () => {
      there.delete(listener);
      if (there.size === 0 && this.#teams.get(team) === there) this.#teams.delete(team);
    };
  }

  get size(): number {
    return [...this.#teams.values()].reduce((sum, t) => sum + t.size, 0);
  }

  #listen(): Promise<unknown> {
    let first = true;
    this.#listening ??= this.sql()
      .listen(
        CHANNEL,
        (payload) => {
          const notice = readNotice(payload);
          if (notice)
            this.#gather(notice.team, {
              kinds: [notice.kind],
              places: notice.place === null ? [] : [notice.place],
              all: false
            });
        },
        () => {
          // The connection was lost and is back: what was told meanwhile nobody heard.
          if (!first) for (const team of this.#teams.keys()) this.#gather(team, EVERYTHING);
          first = false;
        }
      )
      .catch((e: unknown) => {
        this.#listening = null;
        throw e;
      });
    return this.#listening;
  }

  #gather(team: string, told: Told): void {
    if (!this.#teams.has(team)) return;
    const before = this.#gathered.get(team) ?? null;
    this.#gathered.set(team, together(before, told));
    if (before === null)
      setTimeout(() => {
        const all = this.#gathered.get(team)!;
        this.#gathered.delete(team);
        for (const listener of this.#teams.get(team) ?? []) listener(all);
      }, GATHER);
  }
}
