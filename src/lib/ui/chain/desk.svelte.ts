import { invalidateAll } from '$app/navigation';
import { STAGES, type Reading, type Stage } from '$lib/core/chain/check';
import type { Body } from '$lib/core/command/commands';
import { chainPlace } from '$lib/core/command-rule';
import { FIELDS, readReading, type SlackField } from '$lib/core/chain/reading-typed';
import { showSlack, withUnit, type RuleUnit } from '$lib/core/chain/slack-typed';
import { chainNow, wantedNow, type ChainNow, type ChainSheet } from '$lib/core/chain/sheet';
import { forget, keep, kept, texts } from '../base/kept';
import { idsFor, send } from '../form/send';
import { LateFields } from '../outbox/late';
import type { Kept } from '../offline/store';

/**
 * The slack of one machine being measured: judged while it is typed, written when the hand goes on. What the server did not take
 * stays in its field.
 */
export class SlackDesk {
  busy = $state(false);
  /** Of the desk as a whole: the server is away. */
  said = $state('');
  errors = $state<Record<string, string>>({});
  #typed = $state<Record<string, string>>({});
  /** The check that would be begun. */
  #newId: string = crypto.randomUUID();
  readonly #kept: string;

  constructor(
    readonly sheet: () => ChainSheet,
    readonly unit: () => RuleUnit
  ) {
    this.#kept = `chain ${sheet().machineId}`;
    this.#typed = texts(kept('window', this.#kept));
  }

