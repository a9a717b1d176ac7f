import { describe, expect, it } from 'vitest';
import {
  afterEntry,
  decideReading,
  isRead,
  looksCounted,
  type Around,
  type EntryMeter,
  type NearReading
} from './entry';
import { readingSchema, type ReadingForm } from './form';
import { NOTHING_LEARNED } from './learned';
import { readingInWords } from './words';

const NOW = new Date('2026-06-10T18:00:00Z');
const at = (day: string, time = '17:00:00') => Date.parse(`${day}T${time}Z`);
const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const meter = (more: Partial<EntryMeter> = {}): EntryMeter => ({
  id: 'm',
  kind: 'hour meter',
  fittedAt: at('2026-05-01'),
  dead: [],
  removedAt: null,
  lastValue: null,
  latest: null,
  ...more
});
const near = (
  id: string,
  day: string,
  value: number | null,
  more: Partial<NearReading> = {}
): NearReading => ({
  id,
  meterId: 'm',
  at: at(day),
  value,
  struck: false,
  ...more
});
const around = (meters: EntryMeter[], readings: NearReading[], more: Partial<Around> = {}): Around => ({
  timeZone: 'Europe/London',
  meters,
  readings,
  learned: NOTHING_LEARNED,
  rate: null,
  ...more
});
const input = (typed: string, more: Partial<ReadingForm> = {}) =>
  readingSchema.parse({ id: uuid(1), machineId: uuid(2), typed, day: '2026-06-10', ...more });
let ids = 100;
const decide = (a: Around, typed: string, more: Partial<ReadingForm> = {}, now = NOW) =>
  decideReading(input(typed, more), a, now, () => uuid(ids++));
const taken = (...args: Parameters<typeof decide>) => {
  const d = decide(...args);
  if (!d.ok) throw new Error(readingInWords(d.problem).message);
  return d.entry;
};
const refused = (...args: Parameters<typeof decide>) => {
  const d = decide(...args);
  if (d.ok) throw new Error('taken');
  return readingInWords(d.problem);
};
const book = around(
  [meter({ latest: { at: at('2026-05-31'), value: 3840 } })],
  [near('a', '2026-05-31', 3840)]
);

