import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { STRAINS } from '../../core/outing/outing';
import { firstTaskSchema, taskChangeSchema, taskSchema } from '../../core/schedule/form';
import { MEASURES, type SavedTask } from '../../core/schedule/task';
import { usualTasks } from '../../core/machine/usual';
import {
  asSent,
  draftOf,
  emptyTask,
  emptyTrigger,
  firstTasks,
  likeDrafts,
  ofKind,
  usualDraft
} from './draft';

const uuid = () => crypto.randomUUID();

describe('a task ready to be changed', () => {
  const trigger = fc
    .record({
      measure: fc.constantFrom(...MEASURES),
      interval: fc.integer({ min: 1, max: 90 }),
      over: fc.option(fc.integer({ min: 0, max: 9 })),
      first: fc.option(fc.integer({ min: 1, max: 50 }))
    })
    .map(({ measure, interval, over, first }) => {
      // Hours are typed to hundredths, distances to whole kilometres and tenths.
      const scale = measure === 'hours' ? 7 : measure === 'distance' ? 110 : 1;
      return {
        id: uuid(),
        measure,
        of: measure === 'times' ? { id: uuid(), name: 'Oil' } : null,
        interval: interval * scale,
        limit: over === null ? null : (interval + over) * scale,
        firstInterval: first === null ? null : first * scale,
        firstLimit: null,
        shortenedTo: null
      };
    });
  const saved = fc.record({
    name: fc.constantFrom('Engine oil', 'Chain'),
    job: fc.constantFrom(null, 'engine-oil'),
    note: fc.constant('as the sheet says'),
    triggers: fc.uniqueArray(trigger, { selector: (t) => t.measure, minLength: 1, maxLength: 4 }),
    ageing: fc.constantFrom(null, 'by the meter' as const, 'by the riding' as const),
    anchoring: fc.constantFrom(null, 'from done' as const, 'from due' as const),
    sensitivity: fc.dictionary(
      fc.constantFrom(...STRAINS),
      fc.integer({ min: 11, max: 99 }).map((n) => n / 10)
    ),
    perPart: fc.boolean(),
    restartsOnRebuild: fc.boolean(),
    answers: fc.subarray(['clutch slips', 'crash'])
  });
  it('sent back as it was, is what it was', () => {
    fc.assert(
      fc.property(saved, (task) => {
        const sent = taskChangeSchema.parse({
          ...asSent(draftOf(task as SavedTask)),
          id: uuid(),
          taskId: uuid()
        });
        expect(sent).toMatchObject({
          name: task.name,
          job: task.job,
          note: task.note,
          ageing: task.ageing,
          anchoring: task.anchoring,
          perPart: task.perPart,
          restartsOnRebuild: task.restartsOnRebuild,
          answers: task.answers,
          sensitivity: task.sensitivity
        });
        expect(
          sent.triggers.map((t) => [t.id, t.measure, t.ofTaskId, t.interval, t.limit, t.firstInterval])
        ).toEqual(
          task.triggers.map((t) => [t.id, t.measure, t.of?.id ?? null, t.interval, t.limit, t.firstInterval])
        );
      })
    );
  });
  it('new and empty, says what it wants', () => {
    const parsed = taskSchema.safeParse({ ...asSent(emptyTask()), id: uuid(), machineId: uuid() });
    expect(parsed.error!.issues.map((i) => i.path.join('.'))).toEqual(
      expect.arrayContaining(['name', 'triggers.0.every', 'lastDone'])
    );
    expect(emptyTrigger('races')).toMatchObject({ measure: 'races', every: '', ofTaskId: null });
    expect(emptyTrigger().id).not.toBe(emptyTrigger().id);
  });
});

describe('tasks a new machine comes with', () => {
  const saved = (id: string, name: string, triggers: SavedTask['triggers']): SavedTask & { id: string } => ({
    id,
    name,
    job: null,
    note: '',
    triggers,
    ageing: null,
    anchoring: null,
    sensitivity: {},
    perPart: false,
    restartsOnRebuild: true,
    answers: []
  });
  const trigger = (
    measure: 'hours' | 'times',
    of: { id: string; name: string } | null,
    interval: number
  ) => ({
    id: uuid(),
    measure,
    of,
    interval,
    limit: null,
    firstInterval: null,
    firstLimit: null,
    shortenedTo: null
  });

  it('are sent with the intervals that were written, and with none where none was', () => {
    const [oil, air] = usualTasks('two-stroke motocross').map(usualDraft);
    oil!.triggers[0]!.every = '20';
    const sent = firstTasks([oil!, air!, { ...air!, on: false }], 'not known');
    const read = sent.map((t) => firstTaskSchema.parse(t));
    expect(read.map((t) => [t.name, t.triggers.map((g) => g.interval)])).toEqual([
      ['Gearbox oil', [2000]],
      ['Air filter', []]
    ]);
  });
  it('are those of the kind, and what was begun for another kind is not lost', () => {
    const two = ofKind([], usualTasks('two-stroke motocross'));
    const air = two.find((t) => t.name === 'Air filter')!;
    const gearbox = two.find((t) => t.name === 'Gearbox oil')!;
    air.triggers[0]!.every = '5';
    gearbox.triggers[0]!.limit = '25';
    const four = ofKind(two, usualTasks('four-stroke motocross'));
    expect(four.filter((t) => t.name === 'Air filter')).toEqual([air]);
    expect(four.at(-1)).toBe(gearbox);
    expect(four.map((t) => t.name)).not.toContain('Piston and rings');
  });
  it('are those of a sister, under ids of their own; what counts another counts the new one', () => {
    const [oil, rings, gone] = [uuid(), uuid(), uuid()];
    const [first, second] = likeDrafts([
      saved(rings, 'Small rings', [
        trigger('times', { id: oil, name: 'Oil' }, 3),
        trigger('times', { id: gone, name: 'Gone' }, 2)
      ]),
      saved(oil, 'Oil', [trigger('hours', null, 1500)])
    ]);
    expect([first!.name, second!.name]).toEqual(['Oil', 'Small rings']);
    expect(first!.triggers.map((t) => t.every)).toEqual(['15']);
    expect(second!.triggers.map((t) => [t.every, t.ofTaskId])).toEqual([['3', first!.id]]);
    expect([oil, rings]).not.toContain(first!.id);
    for (const t of firstTasks([first!, second!], 'new'))
      expect(firstTaskSchema.safeParse(t).success).toBe(true);
  });
});
