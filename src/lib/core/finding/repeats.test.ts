import { describe, expect, it } from 'vitest';
import { aboutWhat, foundBefore, timesInWords, type Alike } from './repeats';

const found = (id: string, what: string, day: string, more: Partial<Alike> = {}): Alike => ({
  id,
  what,
  day,
  check: null,
  fastenerId: null,
  at: 0,
  ...more
});

describe('the same thing found again', () => {
  it('is known by its fastener or its check, whatever was written', () => {
    expect(aboutWhat(found('a', 'Loose', '2026-01-01', { fastenerId: 'f' }))).toBe(
      aboutWhat(found('b', 'Axle nut moved a flat', '2026-02-01', { fastenerId: 'f' }))
    );
    expect(aboutWhat(found('a', 'Front tyre pressure: 60 kPa', '2026-01-01', { check: 'front-tyre' }))).toBe(
      aboutWhat(found('b', 'flat again', '2026-01-01', { check: 'front-tyre' }))
    );
  });
  it('is known by its words without figures and what comes after a colon', () => {
    expect(aboutWhat(found('a', 'Right fork seal weeps', ''))).toBe(
      aboutWhat(found('b', 'right fork  seal weeps: a drop, 2 mm', ''))
    );
    expect(aboutWhat(found('a', 'Right fork seal weeps', ''))).not.toBe(
      aboutWhat(found('b', 'Left fork seal weeps', ''))
    );
    // Only figures: they are all there is to tell it by.
    expect(aboutWhat(found('a', '42', ''))).not.toBe(aboutWhat(found('b', '43', '')));
  });
  it('of two on one day the one that was written first came first, whatever they are called', () => {
    const before = foundBefore([
      found('a', 'Nut loose', '2026-03-01', { at: 2 }),
      found('b', 'Nut loose', '2026-03-01', { at: 1 })
    ]);
    expect(before.get('b')).toEqual([]);
    expect(before.get('a')).toEqual(['2026-03-01']);
  });
  it('says when it was found before, and how often', () => {
    const before = foundBefore([
      found('c', 'Fork seal weeps', '2026-03-01'),
      found('a', 'fork seal weeps', '2026-01-01'),
      found('x', 'Chain dry', '2026-02-01'),
      found('b', 'Fork seal weeps', '2026-02-01')
    ]);
    expect(before.get('a')).toEqual([]);
    expect(before.get('c')).toEqual(['2026-02-01', '2026-01-01']);
    expect(before.get('x')).toEqual([]);
    expect([0, 1, 2, 9].map(timesInWords)).toEqual([
      null,
      'for the second time',
      'for the third time',
      'for the 10th time'
    ]);
  });
});