describe('a reading decided on', () => {
  it('is of the meter that was on when its day was over', () => {
    const changed = at('2026-06-05', '09:00:00');
    const two = around(
      [
        meter({ removedAt: changed, lastValue: 3900, latest: { at: at('2026-05-31'), value: 3840 } }),
        meter({ id: 'n', fittedAt: changed })
      ],
      [near('a', '2026-05-31', 3840)]
    );
    expect(taken(two, '38.8', { day: '2026-06-04' }).rows).toMatchObject([{ meterId: 'm', value: 3880 }]);
    expect(taken(two, '0.4', { day: '2026-06-05' }).rows).toMatchObject([{ meterId: 'n', value: 40 }]);
    // Before the book began it is the first one's.
    expect(taken(two, '30', { day: '2026-04-02' }).rows).toMatchObject([{ meterId: 'm' }]);
    // It came off at 39.0: more than that it cannot have shown.
    expect(refused(two, '39.2', { day: '2026-06-04' })).toMatchObject({ more: { ways: [] } });
  });

  it('is time ridden while the meter is dead or there is none, and never more than a day', () => {
    const dead = around([meter({ dead: [{ from: at('2026-06-01'), to: at('2026-06-08') }] })], []);
    expect(taken(dead, '2h30', { day: '2026-06-04' }).rows).toMatchObject([{ value: null, ridden: 250 }]);
    expect(taken(dead, '39', { day: '2026-06-09' }).rows).toMatchObject([{ value: 3900, ridden: null }]);
    expect(refused(dead, '38.4', { day: '2026-06-04' })).toMatchObject({ field: 'typed' });
    expect(isRead(meter({ kind: 'reckoned' }), 0)).toBe(false);
    expect(isRead(meter({ dead: [{ from: 5, to: null }] }), 4)).toBe(true);
    expect(isRead(meter({ dead: [{ from: 5, to: 9 }] }), 9)).toBe(true);
  });

  it('says what it showed before the outing as a reading of its own, later than the last', () => {
    const entry = taken(book, '40', { before: '38.9', outing: 'ride' });
    expect(entry.rows).toMatchObject([
      { value: 3890, before: true, at: NOW.getTime() - 1000 },
      { value: 4000, before: false, at: NOW.getTime() }
    ]);
    expect(taken(book, '40', { before: '38.4', outing: 'ride' }).rows).toHaveLength(1);
    expect(refused(book, '40', { before: '38.2', outing: 'ride' })).toMatchObject({ field: 'before' });
  });

  it('is questioned when it is odd, and settled as the person says', () => {
    expect(refused(book, '36.2')).toMatchObject({
      field: 'typed',
      message: 'The last reading was 38.4 h; 36.2 h is lower.',
      more: { ways: ['earlier one was wrong', 'meter was replaced'] }
    });
    const settle = (as: string, more = {}) => ({ settlement: { as, reason: 'seen', ...more } }) as never;
    expect(taken(book, '36.2', settle('earlier one was wrong'))).toMatchObject({
      strikes: 'a',
      rows: [{ value: 3620, doubts: ['lower than the last'] }]
    });
    const replaced = taken(book, '0.6', settle('meter was replaced', { oldFinal: '39', newStart: '0.1' }));
    expect(replaced.replaces).toMatchObject({ meterId: 'm', lastValue: 3900, firstValue: 10 });
    expect(replaced.rows).toMatchObject([{ meterId: replaced.replaces!.newId, value: 60 }]);
    expect(refused(book, '0.6', settle('meter was replaced', { oldFinal: '30' })).field).toBe(
      'settlement.oldFinal'
    );
    expect(refused(book, '0.6', settle('meter was replaced', { newStart: '2' })).field).toBe(
      'settlement.newStart'
    );
    // That it is right is no way out of a lower one.
    expect(refused(book, '36.2', settle('reading is right'))).toMatchObject({ field: 'typed' });
  });

  it('asks again where the one before the wrong one is higher still', () => {
    const two = around([meter()], [near('a', '2026-05-20', 3700), near('b', '2026-05-31', 3840)]);
    const settlement = { as: 'earlier one was wrong', reason: 'misread' } as never;
    expect(refused(two, '36.2', { settlement }).message).toMatch(/37\.0 h; 36\.2 h is lower/);
    expect(taken(two, '37.5', { settlement }).strikes).toBe('b');
  });

  it('puts two of one past day in the order of what they show', () => {
    const first = taken(book, '40', { day: '2026-06-05' });
    const then = afterEntry(book, first);
    const second = taken(then, '41.5', { id: uuid(3), day: '2026-06-05' });
    expect(second.at).toBe(first.at + 1000);
    const all = afterEntry(then, second);
    expect(taken(all, '39', { id: uuid(4), day: '2026-06-05' }).at).toBe(first.at - 1000);
    const between = taken(all, '40.5', { id: uuid(5), day: '2026-06-05' }).at;
    expect(between).toBeGreaterThan(first.at);
    expect(between).toBeLessThan(second.at);
    // One read that night, written down at once, and one remembered later.
    const night = around([meter()], [near('a', '2026-06-05', 4000, { at: at('2026-06-05', '21:30:00') })]);
    expect(taken(night, '41', { day: '2026-06-05' }).at).toBe(at('2026-06-05', '21:30:01'));
    expect(taken(night, '39', { day: '2026-06-05' }).at).toBe(at('2026-06-05'));
  });

  it('questions a distance that does not fit until somebody has looked again', () => {
    const learned = { ...NOTHING_LEARNED, speed: 2000 };
    const known = around(book.meters as EntryMeter[], book.readings as NearReading[], { learned });
    const far = { outing: 'ride', distance: '400' } as const;
    expect(refused(known, '40.4', far)).toMatchObject({ field: 'distance', more: { askSure: true } });
    expect(taken(known, '40.4', { ...far, sure: true }).rows).toHaveLength(1);
    expect(refused(book, '~', { outing: 'ride' }).message).toMatch(/usual hours are not known/);
  });

  it('looks as if it had counted in the dark where it shows half of what was ridden, or more', () => {
    expect([looksCounted(50, 600), looksCounted(299, 600), looksCounted(300, 600)]).toEqual([
      false,
      false,
      true
    ]);
    expect(looksCounted(50, 0)).toBe(false);
  });

  it('knows what stands once it is written down', () => {
    const replaced = taken(book, '0.6', {
      settlement: { as: 'meter was replaced', reason: 'x', oldFinal: '', newStart: '' }
    });
    const after = afterEntry(book, replaced);
    expect(after.meters).toMatchObject([
      { id: 'm', removedAt: replaced.replaces!.at },
      { removedAt: null, latest: { value: 60 } }
    ]);
    expect(refused(after, '0.5', { id: uuid(9) }).message).toMatch(/last reading was 0\.6 h/);
    expect(decide(around([], []), '3')).toEqual({ ok: false, problem: { kind: 'no meter' } });
  });
});
