import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import cases from '../worked-cases/feeler.json';
import { anywhere, near, nextBlade } from './blades';
import { forSums, impossible, spanOf, verdict, type Measured } from './clearance';

const limits = { lo: 110, hi: 160 };
const blades = (goes: number | null, stops: number | null): Measured => ({ by: 'blades', goes, stops });

describe('a clearance', () => {
  it.each(cases)('$go_um goes, $no_go_um does not, $lo_um to $hi_um: $expect', (c) => {
    expect(verdict(spanOf(blades(c.go_um, c.no_go_um)), { lo: c.lo_um, hi: c.hi_um })).toBe(c.expect);
  });

  it('is in only where all of the bracket is, out only where all of it is', () => {
    const of = (goes: number | null, stops: number | null) => verdict(spanOf(blades(goes, stops)), limits);
    expect(of(110, 160)).toBe('in');
    // It may be 100 or 109, and it may be 110.
    expect(of(100, 125)).toBe('undecided');
    // The blade at the lower limit does not go: it is less.
    expect(of(100, 110)).toBe('tight');
    // The blade at the upper limit goes: it may be just that.
    expect(of(160, 185)).toBe('undecided');
    expect(of(161, 185)).toBe('loose');
    expect(of(null, 100)).toBe('tight');
    expect(of(null, null)).toBe('undecided');
    // One figure is what it is; exactly the limit, the house rule decides.
    expect(verdict(spanOf({ by: 'reading', at: 159 }), limits)).toBe('in');
    for (const at of [110, 160]) expect(verdict(spanOf({ by: 'reading', at }), limits)).toBe('undecided');
    expect(verdict(spanOf({ by: 'reading', at: 109 }), limits)).toBe('tight');
    expect(verdict(spanOf({ by: 'dial', from: 150, to: 161 }), limits)).toBe('undecided');
  });

  it('is reckoned with as the blade that goes, or as the middle where the house says so', () => {
    expect(forSums(blades(100, 125), 'goes')).toBe(100);
    expect(forSums(blades(100, 125), 'middle of the bracket')).toBe(113);
    expect(forSums(blades(100, null), 'middle of the bracket')).toBe(100);
    // Not even the thinnest blade goes: nobody knows what it has.
    expect(forSums(blades(null, 40), 'goes')).toBeNull();
    expect(forSums({ by: 'dial', from: 120, to: 130 }, 'goes')).toBe(120);
    expect(forSums({ by: 'reading', at: 127 }, 'middle of the bracket')).toBe(127);
  });

  it('cannot be upside down, nor what no valve has', () => {
    expect(impossible(blades(150, 125))).toEqual({ what: 'upside down' });
    expect(impossible(blades(150, 150))).toEqual({ what: 'upside down' });
    expect(impossible({ by: 'dial', from: 130, to: 120 })).toEqual({ what: 'upside down' });
    // 2.0 for 0.20.
    expect(impossible({ by: 'reading', at: 2000 })?.what).toBe('out of reach');
    expect(impossible(blades(-10, 40))?.what).toBe('out of reach');
    expect(impossible(blades(null, 40))).toBeNull();
    expect(impossible(blades(100, 125))).toBeNull();
  });
});

describe('the next blade', () => {
  const set = [50, 75, 100, 110, 125, 150, 160, 175, 200];
  const start = spanOf(blades(null, null));

  it('asks no more once the verdict is certain, and gives up where no blade can tell', () => {
    const at = (goes: number, stops: number, set: number[]) =>
      nextBlade(spanOf(blades(goes, stops)), limits, set, anywhere(limits));
    expect(at(125, 150, set)).toEqual({ what: 'certain', verdict: 'in' });
    expect(at(75, 100, set)).toEqual({ what: 'certain', verdict: 'tight' });
    expect(at(100, 125, set)).toMatchObject({ what: 'try', blade: 110 });
    expect(at(100, 125, [50, 100, 125])).toEqual({ what: 'borderline' });
    // A blade in between that would leave both ways open is not asked for.
    expect(at(90, 130, [90, 105, 130])).toMatchObject({ what: 'try', blade: 105, expected: 1 });
    expect(at(100, 130, [100, 120, 130])).toMatchObject({ what: 'try', blade: 120 });
    expect(nextBlade(spanOf({ by: 'reading', at: 120 }), limits, set, anywhere(limits))).toEqual({
      what: 'certain',
      verdict: 'in'
    });
  });

  it('begins where it was last time', () => {
    const first = nextBlade(start, limits, set, near(62, limits));
    expect(first).toMatchObject({ what: 'try' });
    // It was tight: the blade that would prove it tight comes first.
    expect(first).toMatchObject({ blade: 110 });
  });

  it('takes as few tries as any order of asking: held against trying every order', () => {
    const weigh = (likely: (um: number) => number, from: number, to: number) => {
      let sum = 0;
      for (let um = from; um < Math.min(to, 2 * limits.hi + 1); um++) sum += likely(um);
      return sum;
    };
    /** Tries to be expected from a bracket on, asking the best way, found by trying all of them. */
    const fewest = (
      from: number,
      to: number,
      set: readonly number[],
      likely: (um: number) => number
    ): number => {
      if (verdict({ from, to, closed: false }, limits) !== 'undecided') return 0;
      const able = set.filter((b) => b > from && b < to);
      // Whatever is asked, no verdict can come of it.
      const ends = [from, ...able, to];
      const hopeless = ends.every((a, i) =>
        ends.slice(i + 1).every((b) => verdict({ from: a, to: b, closed: false }, limits) === 'undecided')
      );
      if (hopeless) return 0;
      return (
        weigh(likely, from, to) +
        Math.min(...able.map((b) => fewest(from, b, set, likely) + fewest(b, to, set, likely)))
      );
    };
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 20, max: 300 }), { minLength: 1, maxLength: 6 }),
        fc.option(fc.integer({ min: 40, max: 220 }), { nil: null }),
        (blades, last) => {
          const set = [...blades].sort((a, b) => a - b);
          const likely = last === null ? anywhere(limits) : near(last, limits);
          const next = nextBlade(start, limits, set, likely);
          const least = fewest(0, Number.POSITIVE_INFINITY, set, likely);
          if (next.what !== 'try') return least === 0;
          return Math.abs(next.expected - least / weigh(likely, 0, Number.POSITIVE_INFINITY)) < 1e-9;
        }
      ),
      { numRuns: 300 }
    );
  });

  it('always comes to an end, and to the truth', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 10, max: 400 }), { minLength: 1, maxLength: 16 }),
        fc.integer({ min: 0, max: 319 }),
        (blades, true_) => {
          let span = start;
          for (let tries = 0; ; tries++) {
            const next = nextBlade(span, limits, blades, anywhere(limits));
            if (next.what === 'certain') {
              const is = true_ < limits.lo ? 'tight' : true_ > limits.hi ? 'loose' : 'in';
              return next.verdict === is && tries <= blades.length;
            }
            if (next.what === 'borderline') return tries <= blades.length;
            span =
              next.blade <= true_
                ? { ...span, from: next.blade }
                : { from: span.from, to: next.blade, closed: false };
          }
        }
      )
    );
  });
});
