import { describe, expect, it } from 'vitest';
import { KINDS } from '../machine/machine';
import { quantity } from '../quantity/quantity';
import { doubtedBy, MODIFICATIONS, readGradeTable, type Modification } from './changes';
import { exactly } from '../quantity/band';
import { FIGURE_KINDS, figureKind, type FigureKey } from './kinds';
import { contradictions, type Figure } from './sheet';
import { sectionsOf, starterKeys } from './starter';

const change = (what: string, more: Partial<Modification> = {}): Modification => ({
  id: what,
  what,
  words: '',
  day: '2026-06-01',
  undone: null,
  checked: [],
  ...more
});

describe('a modification', () => {
  const slack = { id: 'f', key: 'chain slack', on: '2026-05-01' } as const;
  it('casts doubt on the figures it may make wrong, until somebody has looked or it is taken back', () => {
    expect(doubtedBy(slack, [change('other gearing'), change('other exhaust')]).map((m) => m.what)).toEqual([
      'other gearing'
    ]);
    expect(doubtedBy(slack, [change('other gearing', { checked: ['f'] })])).toEqual([]);
    expect(doubtedBy(slack, [change('other gearing', { undone: '2026-06-09' })])).toEqual([]);
  });
  it('casts none on a figure that was written down after it', () =>
    expect(doubtedBy({ ...slack, on: '2026-06-02' }, [change('other gearing')])).toEqual([]));
  it('names only figures there are', () => {
    for (const { figures } of Object.values(MODIFICATIONS))
      for (const key of figures) expect(figureKind(key).key).toBe(key);
  });
});

describe('a starter sheet', () => {
  it.each(KINDS)('of a %s asks for figures that exist, within its sections, and holds none', (kind) => {
    const keys = starterKeys(kind);
    expect(keys.length).toBeGreaterThan(3);
    for (const key of keys) expect(sectionsOf(kind)).toContain(figureKind(key).section);
  });
  it('asks an electric machine for no plug, and a two-stroke for no valves', () => {
    expect(starterKeys('electric')).not.toContain('plug gap');
    expect(starterKeys('two-stroke enduro').some((k) => k.includes('valve'))).toBe(false);
    expect(starterKeys('four-stroke motocross')).toContain('inlet valve clearance');
  });
  it('every figure has a key and a label of its own', () =>
    expect(new Set(FIGURE_KINDS.map((k) => k.key)).size).toBe(
      new Set(FIGURE_KINDS.map((k) => k.label)).size
    ));
});

describe('grades by air temperature', () => {
  it('are read one a line, in either scale', () => {
    expect(readGradeTable('10W-30: below 10\n10W-40 −10 to 40 °C\n15W-50 above 50 F')).toEqual({
      ok: true,
      spans: [
        { grade: '10W-30', from: null, to: 10 },
        { grade: '10W-40', from: -10, to: 40 },
        { grade: '15W-50', from: 10, to: null }
      ]
    });
  });
  it('is read in Fahrenheit, with or without the sign at both ends', () => {
    for (const text of ['10W-40 14 to 104 F', '10W-40: 14 °F to 104 °F', '10W-40 14°F – 104°F'])
      expect(readGradeTable(text)).toEqual({ ok: true, spans: [{ grade: '10W-40', from: -10, to: 40 }] });
    expect(readGradeTable('20W-50 above 100 F')).toEqual({
      ok: true,
      spans: [{ grade: '20W-50', from: 38, to: null }]
    });
  });
  it.each([
    ['', /at least one/],
    ['thick oil', /Line 1/],
    ['10W-40 40 to -10', /runs backwards/],
    ['10W-40 10 to 90', /Is it Fahrenheit/]
  ])('%j is refused', (text, why) => {
    const r = readGradeTable(text);
    expect(r.ok ? '' : r.message).toMatch(why);
  });
});

describe('a sheet that contradicts itself', () => {
  const figure = (key: FigureKey, ml: number): Figure => ({
    id: key,
    key,
    fastenerId: null,
    band: exactly(quantity(ml, 'ml')),
    text: null,
    source: 'Manual',
    page: '',
    confidence: 'printed',
    variant: ''
  });
  it('says so, and takes no side', () => {
    expect(
      contradictions([figure('engine oil with filter', 900), figure('engine oil without filter', 950)])[0]!
        .message
    ).toMatch(/One of the two is wrong/);
    expect(
      contradictions([figure('engine oil with filter', 950), figure('engine oil without filter', 900)])
    ).toEqual([]);
    expect(contradictions([figure('engine oil with filter', 950)])).toEqual([]);
    expect(contradictions([figure('front sprocket', 50), figure('rear sprocket', 13)])[0]!.message).toMatch(
      /wrong way round/
    );
  });
});
