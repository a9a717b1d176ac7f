import { invalidateAll } from '$app/navigation';
import {
  NOTHING,
  standsOf,
  type CheckInput,
  type Reading,
  type Stage,
  type ValveStand
} from '$lib/core/valve/check';
import type { Limits, Measured } from '$lib/core/valve/clearance';
import type { Body } from '$lib/core/command/commands';
import { valvesPlace } from '$lib/core/command-rule';
import { isCold } from '$lib/core/valve/cold';
import type { ClearanceUnit } from '$lib/core/valve/limits';
import { readMicrometer, readStamp } from '$lib/core/valve/stamp';
import { measuredTyped, readClearance } from '$lib/core/valve/typed';
import type { Series } from '$lib/core/valve/shim';
import { forget, keep, kept, texts } from '../base/kept';
import { idsFor, send } from '../form/send';
import { LateFields } from '../outbox/late';
import type { Kept } from '../offline/store';

/** What the desk works on, as the page has it. */
export interface DeskData {
  headId: string;
  input: CheckInput;
  series: Series | null;
  ranAt: Date | null;
  /** Hours an engine stands until it is stone cold. */
  coldAfterHours: number;
  visitId: string | null;
  unit: ClearanceUnit;
}
export type ShimField = 'stamp' | 'measured';

/** What is wrong with a field; with `sure` it may be so, and is taken when somebody says it. */
export interface FieldError {
  message: string;
  sure?: Measured;
}

/**
 * The valves of one head being measured: what is typed and not written yet, judged while it is typed, and written when the hand
 * goes on. What the server did not take stays in its field.
 */
export class ValveDesk {
  picked = $state<string | null>(null);
  /** Somebody says that it is stone cold. */
  cold = $state(false);
  busy = $state(false);
  /** Of the desk as a whole: the server is away, the engine is not cold. */
  said = $state('');
  errors = $state<Record<string, FieldError>>({});
  #typed = $state<Record<string, string>>({});
  /** The check that would be begun. */
  #newId: string = crypto.randomUUID();
  readonly #kept: string;

  constructor(readonly data: () => DeskData) {
    this.#kept = `valves ${data().headId}`;
    this.#typed = texts(kept('window', this.#kept));
  }

