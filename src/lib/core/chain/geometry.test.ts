import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import adjusts from '../worked-cases/chain_adjust.json';
import carriers from '../worked-cases/chain_eccentric.json';
import elongations from '../worked-cases/chain_elongation.json';
import excesses from '../worked-cases/chain_excess.json';
import links from '../worked-cases/chain_links.json';
import tights from '../worked-cases/chain_tight_point.json';
import { axleTravel, carrierAngle, centreOf, crooked, turnsFor, wholeFlats } from './adjust';
import { elongation, longest, maybeMiscounted, oddLength } from './elongation';
import { centreOfLinks, linksThatFit } from './links';
import { centreFor, excess, loopLength, pitchRadius, slackIn, slackOf, straightRun, tautLoop } from './run';
import { armFor, centreAt, slackOverTravel, slackToLeave, tightPoint, type Arm } from './travel';

const numbered = <T>(list: T[]) => list.map((c, i) => [i + 1, c] as const);
const gearsOf = (c: { pitch_mm: number; front_teeth: number; rear_teeth: number }) => ({
  pitch: c.pitch_mm,
  front: c.front_teeth,
  rear: c.rear_teeth
});
const near = (got: number, want: number) =>
  expect(Math.abs(got - want)).toBeLessThan(1e-6 * Math.max(1, Math.abs(want)));

describe('worked cases', () => {
  it.each(numbered(excesses))('excess %i', (_, c) => {
    const run = straightRun(c.centre_mm, gearsOf(c));
    near(run, c.span_mm);
    near(excess(run, c.at, c.slack_mm), c.expect_excess_mm);
  });
  it.each(numbered(adjusts))('axle travel and turns %i', (_, c) => {
    const travel = axleTravel(c.centre_mm, gearsOf(c), c.at, c.slack_now_mm, c.slack_want_mm)!;
    expect(travel).toBeCloseTo(c.expect_axle_mm, 5);
    expect(turnsFor(travel, c.adjuster_pitch_mm)).toBeCloseTo(c.expect_turns, 5);
  });
  it.each(numbered(carriers))('eccentric %i', (_, c) => {
    const e = { carrier: c.carrier_mm, offset: c.offset_mm };
    const angle = carrierAngle(
      e,
      gearsOf(c),
      c.angle_now_deg,
      { at: 0.5, slack: c.slack_now_mm },
      c.slack_want_mm
    );
    expect(angle).toBeCloseTo(c.expect_angle_deg, 2);
  });
  it.each(numbered(elongations))('elongation %i', (_, c) => {
    near(elongation(c.measured_mm, c.pitch_mm, c.pitches), c.expect_pct);
  });
  it.each(numbered(links))('links %i', (_, c) => {
    const slot = { from: c.centre_min_mm, to: c.centre_max_mm };
    const fits = linksThatFit(gearsOf(c), slot, { at: 0.5, slack: c.slack_mm });
    expect(fits.map((f) => f.links)).toEqual(c.expect.map((e) => e.links));
    for (const [i, f] of fits.entries()) expect(f.centre).toBeCloseTo(c.expect[i]!.centre_mm, 3);
  });
  it.each(numbered(tights))('tight point %i', (_, c) => {
    const arm: Arm = {
      pivot: { x: c.pivot_x_mm, y: c.pivot_y_mm },
      length: c.arm_mm,
      droop: c.angle_lo_deg,
      bump: c.angle_hi_deg
    };
    const tight = tightPoint(arm, gearsOf(c), {
      at: 0.5,
      slack: c.slack_at_full_droop_mm,
      angle: c.angle_lo_deg
    });
    if (c.expect_tight_angle_deg === null) expect(tight.angle).toBeNull();
    else expect(tight.angle).toBeCloseTo(c.expect_tight_angle_deg, 2);
    expect(tight.centre).toBeCloseTo(c.expect_centre_mm, 3);
    expect(tight.slack).toBeCloseTo(c.expect_slack_at_tight_mm, 3);
    // Where nothing is left of the slack, the loop would have to stretch, and by how much is said.
    expect(tight.short > 0).toBe(c.expect_slack_at_tight_mm === 0);
  });
});

