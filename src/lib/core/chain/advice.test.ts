import { describe, expect, it } from 'vitest';
import { exactly } from '../quantity/band';
import { quantity } from '../quantity/quantity';
import type { UnitName } from '../quantity/units';
import type { Figure, FigureKey } from '../specs/sheet';
import { adviceOf, adviceWords, axleBack, moveWords } from './advice';
import { USUAL_DRIVE, type Drive } from './drive';
import { geometryOf, impossibleOf, knownOf, missingOf, oddLinks } from './geometry';
import { loopLength } from './run';

const figure = (key: FigureKey, value: number, unit: UnitName): Figure => ({
  id: key,
  key,
  fastenerId: null,
  band: exactly(quantity(value, unit)),
  text: null,
  source: 'Workshop manual',
  page: '',
  confidence: 'printed',
  variant: ''
});
const GEARS: [FigureKey, number, UnitName][] = [
  ['chain pitch', 15.875, 'mm'],
  ['front sprocket', 13, 'teeth'],
  ['rear sprocket', 50, 'teeth'],
  ['chain links', 114, 'links'],
  ['adjuster pitch', 1.25, 'mm']
];
const TRAVEL: [FigureKey, number, UnitName][] = [
  ['pivot ahead of sprocket', 70, 'mm'],
  ['pivot above sprocket', -4, 'mm'],
  ['swingarm hanging', 24, '°'],
  ['swingarm compressed', 7, '°']
];
const sheet = (...figures: [FigureKey, number, UnitName][]) => ({
  figures: figures.map((f) => figure(...f)),
  fasteners: []
});
const drive = (more: Partial<Drive> = {}, adjuster: Partial<Drive['adjuster']> = {}): Drive => ({
  ...USUAL_DRIVE,
  ...more,
  adjuster: { ...USUAL_DRIVE.adjuster, ...adjuster }
});
const at = (slack: number, left: number | null = null, right: number | null = null) => ({
  slack,
  left,
  right
});

