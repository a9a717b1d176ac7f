import { describe, expect, it } from 'vitest';
import type { EntryMeter } from '../../hours/entry';
import type { Verdict } from './model';
import { countedOn, unmetered, type Counted } from './unmetered';

const M = '11111111-1111-4111-8111-111111111111';
const id = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
/** A verdict for so many hours a day, one day after the other. */
const rows = (...hours: string[]): Verdict[] =>
  hours.map((typed, i) => ({
    lines: [i + 2],
    what: 'new',
    why: '',
    drafts: [
      {
        id: id(i),
        kind: 'reading.log',
        body: { id: id(i), machineId: M, typed, day: `2026-05-${String(i + 1).padStart(2, '0')}`, remark: '' }
      }
    ]
  }));
const of = (
  heading: string,
  hours: string[],
  { by = 'none', written = hours, shown = false }: { by?: Counted; written?: string[]; shown?: boolean } = {}
) =>
  unmetered(
    rows(...hours),
    heading,
    shown,
    () => by,
    (line) => written[line - 2] ?? '',
    () => '22'
  );
const whats = (...asked: Parameters<typeof of>) => of(...asked).map((v) => v.what);
const typed = (list: Verdict[]) => list.map((v) => v.drafts[0]?.body['typed']);

describe('hours of a machine whose meter tells nothing', () => {
  it('are never what a meter shows where none could be read: the heading says so', () => {
    for (const heading of [
      'meter shows (h)',
      'Hour meter',
      'engine hours',
      'Reading',
      'meter after',
      'total'
    ])
      expect([heading, whats(heading, ['22.6', '30.1'])]).toEqual([heading, ['refused', 'refused']]);
    const [v] = of('meter shows (h)', ['22.6']);
    expect(v!.drafts).toEqual([]);
    expect(v!.why).toBe(
      'It is what a meter shows, and no hour meter of 22 could be read on that day: taken as it stands it would be hours ridden. Give it a meter on its page first.'
    );
  });
  it('nor where a figure is more than a day, or the column only rises', () => {
    expect(whats('hours', ['31'])).toEqual(['refused']);
    expect(whats('hours', ['1', '2.5', '4', '5.2', '6'])).toEqual(Array(5).fill('refused'));
  });
  it('are what its meter shows where it has one that nobody has read yet', () => {
    const list = of('hours', ['1', '2.5', '4', '5.2', '6'], { by: 'unread' });
    expect([list.map((v) => v.what), typed(list)]).toEqual([
      Array(5).fill('new'),
      ['1', '2.5', '4', '5.2', '6']
    ]);
    expect(whats('Reading', ['22.6'], { by: 'unread' })).toEqual(['new']);
  });
  it('are asked about once where nothing tells: a single one, a few that rise, or both at once', () => {
    for (const hours of [['2.5'], ['1.5', '2', '2.5'], ['31', '1.5']]) {
      const list = of('hours', hours, { by: 'unread' });
      expect(list.map((v) => [v.what, v.asks, v.drafts])).toEqual(hours.map(() => ['refused', true, []]));
    }
    expect(typed(of('hours', ['1.5', '2'], { by: 'unread', shown: true }))).toEqual(['1.5', '2']);
    expect(whats('hours', ['1.5', '2'], { by: 'none', shown: true })).toEqual(['refused', 'refused']);
  });
  it('are time ridden where they go up and down, or are said to be', () => {
    for (const by of ['none', 'unread'] as const) {
      const list = of('hours', ['1.5', '2', '0.8'], { by });
      expect([list.map((v) => v.what), typed(list)]).toEqual([
        ['new', 'new', 'new'],
        ['+1.5 h', '+2 h', '+0.8 h']
      ]);
    }
    expect(whats('hours', ['+1.5 h'])).toEqual(['new']);
    expect(whats('meter shows', ['+1.5 h'])).toEqual(['new']);
  });
  it('are time ridden where they are written as how long it took, whatever the heading', () => {
    for (const as of ['1h15', '1 h 15', '75 min', '1:15', '45min'])
      expect([as, whats('Meter', ['1.25'], { written: [as] })]).toEqual([as, ['new']]);
    expect(whats('Meter', ['1.25'], { written: ['1.25 h'] })).toEqual(['refused']);
    // One of them tells of the others.
    expect(typed(of('hours', ['1.25', '2'], { written: ['1h15', '2'] }))).toEqual(['1.25', '+2 h']);
  });
  it('of a machine with a meter are what it shows', () => {
    expect(whats('hours', ['22.6', '30.1'], { by: 'read' })).toEqual(['new', 'new']);
  });
  it('are of one kind in the whole sheet: what one machine tells goes for the others', () => {
    const other = '22222222-2222-4222-8222-222222222222';
    const [a, b, c] = rows('1.5', '2', '40') as [Verdict, Verdict, Verdict];
    const mixed = [
      a,
      b,
      { ...c, drafts: [{ ...c.drafts[0]!, body: { ...c.drafts[0]!.body, machineId: other } }] }
    ];
    const ask = (ofOther: Counted) =>
      unmetered(
        mixed,
        'hours',
        false,
        (m) => (m === other ? ofOther : 'unread'),
        () => '',
        () => '22'
      ).map((v) => [v.what, v.asks]);
    expect(ask('unread')).toEqual([
      ['new', undefined],
      ['new', undefined],
      ['new', undefined]
    ]);
    // Read on a meter that is in the book, it says nothing of the others.
    expect(ask('read')).toEqual([
      ['refused', true],
      ['refused', true],
      ['new', undefined]
    ]);
  });
});

describe('how the hours of a machine are counted on a day', () => {
  const at = (on: string) => Date.parse(`${on}T12:00:00Z`);
  const meter = (more: Partial<EntryMeter> = {}): EntryMeter => ({
    id: 'm',
    kind: 'hour meter',
    fittedAt: at('2026-05-10'),
    dead: [],
    removedAt: null,
    lastValue: null,
    latest: { at: at('2026-05-12'), value: 2260 },
    ...more
  });
  const on = (day: string, ...meters: EntryMeter[]) =>
    countedOn({ meters, timeZone: 'UTC' }, day, new Date('2026-06-01T12:00:00Z'));
  it('by the meter that was on it then, before the book by its first', () => {
    expect([on('2026-05-11', meter()), on('2026-05-01', meter())]).toEqual(['read', 'read']);
    expect(on('2026-05-11', meter({ latest: null }))).toBe('unread');
    expect(on('2026-05-11', meter({ kind: 'reckoned', latest: null }))).toBe('none');
    expect(on('2026-05-11', meter({ dead: [{ from: at('2026-05-10'), to: null }] }))).toBe('none');
  });
  // Given a meter later, what was written before is still of the time without one.
  it('before it was given a meter, by none', () => {
    const first = meter({ id: 'a', kind: 'reckoned', latest: null, removedAt: at('2026-05-20') });
    const second = meter({ id: 'b', fittedAt: at('2026-05-20') });
    expect([on('2026-05-11', first, second), on('2026-05-21', first, second)]).toEqual(['none', 'read']);
  });
});