  readonly #late = new LateFields(
    () => valvesPlace(this.data().headId),
    (kept) => this.#fieldsOf(kept)
  );
  /** What waits on this device since an earlier page stands in its fields again, and goes into the check that was begun with it. */
  restore(): void {
    this.#late.restore((commands, texts) => {
      for (const kept of commands)
        if (kept.kind === 'valve.measure') this.#newId = (kept.body as Body<'valve.measure'>).checkId;
      this.#typed = { ...texts, ...this.#typed };
    });
  }
  /** Once that is in the book it is held here no longer. @returns ends it */
  follow(): () => void {
    return this.#late.follow((fields) => {
      this.said = '';
      this.#settle(fields, this.#typed);
    });
  }
  /** What was sent, by the field it was typed in. */
  #fieldsOf(kept: Kept): Record<string, string> {
    if (kept.kind === 'valve.measure') {
      const { readings } = kept.body as { readings: { valve: string; stage: Stage; measured: Measured }[] };
      return Object.fromEntries(
        readings.map(({ valve, stage, measured }) => [this.#key(valve, stage), exactly(measured)])
      );
    }
    const { valve, ...shim } = kept.body as { valve: string } & Record<ShimField, number | null>;
    return Object.fromEntries(
      (['stamp', 'measured'] as const).map((f) => [
        this.#key(valve, f),
        shim[f] === null ? '' : (shim[f] / 1000).toFixed(3)
      ])
    );
  }

  readonly #key = (valve: string, field: Stage | ShimField) => `${field} ${valve}`;
  /** A field's text: as typed, or as it stands in the book. */
  text(valve: string, field: Stage | ShimField): string {
    return this.#typed[this.#key(valve, field)] ?? this.inBook(valve, field);
  }
  inBook(valve: string, field: Stage | ShimField): string {
    const { input, unit } = this.data();
    const s = this.book.find((x) => x.valve.id === valve);
    if (field === 'found' || field === 'left') {
      const r = s?.[field];
      return r ? measuredTyped(r.measured, unit) : '';
    }
    const shim = input.shims.findLast((x) => x.valve === valve);
    const um = shim?.[field];
    return um === null || um === undefined
      ? ''
      : (um / 1000).toFixed(field === 'stamp' && um % 10 === 0 ? 2 : 3);
  }
  isFresh(valve: string, field: Stage | ShimField): boolean {
    const typed = this.#typed[this.#key(valve, field)];
    return typed !== undefined && typed.trim() !== this.inBook(valve, field);
  }
  type(valve: string, field: Stage | ShimField, text: string): void {
    const key = this.#key(valve, field);
    this.#typed[key] = text;
    delete this.errors[key];
    keep('window', this.#kept, $state.snapshot(this.#typed));
  }
  errorOf(valve: string, field: Stage | ShimField): FieldError | null {
    return this.errors[this.#key(valve, field)] ?? null;
  }
  #settle(keys: readonly string[], as: Readonly<Record<string, string | undefined>>): void {
    for (const key of keys) {
      // What was typed meanwhile is not dropped with what was written.
      if (this.#typed[key] === as[key]) delete this.#typed[key];
      delete this.errors[key];
    }
    if (Object.keys(this.#typed).length === 0) forget('window', this.#kept);
    else keep('window', this.#kept, $state.snapshot(this.#typed));
  }

  /** As the book has it. */
  get book(): ValveStand[] {
    return standsOf(this.data().input);
  }
  /** The same with what is typed and can be read, as if it were written. */
  get stands(): ValveStand[] {
    const { input } = this.data();
    const fresh = this.#pending().map(({ valve, stage, measured }): Reading => ({
      id: `${stage} ${valve}`,
      valve,
      stage,
      measured,
      by: ''
    }));
    return fresh.length === 0
      ? this.book
      : standsOf({ ...input, checkId: input.checkId ?? '', readings: [...input.readings, ...fresh] }).map(
          (s) => ({
            ...s,
            against: null
          })
        );
  }
  limitsOf(valve: string): Limits | null {
    return this.book.find((s) => s.valve.id === valve)?.limits ?? null;
  }

  /** By the book it is stone cold, or nobody knows. */
  get coldByBook(): boolean {
    const { ranAt, coldAfterHours } = this.data();
    return isCold(ranAt?.getTime() ?? null, Date.now(), coldAfterHours);
  }
  get mayMeasure(): boolean {
    return this.data().input.checkId !== null || this.coldByBook || this.cold;
  }

  #pending(): { valve: string; stage: Stage; measured: Measured }[] {
    const { unit } = this.data();
    return Object.entries(this.#typed).flatMap(([key, text]) => {
      const [stage, valve] = key.split(' ') as [Stage, string];
      if ((stage !== 'found' && stage !== 'left') || !this.isFresh(valve, stage)) return [];
      const read = readClearance(text, unit, this.limitsOf(valve));
      return read.ok ? [{ valve, stage, measured: read.measured }] : [];
    });
  }

  /** Whether what stands in a field can be read; what is wrong with it is said there. */
  readable(valve: string, field: Stage | ShimField): boolean {
    if (!this.isFresh(valve, field)) return true;
    if (field !== 'found' && field !== 'left') return this.#shimOf(valve) !== null;
    return this.#readingOf(valve, field) !== null;
  }
  /** A reading as it is typed; null where it cannot be read, and that is said at its field. */
  #readingOf(valve: string, stage: Stage): Measured | null {
    const key = this.#key(valve, stage);
    const text = this.text(valve, stage);
    // Emptied: what was measured is taken back.
    if (text.trim() === '') return NOTHING;
    const read = readClearance(text, this.data().unit, this.limitsOf(valve));
    if (read.ok) return read.measured;
    this.errors[key] = { message: read.message, ...(read.sure && { sure: read.sure }) };
    return null;
  }
  /** Stamp and micrometer as they are typed; null where one of them cannot be read, and that is said at its field. */
  #shimOf(valve: string): Record<ShimField, number | null> | null {
    const { series } = this.data();
    const read = (field: ShimField) => {
      const text = this.text(valve, field).trim();
      if (text === '') return null;
      const size = field === 'stamp' ? readStamp(text, series) : readMicrometer(text, series);
      if (size.ok) return size.um;
      this.errors[this.#key(valve, field)] = { message: size.message };
      return undefined;
    };
    const [stamp, measured] = [read('stamp'), read('measured')];
    return stamp === undefined || measured === undefined ? null : { stamp, measured };
  }

  /** A field was left: what stands in it is written, or what is wrong is said. @returns whether the hand may go on */
  async leave(valve: string, field: Stage | ShimField): Promise<boolean> {
    if (!this.isFresh(valve, field)) {
      delete this.#typed[this.#key(valve, field)];
      return true;
    }
    // It waits on this device as it stands here: that is one reading, and is sent once.
    if (this.#late.texts[this.#key(valve, field)] === this.text(valve, field)) return true;
    return field === 'found' || field === 'left' ? this.#leaveReading(valve, field) : this.#leaveShim(valve);
  }

  async #leaveReading(valve: string, stage: Stage): Promise<boolean> {
    const measured = this.#readingOf(valve, stage);
    return measured !== null && this.write(valve, stage, measured);
  }

  /** Somebody says that it is stone cold: what was typed before is written now. */
  async sayCold(cold: boolean): Promise<void> {
    this.cold = cold;
    if (cold) await this.#writeAll(this.#pending());
  }

  /** Writes what was measured at a valve. */
  write(valve: string, stage: Stage, measured: Measured): Promise<boolean> {
    return this.#writeAll([{ valve, stage, measured }]);
  }

  /** What is on its way, by what it says: a field that is left while it is written is not written twice. */
  readonly #onItsWay: Record<string, Promise<boolean>> = {};
  #once(what: unknown, write: () => Promise<boolean>): Promise<boolean> {
    const key = JSON.stringify(what);
    const there = this.#onItsWay[key];
    if (there) return there;
    const mine = write().finally(() => delete this.#onItsWay[key]);
    this.#onItsWay[key] = mine;
    return mine;
  }

  #writeAll(readings: readonly { valve: string; stage: Stage; measured: Measured }[]): Promise<boolean> {
    return readings.length === 0
      ? Promise.resolve(true)
      : this.#once(readings, () => this.#sendAll(readings));
  }
  async #sendAll(readings: readonly { valve: string; stage: Stage; measured: Measured }[]): Promise<boolean> {
    const keys = readings.map((r) => this.#key(r.valve, r.stage));
    if (!this.mayMeasure) {
      this.said = 'Clearances are measured stone cold. Feel the cylinder, and say so above.';
      return false;
    }
    const { headId, visitId, input } = this.data();
    const was = Object.fromEntries(keys.map((key) => [key, this.#typed[key]]));
    // The same again, sent twice, is one reading; measured the same once more later, it is another.
    const ids = idsFor(['readings', headId, input.readings.length, readings], readings.length);
    this.busy = true;
    const sent = await send('valve.measure', {
      checkId: input.checkId ?? this.#newId,
      headId,
      visitId,
      cold: this.cold || !this.coldByBook ? 'said' : 'by the book',
      readings: readings.map((r, i) => ({ ...r, id: ids[i]! }))
    });
    if (sent.ok) {
      this.#newId = crypto.randomUUID();
      this.said = '';
      await invalidateAll();
      this.#settle(keys, was);
    } else {
      if (sent.more.retry) this.#keep(readings);
      for (const [field, message] of Object.entries(sent.errors)) {
        const at = /^readings\.(\d+)\.measured/.exec(field);
        if (at) this.errors[keys[Number(at[1])]!] = { message };
        else this.said = message;
      }
    }
    this.busy = false;
    // Kept here it is judged as it would be in the book, and the hand may go on.
    return sent.ok || sent.more.retry === true;
  }

  /** No answer: what was said by a press stands in its field too, exactly, until it can be written. */
  #keep(readings: readonly { valve: string; stage: Stage; measured: Measured }[]): void {
    for (const { valve, stage, measured } of readings) this.type(valve, stage, exactly(measured));
  }

  /** What seemed a slip is so. */
  async sure(valve: string, stage: Stage): Promise<boolean> {
    const measured = this.errorOf(valve, stage)?.sure;
    return measured ? this.write(valve, stage, measured) : false;
  }

  /** Stamp and micrometer of the shim in a valve. Both fields are one shim: written together. */
  #leaveShim(valve: string): Promise<boolean> {
    return this.#once(['shim', valve, this.text(valve, 'stamp'), this.text(valve, 'measured')], () =>
      this.#sendShim(valve)
    );
  }
  async #sendShim(valve: string): Promise<boolean> {
    const { headId, input } = this.data();
    const keys = { stamp: this.#key(valve, 'stamp'), measured: this.#key(valve, 'measured') };
    const shim = this.#shimOf(valve);
    if (!shim) return false;
    const { stamp, measured } = shim;
    if (stamp === null && measured === null) {
      this.#settle([keys.stamp, keys.measured], this.#typed);
      return true;
    }
    const was = { [keys.stamp]: this.#typed[keys.stamp], [keys.measured]: this.#typed[keys.measured] };
    const body = { headId, checkId: input.checkId, valve, stamp, measured };
    const [id] = idsFor(['shim', input.shims.length, body], 1);
    this.busy = true;
    const sent = await send('valve.shim', { id: id!, ...body });
    if (sent.ok) {
      this.said = '';
      await invalidateAll();
      this.#settle(Object.values(keys), was);
    } else
      for (const [field, message] of Object.entries(sent.errors))
        if (field === 'stamp' || field === 'measured') this.errors[keys[field]] = { message };
        else this.said = message;
    this.busy = false;
    return sent.ok;
  }
}
/** A measured clearance as it can be typed, to the last micrometre. */
const exactly = (m: Measured): string =>
  m.by === 'blades' && m.goes === null && m.stops === null ? '' : `${measuredTyped(m, 'mm')} mm`;
