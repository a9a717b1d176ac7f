import type { Found } from '../fasteners/found';
import type { JudgedDebris } from './record';
import { describe, expect, it } from 'vitest';
import { debrisBefore, fastenerPast, type PastChange, type PastRecord } from './past';

const record = (
  day: string,
  seal: 'new' | 'again' | null,
  more: Partial<PastRecord> & { found?: { how: Found; note: string } } = {}
): PastRecord => ({
  id: day,
  visitId: null,
  day,
  record: {
    fasteners: [
      {
        name: 'Plug',
        place: '',
        quantity: 1,
        stand: 'torqued',
        torque: null,
        reason: null,
        fastenerId: 'plug',
        wrenchId: null,
        settingNm: null,
        marked: false,
        seal
      }
    ],
    found: more.found ? [{ name: 'Plug', place: '', fastenerId: 'plug', ...more.found }] : []
  },
  ...more
});
const uses = (...records: PastRecord[]) => fastenerPast(records, '2026-06-10').sealUses.plug;

describe('the uses of a seal', () => {
  it('begin with a new one and go up each time it goes in again', () => {
    expect(uses(record('2026-05-01', 'new'))).toBe(1);
    expect(
      uses(record('2026-05-01', 'new'), record('2026-05-10', 'again'), record('2026-05-20', 'again'))
    ).toBe(3);
    expect(uses(record('2026-05-01', 'again'), record('2026-05-10', 'new'))).toBe(1);
  });
  it('are at least two where an old one went in and nobody knows how often before', () =>
    expect(uses(record('2026-05-01', 'again'))).toBe(2));
  it('are not known where no seal was written down', () =>
    expect(uses(record('2026-05-01', null))).toBeUndefined());
  it('count a visit once, however many of its jobs opened the plug', () => {
    const both = [
      record('2026-05-10', 'again', { id: 'oil', visitId: 'v' }),
      record('2026-05-10', 'again', { id: 'screen', visitId: 'v' })
    ];
    expect(uses(record('2026-05-01', 'new'), ...both)).toBe(2);
  });
});

it('what was found at a fastener is told once a visit, with its day and its words', () => {
  const loose = { how: 'loose' as const, note: '' };
  const records = [
    record('2026-05-01', null, { found: loose }),
    record('2026-05-10', null, { id: 'a', visitId: 'v', found: { how: 'loose', note: 'again' } }),
    record('2026-05-10', null, { id: 'b', visitId: 'v', found: { how: 'loose', note: 'again' } })
  ];
  expect(fastenerPast(records, '2026-06-10').found.plug!.map((f) => f.words)).toEqual([
    'Found loose, 1 May',
    'Found loose, 10 May: again'
  ]);
});

it('debris before has the hours the oil had run: as written, else from one change to the next', () => {
  const paste = (more: Partial<JudgedDebris> = {}): JudgedDebris[] => [
    {
      place: 'magnet',
      grade: 'grey paste or fuzz',
      materials: [],
      stepKey: null,
      oilLook: null,
      oilHours: null,
      verdict: null,
      reasons: [],
      overruled: null,
      ...more
    }
  ];
  const changes: PastChange[] = [
    { day: '2026-05-30', hours: 3500, debris: paste({ stepKey: 's' }), photos: { s: 'photo' } },
    { day: '2026-05-15', hours: 2200, debris: paste({ oilHours: 900 }), photos: {} },
    { day: '2026-05-01', hours: null, debris: paste(), photos: {} }
  ];
  expect(debrisBefore(changes).magnet!.map((d) => [d.oilHours, d.photoId])).toEqual([
    [1300, 'photo'],
    [900, null],
    [null, null]
  ]);
});
