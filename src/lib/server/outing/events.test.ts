import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { at, uuid } from '../../../../tests/database/book';
import { Pit, refused } from '../../../../tests/database/pit';
import { callOff, command } from '../../../../tests/database/hands';
import { eventSchema } from '../../core/outing/form';
import { listEvents } from './events';
import { readCalendar } from '../trail/lanes';

let pit: Pit;
beforeEach(async () => {
  pit = await Pit.open();
});
afterEach(() => pit.book.close());

const PLAN = {
  name: 'Stone Wood',
  kind: 'race',
  firstDay: '2026-06-13',
  lastDay: '2026-06-13',
  hoursEach: '3',
  wholeFleet: true
} as const;
const send = (kind: 'event.plan' | 'event.change', body: object, id = uuid()) =>
  command(pit.sql, pit.book.team, pit.book.personId, kind, eventSchema.parse(body), at(1), id);
const planned = async () => (await listEvents(pit.sql, pit.book.team.id, '2026-06-01', 'ahead'))[0]!;
/** Hours each machine is taken to ride there. */
const hours = async () => {
  const calendar = await readCalendar(pit.sql, pit.book.team.id, '2026-06-01');
  return [pit.book.machineId, pit.other].map((m) => calendar.of(m).map((p) => p.hours));
};

describe('a planned outing', () => {
  it('is changed as a whole: days, hours, when it leaves, who goes and for how long', async () => {
    const id = uuid();
    await send('event.plan', { ...PLAN, id });
    expect(await hours()).toEqual([[300], [300]]);
    await send('event.change', {
      ...PLAN,
      id,
      lastDay: '2026-06-14',
      leavesOn: '2026-06-12',
      hoursEach: '4',
      otherHours: [{ machineId: pit.other, hours: '6h30' }]
    });
    expect(await planned()).toMatchObject({
      lastDay: '2026-06-14',
      leavesOn: '2026-06-12',
      hoursEach: 400,
      wholeFleet: true,
      otherHours: { [pit.other]: 650 }
    });
    expect(await hours()).toEqual([[400], [650]]);
    await send('event.change', { ...PLAN, id, wholeFleet: false, machineIds: [pit.other] });
    expect(await planned()).toMatchObject({ leavesOn: null, machineIds: [pit.other], otherHours: {} });
    expect(await hours()).toEqual([[], [300]]);
  });
  it('sent twice is changed once; of two changes the later stands; called off it is changed no more', async () => {
    const id = uuid();
    await send('event.plan', { ...PLAN, id });
    const again = uuid();
    await send('event.change', { ...PLAN, id, name: 'Stone Edge' }, again);
    await send('event.change', { ...PLAN, id, name: 'Long Edge' });
    await send('event.change', { ...PLAN, id, name: 'Stone Edge' }, again);
    expect((await planned()).name).toBe('Long Edge');
    await callOff(pit.sql, pit.book.team.id, id, true);
    expect(await refused(send('event.change', { ...PLAN, id }))).toMatchObject({
      errors: { '': expect.stringContaining('not planned any more') }
    });
    expect(await refused(send('event.change', { ...PLAN, id: uuid() }))).toHaveProperty('errors');
  });
  it('takes no machine of nobody’s, and leaves nothing half changed', async () => {
    const id = uuid();
    await send('event.plan', { ...PLAN, id });
    expect(
      await refused(
        send('event.change', { ...PLAN, id, name: 'X', otherHours: [{ machineId: uuid(), hours: '2' }] })
      )
    ).toMatchObject({ errors: { machineIds: expect.any(String) } });
    expect(await planned()).toMatchObject({ name: 'Stone Wood', otherHours: {} });
  });
});
