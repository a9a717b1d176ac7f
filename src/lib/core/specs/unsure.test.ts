import { describe, expect, it } from 'vitest';
import { unnoted, type Circuit, type FastenerRole } from './sheet';
import { oilsOf, unsureOf, unsureOn } from './unsure';
import { kindOfFastener } from './usual';

const named = (name: string, role: FastenerRole, circuit: Circuit | null = null) =>
  unnoted({ id: name, name, role, circuit });
const BOTH: Circuit[] = ['engine', 'gearbox'];

describe('a fastener that a job would pass over', () => {
  it('keeps oil in, and nobody said which', () => {
    const plug = { name: 'Plug 2 with short screen', ...kindOfFastener('Plug 2 with short screen', BOTH) };
    expect(plug).toMatchObject({ role: 'screen cap', circuit: null });
    expect(unsureOf(plug)).toBe('whose oil');
    expect(unsureOf({ ...plug, circuit: 'engine' })).toBeNull();
  });
  it('is called a plug or speaks of oil, and nobody said what it is', () => {
    for (const name of ['Plug 2', 'Lower plug, left', 'Oil line banjo', 'Magnet at the sump'])
      expect([name, unsureOf(named(name, 'other'))]).toEqual([name, 'what it is']);
    for (const name of ['Spark plug', 'Engine mount', 'Footpeg bolt', 'Spool bolt'])
      expect([name, unsureOf(named(name, 'other'))]).toEqual([name, null]);
    // Somebody said that there is no oil behind it.
    expect(unsureOf(named('Plug 2', 'blanking plug'))).toBeNull();
    expect(unsureOf(named('Magnet', 'grease point'))).toBeNull();
  });
  it('of a sheet, those and no others; and what oils there may be', () => {
    const fasteners = [
      named('Drain', 'drain plug', 'gearbox'),
      named('Drain two', 'drain plug'),
      named('Seat', 'bodywork')
    ];
    expect(unsureOn({ fasteners }).map((f) => f.name)).toEqual(['Drain two']);
    expect(oilsOf('dual-sport', { fasteners })).toEqual(['engine', 'gearbox']);
  });
});