  readonly #late = new LateFields(
    () => chainPlace(this.sheet().machineId),
    (kept) => this.#fieldsOf(kept)
  );
  /** What waits on this device since an earlier page stands in its fields again, and goes into the check that was begun with it. */
  restore(): void {
    this.#late.restore((commands, texts) => {
      for (const kept of commands) this.#newId = (kept.body as Body<'chain.measure'>).checkId;
      this.#typed = { ...texts, ...this.#typed };
    });
  }
  /** Once that is in the book it is held here no longer. @returns ends it */
  follow(): () => void {
    return this.#late.follow((fields) => {
      this.said = '';
      for (const key of fields) delete this.#typed[key];
      this.#store();
    });
  }
  /** What was sent, by the field it was typed in. */
  #fieldsOf(kept: Kept): Record<string, string> {
    const { readings } = kept.body as { readings: Omit<Reading, 'by'>[] };
    return Object.fromEntries(
      readings.flatMap((r) =>
        FIELDS.flatMap((f) => {
          const text = f === 'slack' ? r.typed : r[f] === null ? '' : String(r[f]);
          return text === '' ? [] : [[this.#key(r.stage, f), text]];
        })
      )
    );
  }

  /** A field as it is written down: slack with its unit. */
  #asKept(field: SlackField, typed: string): string {
    return field === 'slack' ? withUnit(typed, this.unit()) : typed;
  }

  readonly #key = (stage: Stage, field: SlackField) => `${stage} ${field}`;
  #readingOf(stage: Stage): Reading | null {
    return this.sheet().check?.readings.findLast((x) => x.stage === stage) ?? null;
  }
  /** As the book has it: in the unit of the rule it needs no unit beside it. */
  inBook(stage: Stage, field: SlackField): string {
    const r = this.#readingOf(stage);
    if (!r) return '';
    const unit = this.unit();
    if (field === 'slack') return r.typed.endsWith(` ${unit}`) ? r.typed.slice(0, -unit.length - 1) : r.typed;
    const v = r[field];
    if (v === null) return '';
    return field === 'slackest' && unit === 'in' ? showSlack(v, 'in') : String(v);
  }
  text(stage: Stage, field: SlackField): string {
    return this.#typed[this.#key(stage, field)] ?? this.inBook(stage, field);
  }
  type(stage: Stage, field: SlackField, text: string): void {
    this.#typed[this.#key(stage, field)] = text;
    delete this.errors[this.#key(stage, field)];
    this.#store();
  }
  errorOf(stage: Stage, field: SlackField): string | undefined {
    return this.errors[this.#key(stage, field)];
  }
  #store(): void {
    if (Object.keys(this.#typed).length === 0) forget('window', this.#kept);
    else keep('window', this.#kept, $state.snapshot(this.#typed));
  }
  isFresh(stage: Stage): boolean {
    return FIELDS.some((f) => {
      const typed = this.#typed[this.#key(stage, f)];
      return typed !== undefined && typed.trim() !== this.inBook(stage, f);
    });
  }

  /** A stage as it is typed; null where it cannot be read, and that is said where `says`. */
  #reading(stage: Stage, says: boolean): Omit<Reading, 'by'> | null {
    const { drive, rules } = this.sheet();
    const kept = this.#readingOf(stage);
    /** What was not touched stays what the book has, however its text would be read now. */
    const of = (field: SlackField) => this.#typed[this.#key(stage, field)] ?? (kept ? kept[field] : '');
    const read = readReading(
      { slack: of('slack'), slackest: of('slackest'), left: of('left'), right: of('right') },
      {
        how: wantedNow(this.sheet())?.how ?? 'in all',
        at: drive.at,
        finger: rules.finger,
        unit: this.unit(),
        lastMark: drive.adjuster.lastMark
      }
    );
    if (!read.ok) {
      if (says)
        for (const [field, message] of Object.entries(read.errors))
          this.errors[this.#key(stage, field as SlackField)] = message;
      return null;
    }
    const { ok: _, ...values } = read;
    const typed = this.#typed[this.#key(stage, 'slack')];
    return {
      id: stage,
      stage,
      ...values,
      typed: typed === undefined ? kept!.typed : withUnit(typed, this.unit())
    };
  }

  /** Something is typed that is not in the book yet: nothing is closed over it. */
  get waits(): boolean {
    return this.busy || STAGES.some((s) => this.isFresh(s) && this.text(s, 'slack').trim() !== '');
  }

  /** The readings of the check, with what is typed and can be read as if it were written. */
  get readings(): Reading[] {
    const fresh = STAGES.flatMap((stage) => {
      const r = this.isFresh(stage) ? this.#reading(stage, false) : null;
      return r ? [{ ...r, by: '' }] : [];
    });
    return [...(this.sheet().check?.readings ?? []), ...fresh];
  }
  get now(): ChainNow {
    return chainNow(this.sheet(), this.readings);
  }

  /** The hand leaves a stage: it is written, or what is wrong is said. @returns whether the hand may go on */
  async leave(stage: Stage): Promise<boolean> {
    if (!this.isFresh(stage)) return true;
    // Marks before the slack: they are read together, and written with it.
    if (this.text(stage, 'slack').trim() === '') return true;
    // It waits on this device as it stands here: that is one reading, and is sent once.
    const waits = this.#late.texts;
    const same = (f: SlackField) => {
      const typed = this.#typed[this.#key(stage, f)];
      return typed === undefined || waits[this.#key(stage, f)] === this.#asKept(f, typed);
    };
    if (waits[this.#key(stage, 'slack')] !== undefined && FIELDS.every(same)) return true;
    return this.#reading(stage, true) !== null && this.#write(stage);
  }
  #onItsWay: Promise<boolean> | null = null;
  async #write(stage: Stage): Promise<boolean> {
    // A field that is left while it is written is not written twice.
    if (this.#onItsWay) await this.#onItsWay;
    // What is typed by now goes with it.
    const reading = this.isFresh(stage) ? this.#reading(stage, true) : null;
    if (!reading) return !this.isFresh(stage);
    this.#onItsWay = this.#send(reading).finally(() => (this.#onItsWay = null));
    return this.#onItsWay;
  }
  async #send(reading: Omit<Reading, 'by'>): Promise<boolean> {
    const { machineId, check } = this.sheet();
    const keys = FIELDS.map((f) => this.#key(reading.stage, f));
    const was = Object.fromEntries(keys.map((k) => [k, this.#typed[k]]));
    // The same again, sent twice, is one reading; read the same once more later, it is another.
    const [id] = idsFor(['slack', machineId, check?.readings.length ?? 0, reading], 1);
    this.busy = true;
    const sent = await send('chain.measure', {
      checkId: check?.id ?? this.#newId,
      machineId,
      readings: [{ ...reading, id: id! }]
    });
    if (sent.ok) {
      this.#newId = crypto.randomUUID();
      this.said = '';
      await invalidateAll();
      for (const k of keys) {
        // What was typed meanwhile is not dropped with what was written.
        if (this.#typed[k] === was[k]) delete this.#typed[k];
        delete this.errors[k];
      }
      this.#store();
    } else
      for (const [field, message] of Object.entries(sent.errors)) {
        const at = /^readings\.0\.(slack|slackest|left|right)$/.exec(field);
        if (at) this.errors[this.#key(reading.stage, at[1] as SlackField)] = message;
        else this.said = message;
      }
    this.busy = false;
    return sent.ok || sent.more.retry === true;
  }
}
