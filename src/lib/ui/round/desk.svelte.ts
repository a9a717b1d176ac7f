import { readAnswer, untyped, type TypedAnswer } from '$lib/core/round/answer';
import type { Check } from '$lib/core/round/check';
import type { RoundSheet } from '$lib/core/round/sheet';
import { roundStand, type Given, type Stand } from '$lib/core/round/stand';
import { answerTyped, type RoundAnswerInput } from '$lib/core/round/form';
import { roundPlace } from '$lib/core/command-rule';
import type { Sent } from '../base/wire';
import { outbox, type Kept } from '../outbox/outbox.svelte';
import { knownNow } from '../offline/store';
import { readAgain } from '../base/again';

type Waiting = RoundAnswerInput['answers'][number];

/** What the page has of a round. */
export type RoundOn = Pick<
  RoundSheet,
  'machineId' | 'list' | 'round' | 'checks' | 'bands' | 'shown' | 'answers'
>;

/**
 * A round being walked: each press counts at once on this device, and goes by the outbox; without a signal it waits there, over a
 * reload, and goes when it is back, from whatever page is then open. What the server refuses is said at its check.
 */
export class RoundDesk {
  /** By `check field`. */
  errors = $state<Record<string, string>>({});
  /** What is typed at a check and not answered yet. */
  typed = $state<Record<string, TypedAnswer>>({});
  #roundId: string = crypto.randomUUID();
  #anew = $state(false);
  /** The round that the last answers went into. */
  #taken = '';

  constructor(
    readonly on: () => RoundOn,
    readonly who: () => string
  ) {
    const { round } = on();
    // Begun on this device, and not with the server: it goes on in that.
    const left = this.#here.at(-1);
    if (!left) return;
    this.#roundId = bodyOf(left).roundId;
    this.#anew = this.#roundId !== round?.id;
  }
  get #place(): string {
    const { machineId, list } = this.on();
    return roundPlace(list, machineId);
  }
  get #here(): Kept[] {
    return outbox.at(this.#place).filter((k) => k.refused === null);
  }
  /** What this device has of the round and the server has not. */
  get waiting(): Waiting[] {
    return this.#here.flatMap((k) => bodyOf(k).answers);
  }
  /** Of the round as a whole: the server is away. */
  get said(): string {
    return this.waiting.length > 0 ? (outbox.stuck ?? '') : '';
  }
  /** Hears what becomes of its answers. @returns ends it */
  listen(): () => void {
    return outbox.listen(this.#place, {
      became: (kept, sent) => this.#became(kept, sent),
      taken: async () => {
        await readAgain();
        if (this.on().round?.id === this.#taken) this.#anew = false;
      }
    });
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
    const { checks, bands, answers, shown } = this.on();
    const mine = this.waiting.flatMap((w): Given[] => {
      const check = checks.find((c) => c.key === w.check);
      const read = check && readAnswer(check, bands[w.check] ?? null, w, shown[w.check]?.words ?? null);
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
    const read = readAnswer(
      check,
      this.on().bands[check.key] ?? null,
      typed,
      this.on().shown[check.key]?.words ?? null
    );
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
    for (let i = 0; i < list.length; i += AT_ONCE)
      this.#keep(list.slice(i, i + AT_ONCE).map((t) => ({ ...t, id: crypto.randomUUID() })));
    void this.flush();
  }
  #keep(answers: readonly Waiting[]): void {
    const { machineId, list } = this.on();
    outbox.add('round.answer', { roundId: this.target, machineId, list, answers }, knownNow());
  }
  /** Sends what waits. */
  flush(): Promise<void> {
    return outbox.flush();
  }

  /** @returns whether a refusal has been taken care of */
  #became(kept: Kept, sent: Sent<unknown>): boolean {
    if (kept.kind !== 'round.answer') return false;
    if (sent.ok) {
      this.#taken = sent.data as string;
      return true;
    }
    const { answers, roundId } = bodyOf(kept);
    const refused = answers.filter((_, i) => refusedAt(sent.errors, i));
    if (refused.length === 0) {
      const { round } = this.on();
      if (this.#anew || !round || roundId !== round.id) return false;
      // The round was over: what was looked at belongs to a new one.
      this.#anew = true;
      this.#keep(answers);
      return true;
    }
    // Nothing of the list was written: the others are sent again without what was refused.
    const others = answers.filter((a) => !refused.includes(a));
    if (others.length > 0) this.#keep(others);
    for (const [path, message] of Object.entries(sent.errors)) {
      const at = /^answers\.(\d+)\.(\w+)$/.exec(path);
      const one = at && answers[Number(at[1])];
      if (!one) continue;
      const { id: _, ...typed } = one;
      this.typed[one.check] = typed;
      this.errors[`${one.check} ${at[2]}`] = message;
    }
    return true;
  }
}
/** As many as go in one command. */
const AT_ONCE = 100;
/** As it was kept; what cannot be read any more (an earlier release) is left out. */
function bodyOf(kept: Kept): Pick<RoundAnswerInput, 'roundId' | 'answers'> {
  const { roundId, answers } = kept.body as { roundId: string; answers: unknown[] };
  return {
    roundId,
    answers: answers.flatMap((a) => {
      const read = answerTyped.safeParse(a);
      return read.success ? [read.data] : [];
    })
  };
}
const refusedAt = (errors: Record<string, string>, i: number) =>
  Object.keys(errors).some((path) => path.startsWith(`answers.${i}.`));
