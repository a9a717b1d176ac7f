import { readAnswer, untyped, type TypedAnswer } from '$lib/core/round/answer';
import type { Check } from '$lib/core/round/check';
import type { RoundSheet } from '$lib/core/round/sheet';
import { roundStand, type Given, type Stand } from '$lib/core/round/stand';
import { send } from '../form/send';
import { readAgain } from '../shell/again';
import { AT_ONCE } from './left';
import { keepLeft, readLeft, type Waiting } from './waiting';

/** What the page has of a round. */
export type RoundOn = Pick<RoundSheet, 'machineId' | 'list' | 'round' | 'checks' | 'bands' | 'answers'>;

/**
 * A round being walked: each press counts at once on this device, is kept on it, and goes to the server with all that wait, as one
 * request; without a signal they wait, over a reload, and go when it is back, from whatever page is then open (`left.ts`). What the
 * server refuses is said at its check.
 */
export class RoundDesk {
  /** Of the round as a whole: the server is away. */
  said = $state('');
  /** By `check field`. */
  errors = $state<Record<string, string>>({});
  /** What is typed at a check and not answered yet. */
  typed = $state<Record<string, TypedAnswer>>({});
  waiting = $state<Waiting[]>([]);
  #roundId: string;
  #anew = $state(false);

  constructor(
    readonly on: () => RoundOn,
    readonly who: () => string
  ) {
    const { machineId, list, round } = on();
    const left = readLeft(list, machineId);
    this.waiting = left?.waiting ?? [];
    this.#roundId = left?.roundId ?? crypto.randomUUID();
    this.#anew = left !== null && left.roundId !== round?.id;
  }
  #store(): void {
    const { machineId, list } = this.on();
    keepLeft(list, machineId, { roundId: this.target, waiting: $state.snapshot(this.waiting) });
  }
  /** The round that is answered: the one on the page, or a new one. */
  get target(): string {
    const { round } = this.on();
    return round && !this.#anew ? round.id : this.#roundId;
  }
  /** The one on the page is done, and nobody began another here. */
  get over(): boolean {
    return this.on().round?.doneAt != null && !this.#anew;
  }
  /** Begins another one: what was answered stays with the one that is done. */
  begin(): void {
    this.#anew = true;
    this.#roundId = crypto.randomUUID();
    this.typed = {};
    this.errors = {};
  }

  /** Where it stands, with what waits as if it were written. */
  get stand(): Stand {
    const { checks, bands, answers } = this.on();
    const mine = this.waiting.flatMap((w): Given[] => {
      const check = checks.find((c) => c.key === w.check);
      const read = check && readAnswer(check, bands[w.check] ?? null, w);
      return read?.ok ? [{ ...read.answer, id: w.id, by: this.who(), at: Infinity }] : [];
    });
    return roundStand(checks, [...(this.#anew ? [] : answers), ...mine], bands);
  }

  at(check: string): TypedAnswer {
    return this.typed[check] ?? untyped(check);
  }
  type(check: string, more: Partial<TypedAnswer>): void {
    this.typed[check] = { ...this.at(check), ...more };
    for (const field of Object.keys(more)) delete this.errors[`${check} ${field}`];
  }
  errorOf(check: string, field: string): string | undefined {
    return this.errors[`${check} ${field}`];
  }
  /** What was typed at it is left. */
  drop(check: string): void {
    delete this.typed[check];
    for (const key of Object.keys(this.errors)) if (key.startsWith(`${check} `)) delete this.errors[key];
  }

  /**
   * Answers a check with what is typed at it. What cannot be read is said at its field.
   * @returns whether it was taken
   */
  answer(check: Check, more: Partial<TypedAnswer> = {}): boolean {
    const typed = { ...this.at(check.key), ...more };
    this.type(check.key, more);
    const read = readAnswer(check, this.on().bands[check.key] ?? null, typed);
    if (!read.ok) {
      for (const [field, message] of Object.entries(read.errors))
        this.errors[`${check.key} ${field}`] = message;
      return false;
    }
    delete this.typed[check.key];
    this.#push([typed]);
    return true;
  }
  /** Several looks at once, as they should be. */
  allWell(checks: readonly Check[]): void {
    for (const c of checks) delete this.typed[c.key];
    this.#push(checks.map((c) => untyped(c.key)));
  }
  #push(list: readonly TypedAnswer[]): void {
    this.waiting = [...this.waiting, ...list.map((t) => ({ ...t, id: crypto.randomUUID() }))];
    this.#store();
    void this.flush();
  }

  #onItsWay: Promise<void> | null = null;
  /** Sends what waits; what came meanwhile goes with the next. */
  flush(): Promise<void> {
    this.#onItsWay ??= this.#send().finally(() => (this.#onItsWay = null));
    return this.#onItsWay;
  }
  async #send(): Promise<void> {
    while (this.waiting.length > 0) {
      const { machineId, list } = this.on();
      const answers = $state.snapshot(this.waiting).slice(0, AT_ONCE);
      const sent = await send('round.answer', { roundId: this.target, machineId, list, answers });
      if (!sent.ok && sent.more.retry) {
        this.said = sent.errors[''] ?? '';
        return;
      }
      if (!sent.ok) {
        const refused = answers.filter((_, i) => refusedAt(sent.errors, i));
        if (refused.length === 0) {
          // The round was over: what was looked at belongs to a new one.
          if (this.#anew || !this.on().round) {
            this.said = Object.values(sent.errors)[0] ?? '';
            return;
          }
          this.#anew = true;
          continue;
        }
        // Nothing of the list was written: the others are sent again without what was refused.
        this.#refused(answers, sent.errors);
        this.#gone(refused);
        continue;
      }
      this.said = '';
      // Read anew before it is dropped: nothing is shown as open in between.
      await readAgain();
      if (this.on().round?.id === sent.data) this.#anew = false;
      this.#gone(answers);
    }
  }
  #gone(list: readonly Waiting[]): void {
    this.waiting = this.waiting.filter((w) => !list.some((g) => g.id === w.id));
    this.#store();
  }
  /** What was refused stands at its check again, as it was typed. */
  #refused(answers: readonly Waiting[], errors: Record<string, string>): void {
    for (const [path, message] of Object.entries(errors)) {
      const at = /^answers\.(\d+)\.(\w+)$/.exec(path);
      const one = at && answers[Number(at[1])];
      if (!one) continue;
      const { id: _, ...typed } = one;
      this.typed[one.check] = typed;
      this.errors[`${one.check} ${at[2]}`] = message;
    }
  }
}
const refusedAt = (errors: Record<string, string>, i: number) =>
  Object.keys(errors).some((path) => path.startsWith(`answers.${i}.`));
