import { describe, expect, it } from 'vitest';
import { isEmpty, ownerSheet, sinceDay, type OwnerFacts } from './sheet';

const TODAY = '2026-06-10';
const nothing: OwnerFacts = {
  today: TODAY,
  since: '2026-04-01',
  records: [],
  findings: [],
  tasks: [],
  round: null,
  photos: []
};
const finding = (more: Partial<OwnerFacts['findings'][number]>): OwnerFacts['findings'][number] => ({
  what: 'right fork seal weeps',
  note: '',
  severity: 'watch',
  day: '2026-05-01',
  waits: null,
  closed: null,
  ...more
});

describe('the owner’s sheet', () => {
  it('tells what was done in plain sentences, with the day and the hours', () => {
    const s = ownerSheet({
      ...nothing,
      records: [
        {
          what: 'Engine oil',
          part: 'Engine 250-A',
          day: '2026-05-02',
          hours: 3840,
          machineHours: 7220,
          remark: 'grey paste on the magnet',
          figures: ['1100 ml of Brindle Four 10W-50 in the engine', '950 ml came out']
        },
        {
          what: 'Long ago',
          part: null,
          day: '2026-03-31',
          hours: 100,
          machineHours: null,
          remark: '',
          figures: []
        }
      ],
      round: { day: '2026-06-09', checks: 25, wrong: 0 }
    });
    expect(s.done).toEqual([
      { what: 'Looked over before riding', more: '9 Jun · 25 checks, all as they should be.' },
      {
        what: 'Engine oil, Engine 250-A',
        more: '2 May · at Engine 250-A 38.4 h, machine 72.2 h · 1100 ml of Brindle Four 10W-50 in the engine, 950 ml came out. · Grey paste on the magnet.'
      }
    ]);
  });
  it('tells what was found and how it ended apart from what is advised', () => {
    const s = ownerSheet({
      ...nothing,
      findings: [
        finding({ closed: { day: '2026-05-03', how: 'done', word: 'new seal, oil 5 mm up' } }),
        finding({ what: 'Old', closed: { day: '2026-03-03', how: 'done', word: 'x' } }),
        finding({ what: 'Boot torn', severity: 'tell the owner', note: 'rear left' }),
        finding({
          what: 'Hub loose',
          severity: 'park the machine',
          waits: { waitsFor: 'a part to arrive', part: 'nut' }
        })
      ],
      tasks: [
        { name: 'Air filter', left: '0.6 h over', likely: '', state: 'pressing' },
        { name: 'Gearbox oil', left: '', likely: '', state: 'unknown' },
        { name: 'Valves', left: '12.0 h left', likely: 'likely between 3 Jul and 20 Jul', state: 'coming' }
      ]
    });
    expect(s.found).toEqual([
      { what: 'Right fork seal weeps.', more: 'Put right, 3 May: New seal, oil 5 mm up.' }
    ]);
    expect(s.advised).toEqual([
      { what: 'Hub loose.', more: 'Not to be ridden until this is put right. It waits for nut.' },
      { what: 'Boot torn.', more: 'For you to decide. Rear left.' },
      { what: 'Air filter.', more: 'Due now: 0.6 h over.' },
      { what: 'Gearbox oil.', more: 'When it was last done nobody knows.' }
    ]);
    expect(s.next).toEqual([{ what: 'Valves', more: '12.0 h left, likely between 3 Jul and 20 Jul' }]);
  });
  it('keeps to one page and says what there was no room for', () => {
    const records = Array.from({ length: 30 }, (_, i) => ({
      what: `Job ${i}`,
      part: null,
      day: '2026-05-02',
      hours: null,
      machineHours: null,
      remark: '',
      figures: []
    }));
    const s = ownerSheet({ ...nothing, records });
    expect(s.done).toHaveLength(9);
    expect(s.more.done).toBe(21);
  });
  it('never cuts what keeps it from being ridden, and counts what it cuts', () => {
    const watched = Array.from({ length: 7 }, (_, i) => finding({ what: `Scratch ${i}` }));
    const parks = (n: number) =>
      Array.from({ length: n }, (_, i) => finding({ what: `Crack ${i}`, severity: 'park the machine' }));
    const s = ownerSheet({ ...nothing, findings: [...watched, ...parks(1)] });
    expect([s.advised[0]!.what, s.advised.length, s.more.advised]).toEqual(['Crack 0.', 6, 2]);
    expect(ownerSheet({ ...nothing, findings: [...watched, ...parks(8)] }).advised).toHaveLength(8);
  });
  it('is empty where nothing was', () => {
    expect(isEmpty(ownerSheet(nothing))).toBe(true);
    expect(isEmpty(ownerSheet({ ...nothing, findings: [finding({})] }))).toBe(false);
  });
  it('reaches back to the day that is asked for, within reason', () => {
    expect(sinceDay('2026-05-01', TODAY, '2026-03-12')).toBe('2026-05-01');
    for (const odd of [null, '2027-01-01', '2020-01-01'])
      expect(sinceDay(odd, TODAY, '2026-03-12')).toBe('2026-03-12');
  });
});
