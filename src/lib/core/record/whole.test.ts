import { describe, expect, it } from 'vitest';
import { jobRecord } from '../../../../tests/core/records';
import { atSteps, wholeVisit } from './whole';

const bare = jobRecord({ minutes: 31 });
const circuit = (name: 'engine' | 'gearbox', pouredMl: number) => ({
  circuit: name,
  drainedMl: null,
  pouredMl,
  intoFilterMl: null,
  level: null,
  oil: null,
  oilHours: null,
  used: null
});
const plug = (fastenerId: string | null, name: string) => ({
  name,
  place: 'underneath',
  quantity: 1,
  stand: 'by feel' as const,
  torque: null,
  reason: null,
  fastenerId,
  wrenchId: null,
  settingNm: null,
  seal: null,
  marked: false
});

describe('a visit of two jobs as one record', () => {
  const remark = { title: 'Stand it level', remark: 'stand bent', stepKey: 'stand' };
  const oil = {
    ...bare,
    circuits: [circuit('engine', 900)],
    fasteners: [plug('d', 'Drain'), plug(null, 'Cap')],
    remarks: [remark]
  };
  const gearbox = {
    ...bare,
    job: 'gearbox-oil',
    circuits: [circuit('gearbox', 650)],
    fasteners: [plug('d', 'Drain'), plug('g', 'Gearbox drain')],
    remarks: [remark, { title: 'Pour', remark: 'slow', stepKey: 'pour-gearbox' }],
    afterwards: true
  };
  it('has what they share once, and what is of one of them', () => {
    const one = wholeVisit([oil, gearbox]);
    expect(one.circuits.map((c) => [c.circuit, c.pouredMl])).toEqual([
      ['engine', 900],
      ['gearbox', 650]
    ]);
    expect(one.fasteners.map((t) => t.name)).toEqual(['Drain', 'Cap', 'Gearbox drain']);
    expect(one.remarks.map((r) => r.remark)).toEqual(['stand bent', 'slow']);
    expect([one.minutes, one.afterwards]).toEqual([31, true]);
  });
  it('of one job is that job', () => expect(wholeVisit([oil])).toEqual(oil));
  it('of none is a mistake', () => expect(() => wholeVisit([])).toThrow(RangeError));
});

describe('remarks and photos at their steps', () => {
  const steps = [
    { key: 'stand', title: 'Stand it level' },
    { key: 'drain', title: 'Open the plug' },
    { key: 'magnet', title: 'Read the magnet' }
  ];
  const remarks = [
    { title: 'Read the magnet', remark: 'fuzz', stepKey: 'magnet' },
    { title: 'Open the plug', remark: 'tight', stepKey: 'drain' },
    { title: 'Open the plug', remark: 'very', stepKey: 'drain' },
    { title: 'Filter cover', remark: 'one bolt long', stepKey: null }
  ];
  const photos = [
    { id: 'p1', stepKey: 'stand' },
    { id: 'p2', stepKey: 'magnet' },
    { id: 'p3', stepKey: 'gone' }
  ];
  it('come in the order of the work, those at fasteners after them, and none is lost', () => {
    expect(atSteps(remarks, photos, steps)).toEqual([
      { title: 'Stand it level', remark: null, photoIds: ['p1'] },
      { title: 'Open the plug', remark: 'tight\nvery', photoIds: [] },
      { title: 'Read the magnet', remark: 'fuzz', photoIds: ['p2'] },
      { title: 'Filter cover', remark: 'one bolt long', photoIds: [] },
      { title: '', remark: null, photoIds: ['p3'] }
    ]);
  });
  it('leave to another place what is shown there', () => {
    expect(atSteps(remarks, photos, steps, new Set(['magnet'])).map((a) => a.title)).toEqual([
      'Stand it level',
      'Open the plug',
      'Filter cover',
      ''
    ]);
  });
});
