import { describe, expect, it } from 'vitest';
import { dueEntry, endOf, eventEntry } from './entries';

const FELL = { id: 'm', plate: '12', name: 'Fell 250' };
const TODAY = '2026-11-27';
type Due = Parameters<typeof dueEntry>[1];
const due = (state: Due['state'], likely: Due['likely'], more: object = {}): Due =>
  ({
    task: { id: 't', name: 'Engine oil', part: null, calls: [], triggers: [], ...more },
    state,
    likely,
    deciding: null
  }) as unknown as Due;

describe('a weekend in a calendar', () => {
  const event = {
    id: 'e',
    name: 'Harrow Edge Hare',
    kind: 'race',
    firstDay: '2026-12-05',
    lastDay: '2026-12-06'
  };
  it('is whole days, and says who goes', () => {
    const entry = eventEntry({ ...event, plates: ['12', '27'] });
    expect(entry).toMatchObject({
      from: '2026-12-05',
      to: '2026-12-06',
      words: 'race; 12, 27',
      likely: false
    });
    // A whole day ends where the next begins.
    expect(endOf(entry)).toBe('2026-12-07');
    expect(eventEntry({ ...event, plates: null }).words).toBe('race; the whole fleet');
    expect(eventEntry({ ...event, plates: [] }).words).toBe('race; no machine yet');
  });
});

describe('a task in a calendar', () => {
  it('is the span in which it likely falls due, and says that it is likely', () => {
    expect(dueEntry(FELL, due('coming', { from: '2026-12-03', to: '2026-12-12' }), TODAY)).toMatchObject({
      from: '2026-12-03',
      to: '2026-12-12',
      title: '12: Engine oil, likely',
      likely: true
    });
  });
  it('begins today where its span began before, and goes by its component', () => {
    const entry = dueEntry(
      FELL,
      due('coming', { from: '2026-11-01', to: '2026-12-01' }, { part: { name: 'Engine A' } }),
      TODAY
    );
    expect(entry).toMatchObject({ from: TODAY, to: '2026-12-01' });
    expect(entry!.words).toMatch(/^12 Fell 250, Engine A\./);
    expect(dueEntry(FELL, due('coming', { from: '2026-11-01', to: '2026-11-02' }), TODAY)).toMatchObject({
      from: TODAY,
      to: TODAY
    });
  });
  it('past due stands at today until it is done', () => {
    expect(dueEntry(FELL, due('past due', null), TODAY)).toMatchObject({
      from: TODAY,
      to: TODAY,
      likely: false
    });
    expect(dueEntry(FELL, due('past limit', null), TODAY)!.title).toBe('12: Engine oil, past its limit');
  });
  it('with too little history, open to the end, or years ahead it is not there', () => {
    expect(dueEntry(FELL, due('unknown', null), TODAY)).toBeNull();
    expect(dueEntry(FELL, due('clear', { from: '2026-12-03', to: null }), TODAY)).toBeNull();
    expect(dueEntry(FELL, due('clear', { from: '2027-12-03', to: '2028-01-01' }), TODAY)).toBeNull();
  });
  it('of a task on two machines there are two', () => {
    const of = (id: string) => dueEntry({ ...FELL, id }, due('past due', null), TODAY)!.uid;
    expect(of('a')).not.toBe(of('b'));
  });
});
