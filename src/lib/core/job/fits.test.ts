import { describe, expect, it } from 'vitest';
import { figure, SHEET } from '../../../../tests/core/bench';
import { KINDS, type Kind } from '../machine/machine';
import { BUILT_IN } from './built-in/jobs';
import { fitsMachine } from './fits';
import type { Sheet } from '../specs/sheet';

const job = (key: string) => BUILT_IN.find((t) => t.key === key)!;
const EMPTY: Sheet = { fasteners: [], figures: [] };
const of = (kind: Kind, sheet: Sheet | null = EMPTY) =>
  BUILT_IN.filter((t) => fitsMachine(t, kind, sheet)).map((t) => t.key);

describe('a job is offered to machines that it fits', () => {
  it('a two-stroke has no engine oil to change, a dual-sport no differentials, an electric one no engine at all', () => {
    expect(of('two-stroke enduro')).toEqual([
      'gearbox-check-screw',
      'gearbox-two-stroke',
      'spark-plug',
      'air-filter',
      'chain'
    ]);
    expect(of('electric')).toEqual(['gearbox-check-screw', 'chain']);
    expect(of('dual-sport')).not.toContain('differentials');
    expect(of('dual-sport').some((k) => k.startsWith('gearbox'))).toBe(false);
    expect(of('utility quad')).toContain('differentials');
    expect(of('utility quad')).not.toContain('gearbox-two-stroke');
    // It has shafts.
    expect(of('utility quad')).not.toContain('chain');
  });
  it('what a machine has beyond its kind is on its sheet', () => {
    const oil = { ...EMPTY, figures: [figure('gearbox oil', null, { text: 'x' })] };
    expect(of('dual-sport', oil)).toContain('gearbox-check-screw');
    const plug = SHEET.fasteners.filter((f) => f.circuit === 'gearbox');
    expect(of('dual-sport', { ...EMPTY, fasteners: plug })).toContain('gearbox-check-screw');
  });
  it('a level that is read another way is not looked for at a screw', () => {
    const said = (text: string) => ({ ...EMPTY, figures: [figure('gearbox level method', null, { text })] });
    expect(of('two-stroke motocross', said('measured quantity only'))).toEqual([
      'gearbox-two-stroke',
      'spark-plug',
      'air-filter',
      'chain'
    ]);
    expect(of('two-stroke motocross', said('check screw'))).toContain('gearbox-check-screw');
  });
  it('a job about no oil fits every machine, and every machine has some job', () => {
    const own = { ...job('engine-oil'), key: 'chain-look', circuits: [], steps: [] };
    for (const kind of KINDS) {
      expect(fitsMachine(own, kind, null)).toBe(true);
      expect(of(kind, null).length).toBeGreaterThan(0);
    }
  });
});