describe('what is known of a drive', () => {
  it('the centre distance comes from the links; the arm is as long as its axle stands', () => {
    const k = knownOf(sheet(...GEARS, ...TRAVEL), USUAL_DRIVE);
    const g = geometryOf(k, USUAL_DRIVE, 40);
    expect(g.by).toBe('links');
    expect(loopLength(g.centre!, g.gears!, { at: 0.5, slack: 40 })).toBeCloseTo(114 * 15.875, 6);
    expect(g.arm).toMatchObject({ droop: -24, bump: 7 });
    expect(g.angle).toBe(-24);
    // A grown chain with the same slack stands further back.
    expect(geometryOf({ ...k, grown: 1 }, USUAL_DRIVE, 40).centre!).toBeGreaterThan(g.centre!);
  });
  it('what is fitted goes before what is printed', () => {
    expect(knownOf(sheet(...GEARS), drive({ rear: 52, links: 116 }))).toMatchObject({
      front: 13,
      rear: 52,
      links: 116
    });
  });
  it('without links it is the printed arm; with neither it is not known', () => {
    const noLinks = GEARS.filter(([k]) => k !== 'chain links');
    const k = knownOf(sheet(...noLinks, ...TRAVEL, ['swingarm length', 590, 'mm']), USUAL_DRIVE);
    expect(geometryOf(k, USUAL_DRIVE, 40).by).toBe('arm');
    expect(geometryOf(knownOf(sheet(...noLinks), USUAL_DRIVE), USUAL_DRIVE, 40)).toMatchObject({
      centre: null,
      by: null
    });
  });
  it('on its wheels the arm’s angle is asked, not made up', () => {
    const k = knownOf(sheet(...GEARS, ...TRAVEL), USUAL_DRIVE);
    expect(geometryOf(k, drive({ attitude: 'rider on' }), 40).angle).toBeNull();
    expect(geometryOf(k, drive({ attitude: 'rider on', angle: -12 }), 40).angle).toBe(-12);
  });
  it('says what helps most: first what gives turns, then the travel', () => {
    const all = missingOf(knownOf(sheet(), USUAL_DRIVE), USUAL_DRIVE).map((m) => m.key);
    expect(all.slice(0, 5)).toEqual([
      'front sprocket',
      'rear sprocket',
      'chain pitch',
      'chain links',
      'adjuster pitch'
    ]);
    expect(missingOf(knownOf(sheet(...GEARS), USUAL_DRIVE), USUAL_DRIVE)[0]).toMatchObject({
      key: 'swingarm hanging',
      tells: expect.stringContaining('whole travel')
    });
    // Of the two numbers of the pivot the one that is there is not asked again.
    const half = knownOf(
      sheet(...GEARS, ...TRAVEL.filter(([key]) => key !== 'pivot above sprocket')),
      USUAL_DRIVE
    );
    expect(missingOf(half, USUAL_DRIVE)[0]!.key).toBe('pivot above sprocket');
    // Snail cams have no thread.
    const snail = drive({}, { kind: 'snail cams', lastMark: 8 });
    expect(missingOf(knownOf(sheet(...GEARS, ...TRAVEL), snail), snail).map((m) => m.key)).not.toContain(
      'adjuster pitch'
    );
  });
  it('says what cannot be', () => {
    const crossed = sheet(...GEARS, ['swingarm hanging', -9, '°'], ['swingarm compressed', 5, '°']);
    expect(impossibleOf(knownOf(crossed, USUAL_DRIVE)).join()).toContain('wrong way round');
    expect(impossibleOf(knownOf(sheet(...GEARS), drive({ front: 13.5 }))).join()).toContain('whole teeth');
    expect(impossibleOf(knownOf(sheet(...GEARS), drive({ links: 40 }))).join()).toContain('do not go round');
    const huge = sheet(...GEARS, ['swingarm length', 150, 'mm']);
    expect(impossibleOf(knownOf(huge, USUAL_DRIVE)).join()).toContain('meets the front one');
    expect(impossibleOf(knownOf(sheet(...GEARS, ...TRAVEL), USUAL_DRIVE))).toEqual([]);
    expect(oddLinks(knownOf(sheet(...GEARS), drive({ links: 113 })), drive())).toContain('half link');
    expect(oddLinks(knownOf(sheet(...GEARS), drive({ links: 113 })), drive({ halfLink: true }))).toBeNull();
  });
});

