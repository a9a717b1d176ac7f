import { beforeEach, describe, expect, it } from 'vitest';
import { DayRow, meterApart } from './day-row.svelte';

let row: DayRow;
beforeEach(() => {
  row = new DayRow({
    id: 'm',
    plate: '12',
    name: 'Fell 250',
    meter: 'hour meter',
    total: 11840,
    meterShows: 11840,
    riderId: 'ines',
    ready: true,
    kind: 'four-stroke enduro'
  });
});

describe('a row of a race day', () => {
  it('left empty is left alone; anything said makes it written', () => {
    expect(row.written).toBe(false);
    row.typed = ' ';
    expect(row.written).toBe(false);
    row.said = 'mud';
    expect(row.written).toBe(true);
  });
  it('with a remark alone is written: a word is worth keeping', () => {
    row.remark = 'lever bent';
    expect(row.written).toBe(true);
  });
  it('what its remark reports stands in the line, beside what was typed there', () => {
    row.said = '34 mu';
    row.hear();
    row.report(['hard to start']);
    expect(row.said).toBe('34 km, mud, hard to start');
    expect(row.hear()).toBe(true);
    expect(row.ridden.symptoms).toEqual(['hard to start']);
  });
  it('shows the meter beside the running hours where they are not the same', () => {
    const stands = (more: Partial<DayRow['machine']>) => meterApart({ ...row.machine, ...more });
    expect(stands({})).toBeNull();
    expect(stands({ meterShows: 320 })).toBe(320);
    expect(stands({ meterShows: null })).toBeNull();
    expect(stands({ meterShows: 320, meter: 'reckoned' })).toBeNull();
  });
  it('reads how it was ridden, says it back in full, and sends it', () => {
    row.typed = '119.6';
    row.said = '34 mu 3x heavy';
    expect(row.hear()).toBe(true);
    expect(row.said).toBe('34 km, mud, 3 crossings, clutch heavy');
    expect(row.body('2026-11-21', 'race', null)).toMatchObject({
      machineId: 'm',
      typed: '119.6',
      distance: '34',
      conditions: ['mud'],
      crossings: '3',
      clutch: 'heavy',
      riderId: 'ines',
      settlement: null
    });
  });
  it('keeps what it does not understand, with why', () => {
    row.said = '34 lava';
    expect(row.hear()).toBe(false);
    expect(row.said).toBe('34 lava');
    expect(row.messages).toEqual([expect.stringMatching(/“lava” says nothing known/)]);
    row.said = '34';
    expect(row.hear()).toBe(true);
    expect(row.messages).toEqual([]);
  });
  it('what is picked in the panel stands in the line when it is shut', () => {
    row.unfold();
    row.ridden.conditions = ['dust'];
    row.unfold();
    expect([row.details, row.said]).toEqual([false, 'dust']);
  });
  it('taken, is empty again under a new id; a second outing of the day is another row', () => {
    const { id } = row;
    Object.assign(row, { typed: '119.6', said: 'mud', remark: 'wet' });
    row.take({
      ok: true,
      data: {
        machineId: 'm',
        plate: '7',
        total: '119.6 h',
        due: [{ kind: 'task', id: 't', name: 'Engine oil', left: 'due now', state: 'past due' }]
      }
    });
    expect([row.typed, row.said, row.remark, row.written]).toEqual(['', '', '', false]);
    expect(row.saved).toBe('119.6 h. Now: Engine oil due now, past due');
    expect(row.id).not.toBe(id);
  });
  it('doubted, keeps everything typed with its question, and the question while a settlement wants a word', () => {
    const { id } = row;
    row.typed = '4.5';
    const doubts = [{ message: '4.5 h is lower.' }];
    row.take({
      ok: false,
      errors: { typed: '4.5 h is lower.' },
      more: { doubts, ways: ['meter was replaced'] }
    });
    expect([row.typed, row.doubts, row.messages, row.id]).toEqual(['4.5', ['4.5 h is lower.'], [], id]);
    row.settlement.as = 'meter was replaced';
    row.take({ ok: false, errors: { 'settlement.reason': 'Say what happened.' }, more: {} });
    expect(row.doubts).toHaveLength(1);
    expect(row.errors).toEqual({ 'settlement.reason': 'Say what happened.' });
    row.touch();
    expect([row.doubts, row.settlement.as, row.asked]).toEqual([[], '', false]);
  });
  it('a distance that does not fit opens the panel and asks for another look', () => {
    row.take({ ok: false, errors: { distance: '340 km in 1.2 h' }, more: { askSure: true } });
    expect([row.details, row.askSure, row.messages]).toEqual([true, true, []]);
  });
});