const gears = fc.record({
  pitch: fc.constantFrom(12.7, 15.875),
  front: fc.integer({ min: 10, max: 18 }),
  rear: fc.integer({ min: 34, max: 60 })
});
const centre = fc.double({ min: 450, max: 750, noNaN: true });
const at = fc.double({ min: 0.2, max: 0.8, noNaN: true });
const slack = fc.double({ min: 1, max: 110, noNaN: true });
const armOf = fc.record({
  pivot: fc.record({
    x: fc.double({ min: 30, max: 110, noNaN: true }),
    y: fc.double({ min: -25, max: 25, noNaN: true })
  }),
  length: fc.double({ min: 400, max: 650, noNaN: true }),
  droop: fc.double({ min: -32, max: -10, noNaN: true }),
  bump: fc.double({ min: -2, max: 14, noNaN: true })
});

describe('slack', () => {
  it('of an excess gives the excess again', () => {
    fc.assert(
      fc.property(centre, at, slack, (run, a, s) => {
        near(slackOf(run, a, excess(run, a, s)), s);
      })
    );
    expect(slackOf(500, 0.5, 0)).toBe(0);
    expect(slackOf(500, 0.5, -3)).toBe(0);
  });

  it('adjusted to what is wanted and measured again is what was wanted; and back is no travel', () => {
    fc.assert(
      fc.property(gears, centre, at, slack, slack, (g, c, a, now, want) => {
        const travel = axleTravel(c, g, a, now, want)!;
        const loop = loopLength(c, g, { at: a, slack: now });
        expect(slackIn(loop, c + travel, g, a)).toBeCloseTo(want, 3);
        expect(Math.sign(Math.round(travel * 1e6))).toBe(Math.sign(Math.round((now - want) * 1e6)) || 0);
        expect(travel + axleTravel(c + travel, g, a, want, now)!).toBeCloseTo(0, 6);
      }),
      { numRuns: 300 }
    );
  });

  it('needs no end that is not there: sprockets would touch, or nothing is that long', () => {
    const g = { pitch: 15.875, front: 13, rear: 50 };
    expect(centreFor(tautLoop(160, g), g, { at: 0.5, slack: 110 }, 600)).toBeNull();
    expect(centreFor(100, g, { at: 0.5, slack: 0 }, 600)).toBeNull();
    expect(pitchRadius(15.875, 6)).toBeCloseTo(15.875, 9);
  });

  it('of a concentric drive is one slack; more droop never changes how long the loop is', () => {
    fc.assert(
      fc.property(gears, armOf, at, slack, (g, arm, a, s) => {
        const round = { ...arm, pivot: { x: 0, y: 0 } };
        const curve = slackOverTravel(round, g, { at: a, slack: s, angle: round.droop }, 9);
        for (let i = 0; i < 9; i++) expect(curve[2 * i + 1]).toBeCloseTo(s, 6);

        const m = { at: a, slack: s, angle: arm.droop };
        const loop = loopLength(centreAt(arm, arm.droop), g, m);
        const over = slackOverTravel(arm, g, m, 21);
        const tight = tightPoint(arm, g, m);
        for (let i = 0; i < 21; i++) {
          const there = centreAt(arm, over[2 * i]!);
          expect(over[2 * i + 1]).toBeGreaterThanOrEqual(tight.slack - 1e-6);
          if (over[2 * i + 1]! > 0)
            expect(loopLength(there, g, { at: a, slack: over[2 * i + 1]! })).toBeCloseTo(loop, 6);
        }
      })
    );
  });

  it('that is to be left at the tightest is left there', () => {
    fc.assert(
      fc.property(gears, armOf, at, fc.double({ min: 2, max: 40, noNaN: true }), (g, arm, a, least) => {
        const want = slackToLeave(arm, g, { at: a, angle: arm.droop }, least);
        expect(tightPoint(arm, g, { at: a, slack: want, angle: arm.droop }).slack).toBeCloseTo(least, 4);
        expect(want).toBeGreaterThanOrEqual(least - 1e-6);
      })
    );
  });
});

