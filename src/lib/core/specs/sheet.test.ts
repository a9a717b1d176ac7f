import { describe, expect, it } from 'vitest';
import { quantity } from '../quantity/quantity';
import { UNITS, type UnitName } from '../quantity/units';
import { implausible } from './plausible';
import { exactly } from '../quantity/band';
import {
  FIGURE_KEYS,
  FIGURE_KINDS,
  figureKind,
  figureOf,
  type Figure,
  type FigureKind,
  sureOf
} from './sheet';

const figure = (key: Figure['key'], fastenerId: string | null): Figure => ({
  id: `${key}${fastenerId}`,
  key,
  fastenerId,
  band: exactly(quantity(20, 'N·m')),
  text: null,
  source: 'Manual',
  page: '',
  confidence: 'printed',
  variant: ''
});

describe('a sheet', () => {
  const sheet = { figures: [figure('torque', 'a'), figure('torque', 'b')], fasteners: [] };
  it('gives each fastener its own torque', () => expect(figureOf(sheet, 'torque', 'b')!.id).toBe('torqueb'));
  it('says unknown for what it does not hold, and never lends a figure', () => {
    expect(figureOf(sheet, 'torque', 'c')).toBeNull();
    expect(figureOf(sheet, 'torque')).toBeNull();
    expect(figureOf(sheet, 'engine oil with filter')).toBeNull();
  });
});

describe('plausible ranges', () => {
  const one = (value: number, unit: UnitName) => exactly(quantity(value, unit));
  const torqueKind = figureKind('torque');
  const oil = figureKind('engine oil with filter');
  it.each([
    [950, 'ml', true],
    [0.95, 'L', true],
    [9.5, 'ml', false],
    [95, 'L', false],
    [1.15, 'US qt', true]
  ] as const)('%f %s of engine oil: %s', (value, unit, fine) =>
    expect(implausible(oil, one(value, unit)) === null).toBe(fine)
  );
  it('say whether it is too little or too much', () => {
    const torque = figureKind('torque');
    expect(implausible(torque, one(0.2, 'N·m'))).toMatch(/very little/);
    expect(implausible(torque, one(2000, 'N·m'))).toMatch(/very much/);
  });
  it('are in order, and every kind’s own unit measures what it should', () => {
    for (const kind of FIGURE_KINDS as readonly FigureKind[]) {
      if (kind.plausible) expect(kind.plausible[0]).toBeLessThan(kind.plausible[1]);
      if (kind.unit) expect(UNITS[kind.unit].dimension).toBe(kind.dimension);
    }
    expect(new Set(FIGURE_KEYS).size).toBe(FIGURE_KINDS.length);
    expect(implausible(torqueKind, { from: null, to: quantity(900, 'N·m') })).toMatch(/very much/);
  });
});

describe('a torque in words', () => {
  it('is printed only with its page; a number, other words, and what is said to be less sure stay as they are', () => {
    expect(sureOf('torque', 'tighten securely', '', 'printed')).toBe('told');
    expect(sureOf('torque', 'Tighten securely', ' ', 'printed')).toBe('told');
    expect(sureOf('torque', 'tighten securely', '4-12', 'printed')).toBe('printed');
    expect(sureOf('torque', 'tighten securely', '', 'guessed')).toBe('guessed');
    expect(sureOf('torque', '20 N·m', '', 'printed')).toBe('printed');
    expect(sureOf('torque', '', '', 'printed')).toBe('printed');
    expect(sureOf('gearbox oil grade', 'as delivered', '', 'printed')).toBe('printed');
  });
});
