import { describe, expect, it } from 'vitest';
import { daysTypedOrNone, errorsByField, hoursTyped, hoursTypedOrNone } from './forms';
import { swapSchema } from './component/form';
import { raceDaySchema, readingSchema } from './hours/form';
import { eventSchema } from './outing/form';
import { machineSchema } from './machine/form';
import { personSchema, teamSchema } from './team/form';
import { doneSchema, taskSchema } from './schedule/form';
import { fastenerSchema, figureSchema } from './specs/form';
import type { z } from 'zod';

const id = '0b0a1c6e-4f0e-4b39-9f4f-6c1df3a0a001';
const errors = (schema: z.ZodType, value: unknown) => {
  const parsed = schema.safeParse(value);
  return parsed.success ? {} : errorsByField(parsed.error);
};

it('what is to be picked from a list and was not is asked for in words', () => {
  const swap = {
    id,
    componentId: id,
    withId: '',
    day: '2026-06-10',
    reading: '',
    withReading: '',
    reason: ''
  };
  expect(errors(swapSchema, swap)).toEqual({ withId: 'Pick one.' });
});

describe('hours as typed', () => {
  it.each([
    ['38.4', 3840],
    ['38,4', 3840],
    ['2h30', 250],
    ['150 min', 250],
    [' 0 ', 0],
    ['1/2', 50]
  ])('%j is %i hundredths', (text, c) => expect(hoursTyped.parse(text)).toBe(c));
  it.each(['', 'plenty', '-1', '1,250', '38.4 km', '99999999', '1e5'])(
    '%j is refused, saying what would do',
    (text) =>
      expect(hoursTyped.safeParse(text).error!.issues[0]!.message).toMatch(
        /Write|Below zero|Is that|No hour meter/
      )
  );
  it('may be left empty where that is allowed', () => {
    expect(hoursTypedOrNone.parse('')).toBeNull();
    expect(hoursTypedOrNone.parse(undefined)).toBeNull();
    expect(hoursTypedOrNone.safeParse('x').success).toBe(false);
  });
  it('days are whole', () => {
    expect(daysTypedOrNone.parse('365')).toBe(365);
    expect(daysTypedOrNone.parse('')).toBeNull();
    for (const bad of ['0', '1.5', '-3', '999999'])
      expect(daysTypedOrNone.safeParse(bad).success).toBe(false);
  });
});

describe('a reading', () => {
  const good = { id, machineId: id, typed: '38.4', day: '2026-06-10' };
  it('is taken with the least that makes it one', () =>
    expect(readingSchema.parse(good)).toMatchObject({
      typed: { as: 'meter', value: 3840 },
      outing: null,
      settlement: null,
      remark: ''
    }));
  it.each([
    [{ ...good, day: '2026-02-30' }, 'day'],
    [{ ...good, typed: '' }, 'typed'],
    [{ ...good, remark: 'x'.repeat(10_001) }, 'remark'],
    [{ ...good, machineId: '' }, 'machineId'],
    [{ ...good, settlement: { as: 'reading is right', reason: ' ' } }, 'settlement.reason'],
    [
      { ...good, settlement: { as: 'meter was replaced', reason: 'x', oldFinal: 'lots' } },
      'settlement.oldFinal'
    ]
  ])('%j is refused at %s', (bad, field) => expect(errors(readingSchema, bad)).toHaveProperty([field]));
  it.each([
    ['+2h30', { as: 'ridden', value: 250 }],
    [' ~ ', { as: 'estimate' }],
    ['38,4', { as: 'meter', value: 3840 }]
  ])('%j is read as %j', (typed, read) =>
    expect(readingSchema.parse({ ...good, typed }).typed).toEqual(read)
  );
  it('an outing may come without hours, if it says anything at all', () => {
    const outing = { ...good, typed: '', outing: 'race' };
    expect(errors(readingSchema, outing)).toHaveProperty('typed');
    expect(errors(readingSchema, { ...outing, distance: '34 km' })).toEqual({});
    expect(errors(readingSchema, { ...outing, symptoms: ['clutch slips'] })).toEqual({});
    expect(readingSchema.parse({ ...outing, distance: '21 mi' }).distance).toBe(3380);
    expect(errors(readingSchema, { ...good, outing: 'race', before: '40' })).toHaveProperty('before');
    expect(errors(readingSchema, { ...outing, distance: 'far', crossings: '-1' })).toMatchObject({
      distance: expect.any(String),
      crossings: expect.any(String)
    });
  });
  it('a race day needs a row and has an end', () => {
    expect(errors(raceDaySchema, { rows: [] })).toHaveProperty('rows');
    expect(errors(raceDaySchema, { rows: Array(501).fill({}) })).toHaveProperty('rows');
  });
});

