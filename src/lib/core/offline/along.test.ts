import { describe, expect, it } from 'vitest';
import { mayOpen } from '../access/places';
import { MOST_MACHINES, takenAlong, toTake } from './along';

const ids = (n: number) => Array.from({ length: n }, (_, i) => `m${i}`);

describe('what is taken along', () => {
  it('a mechanic has each machine with its sheet, its rounds and its valves, and what is open at the bench', () => {
    const paths = takenAlong('mechanic', ['m'], ['v'], ['engine-oil']).map((a) => a.path);
    for (const path of [
      '/',
      '/due',
      '/visits/v',
      '/machines/m',
      '/machines/m/sheet',
      '/machines/m/round',
      '/machines/m/round?list=washed',
      '/machines/m/valves',
      '/machines/m/chain',
      '/machines/m/visit',
      '/jobs/engine-oil'
    ])
      expect(paths).toContain(path);
    expect(new Set(paths).size).toBe(paths.length);
  });
  it('says of each page whose it is', () => {
    const along = takenAlong('chief mechanic', ['m'], ['v'], ['engine-oil']);
    expect(along.find((a) => a.path === '/visits/v')!.of).toBe('v');
    expect(along.find((a) => a.path === '/machines/m/round?list=torque')!.of).toBe('m');
    expect(along.find((a) => a.path === '/due')!.of).toBeNull();
  });
  it('the others have what they may open, and nothing else', () => {
    for (const role of ['rider', 'owner', 'screen'] as const) {
      const paths = takenAlong(role, ['m'], ['v'], ['engine-oil']).map((a) => a.path);
      expect(paths.every((p) => mayOpen(role, p) === true)).toBe(true);
    }
    expect(takenAlong('rider', [], [], []).map((a) => a.path)).toEqual(['/own', '/board', '/api/machines']);
    expect(takenAlong('owner', [], [], []).map((a) => a.path)).toEqual(['/own']);
    expect(takenAlong('screen', [], [], []).map((a) => a.path)).toEqual(['/board']);
  });
  it('of a large fleet as many as go along, the first ones', () => {
    const of = takenAlong('mechanic', ids(MOST_MACHINES + 5), [], []).map((a) => a.of);
    expect(of).toContain(`m${MOST_MACHINES - 1}`);
    expect(of).not.toContain(`m${MOST_MACHINES}`);
  });
});

describe('what is read anew', () => {
  const along = takenAlong('mechanic', ['m', 'n'], ['v'], ['engine-oil']);
  const told = (kinds: string[], places: string[]) => ({ kinds, places, all: false });
  const paths = (t: Parameters<typeof toTake>[1], here: (path: string) => boolean = () => true) =>
    toTake(along, t, here).map((a) => a.path);

  it('is all of it where nobody knows what was written', () => {
    expect(paths(null)).toEqual(along.map((a) => a.path));
    expect(paths({ kinds: [], places: [], all: true })).toEqual(along.map((a) => a.path));
  });
  it('is what was written at, with the lists of the fleet; the others stay as they are', () => {
    const at = paths(told(['reading.log'], ['m']));
    expect(at).toEqual(expect.arrayContaining(['/', '/due', '/board', '/machines/m', '/machines/m/round']));
    expect(
      at.filter((p) => p.startsWith('/machines/n') || p.startsWith('/visits') || p.startsWith('/jobs/'))
    ).toEqual([]);
    expect(paths(told(['visit.enter'], ['v']))).toContain('/visits/v');
    expect(paths(told(['job.save'], []))).toContain('/jobs/engine-oil');
  });
  it('is what is not on the device yet: a visit that was just begun', () => {
    expect(paths(told(['rule.set'], []), (p) => p !== '/visits/v')).toContain('/visits/v');
  });
});
