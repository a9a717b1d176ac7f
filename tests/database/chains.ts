import type { Input, Kind } from '../../src/lib/core/command/commands';
import { AFTERCARE, type Stage } from '../../src/lib/core/chain/check';
import { driveSchema, slackMeasureSchema } from '../../src/lib/core/chain/form';
import { componentSchema } from '../../src/lib/core/component/form';
import { taskSchema } from '../../src/lib/core/schedule/form';
import { figureSchema } from '../../src/lib/core/specs/form';
import type { FigureKey } from '../../src/lib/core/specs/sheet';
import { chainSheet } from '../../src/lib/server/chain/sheet';
import { at, byHours, NOW, openBook, uuid, type Book } from './book';
import { addComponent, addTask, command } from './hands';

export const ALL_SEEN = [...AFTERCARE];

/** A book of a machine whose sheet wants 35 to 45 mm of slack. Written a day after it was opened. */
export class ChainBook {
  private constructor(readonly book: Book) {}

  static async open(): Promise<ChainBook> {
    const opened = new ChainBook(await openBook());
    await opened.figure('chain slack', '35–45 mm');
    return opened;
  }

  send<K extends Exclude<Kind, 'team.found'>>(kind: K, input: Input<K>, now = at(24)): Promise<unknown> {
    const { sql, team, personId } = this.book;
    return command(sql, team, personId, kind, input, now);
  }
  rows(table: string) {
    return this.book.sql`select * from ${this.book.sql(table)} where team_id = ${this.book.team.id}`;
  }
  sheet() {
    return chainSheet(this.book.sql, this.book.team, this.book.machineId);
  }
  figure(key: FigureKey, typed: string) {
    const { machineId } = this.book;
    const said = { id: uuid(), machineId, key, typed, source: 'Workshop manual', confidence: 'printed' };
    return this.send('figure.add', figureSchema.parse(said));
  }

  /** Slack read in one go. @returns the check it is of */
  measure(readings: [Stage, number, object?][], now?: Date): Promise<string> {
    return this.send(
      'chain.measure',
      slackMeasureSchema.parse({
        checkId: uuid(),
        machineId: this.book.machineId,
        readings: readings.map(([stage, slack, more]) => ({
          id: uuid(),
          stage,
          slack,
          typed: `${slack}`,
          ...more
        }))
      }),
      now
    ) as Promise<string>;
  }
  close(checkId: string, more: Partial<Input<'chain.close'>> = {}, now?: Date) {
    return this.send('chain.close', { checkId, taskId: null, seen: [], leave: null, ...more }, now);
  }

  /** Screws with marks of 2 mm, of which there are twenty. */
  drive() {
    return this.send(
      'chain.drive',
      driveSchema.parse({
        machineId: this.book.machineId,
        at: 0.5,
        attitude: 'on the stand, wheel hanging',
        angle: '',
        adjuster: { kind: 'screws', back: 'out', perMark: '2', lastMark: '20', offset: '', zero: '' },
        chainSide: 'left',
        front: '',
        rear: '',
        links: '',
        halfLink: false
      })
    );
  }

  /** A part of the drive named as a component that has been on since the first of the month. @returns its id */
  async name(kind: string): Promise<string> {
    const { sql, team, personId, machineId } = this.book;
    const id = uuid();
    const part = { id, kind, name: `The ${kind}`, brought: '0', machineId, fittedOn: '2026-06-01' };
    await addComponent(sql, team, personId, componentSchema.parse(part), at(1));
    return id;
  }

  /** The chain task of its machine. @returns its id */
  async task(hours: string, job: string | null = null): Promise<string> {
    const { sql, team, personId, machineId } = this.book;
    const id = uuid();
    const task = { id, machineId, name: 'Chain', job, triggers: [byHours(hours)], lastDone: 'not known' };
    await addTask(sql, team, personId, taskSchema.parse(task), NOW);
    return id;
  }
}
