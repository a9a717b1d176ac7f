import type { Kind } from '$lib/core/machine/machine';
import { nothingRidden, readRidden, riddenInWords } from '$lib/core/outing/ridden';
import type { Body } from '$lib/core/command/commands';
import type { Logged } from '$lib/core/schedule/logged';
import type { Sent, Typed } from '../form/send';
import type { NewFinding } from './new-finding';
import type { Settlement } from './Settle.svelte';

/** What its meter showed last, where that is not what the machine has run: it was replaced, or began late. */
export const meterApart = ({ meter, meterShows, total }: DayMachine): number | null =>
  meter === 'reckoned' || meterShows === total ? null : meterShows;

export interface DayMachine {
  id: string;
  plate: string;
  name: string;
  meter: string | null;
  total: number | null;
  meterShows: number | null;
  riderId: string | null;
  ready: boolean;
  kind: Kind;
}
const unsettled = (): Settlement => ({ as: '', reason: '', oldFinal: '', newStart: '' });
/** Fields that stand in the panel, and say there what is wrong with them. */
const IN_PANEL = ['distance', 'before', 'crossings'];

/** One machine's row of a race day: what is typed in it, and what came back. */
export class DayRow {
  readonly machine: DayMachine;
  id = crypto.randomUUID();
  typed = $state('');
  riderId = $state('');
  remark = $state('');
  ridden = $state(nothingRidden());
  /** What the remark names, to be written down with it. */
  findings = $state<NewFinding[]>([]);
  /** How it was ridden, in one line. */
  said = $state('');
  details = $state(false);
  askSure = $state(false);
  errors = $state<Record<string, string>>({});
  doubts = $state<string[]>([]);
  ways = $state<string[]>([]);
  settlement = $state(unsettled());
  saved = $state('');

  constructor(machine: DayMachine) {
    this.machine = machine;
    this.riderId = machine.riderId ?? '';
  }

  get reckoned(): boolean {
    return this.machine.meter === 'reckoned';
  }
  get written(): boolean {
    return (
      [this.typed, this.said, this.ridden.distance, this.remark].some((t) => t.trim() !== '') ||
      this.ridden.symptoms.length > 0
    );
  }
  get asked(): boolean {
    return this.doubts.length > 0 || Object.keys(this.errors).length > 0;
  }
  /** Whether something of how it was ridden is wrong: that is typed in one field. */
  get riddenWrong(): boolean {
    return 'ridden' in this.errors || IN_PANEL.some((k) => k in this.errors);
  }
  /** What is wrong with the row as a whole; a settlement and an open panel say it where it belongs. */
  get messages(): string[] {
    return Object.entries(this.errors)
      .filter(([k]) => !k.startsWith('settlement') && !(this.details && IN_PANEL.includes(k)))
      .map(([k, message]) => (k === 'distance' ? `Distance: ${message}` : message));
  }

  /** What was typed of the riding is read, and said back in full. False where it says nothing known. */
  hear(): boolean {
    const read = readRidden(this.said);
    if (read.ok) {
      this.ridden = { ...read.ridden, sure: this.ridden.sure };
      this.said = riddenInWords(this.ridden);
      delete this.errors.ridden;
    } else this.errors.ridden = read.problem;
    return read.ok;
  }
  /** What the remark names is reported: it stands in the line too. */
  report(symptoms: string[]): void {
    const more = symptoms.filter((s) => !this.ridden.symptoms.includes(s));
    this.ridden.symptoms = symptoms;
    // What the line does not understand yet is not lost over it.
    this.said = readRidden(this.said).ok ? riddenInWords(this.ridden) : [this.said, ...more].join(', ');
  }
  unfold(): void {
    if (this.details) this.said = riddenInWords(this.ridden);
    this.details = !this.details;
  }
  /** Typed anew: what was odd about it before is no longer asked. */
  touch(): void {
    Object.assign(this, { errors: {}, doubts: [], ways: [], settlement: unsettled(), saved: '' });
  }

  /** As the server takes it. */
  body(day: string, outing: string, eventId: string | null | undefined): Typed<Body<'reading.log'>> {
    return {
      ...this.ridden,
      id: this.id,
      machineId: this.machine.id,
      typed: this.typed,
      day,
      remark: this.remark,
      riderId: this.riderId || null,
      outing,
      eventId,
      settlement: this.settlement.as ? this.settlement : null
    };
  }

  /** Takes what the server said: written and empty again, or kept with its question. */
  take(answer: Sent<Logged>): void {
    if (answer.ok) {
      const { total, due } = answer.data;
      this.touch();
      Object.assign(this, {
        saved: `${total}${due.length > 0 ? `. Now: ${due.map((d) => `${d.name} ${d.left}, ${d.state}`).join('; ')}` : ''}`,
        id: crypto.randomUUID(),
        typed: '',
        remark: '',
        ridden: nothingRidden(),
        findings: [],
        said: '',
        details: false,
        askSure: false
      });
      return;
    }
    this.askSure = Boolean(answer.more.askSure);
    this.details ||= IN_PANEL.some((k) => answer.errors[k]);
    // While a settlement wants another word, its question stays.
    if (!Object.keys(answer.errors).some((k) => k.startsWith('settlement'))) {
      this.doubts = ((answer.more.doubts as { message: string }[]) ?? []).map((d) => d.message);
      this.ways = (answer.more.ways as string[]) ?? [];
    }
    this.errors =
      this.doubts.length > 0
        ? Object.fromEntries(Object.entries(answer.errors).filter(([k]) => k !== 'typed'))
        : answer.errors;
  }
}
