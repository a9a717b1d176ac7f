import { expect, it } from 'vitest';
import { bodyLines } from './body-words';

const ID = '7df3a37c-4e45-4fb3-9d57-84e0198b6e5f';

it('says what was typed, and leaves out what only the book reads', () => {
  expect(
    bodyLines({
      id: ID,
      machineId: ID,
      componentId: null,
      what: 'Right fork seal weeps',
      note: '',
      severity: 'watch'
    })
  ).toEqual([
    { name: 'what', value: 'Right fork seal weeps' },
    { name: 'severity', value: 'watch' }
  ]);
});
it('calls by its name what whoever reads it knows', () => {
  expect(
    bodyLines({ personId: ID, machineIds: [ID], left: true }, (id) => (id === ID ? 'Maud' : undefined))
  ).toEqual([
    { name: 'person', value: 'Maud' },
    { name: 'machine ids', value: 'Maud' },
    { name: 'left', value: 'yes' }
  ]);
});
it('of an order of steps, how many', () => {
  expect(
    bodyLines({
      engine: 'cold',
      order: ['gather', `drain-${ID}`],
      entry: { content: { order: ['a', 'b', 'c'] } }
    })
  ).toEqual([
    { name: 'engine', value: 'cold' },
    { name: 'order', value: 'of 2 steps' },
    { name: 'order', value: 'of 3 steps' }
  ]);
  expect(bodyLines({ order: [] })).toEqual([]);
});
it('of an entry at the bench, its step, what was done and what was measured', () => {
  expect(
    bodyLines({
      visitId: ID,
      entry: {
        id: ID,
        stepKey: 'oil.drain',
        itemKey: null,
        action: 'done',
        content: { ml: 950, measured: { value: 1.2, unit: 'mm' }, afterwards: true }
      }
    })
  ).toEqual([
    { name: 'step key', value: 'oil.drain' },
    { name: 'action', value: 'done' },
    { name: 'ml', value: '950' },
    { name: 'measured, value', value: '1.2' },
    { name: 'measured, unit', value: 'mm' },
    { name: 'afterwards', value: 'yes' }
  ]);
});
it('of a list, each; of no body, nothing; of a long one, a beginning', () => {
  expect(bodyLines({ readings: [{ stage: 'found', leftMm: 0 }, { stage: 'left' }] })).toEqual([
    { name: 'readings, stage', value: 'found' },
    { name: 'readings, left mm', value: '0' },
    { name: 'readings, stage', value: 'left' }
  ]);
  expect([bodyLines(null), bodyLines({})]).toEqual([[], []]);
  expect(bodyLines({ a: Array.from({ length: 100 }, (_, i) => ({ n: i })) })).toHaveLength(40);
});