describe('what is worked out from something else', () => {
  it('an arm is as long as its axle says', () => {
    fc.assert(
      fc.property(armOf, (arm) => {
        near(armFor(arm.pivot, centreAt(arm, arm.droop), arm.droop)!, arm.length);
      })
    );
    expect(armFor({ x: 70, y: 0 }, 20, 0)).toBeNull();
  });

  it('the centre distance is that of the links and the slack: nobody measures it', () => {
    fc.assert(
      fc.property(gears, centre, at, slack, (g, c, a, s) => {
        const n = loopLength(c, g, { at: a, slack: s }) / g.pitch;
        near(centreOfLinks(g, n, { at: a, slack: s })!, c);
      })
    );
    // 60 links hardly go round both sprockets.
    expect(centreOfLinks({ pitch: 15.875, front: 13, rear: 50 }, 40, { at: 0.5, slack: 30 })).toBeNull();
  });

  it('a half link allows odd numbers; a chain that has grown stands further back', () => {
    const g = { pitch: 15.875, front: 13, rear: 50 };
    const slot = { from: 560, to: 600 };
    const even = linksThatFit(g, slot, { at: 0.5, slack: 40 });
    const any = linksThatFit(g, slot, { at: 0.5, slack: 40 }, 0, true);
    expect(even.every((f) => f.links % 2 === 0)).toBe(true);
    expect(any.filter((f) => f.links % 2 === 0)).toEqual(even);
    expect(any.length).toBeGreaterThan(even.length);
    const grown = linksThatFit(g, slot, { at: 0.5, slack: 40 }, 1);
    expect(grown[0]!.centre).toBeGreaterThan(even[0]!.centre);
    expect(linksThatFit(g, { from: 600, to: 590 }, { at: 0.5, slack: 40 })).toEqual([]);
  });
});

describe('a carrier', () => {
  it('turned there and back stands where it stood', () => {
    fc.assert(
      fc.property(
        gears,
        centre,
        fc.integer({ min: 6, max: 16 }),
        fc.integer({ min: 20, max: 160 }),
        slack,
        (g, carrier, offset, angle, s) => {
          const e = { carrier, offset };
          const want = s * 0.9;
          const there = carrierAngle(e, g, angle, { at: 0.5, slack: s }, want);
          if (there === null) return;
          const back = carrierAngle(e, g, there, { at: 0.5, slack: want }, s)!;
          expect(back).toBeCloseTo(angle, 4);
          // Further back is towards 0°.
          expect(there).toBeLessThanOrEqual(angle);
          expect(centreOf(e, there)).toBeGreaterThanOrEqual(centreOf(e, angle));
        }
      )
    );
  });
  it('cannot give what lies beyond its throw', () => {
    const g = { pitch: 15.875, front: 13, rear: 45 };
    expect(carrierAngle({ carrier: 550, offset: 6 }, g, 10, { at: 0.5, slack: 90 }, 5)).toBeNull();
  });
});

describe('turns', () => {
  it('are counted in flats', () => {
    expect(wholeFlats(0.5421)).toEqual({ way: 'back', turns: 0, flats: 3 });
    expect(wholeFlats(-1.0742)).toEqual({ way: 'forward', turns: 1, flats: 0 });
    expect(wholeFlats(2.0998)).toEqual({ way: 'back', turns: 2, flats: 1 });
    expect(wholeFlats(0.04)).toEqual({ way: 'none', turns: 0, flats: 0 });
  });
  it('a wheel that stands 2 mm further back on the left of 200 mm is 0.57° crooked', () => {
    expect(crooked(12, 10, 200)).toBeCloseTo(0.5729, 4);
    expect(crooked(10, 12, 200)).toBeCloseTo(-0.5729, 4);
  });
});

describe('length over pitches', () => {
  it('is questioned where it is another number of pitches', () => {
    expect(oddLength(258.9, 15.875, 16)).toBeNull();
    expect(oddLength(258.9, 15.875, 15)).toContain('about 16 pitches');
    expect(oddLength(10.2, 15.875, 16)).toContain('about 1 pitches');
    // 21 × 15.875 = 333.4 for 20 pitches is 5 %, one pitch too many; 2 % over 20 is 323.9, a worn chain.
    expect(maybeMiscounted(333.4, 15.875, 20)).toContain('5.0 % longer than new; over 21 it would be 0.0 %');
    expect(maybeMiscounted(323.9, 15.875, 20)).toBeNull();
    // 16 × 15.875 = 254; a hundredth and a half more is 257.81.
    expect(longest(15.875, 16, 1.5)).toBeCloseTo(257.81, 2);
  });
});
