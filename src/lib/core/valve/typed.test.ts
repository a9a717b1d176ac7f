import { describe, expect, it } from 'vitest';
import { parseBand } from '../quantity/band';
import { aimOf, limitsOf, showUm } from './limits';
import { measuredTyped, measuredWords, readClearance } from './typed';
import { readBlades, readMicrometer, readStamp, stampOf } from './stamp';

const limits = { lo: 100, hi: 150 };
const mm = (text: string) => readClearance(text, 'mm', limits);

describe('a clearance as it is typed', () => {
  it('is one reading, a bracket, or one end of one', () => {
    expect(mm('0.12')).toEqual({ ok: true, measured: { by: 'reading', at: 120 } });
    expect(mm(',12')).toMatchObject({ ok: true, measured: { at: 120 } });
    expect(mm('0,12 mm')).toMatchObject({ ok: true, measured: { at: 120 } });
    for (const typed of ['0.10-0.125', '.10/.125', '0.10 – 0.125 mm', '0.1 to 0.125'])
      expect(mm(typed)).toEqual({ ok: true, measured: { by: 'blades', goes: 100, stops: 125 } });
    expect(mm('<0.05')).toEqual({ ok: true, measured: { by: 'blades', goes: null, stops: 50 } });
    expect(mm('>0.3')).toEqual({ ok: true, measured: { by: 'blades', goes: 300, stops: null } });
    expect(mm('0')).toEqual({ ok: true, measured: { by: 'reading', at: 0 } });
  });

  it('is a middle and how far it may be off, where a dial says it', () => {
    for (const typed of ['0.12±0.01', '0.12 +/- 0.01', '.12 ± .01 mm'])
      expect(mm(typed)).toEqual({ ok: true, measured: { by: 'dial', from: 110, to: 130 } });
    expect(measuredTyped({ by: 'dial', from: 110, to: 130 }, 'mm')).toBe('0.12±0.01');
    for (const typed of ['0.01±0.12', '±0.01', '0.12±', '0.12±x']) expect(mm(typed).ok).toBe(false);
  });

  it('is inch where the blade is marked in inch: 0.001 in is 25.4 µm', () => {
    // .005 in = 127 µm, .006 in = 152.4 µm.
    expect(readClearance('.005-.006', 'in', limits)).toEqual({
      ok: true,
      measured: { by: 'blades', goes: 127, stops: 152 }
    });
    expect(mm('.005 in')).toMatchObject({ ok: true, measured: { at: 127 } });
    expect(mm('.004 in-.006 in')).toMatchObject({ ok: true, measured: { goes: 102, stops: 152 } });
    expect(readClearance('0.12 mm', 'in', limits)).toMatchObject({ ok: true, measured: { at: 120 } });
  });

  it('that slipped is not taken: the point, the unit, the blades the wrong way round', () => {
    // 2.0 for 0.20.
    expect(mm('2.0')).toMatchObject({
      ok: false,
      message: expect.stringContaining('more than any valve has')
    });
    // Inches in a metric field: 5 µm.
    expect(mm('.005')).toMatchObject({
      ok: false,
      message: expect.stringContaining('thinner than any blade')
    });
    // Millimetres in an inch field: 3 mm.
    expect(readClearance('.12', 'in', limits)).toMatchObject({ ok: false });
    expect(mm('0.125-0.10')).toMatchObject({
      ok: false,
      message: expect.stringContaining('thicker than the one that goes')
    });
    expect(mm('0.10-0.10')).toMatchObject({ ok: false });
    // 1.2 for 0.12: eight times the limit. It may be so, and is taken when somebody says it is.
    expect(mm('1.2')).toMatchObject({
      ok: false,
      message: expect.stringContaining('8 times'),
      sure: { at: 1200 }
    });
    for (const typed of ['', 'tight', '0.1-', '1/2/3', '--', '0.10-x']) expect(mm(typed).ok).toBe(false);
    // What is not known is not judged by it.
    expect(readClearance('1.2', 'mm', null)).toMatchObject({ ok: true });
  });

  it('reads back as it was typed', () => {
    for (const typed of ['0.12', '0.10–0.125', '<0.05', '>0.30']) {
      const read = mm(typed);
      expect(read.ok && measuredTyped(read.measured, 'mm')).toBe(typed);
    }
    expect(measuredWords({ by: 'blades', goes: 100, stops: 125 }, 'mm')).toBe(
      '0.10 mm goes, 0.125 mm does not'
    );
    expect(measuredWords({ by: 'blades', goes: null, stops: 50 }, 'mm')).toBe('not even 0.05 mm goes');
    expect(showUm(127, 'in')).toBe('.0050 in');
  });
});

