import { expect, it } from 'vitest';
import { quantity } from '../quantity/quantity';
import { figuresInWords } from './figures';

it('the figures of a job, in both systems, and nothing of what nobody measured', () => {
  const circuit = { circuit: 'engine' as const, level: null, oilHours: null, used: null, intoFilterMl: null };
  const oil = { id: null, name: 'Brindle Four', grade: '10W-50', deviation: null };
  const plunger = { title: 'How far its plunger stood out', band: null, judged: null };
  expect(
    figuresInWords({
      circuits: [{ ...circuit, pouredMl: 1100, intoFilterMl: 60, drainedMl: 950, oil }],
      fitted: [{ name: 'Oil filter', which: 'new', number: 'PF-12' }],
      ranSeconds: 150,
      measured: [{ ...plunger, found: quantity(4, 'mm'), measured: quantity(5, 'mm') }]
    })
  ).toEqual([
    // 1,100 / 946.353 and 950 / 946.353 quarts.
    '1100 ml (1.16 US qt) of Brindle Four 10W-50 in the engine',
    '60 ml (2.03 US fl oz) of it in the filter',
    '950 ml (1 US qt) came out',
    'Oil filter: new, PF-12',
    'Engine run 2.5 min',
    'How far its plunger stood out: 4 mm, then 5 mm'
  ]);
  expect(
    figuresInWords({
      circuits: [{ ...circuit, pouredMl: null, drainedMl: null, oil: null }],
      measured: [],
      fitted: [],
      ranSeconds: null
    })
  ).toEqual([]);
});
