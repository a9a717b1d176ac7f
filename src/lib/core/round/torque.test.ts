import { describe, expect, it } from 'vitest';
import { exactly } from '../quantity/band';
import { quantity } from '../quantity/quantity';
import { unnoted, type Fastener } from '../specs/sheet';
import { readAnswer, untyped } from './answer';
import { judgeAnswer } from './judge';
import { stationOf, torqueChecks, triedWith } from './torque';

const nm = (n: number) => exactly(quantity(n, 'N·m'));
const fastener = (more: Partial<Fastener>): Fastener =>
  unnoted({ id: 'f', role: 'axle nut', name: 'Axle nut', circuit: null, ...more });
const checkOf = (f: Fastener, loose = 0) =>
  torqueChecks({ figures: [], fasteners: [f] }, { [f.id]: loose }).checks[0]!;
const wrench = (more: object = {}) => ({
  id: 'w',
  name: 'Large',
  unit: 'N·m' as const,
  lowNm: 40,
  highNm: 200,
  lengthMm: 500,
  calibratedUntil: '2030-01-01',
  pulls: 0,
  ...more
});

describe('where one stands for a fastener', () => {
  it('goes by the map, then by its words, then by what it is', () => {
    expect(stationOf(fastener({ at: { x: 0.2, y: 0.5 } }))).toBe('Left side');
    expect(stationOf(fastener({ at: { x: 0.2, y: 0.1 } }))).toBe('At the front');
    expect(stationOf(fastener({ name: 'Front axle nut' }))).toBe('At the front');
    expect(stationOf(fastener({ place: 'right footpeg' }))).toBe('Right side');
    expect(stationOf(fastener({}))).toBe('At the rear');
    expect(stationOf(fastener({ role: 'other', name: 'Coil bolt' }))).toBe('Under seat and tank');
  });
});

describe('what it is tried with', () => {
  const today = '2026-06-10';
  it('is the smallest wrench that covers it, set by its own scale', () => {
    const box = {
      wrenches: [wrench(), wrench({ id: 's', name: 'Small', lowNm: 5, highNm: 60 })],
      adapters: []
    };
    expect(triedWith(checkOf(fastener({})), nm(50), box, today)).toMatchObject({
      wrench: 'Small',
      setting: '50 N·m',
      without: null
    });
    expect(triedWith(checkOf(fastener({})), nm(100), box, today).wrench).toBe('Large');
    expect(triedWith(checkOf(fastener({})), nm(400), box, today)).toMatchObject({
      wrench: null,
      without: '400 N·m is above the largest wrench in the box, 200 N·m.'
    });
    expect(triedWith(checkOf(fastener({})), null, box, today)).toMatchObject({ wrench: null, without: null });
  });
  it('with an adapter says its setting square and straight out', () => {
    const box = { wrenches: [wrench()], adapters: [{ id: 'a', name: 'Crowfoot', lengthMm: 50 }] };
    // 110 × 500 / 550 = 100.
    expect(triedWith(checkOf(fastener({ adapter: true })), nm(110), box, today).adapter).toBe(
      'Crowfoot: square 110 N·m, straight out 100 N·m'
    );
    const without = { wrenches: [wrench()], adapters: [] };
    expect(triedWith(checkOf(fastener({ adapter: true })), nm(110), without, today).without).toMatch(
      /takes an adapter/
    );
  });
  it('goes criss-cross over what is three or more', () => {
    const four = checkOf(fastener({ quantity: 4, name: 'Wheel nuts' }));
    expect(four.title).toBe('Wheel nuts, 4 of them');
    expect(triedWith(four, nm(50), { wrenches: [], adapters: [] }, today).order).toEqual([1, 3, 2, 4]);
    expect(triedWith(checkOf(fastener({})), nm(50), { wrenches: [], adapters: [] }, today).order).toEqual([]);
  });
});

describe('how it is found', () => {
  const judged = (choice: string, loose: number, note = '') => {
    const check = checkOf(fastener({}), loose);
    const read = readAnswer(check, nm(90), { ...untyped('f'), choice, note });
    if (!read.ok) throw new Error(JSON.stringify(read.errors));
    return judgeAnswer(check, read.answer, nm(90));
  };
  it('held is well, with its number; what moved or was loose is tightened and stays in the book', () => {
    expect(judged('held', 0)).toEqual({ well: true, words: 'held, 90 N·m', finding: null });
    expect(judged('moved', 0, 'a flat')).toMatchObject({
      well: false,
      words: 'moved: a flat',
      finding: { what: 'Axle nut: found moved', severity: 'watch', closed: 'Tightened in the round: 90 N·m.' }
    });
  });
  it('loose again is not put right by the same torque; over-tight is nothing a pull puts right', () => {
    expect(judged('loose', 1).finding).toMatchObject({ severity: 'fix now', closed: null });
    expect(judged('loose', 0).finding!.closed).not.toBeNull();
    expect(judged('over-tight', 0).finding).toMatchObject({
      what: 'Axle nut: found over-tight',
      closed: null
    });
  });
});
