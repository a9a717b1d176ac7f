import { describe, expect, it } from 'vitest';
import { exactly, type Band } from '../quantity/band';
import { quantity } from '../quantity/quantity';
import { oddTorque, oddTorqueInWords, type OddTorque } from './torque';

const said = (odd: OddTorque | null) => oddTorqueInWords(odd!);

const spec = exactly(quantity(20, 'N·m'));
const range: Band = { from: quantity(20, 'N·m'), to: quantity(24, 'N·m') };
describe('oddTorque', () => {
  it.each([
    [20, 'N·m'],
    [18.1, 'N·m'],
    [21.9, 'N·m'],
    [14.8, 'lbf·ft'],
    [177, 'lbf·in']
  ] as const)('%f %s fits 20 N·m', (v, u) => expect(oddTorque(quantity(v, u), spec)).toBeNull());
  it.each([
    [20, 'lbf·ft', 'lbf·ft taken for N·m'],
    [200, 'N·m', 'ten-fold'],
    [177, 'N·m', 'lbf·in taken'],
    [20, 'lbf·in', 'lbf·in taken'],
    [30, 'N·m', 'more']
  ] as const)('%f %s does not: %s', (v, u, words) =>
    expect(said(oddTorque(quantity(v, u), spec))).toContain(words)
  );
  it.each([
    [20, 'N·m', null],
    [24, 'N·m', null],
    [22, 'N·m', null],
    [16, 'lbf·ft', null],
    [19.5, 'N·m', 'The sheet says 20–24 N·m; 19.5 N·m is less.'],
    [24.5, 'N·m', 'The sheet says 20–24 N·m; 24.5 N·m is more.'],
    [240, 'N·m', 'ten-fold']
  ] as const)('%f %s by 20–24 N·m, both ends of it: %s', (v, u, says) =>
    says === null
      ? expect(oddTorque(quantity(v, u), range)).toBeNull()
      : expect(said(oddTorque(quantity(v, u), range))).toContain(says)
  );
  it('goes by the one end there is', () => {
    const most: Band = { from: null, to: quantity(10, 'N·m') };
    expect(oddTorque(quantity(8, 'N·m'), most)).toBeNull();
    expect(said(oddTorque(quantity(10.5, 'N·m'), most))).toContain('at most 10 N·m');
    expect(oddTorque(quantity(8, 'N·m'), { from: quantity(10, 'N·m'), to: null })).toMatchObject({
      more: false,
      slip: null
    });
  });
  it('has nothing to say where the sheet says nothing', () =>
    expect(oddTorque(quantity(500, 'N·m'), null)).toBeNull());
});