describe('limits', () => {
  const of = (text: string) => {
    const parsed = parseBand(text, { dimension: 'length', unit: 'mm' });
    return parsed.ok ? limitsOf(parsed.band) : parsed.problem.kind;
  };
  it('are both ends of what is printed, to the micrometre', () => {
    expect(of('0.10–0.15 mm')).toEqual({ lo: 100, hi: 150 });
    // 0.004 in = 101.6, 0.006 in = 152.4.
    expect(of('0.005 ± 0.001 in')).toEqual({ lo: 102, hi: 152 });
    // One figure sets no limits: how far off it may be the manual did not say, or somebody left out.
    expect(of('0.12 mm')).toBeNull();
    expect(of('0.10 ± 0.02 mm')).toEqual({ lo: 80, hi: 120 });
    expect(of('max 0.15 mm')).toBeNull();
    // 0.004–0.006 in is 0.102–0.152 mm, within its rounding of 0.10–0.15; 0.008 in is 0.203.
    expect(of('0.10–0.15 mm (0.004–0.006 in)')).toEqual({ lo: 100, hi: 150 });
    expect(of('0.10–0.15 mm (0.004–0.008 in)')).toBe('disagree');
    expect(of('0.15–0.10 mm')).toBe('disagree');
  });
  it('have an aim in them, by house rule', () => {
    expect(aimOf({ lo: 100, hi: 150 }, 'middle')).toBe(125);
    // Three quarters of 50 above 100.
    expect(aimOf({ lo: 100, hi: 150 }, 'loose side')).toBe(138);
  });
});

describe('a shim as it is read', () => {
  const series = { thinnest: 1200, thickest: 3500, step: 25 };
  it('is its stamp in hundredths, or as printed with a point', () => {
    expect(readStamp('185', series)).toEqual({ ok: true, um: 1850 });
    expect(readStamp('1.85', series)).toEqual({ ok: true, um: 1850 });
    expect(readStamp('232', series)).toEqual({ ok: true, um: 2325 });
    expect(readStamp('2.325', series)).toEqual({ ok: true, um: 2325 });
    expect(readStamp('1,85 mm', series)).toEqual({ ok: true, um: 1850 });
    expect(stampOf(2325)).toBe('232');
  });
  it('that is not made is not taken', () => {
    expect(readStamp('18.5', series)).toMatchObject({ ok: false });
    expect(readStamp('110', series)).toMatchObject({
      ok: false,
      message: expect.stringContaining('not made for it')
    });
    expect(readStamp('400', series)).toMatchObject({ ok: false });
    expect(readStamp('abc', series)).toMatchObject({ ok: false });
    // Nobody said how it is made: only what no shim is.
    expect(readStamp('110', null)).toEqual({ ok: true, um: 1100 });
    expect(readStamp('40', null)).toMatchObject({ ok: false });
  });
  it('is believed by its micrometer', () => {
    expect(readMicrometer('1.842', series)).toEqual({ ok: true, um: 1842 });
    expect(readMicrometer('.0725 in', series)).toEqual({ ok: true, um: 1842 });
    expect(readMicrometer('18.42', series)).toMatchObject({ ok: false });
    expect(readMicrometer('', series)).toEqual({ ok: false, message: 'Such as 1.842.' });
  });
});

describe('a set of blades', () => {
  it('is typed one by one or by rows', () => {
    expect(readBlades('0.05 to 0.10 by 0.01, 0.15 0.20 mm')).toEqual({
      ok: true,
      unit: 'mm',
      um: [50, 60, 70, 80, 90, 100, 150, 200]
    });
    expect(readBlades('.002 .003 .004 in')).toEqual({ ok: true, unit: 'in', um: [51, 76, 102] });
    expect(readBlades('0.1-0.2 by 0.05')).toEqual({ ok: true, unit: 'mm', um: [100, 150, 200] });
    expect(readBlades('0,1; 0,15')).toEqual({ ok: true, unit: 'mm', um: [100, 150] });
  });
  it('is not what no blade is', () => {
    for (const typed of [
      '',
      'all of them',
      '0.1 to 0.2',
      '0.2 to 0.1 by 0.01',
      '5',
      '.002 .003',
      '0.01 to 5 by 0.001'
    ])
      expect(readBlades(typed).ok).toBe(false);
  });
});