describe('a task', () => {
  const trigger = (more: object = {}) => ({ id, measure: 'hours', every: '20', ...more });
  const good = { id, machineId: id, name: 'Gearbox oil', triggers: [trigger()], lastDone: 'not known' };
  it('is due by any measure, each typed as that is typed', () => {
    const measures = [
      ['hours', '7h30', 750],
      ['distance', '500 km', 50_000],
      ['distance', '300 mi', 48_280],
      ['days', '365', 365],
      ['races', '2', 2]
    ] as const;
    for (const [measure, every, interval] of measures)
      expect(
        taskSchema.parse({ ...good, triggers: [trigger({ measure, every })] }).triggers[0]
      ).toMatchObject({
        measure,
        interval,
        limit: null
      });
  });
  it.each([
    [{ every: '' }, 'every'],
    [{ every: '0' }, 'every'],
    [{ every: '-3' }, 'every'],
    [{ every: '99999' }, 'every'],
    [{ limit: '19' }, 'limit'],
    [{ measure: 'races', every: '1.5' }, 'every'],
    [{ measure: 'races', every: '2', limit: '1' }, 'limit'],
    [{ firstLimit: '5' }, 'firstLimit'],
    [{ first: '5', firstLimit: '3' }, 'firstLimit'],
    [{ measure: 'times', every: '3' }, 'ofTaskId'],
    [{ measure: 'moons' }, 'measure']
  ])('a trigger with %j is refused at %s', (change, field) =>
    expect(errors(taskSchema, { ...good, triggers: [trigger(change)] })).toHaveProperty([
      `triggers.0.${field}`
    ])
  );
  it.each([
    [{ triggers: [] }, 'triggers'],
    [{ triggers: [trigger(), trigger()] }, 'triggers.1.measure'],
    [{ lastDone: 'done', lastDoneDay: '' }, 'lastDoneDay'],
    [{ lastDone: '' }, 'lastDone'],
    [{ name: '  ' }, 'name'],
    [{ job: 'x'.repeat(41) }, 'job'],
    [{ sensitivity: { dust: '0.5' } }, 'sensitivity.dust'],
    [{ sensitivity: { dust: '20' } }, 'sensitivity.dust'],
    [{ answers: ['bored'] }, 'answers.0'],
    [{ componentId: id }, ''],
    [{ machineId: null }, '']
  ])('with %j is refused at %s', (change, field) =>
    expect(errors(taskSchema, { ...good, ...change })).toHaveProperty([field])
  );
  it('keeps only the sensitivities that say something', () =>
    expect(
      taskSchema.parse({ ...good, sensitivity: { dust: '1,5', mud: '', heat: '1' } }).sensitivity
    ).toEqual({
      dust: 1.5
    }));
  it('is done at hours the book has, at stated ones, or at none that anyone knows', () => {
    const done = { id, taskId: id, day: '2026-06-10' };
    expect(['', '?', '38.4'].map((hours) => doneSchema.parse({ ...done, hours }).hours)).toEqual([
      'book',
      null,
      3840
    ]);
    expect(errors(doneSchema, { ...done, hours: 'many' })).toHaveProperty('hours');
  });
});

