import type { Input, Kind } from '../../src/lib/core/command/commands';
import { taskSchema } from '../../src/lib/core/schedule/form';
import { figureSchema } from '../../src/lib/core/specs/form';
import type { Measured } from '../../src/lib/core/valve/clearance';
import { measureSchema } from '../../src/lib/core/valve/form';
import { USUAL_LAYOUTS, type Layout, type Side } from '../../src/lib/core/valve/head';
import { at, byHours, NOW, openBook, uuid, type Book } from './book';
import { addTask, command } from './hands';

export const [IL, IR, EL, ER] = [
  '1-inlet-left',
  '1-inlet-right',
  '1-exhaust-left',
  '1-exhaust-right'
] as const;
export const blades = (goes: number | null, stops: number | null): Measured => ({
  by: 'blades',
  goes,
  stops
});
/** All four within the limits of the book that `openHead` opens. */
export const WELL: [string, Measured][] = [
  [IL, blades(100, 125)],
  [IR, blades(125, 150)],
  [EL, blades(200, 225)],
  [ER, blades(225, 250)]
];

/** A book with a head laid out, and limits for both sides: 0.10 to 0.15 and 0.20 to 0.25 mm. Written a day after it was opened. */
export class HeadBook {
  private constructor(
    readonly book: Book,
    readonly headId: string
  ) {}

  static async open(layout: Layout = USUAL_LAYOUTS[0]!.layout): Promise<HeadBook> {
    const book = await openBook();
    const head = { id: uuid(), machineId: book.machineId, layout };
    const headId = await command(book.sql, book.team, book.personId, 'head.set', head, at(24));
    const opened = new HeadBook(book, headId as string);
    await opened.limits('inlet', '0.10–0.15 mm');
    await opened.limits('exhaust', '0.20–0.25 mm');
    return opened;
  }

  send<K extends Exclude<Kind, 'team.found'>>(kind: K, input: Input<K>, now = at(24)): Promise<unknown> {
    return command(this.book.sql, this.book.team, this.book.personId, kind, input, now);
  }

  limits(side: Side, typed: string) {
    const { machineId } = this.book;
    return this.send(
      'figure.add',
      figureSchema.parse({
        id: uuid(),
        machineId,
        key: `${side} valve clearance`,
        typed,
        source: 'Workshop manual',
        confidence: 'printed'
      })
    );
  }

  /** Valves measured in one go. @returns the check they are of */
  measure(
    readings: [valve: string, measured: Measured, stage?: 'found' | 'left'][],
    more: { checkId?: string; visitId?: string; cold?: 'said' | 'by the book'; now?: Date } = {}
  ): Promise<string> {
    return this.send(
      'valve.measure',
      measureSchema.parse({
        checkId: more.checkId ?? uuid(),
        headId: this.headId,
        visitId: more.visitId,
        cold: more.cold ?? 'said',
        readings: readings.map(([valve, measured, stage = 'found']) => ({
          id: uuid(),
          valve,
          stage,
          measured
        }))
      }),
      more.now
    ) as Promise<string>;
  }

  /** A shim read where it sits. */
  readShim(valve: string, stamp: number, more: { measured?: number; now?: Date } = {}) {
    const shim = {
      id: uuid(),
      headId: this.headId,
      checkId: null,
      valve,
      stamp,
      measured: more.measured ?? null
    };
    return this.send('valve.shim', shim, more.now);
  }

  /** The valve task of its machine. @returns its id */
  async task(hours: string, job: string | null = null): Promise<string> {
    const { sql, team, personId, machineId } = this.book;
    const id = uuid();
    const task = { id, machineId, name: 'Valve clearances', job, triggers: [byHours(hours)] };
    await addTask(sql, team, personId, taskSchema.parse({ ...task, lastDone: 'not known' }), NOW);
    return id;
  }

  rows(table: string) {
    return this.book.sql`select * from ${this.book.sql(table)} where team_id = ${this.book.team.id}`;
  }
}
