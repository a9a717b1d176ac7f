import { describe, expect, it } from 'vitest';
import { quantity } from '../quantity/quantity';
import { oddTorque } from './torque';

const spec = quantity(20, 'N·m');
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
    expect(oddTorque(quantity(v, u), spec)).toContain(words)
  );
  it('has nothing to say where the sheet says nothing', () =>
    expect(oddTorque(quantity(500, 'N·m'), null)).toBeNull());
});