describe('what to turn', () => {
  const k = knownOf(sheet(...GEARS, ['adjusters across', 220, 'mm'], ['axle slot', 40, 'mm']), USUAL_DRIVE);
  const advise = (now: ReturnType<typeof at>, shift: number | null = null, d = USUAL_DRIVE, known = k) =>
    adviceOf(known, d, geometryOf(known, d, now.slack), now, 40, shift);

  it('both sides alike, in turns and flats, and back makes it tighter', () => {
    const a = advise(at(60));
    expect(a).toMatchObject({ set: 40, left: { way: 'back' }, right: { way: 'back' } });
    // By hand: 114 links are 1809.75 mm, 501 of them round both sprockets: runs of about 640 mm. An excess is 2 (s/2)² / run: 2.81
    // for 60 and 1.25 for 40. Both runs grow with the axle: half of the difference, 0.78 mm.
    expect(a.travel!).toBeGreaterThan(0.76);
    expect(a.travel!).toBeLessThan(0.81);
    // 0.78 mm of a thread of 1.25 is 0.62 of a turn: 4 flats.
    expect(adviceWords(a, USUAL_DRIVE)).toBe('Both adjusters out 4 flats, then read again.');
    expect(adviceWords(advise(at(20)), USUAL_DRIVE)).toMatch(/^Both adjusters in \d flats/);
    expect(adviceWords(advise(at(40.3)), USUAL_DRIVE)).toBe('Both adjusters stay.');
    const pull = drive({}, { back: 'in' });
    expect(adviceWords(advise(at(60), null, pull), pull)).toBe('Both adjusters in 4 flats, then read again.');
  });

  it('leads it by what tightening does', () => {
    // It loses 4 mm when the axle is tightened: set to 44.
    expect(advise(at(60), -4)).toMatchObject({ aim: 40, set: 44, shift: -4 });
    expect(advise(at(60), -4).travel!).toBeLessThan(advise(at(60)).travel!);
  });

  it('takes out what is crooked: the side of the chain goes by the slack, the other comes to its mark', () => {
    const marked = drive({}, { perMark: 2 });
    const a = advise(at(60, 6, 5), null, marked);
    // 12 against 10 mm over 220: 0.52°.
    expect(a.crooked).toBeCloseTo(0.5209, 3);
    // The right side goes 2 mm further than the left: 0.78 + 2 = 2.78 mm of 1.25, 2.22 turns: 2 turns and 1 flat.
    expect(moveWords(a.right!, marked)).toBe('out 2 turns and 1 flat');
    expect(moveWords(a.left!, marked)).toBe('out 4 flats');
    expect(adviceWords(a, marked)).toBe('Left out 4 flats, right out 2 turns and 1 flat, then read again.');
    // With the chain on the right it is the left that comes forward by 2 − 0.78 = 1.22 mm: one turn, less a fortieth.
    const right = { ...marked, chainSide: 'right' as const };
    expect(advise(at(60, 6, 5), null, right).left).toMatchObject({
      way: 'forward',
      turns: 1,
      flats: 0
    });
  });

  it('says how much travel is left, and when there is none', () => {
    const marked = drive({}, { perMark: 2 });
    expect(advise(at(60, 10, 10), null, marked).travelLeft!).toBeCloseTo(40 - 20 - 0.78, 1);
    const out = advise(at(60, 20, 20), null, marked);
    expect(out.travelLeft).toBe(0);
    expect(out.blocked).toContain('past the end of its slot');
    expect(adviceWords(out, marked)).toContain('two links out');
    expect(advise(at(20, 0, 0), null, marked).blocked).toContain('ahead of its slot');
  });

  it('snail cams go by notches', () => {
    const snail = drive({}, { kind: 'snail cams', perMark: 0.8, lastMark: 12 });
    expect(adviceWords(advise(at(60, 4, 4), null, snail), snail)).toBe(
      'Both adjusters 1 notch back, then read again.'
    );
    const unknown = drive({}, { kind: 'snail cams' });
    expect(adviceWords(advise(at(60), null, unknown), unknown)).toBe(
      'A flat at a time on both sides, and read again.'
    );
  });

  it('a carrier goes by its angle, to the mark nearest to it', () => {
    const round = drive({}, { kind: 'eccentric carrier', offset: 13, perMark: -10, zero: 90 });
    const a = advise(at(60, 4, null), null, round);
    // Mark 4 is 50°; 0.78 mm at about 13 · sin 50° a radian is 4.5°: to 45°, mark 4.5.
    expect(a.left).toMatchObject({ by: 'angle', way: 'back' });
    expect(a.left!.by === 'angle' && a.left!.to).toBeCloseTo(45.5, 0);
    expect(adviceWords(a, round)).toBe('Carrier 5° back, to mark 4.5, then read again.');
    expect(advise(at(60, null, null), null, round).left).toBeNull();
    expect(advise(at(150, 8.9, null), null, round).blocked).toContain('does not reach');
  });

  it('a carrier’s axle goes back by the fore-aft part of its angle: all back at 0°, half-way at 90°', () => {
    const round = drive({}, { kind: 'eccentric carrier', offset: 13, perMark: -10, zero: 90 });
    expect(axleBack(0, round)).toBeCloseTo(13, 9);
    expect(axleBack(9, round)).toBeCloseTo(26, 9);
    // 60°: 13 and half of it.
    expect(axleBack(3, round)).toBeCloseTo(19.5, 9);
    expect(axleBack(null, round)).toBeNull();
    expect(axleBack(3, drive({}, { kind: 'eccentric carrier', offset: 13 }))).toBeNull();
    expect(axleBack(3, drive({}, { perMark: 2 }))).toBe(6);
  });

  it('with the geometry unknown says what can be said', () => {
    const bare = knownOf(sheet(), USUAL_DRIVE);
    const a = advise(at(60), -3, USUAL_DRIVE, bare);
    expect(a).toMatchObject({ set: 43, travel: null, left: null });
    expect(adviceWords(a, USUAL_DRIVE)).toBe('A flat at a time on both sides, and read again.');
  });
});
