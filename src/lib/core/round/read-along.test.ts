import { describe, expect, it } from 'vitest';
import { parseBand, type Band } from '../quantity/band';
import { readAnswer, untyped, type TypedAnswer } from './answer';
import type { Check, Gauge } from './check';
import { bandOfGauge } from './gauge';
import { judgeAnswer } from './judge';
import { AS_IT_CAME } from './lists';

const check = (key: string): Check => AS_IT_CAME.find((c) => c.key === key)!;
const [pads, plug, pedal, parking] = ['pads', 'plug', 'pedal-height', 'parking-brake'].map(check) as [
  Check,
  Check,
  Check,
  Check
];
const mm = (text: string): Band => {
  const parsed = parseBand(text, { dimension: 'length', unit: 'mm', allowNegative: true });
  if (!parsed.ok) throw new Error(parsed.problem.message);
  return parsed.band;
};
const say = (c: Check, b: Band | null, typed: Partial<TypedAnswer>) => {
  const r = readAnswer(c, b, { ...untyped(c.key), ...typed });
  return r.ok ? judgeAnswer(c, r.answer, b) : r.errors;
};
const gauge = (more: Partial<Gauge>): Gauge => ({
  figure: null,
  from: null,
  to: null,
  unit: 'mm',
  step: 1,
  least: false,
  ...more
});

describe('what a number is read against', () => {
  it('is the sheet’s figure; the least of it where it is a least', () => {
    const printed = mm('1.5 mm');
    expect(bandOfGauge(gauge({ figure: 'plug gap' }), printed)).toBe(printed);
    expect(bandOfGauge(gauge({ figure: 'brake pad least', least: true }), printed)).toEqual({
      from: printed.from,
      to: null
    });
    expect(bandOfGauge(gauge({ figure: 'plug gap' }), null)).toBeNull();
  });
  it('is the team’s own where no figure is named, open to either side', () => {
    expect(bandOfGauge(gauge({ from: 100, to: 110 }), null)).toMatchObject({
      from: { base: 100 },
      to: { base: 110 }
    });
    expect(bandOfGauge(gauge({ to: 8 }), null)).toMatchObject({ from: null, to: { base: 8 } });
    expect(bandOfGauge(gauge({}), null)).toBeNull();
  });
});

describe('a number that may be read along with a look', () => {
  it('need not be: the look is enough', () => {
    expect(say(plug, mm('0.7–0.8 mm'), {})).toEqual({ well: true, words: 'as it should be', finding: null });
  });
  it('inside is well and stands in the book; outside it is a finding, whatever else was said', () => {
    expect(say(plug, mm('0.7–0.8 mm'), { found: '0.75' })).toEqual({
      well: true,
      words: '0.75 mm',
      finding: null
    });
    expect(say(plug, mm('0.7–0.8 mm'), { found: '0.95' })).toMatchObject({
      well: false,
      finding: { what: 'Spark plug: 0.95 mm, too much, 0.7–0.8 mm is wanted', severity: 'fix now' }
    });
  });
  it('with nothing on the sheet it is only written down', () => {
    expect(say(parking, null, { found: '14' })).toEqual({ well: true, words: '14 mm', finding: null });
  });
  it('a pedal stands below its peg at less than nothing', () => {
    expect(say(pedal, mm('-5–5 mm'), { found: '-3' })).toMatchObject({ well: true, words: '-3 mm' });
    expect(say(pedal, mm('-5–5 mm'), { found: '-12' })).toMatchObject({ well: false });
    expect(say(parking, mm('10–15 mm'), { found: '-3' })).toHaveProperty('found');
  });
  it('play wider than the lever and a gap as wide as a hand are questioned', () => {
    expect(say(parking, mm('10–15 mm'), { found: '150' })).toHaveProperty('found');
    expect(say(plug, mm('0.7–0.8 mm'), { found: '75' })).toHaveProperty('found');
  });
});

describe('brake pads', () => {
  const least = { from: mm('1.5 mm').from, to: null };
  it('by their thickness alone: at the least or above it is well, below it nobody rides', () => {
    expect(say(pads, least, { found: '2.5' })).toEqual({ well: true, words: '2.5 mm', finding: null });
    expect(say(pads, least, { found: '1.5' })).toMatchObject({ well: true });
    expect(say(pads, least, { found: '1.2' })).toMatchObject({
      well: false,
      finding: {
        what: 'Brake pads: 1.2 mm, too little, at least 1.5 mm is wanted',
        severity: 'park the machine'
      }
    });
  });
  it('by the word alone as before; a word and a number that disagree are judged by the worse', () => {
    expect(say(pads, least, { choice: 'plenty all round' })).toMatchObject({ well: true });
    expect(say(pads, least, { choice: 'plenty all round', found: '1' })).toMatchObject({
      well: false,
      finding: { severity: 'park the machine' }
    });
    expect(say(pads, least, { choice: 'near the least', found: '2' })).toMatchObject({
      words: 'near the least, 2 mm',
      finding: { severity: 'watch' }
    });
  });
  it('a number with nothing to hold it against says nothing by itself', () => {
    expect(say(pads, null, { found: '2' })).toHaveProperty('choice');
    expect(say(pads, null, { found: '2', choice: 'plenty all round' })).toMatchObject({
      words: 'plenty all round, 2 mm'
    });
  });
});