describe('the other forms', () => {
  const machine = {
    id,
    plate: '7',
    name: 'Barrow',
    kind: 'electric',
    meter: 'reckoned',
    reading: '0',
    tasks: []
  };
  it('a machine', () => {
    expect(errors(machineSchema, machine)).toEqual({});
    // Nobody has read it yet.
    expect(machineSchema.parse({ ...machine, reading: '' })).toMatchObject({ reading: null });
    expect(
      errors(machineSchema, { ...machine, plate: '123456789', kind: 'hovercraft', reading: 'lots' })
    ).toEqual({
      plate: 'At most 8 characters.',
      kind: 'Pick what it is.',
      reading: expect.stringContaining('figure')
    });
    expect(
      errors(machineSchema, {
        ...machine,
        tasks: [{ id, name: '', triggers: [{ id, measure: 'hours', every: '5' }], lastDone: 'new' }]
      })
    ).toHaveProperty(['tasks.0.name']);
    // Work whose interval nobody has looked up yet is in the book all the same, once.
    const oil = { id, name: 'Oil', triggers: [], lastDone: 'not known' };
    expect(errors(machineSchema, { ...machine, tasks: [oil] })).toEqual({});
    expect(errors(machineSchema, { ...machine, tasks: [oil, { ...oil, name: 'oil' }] })).toEqual({
      'tasks.1.name': 'It is listed above already.'
    });
  });
  it('a team with its first person', () => {
    expect(
      errors(teamSchema, { id, name: 'A', timeZone: 'Europe/London', you: { id, name: 'B', role: 'owner' } })
    ).toEqual({});
    expect(
      errors(teamSchema, { id, name: '', timeZone: 'Moon', you: { id, name: '', role: 'king' } })
    ).toEqual({
      name: 'Write what the team is called.',
      timeZone: 'Pick a time zone from the list.',
      'you.name': 'Write a name.',
      'you.role': 'Pick what they do.'
    });
    expect(errors(personSchema, { id, name: 'x'.repeat(81), role: 'rider' })).toHaveProperty('name');
  });
  it('an event has an order of days and someone who goes', () => {
    const event = {
      id,
      name: 'Cross',
      kind: 'race',
      firstDay: '2026-06-13',
      lastDay: '2026-06-14',
      hoursEach: '3.5',
      wholeFleet: true
    };
    expect(errors(eventSchema, event)).toEqual({});
    expect(errors(eventSchema, { ...event, lastDay: '2026-06-12' })).toHaveProperty('lastDay');
    expect(errors(eventSchema, { ...event, lastDay: '2026-08-12' })).toHaveProperty('lastDay');
    expect(errors(eventSchema, { ...event, wholeFleet: false })).toHaveProperty('machineIds');
    expect(errors(eventSchema, { ...event, hoursEach: '5000' })).toHaveProperty('hoursEach');
  });
  it('a fastener and a figure', () => {
    const fastener = {
      id,
      machineId: id,
      circuit: 'engine',
      role: 'drain plug',
      name: 'Plug',
      quantity: '1',
      magnet: false,
      seal: 'none'
    };
    expect(errors(fastenerSchema, fastener)).toEqual({});
    for (const quantity of ['0', '1.5', '99', 'many'])
      expect(errors(fastenerSchema, { ...fastener, quantity })).toHaveProperty('quantity');
    const figure = {
      id,
      machineId: id,
      key: 'torque',
      fastenerId: id,
      typed: '20 N·m',
      source: 'Manual',
      confidence: 'printed'
    };
    expect(errors(figureSchema, figure)).toEqual({});
    expect(
      errors(figureSchema, { ...figure, key: 'charm', typed: '', source: '', confidence: 'sure' })
    ).toMatchObject({ key: 'No such figure.', confidence: 'Printed, told or guessed?' });
  });
});
