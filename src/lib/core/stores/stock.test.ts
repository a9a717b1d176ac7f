import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { movementsOf, parseStock, stockAfter, UNCOUNTED, type StockNote } from './stock';

const note = (text: string): StockNote => {
  const parsed = parseStock(text);
  if (!parsed.ok) throw new Error(parsed.message);
  return parsed.note;
};

describe('what somebody says of a stock', () => {
  it.each<[string, StockNote]>([
    ['+2', { what: 'came', ml: null, bottles: 2 }],
    ['+2 bottles', { what: 'came', ml: null, bottles: 2 }],
    ['+ 1 bottle', { what: 'came', ml: null, bottles: 1 }],
    ['+1.5 L', { what: 'came', ml: 1500, bottles: null }],
    ['+500 ml', { what: 'came', ml: 500, bottles: null }],
    ['-0.5 L', { what: 'went', ml: 500, bottles: null }],
    ['−1', { what: 'went', ml: null, bottles: 1 }],
    ['3', { what: 'there', ml: 3000, bottles: null }],
    ['3 L', { what: 'there', ml: 3000, bottles: null }],
    ['4 bottles', { what: 'there', ml: null, bottles: 4 }],
    ['0', { what: 'there', ml: 0, bottles: null }],
    ['0,75', { what: 'there', ml: 750, bottles: null }]
  ])('%s', (text, expected) => expect(note(text)).toEqual(expected));

  it.each(['', '+', '-', '+0', '-0 L', '+-2', '--2', 'two', '+2 N·m', '5000 L', '+5000 bottles', '++2'])(
    '“%s” is asked about',
    (text) => expect(parseStock(text).ok).toBe(false)
  );
});

describe('what is written down', () => {
  it('bottles by what one holds, 946 ml a quart', () => {
    expect(movementsOf(note('+2'), 500, 946, 'bought')).toEqual([{ ml: 1892, why: 'bought' }]);
  });
  it('counted: the difference, or nothing', () => {
    expect(movementsOf(note('2.5 L'), 3000, 1000, 'counted')).toEqual([{ ml: -500, why: 'counted' }]);
    expect(movementsOf(note('3 L'), 3000, 1000, 'counted')).toEqual([]);
    expect(movementsOf(note('1 L'), -400, 1000, 'counted')).toEqual([{ ml: 1400, why: 'counted' }]);
  });
  it('below nothing: what comes in is counted from nothing, and the book says that it was out', () => {
    expect(movementsOf(note('+1'), -400, 1000, 'bought')).toEqual([
      { ml: 400, why: UNCOUNTED },
      { ml: 1000, why: 'bought' }
    ]);
  });
  it('no more goes than there is', () => {
    expect(movementsOf(note('-1 L'), 900, 1000, 'lent')).toBeNull();
    expect(movementsOf(note('-1 L'), 1000, 1000, 'lent')).toEqual([{ ml: -1000, why: 'lent' }]);
  });
  it('whatever is said, the book is never below nothing afterwards', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('there', 'came', 'went'),
        fc.integer({ min: 0, max: 5000 }),
        fc.integer({ min: -3000, max: 9000 }),
        (what, ml, book) => {
          const after = stockAfter({ what: what as StockNote['what'], ml, bottles: null }, book, 1000);
          if (after !== null) expect(after).toBeGreaterThan(-0.6);
        }
      )
    );
  });
});
