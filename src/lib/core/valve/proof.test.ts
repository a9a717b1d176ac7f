import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Span } from './clearance';
import { proofInWords, proofOf, type Proof, type Shimmed } from './proof';

const blades = (from: number, to: number): Span => ({ from, to, closed: false });
/** Found 75 to 100 with 1850; 1800 went in: 125 to 150. */
const left: Shimmed = { id: 'IN-L', found: blades(75, 100), fitted: 1850, shim: 1800 };
/** Found 200 to 225 with 1700; 1775 went in. */
const right: Shimmed = { id: 'IN-R', found: blades(200, 225), fitted: 1700, shim: 1775 };

describe('a clearance as left', () => {
  it('is as predicted where it may be', () => {
    expect(proofOf(blades(125, 150), left, [right], 25)).toEqual({ ok: true });
    expect(proofOf(blades(149, 160), left, [right], 25)).toEqual({ ok: true });
    expect(proofOf({ from: 130, to: 130, closed: true }, left, [], 25)).toEqual({ ok: true });
  });

  it('tells of a shim in the wrong place before anything else', () => {
    // The right one's 1775 in the left valve: 75 + 1850 − 1775 = 150 to 175, as a stamp misread by one size would leave.
    expect(proofOf(blades(150, 175), left, [left, right], 25)).toEqual({
      ok: false,
      less: false,
      off: 0,
      causes: [
        { what: 'in the wrong place', shim: 1775, of: 'IN-R' },
        { what: 'another size', by: -25 }
      ]
    });
  });

  it('names a cause from one step on, both ways', () => {
    // One blade step below 125 to 150: a shim 25 thicker than was thought, or dirt.
    expect(proofOf(blades(100, 125), left, [], 25)).toEqual({
      ok: false,
      less: true,
      off: 0,
      causes: [{ what: 'another size', by: 25 }, { what: 'not seated' }]
    });
    expect(proofOf(blades(150, 175), left, [], 25)).toMatchObject({
      less: false,
      causes: [{ what: 'another size', by: -25 }]
    });
    // Predicted 100 to 150, found with wider blades; left at 75 to 100.
    const wide: Shimmed = { id: 'IN-L', found: blades(50, 100), fitted: 1850, shim: 1800 };
    expect(proofOf(blades(75, 100), wide, [], 25)).toMatchObject({ less: true, off: 0 });
  });

  it('says how it stands by its verdict', () => {
    const p = proofOf(blades(75, 100), left, [], 25) as Exclude<Proof, { ok: true }>;
    expect(proofInWords(p, 'tight', 'mm')).toBe(
      'Too tight, and 0.025 mm less than the shim should have left.'
    );
    const one = proofOf(blades(100, 125), left, [], 25) as Exclude<Proof, { ok: true }>;
    expect(proofInWords(one, 'in', 'mm')).toBe(
      'In its limits, but just less than the shim should have left.'
    );
    expect(proofInWords(one, 'tight', 'mm')).toBe('Too tight, and just less than the shim should have left.');
  });

  it('tells of another size than was thought, and of what is not seated', () => {
    // 75 to 100 again is what 1850 left: two sizes thicker. There is 25 too little at least.
    expect(proofOf(blades(75, 100), left, [], 25)).toEqual({
      ok: false,
      less: true,
      off: 25,
      causes: [{ what: 'another size', by: 50 }, { what: 'not seated' }]
    });
    // 200 to 225 is 75 + 1850 − 1725 on: three sizes thinner. Dirt takes clearance away, it gives none.
    expect(proofOf(blades(200, 225), left, [], 25)).toEqual({
      ok: false,
      less: false,
      off: 50,
      causes: [{ what: 'another size', by: -75 }]
    });
    // Far out: no misread stamp explains it.
    expect(proofOf({ from: 900, to: 900, closed: true }, left, [], 25)).toEqual({
      ok: false,
      less: false,
      off: 750,
      causes: []
    });
  });

  it('finds nothing wrong with any head that was shimmed as planned', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 20, max: 300 }),
        fc.integer({ min: 1, max: 40 }),
        fc.nat({ max: 100 }),
        fc.integer({ min: 1200, max: 3000 }),
        fc.integer({ min: -150, max: 150 }),
        (goes, width, at, fitted, change) => {
          const true_ = goes + (at % width);
          const found = blades(goes, goes + width);
          const now = true_ - change;
          return proofOf(
            { from: now, to: now, closed: true },
            { id: 'v', found, fitted, shim: fitted + change },
            [],
            25
          ).ok;
        }
      )
    );
  });
});
