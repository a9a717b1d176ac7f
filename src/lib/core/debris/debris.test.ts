import { describe, expect, it } from 'vitest';
import { GRADES, judge, type Grade } from './debris';

const at = (grade: Grade, before: Grade[] = [], more: { breakIn?: boolean; bronze?: boolean } = {}) =>
  judge(
    { place: 'magnet', grade, materials: more.bronze ? ['bronze (gold)'] : [] },
    before,
    more.breakIn ?? false
  ).verdict;

describe('judge', () => {
  it('carries on with nothing, and with paste as usual', () => {
    expect(at('none')).toBe('carry on');
    expect(at('grey paste or fuzz', ['grey paste or fuzz'])).toBe('carry on');
  });
  it('knows bronze from clutch wear, among paste too', () => {
    expect(at('grey paste or fuzz', ['grey paste or fuzz'], { bronze: true })).toBe('look again sooner');
    expect(at('grey paste or fuzz', [], { bronze: true, breakIn: true })).toBe('look again sooner');
    expect(at('none', [], { bronze: true })).toBe('carry on');
  });
  it('looks again sooner when it grows', () => {
    expect(at('grey paste or fuzz', ['none'])).toBe('look again sooner');
    expect(at('fine glitter', ['grey paste or fuzz'])).toBe('look again sooner');
  });
  it('expects glitter in break-in, and that it fades', () => {
    expect(at('fine glitter', [], { breakIn: true })).toBe('carry on');
    expect(at('fine glitter', ['grey paste or fuzz'], { breakIn: true })).toBe('look again sooner');
  });
  it('stops for flakes, slivers and bronze, break-in or not', () => {
    expect(at('flakes you can feel', ['flakes you can feel'], { breakIn: true })).toBe('find the source');
    expect(at('slivers or needles')).toBe('find the source');
    expect(at('fine glitter', [], { bronze: true, breakIn: true })).toBe('find the source');
  });
  it('parks it for chunks', () => expect(at('chunks', [], { breakIn: true })).toBe('park it'));
  it('never judges a worse grade more mildly', () => {
    const order = ['carry on', 'look again sooner', 'find the source', 'park it'];
    for (const before of [[], ['none'], ['fine glitter']] as Grade[][]) {
      const verdicts = GRADES.map((g) => order.indexOf(at(g, before)));
      expect(verdicts).toEqual([...verdicts].sort((a, b) => a - b));
    }
  });
});
