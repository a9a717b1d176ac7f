import type { Role } from '../../core/team/team';
import { rolesInForce, type Entry } from '../access/in-force';
import type { Sql } from '../base/db';

/** Who holds a line open. */
export interface Asker {
  teamId: string;
  /** Null: in the demo nobody has said. */
  person: { id: string; role: Role } | null;
  /** What they came in by; null: nothing, in the demo. */
  by: Entry | null;
}
interface Line extends Asker {
  over: () => void;
}

/** So often it is asked whether they may still be open, ms: one question for all of them. */
const LOOK_EVERY = 1000;
/** Of this process. */
const MOST = 2000;
/** Of one person, at this process: a few devices with a few windows and instruments each. */
const MOST_OF_ONE = 24;

/**
 * The lines this process holds open: those over which pages are told what is written, and those of instruments. Each ends as soon as
 * what its asker came in by is over, or opens something else than it did.
 */
export class Lines {
  readonly #open = new Set<Line>();
  #look: ReturnType<typeof setInterval> | null = null;
  #asking = false;
  #ending = false;

  constructor(
    readonly sql: () => Sql,
    readonly most = { ofAll: MOST, ofOne: MOST_OF_ONE },
    readonly lookEvery = LOOK_EVERY
  ) {}

  get size(): number {
    return this.#open.size;
  }

  /**
   * Takes a place among the open lines.
   * @param over called when the line is to end
   * @returns gives the place back; null: there is none for them
   */
  take(asker: Asker, over: () => void): (() => void) | null {
    if (this.#ending || this.#open.size >= this.most.ofAll) return null;
    const whose = asker.person?.id ?? null;
    let own = 0;
    for (const l of this.#open) if (l.teamId === asker.teamId && (l.person?.id ?? null) === whose) own += 1;
    if (own >= this.most.ofOne) return null;
    const line: Line = { ...asker, over };
    this.#open.add(line);
    this.#look ??= setInterval(() => void this.look(), this.lookEvery).unref();
    return () => {
      this.#open.delete(line);
      if (this.#open.size === 0 && this.#look) {
        clearInterval(this.#look);
        this.#look = null;
      }
    };
  }

  /** Ends the lines whose askers may no longer hold them. Where the database is away, all stay: it says so by itself. */
  async look(): Promise<void> {
    if (this.#asking) return;
    this.#asking = true;
    try {
      const asked = [...this.#open].filter((l) => l.by !== null);
      if (asked.length === 0) return;
      const roles = await rolesInForce(
        this.sql(),
        asked.map((l) => ({ teamId: l.teamId, ...l.by! })),
        new Date()
      );
      for (const line of asked) if (roles.get(line.by!.id) !== line.person?.role) line.over();
    } catch {
      // Asked again in a moment.
    } finally {
      this.#asking = false;
    }
  }

  /** Ends all of them, and lets nobody open another: the server is about to end. */
  end(): void {
    this.#ending = true;
    for (const line of [...this.#open]) line.over();
  }
}
