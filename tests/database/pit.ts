import { addComponent, addMachine, addTask, moveComponent, swapComponents } from './hands';
import { expect } from 'vitest';
import { componentSchema, moveSchema, swapSchema } from '../../src/lib/core/component/form';
import { machineSchema } from '../../src/lib/core/machine/form';
import { taskSchema } from '../../src/lib/core/schedule/form';
import { getComponent } from '../../src/lib/server/component/pages';
import { Refusal } from '../../src/lib/server/base/refusal';
import { lanesOf } from '../../src/lib/server/trail/lanes';
import { Book, byHours, NOW, openBook, uuid } from './book';

const HOUR = 3_600_000;
export const later = (hours: number) => new Date(NOW.getTime() + hours * HOUR);

/** Two machines, each with an engine that has an oil task: 7 stands at 38.4 h, 9 at 80 h. */
export class Pit {
  constructor(
    readonly book: Book,
    readonly other: string,
    readonly a: string,
    readonly b: string,
    readonly oilA: string,
    readonly oilB: string
  ) {}
  static async open(): Promise<Pit> {
    const book = await openBook();
    const pit = new Pit(book, uuid(), uuid(), uuid(), uuid(), uuid());
    const before = new Date(NOW.getTime() - 5 * 24 * HOUR);
    await addMachine(
      book.sql,
      book.team,
      book.personId,
      machineSchema.parse({
        id: pit.other,
        plate: '9',
        name: 'Barrow 300',
        kind: 'four-stroke enduro',
        meter: 'hour meter',
        reading: '80',
        tasks: []
      }),
      before
    );
    for (const [id, machineId, oil, brought, done] of [
      [pit.a, book.machineId, pit.oilA, '30', '25'],
      [pit.b, pit.other, pit.oilB, '70', '64']
    ] as const) {
      await addComponent(
        book.sql,
        book.team,
        book.personId,
        componentSchema.parse({
          id,
          kind: 'engine',
          name: `Engine ${brought}`,
          brought,
          machineId,
          fittedOn: '2026-06-05'
        }),
        before
      );
      await addTask(
        book.sql,
        book.team,
        book.personId,
        taskSchema.parse({
          id: oil,
          componentId: id,
          name: 'Engine oil change',
          triggers: [byHours('15', { first: '3' })],
          lastDone: 'done',
          lastDoneDay: '2026-06-01',
          lastDoneHours: done
        }),
        before
      );
    }
    return pit;
  }
  get sql() {
    return this.book.sql;
  }
  /** What a machine's lane says is left of a task. */
  async left(machineId: string, task = 'Engine oil change', now = later(48)): Promise<string | undefined> {
    const [lane] = await lanesOf(this.sql, this.book.team, [machineId], now);
    return lane!.stakes.find((s) => s.name === task)?.left;
  }
  hours = async (id: string) => (await getComponent(this.sql, this.book.team.id, id))!.total;
  swap = (more: object = {}, now = later(10)) =>
    swapComponents(
      this.sql,
      this.book.team,
      this.book.personId,
      swapSchema.parse({ id: uuid(), componentId: this.a, withId: this.b, day: '2026-06-11', ...more }),
      now
    );
  move = (more: object, now = later(10)) =>
    moveComponent(
      this.sql,
      this.book.team,
      this.book.personId,
      moveSchema.parse({ id: uuid(), day: '2026-06-11', ...more }),
      now
    );
  log = (machineId: string, typed: string, more: object, now: Date) =>
    this.book.log(typed, { machineId, ...more }, now);
}

export const refused = async (work: Promise<unknown>): Promise<Refusal> => {
  const e = await work.then(
    () => null,
    (x: unknown) => x
  );
  expect(e).toBeInstanceOf(Refusal);
  return e as Refusal;
};
