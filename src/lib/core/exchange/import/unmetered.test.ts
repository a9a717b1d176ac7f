import { describe, expect, it } from 'vitest';
import type { Verdict } from './model';
import { unmetered } from './unmetered';

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
const of = (heading: string, hours: string[], metered = false, written: string[] = hours) =>
  unmetered(
    rows(...hours),
    heading,
    () => metered,
    (line) => written[line - 2] ?? '',
    () => '22'
  ).map((v) => v.what);

describe('hours of a machine that no meter counts', () => {
  it('are never what a meter shows: the heading says so', () => {
    for (const heading of [
      'meter shows (h)',
      'Hour meter',
      'engine hours',
      'Reading',
      'meter after',
      'total'
    ])
      expect([heading, of(heading, ['22.6', '30.1'])]).toEqual([heading, ['refused', 'refused']]);
    const [v] = unmetered(
      rows('22.6'),
      'meter shows (h)',
      () => false,
      () => '',
      () => '22'
    );
    expect(v!.drafts).toEqual([]);
    expect(v!.why).toBe(
      'It is what a meter shows, and 22 has no hour meter in the book: taken as it stands it would be hours ridden. Give it a meter on its page first.'
    );
  });
  it('nor where a figure is more than a day, or the column only rises', () => {
    expect(of('hours', ['1.5', '31'])).toEqual(['refused', 'refused']);
    expect(of('hours', ['1', '2.5', '4', '5.2', '6'])).toEqual(Array(5).fill('refused'));
  });
  it('are doubted where nothing tells: a single one, or a few that rise', () => {
    expect(of('hours', ['2.5'])).toEqual(['doubtful']);
    expect(of('hours', ['1.5', '2', '2.5'])).toEqual(['doubtful', 'doubtful', 'doubtful']);
  });
  it('are time ridden where they go up and down, or are said to be', () => {
    expect(of('hours', ['1.5', '2', '0.8'])).toEqual(['new', 'new', 'new']);
    expect(of('hours', ['+1.5 h'])).toEqual(['new']);
    expect(of('meter shows', ['+1.5 h'])).toEqual(['new']);
  });
  it('are time ridden where they are written as how long it took, whatever the heading', () => {
    for (const as of ['1h15', '1 h 15', '75 min', '1:15', '45min'])
      expect([as, of('Meter', ['1.25'], false, [as])]).toEqual([as, ['new']]);
    expect(of('Meter', ['1.25'], false, ['1.25 h'])).toEqual(['refused']);
  });
  it('of a machine with a meter are what it shows', () => {
    expect(of('hours', ['22.6', '30.1'], true)).toEqual(['new', 'new']);
  });
  it('of each machine by themselves', () => {
    const other = '22222222-2222-4222-8222-222222222222';
    const [a, b] = rows('1.5', '40') as [Verdict, Verdict];
    const mixed = [
      a,
      { ...b, drafts: [{ ...b.drafts[0]!, body: { ...b.drafts[0]!.body, machineId: other } }] }
    ];
    expect(
      unmetered(
        mixed,
        'hours',
        (m) => m === other,
        () => '',
        () => '22'
      ).map((v) => v.what)
    ).toEqual(['doubtful', 'new']);
  });
});
