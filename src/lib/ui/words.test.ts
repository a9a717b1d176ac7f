import { describe, expect, it } from 'vitest';
import { exactly } from '../core/quantity/band';
import { quantity } from '../core/quantity/quantity';
import { nothingRidden, riddenInWords } from '../core/outing/ridden';
import { bothUnits, sourceLine, type SheetFigure } from './sheet/figure';

const figure = (more: Partial<SheetFigure>): SheetFigure => ({
  id: 'f',
  key: 'chain slack',
  fastenerId: null,
  band: { from: quantity(35, 'mm'), to: quantity(45, 'mm') },
  text: null,
  source: 'Manual, 2nd ed.',
  page: '12',
  confidence: 'printed',
  variant: '',
  superseded: false,
  by: 'Wren',
  copiedFrom: null,
  doubts: [],
  ...more
});

describe('a figure on its sheet', () => {
  it('is shown as printed, with the other unit beside it', () => {
    expect(bothUnits(figure({}))).toEqual({ main: '35–45 mm', other: '1.378–1.7717 in' });
    expect(bothUnits(figure({ band: exactly(quantity(35, 'mm')) }))).toEqual({
      main: '35 mm',
      other: '1.378 in'
    });
    expect(bothUnits(figure({ band: exactly(quantity(13, 'teeth')) }))).toEqual({
      main: '13 teeth',
      other: null
    });
    expect(bothUnits(figure({ band: null, text: 'behind the slider' }))).toEqual({
      main: 'behind the slider',
      other: null
    });
  });
  it('says where it comes from, and what it is for', () => {
    expect(sourceLine(figure({}))).toBe('Manual, 2nd ed. · p. 12 · printed');
    expect(
      sourceLine(figure({ copiedFrom: '12', confidence: 'unconfirmed', page: '', variant: 'from 0100' }))
    ).toBe('copied from 12 · Manual, 2nd ed. · unconfirmed · for from 0100');
  });
});

describe('how it was ridden', () => {
  it('is said in a line, and as usual says nothing', () => {
    expect(riddenInWords(nothingRidden())).toBe('');
    expect(
      riddenInWords({
        ...nothingRidden(),
        distance: '34',
        before: '38.1',
        conditions: ['mud'],
        crossings: '3',
        clutch: 'heavy',
        symptoms: ['smokes']
      })
    ).toBe('before 38.1, 34 km, mud, 3 crossings, clutch heavy, smokes');
    expect(riddenInWords({ ...nothingRidden(), distance: '21 mi' })).toBe('21 mi');
  });
});
