import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CLUTCH_USES, CONDITIONS, SYMPTOMS } from './outing';
import { nothingRidden, readRidden, riddenInWords } from './ridden';

describe('how it was ridden, in one line', () => {
  it.each([
    ['34 mu 3x heavy', { distance: '34', conditions: ['mud'], crossings: '3', clutch: 'heavy' }],
    ['21 mi, dust, clutch slips', { distance: '21 mi', conditions: ['dust'], symptoms: ['clutch slips'] }],
    ['12.5km sa he', { distance: '12.5km', conditions: ['sand', 'heat'] }],
    ['before 38.1, 20 km', { before: '38.1', distance: '20 km' }],
    ['2 crossings light clutch', null],
    ['2 crossings, light clutch, smok', { crossings: '2', clutch: 'light', symptoms: ['smokes'] }],
    ['mud mud MUD', { conditions: ['mud'] }],
    ['clutch sl', { symptoms: ['clutch slips'] }],
    ['', {}]
  ])('%j', (text, said) => {
    const r = readRidden(text);
    if (said === null) expect(r.ok).toBe(false);
    else expect(r).toEqual({ ok: true, ridden: { ...nothingRidden(), ...said } });
  });
  it.each([
    ['34 lava', 'lava'],
    ['clutch sticks', 'clutch'],
    ['34 36 mud !', '!']
  ])('%j is refused at %j', (text, word) => {
    const r = readRidden(text);
    expect(r.ok ? '' : r.problem).toMatch(`“${word}”`);
  });
  it('what is said in words is read again as the same', () => {
    const ridden = fc.record({
      before: fc.constantFrom('', '38.1'),
      distance: fc.constantFrom('', '34 km', '21 mi'),
      conditions: fc.subarray([...CONDITIONS]),
      crossings: fc.constantFrom('', '3'),
      clutch: fc.constantFrom(...CLUTCH_USES),
      symptoms: fc.subarray([...SYMPTOMS]),
      sure: fc.constant(false)
    });
    fc.assert(
      fc.property(ridden, (r) => {
        expect(readRidden(riddenInWords(r))).toEqual({ ok: true, ridden: r });
      })
    );
  });
  it('never throws', () => {
    fc.assert(fc.property(fc.string({ maxLength: 40 }), (s) => void readRidden(s)));
  });
});
