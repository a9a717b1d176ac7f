import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bottles, consumption, ledger, oddPour, suddenRise, wrongCircuit, type Pour } from './ledger';

describe('the pour ledger', () => {
  it('counts what is inside: not the jug’s rest, not what was let out again', () => {
    const l = ledger(
      [
        { what: 'into the filter', ml: 60 },
        { what: 'poured in', ml: 900, residueMl: 20 },
        { what: 'topped up', ml: 80 },
        { what: 'let out again', ml: 40 }
      ],
      1000
    );
    expect(l.inMl).toBe(980);
    expect(l.lines.map((x) => x.totalMl)).toEqual([60, 940, 1020, 980]);
    expect(l.leftMl).toBe(20);
    expect(ledger([], null)).toEqual({ inMl: 0, lines: [], leftMl: null });
  });
  it('is the same however it was interrupted', () => {
    const pour = fc.record({
      what: fc.constantFrom('poured in', 'topped up', 'into the filter', 'let out again'),
      ml: fc.integer({ min: 0, max: 3000 })
    }) as fc.Arbitrary<Pour>;
    fc.assert(
      fc.property(fc.array(pour, { maxLength: 12 }), fc.nat(12), (pours, cut) => {
        const whole = ledger(pours, 1000).inMl;
        expect(ledger(pours.slice(0, cut), 1000).inMl + ledger(pours.slice(cut), 1000).inMl).toBe(whole);
      })
    );
  });
  it('asks about what cannot be', () => {
    expect(oddPour({ what: 'poured in', ml: 100, residueMl: 120 }, 0)).toBe('more left than was in it');
    expect(oddPour({ what: 'let out again', ml: 300 }, 200)).toBe('more let out than went in');
    expect(oddPour({ what: 'poured in', ml: 100 }, 0)).toBeNull();
  });
});

describe('cross-checks', () => {
  const engine = { name: 'engine', quantityMl: 950 };
  const gearbox = { name: 'gearbox', quantityMl: 1400 };
  it('names the circuit that what came out fits', () => {
    expect(wrongCircuit(940, engine, [gearbox])).toBeNull();
    expect(wrongCircuit(1380, engine, [gearbox])).toContain('about what the gearbox does');
    expect(wrongCircuit(2000, engine, [gearbox])).toContain('fuel or water');
  });
  it('knows another circuit by what came out, also where that is less than this one holds', () => {
    const engine = { name: 'engine', quantityMl: 1100 };
    const others = [
      { name: 'gearbox', quantityMl: 700 },
      { name: 'rear differential', quantityMl: 330 }
    ];
    // 85 % of 1,100 is 935.
    expect(wrongCircuit(700, engine, others)).toBe(
      '700 ml is less than the engine holds, and about what the gearbox does. Was the right plug opened?'
    );
    expect(wrongCircuit(320, engine, others)).toContain('rear differential');
    expect(wrongCircuit(940, engine, others)).toBeNull();
    expect(wrongCircuit(500, engine, others)).toBeNull();
    expect(wrongCircuit(700, engine, [])).toBeNull();
  });
  it('consumption is per hour, unknown without hours', () => {
    expect(consumption(950, 800, 1500)).toEqual({ ml: 150, mlPerHour: 10 });
    expect(consumption(950, 800, null).mlPerHour).toBeNull();
    expect(consumption(950, 800, 0).mlPerHour).toBeNull();
  });
  it('what a dry filter took does not come out of the drain: it was not used', () => {
    // 950 went in, 60 of it into the filter; 860 came out after 15 h: 30 ml used, 2 ml an hour.
    expect(consumption(950, 860, 1500, 60)).toEqual({ ml: 30, mlPerHour: 2, inFilterMl: 60 });
  });
  it('says a sudden rise, and is silent with too little history', () => {
    const usual = [consumption(950, 900, 1500), consumption(950, 890, 1500), consumption(950, 905, 1500)];
    expect(suddenRise(consumption(950, 700, 1500), usual)).toContain('16.7 ml an hour');
    expect(suddenRise(consumption(950, 895, 1500), usual)).toBeNull();
    expect(suddenRise(consumption(950, 700, 1500), usual.slice(0, 1))).toBeNull();
    expect(suddenRise(consumption(950, 700, null), usual)).toBeNull();
  });
});

describe('bottles', () => {
  it('uses up the opened one first', () => {
    expect(bottles(950, 2650, 1000)).toEqual({ open: 1, leftMl: 700, shortMl: 0 });
    expect(bottles(600, 2650, 1000)).toEqual({ open: 0, leftMl: 50, shortMl: 0 });
    expect(bottles(950, 300, 1000)).toEqual({ open: 0, leftMl: 0, shortMl: 650 });
  });
  it('never makes oil', () => {
    fc.assert(
      fc.property(fc.nat(9000), fc.nat(20000), fc.integer({ min: 100, max: 5000 }), (need, stock, size) => {
        const b = bottles(need, stock, size);
        expect(b.shortMl).toBe(Math.max(0, need - stock));
        if (b.shortMl === 0) {
          expect(b.leftMl).toBeGreaterThanOrEqual(0);
          expect((stock % size) + b.open * size).toBe(need + b.leftMl);
        }
      })
    );
    expect(() => bottles(1, 1, 0)).toThrow(RangeError);
  });
});
