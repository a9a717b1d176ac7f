import type { VisitPlan } from '../job/plan';
import { NOTHING_SEEN, type Entry } from './entry';
import type { Mark } from './items';
import { inTurn, momentOf, momentsOf } from './moments';
import { VisitFold, visitState, type VisitState } from './state';

/** A visit entry by entry, for whoever has to judge each as the visit stood when it was done. */
export class VisitInTurn {
  readonly #plan: Pick<VisitPlan, 'steps' | 'items'>;
  readonly #entries: Entry[];
  readonly #moments: Map<string, number>;
  #latest: number;
  /** All of them; null: something was put in before the last, and it is to be read anew. */
  #whole: VisitFold | null = null;

  constructor(plan: Pick<VisitPlan, 'steps' | 'items'>, entries: readonly Entry[]) {
    this.#plan = plan;
    this.#entries = [...entries];
    this.#moments = momentsOf(entries);
    this.#latest = [...this.#moments.values()].reduce((a, b) => Math.max(a, b), -Infinity);
  }

  /** How it stood before an entry that is to be added. */
  before(entry: Entry): VisitState {
    const at = momentOf(entry, this.#moments);
    if (at >= this.#latest) return this.#all().state();
    return visitState(
      this.#plan,
      this.#entries.filter((e) => this.#moments.get(e.id)! <= at)
    );
  }

  add(entry: Entry): void {
    const at = momentOf(entry, this.#moments);
    if (at >= this.#latest) this.#all().add(entry);
    else this.#whole = null;
    this.#entries.push(entry);
    this.#moments.set(entry.id, at);
    this.#latest = Math.max(this.#latest, at);
  }

  #all(): VisitFold {
    if (this.#whole) return this.#whole;
    const fold = new VisitFold(this.#plan);
    for (const e of inTurn(this.#entries)) fold.add(e);
    return (this.#whole = fold);
  }
}

/** The last entry that this device knows about what an entry is going to be about: its step with all that it opens, or its fastener. */
export function lastSeen(
  state: Pick<VisitState, 'steps' | 'items'>,
  { stepKey, itemKey }: { stepKey?: string | null; itemKey?: string | null }
): string {
  const step = state.steps.find((s) => s.step.key === stepKey);
  const opens = step?.step.input.type === 'open' ? step.step.input.items : [];
  const marks = [
    step?.last,
    ...state.items.filter((i) => i.item.key === itemKey || opens.includes(i.item.key)).map((i) => i.last)
  ].filter((m): m is Mark => Boolean(m));
  return marks.sort((a, b) => b.n - a.n)[0]?.id ?? NOTHING_SEEN;
}
