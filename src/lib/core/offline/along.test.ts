import { describe, expect, it } from 'vitest';
import { mayOpen } from '../access/places';
import { MOST_MACHINES, takenAlong } from './along';

const ids = (n: number) => Array.from({ length: n }, (_, i) => `m${i}`);

describe('what is taken along', () => {
  it('a mechanic has each machine with its sheet, its rounds and its valves, and what is open at the bench', () => {
    const paths = takenAlong('mechanic', ['m'], ['v']).map((a) => a.path);
    for (const path of [
      '/',
      '/due',
      '/visits/v',
      '/machines/m',
      '/machines/m/sheet',
      '/machines/m/round',
      '/machines/m/round?list=washed',
      '/machines/m/valves',
      '/machines/m/chain'
    ])
      expect(paths).toContain(path);
    expect(new Set(paths).size).toBe(paths.length);
  });
  it('says of each page whose it is', () => {
    const along = takenAlong('chief mechanic', ['m'], ['v']);
    expect(along.find((a) => a.path === '/visits/v')!.of).toBe('v');
    expect(along.find((a) => a.path === '/machines/m/round?list=torque')!.of).toBe('m');
    expect(along.find((a) => a.path === '/due')!.of).toBeNull();
  });
  it('the others have what they may open, and nothing else', () => {
    for (const role of ['rider', 'owner', 'screen'] as const) {
      const paths = takenAlong(role, ['m'], ['v']).map((a) => a.path);
      expect(paths.every((p) => mayOpen(role, p) === true)).toBe(true);
    }
    expect(takenAlong('rider', [], []).map((a) => a.path)).toEqual(['/own', '/board', '/api/machines']);
    expect(takenAlong('owner', [], []).map((a) => a.path)).toEqual(['/own']);
    expect(takenAlong('screen', [], []).map((a) => a.path)).toEqual(['/board']);
  });
  it('of a large fleet as many as go along, the first ones', () => {
    const of = takenAlong('mechanic', ids(MOST_MACHINES + 5), []).map((a) => a.of);
    expect(of).toContain(`m${MOST_MACHINES - 1}`);
    expect(of).not.toContain(`m${MOST_MACHINES}`);
  });
});
