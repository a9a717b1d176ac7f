import { describe, expect, it } from 'vitest';
import { oddPaceInWords } from './words';
import { estimateHours, learn, NOTHING_LEARNED, oddPace, type PastOuting } from './learned';

const outing = (hours: number | null, km: number | null = null, race = false): PastOuting => ({
  hours: hours === null ? null : hours * 100,
  distance: km === null ? null : km * 100,
  race
});

describe('a machine’s own pace', () => {
  const season = [
    outing(2, 40),
    outing(1, 18),
    outing(1.5, 30),
    outing(3, null, true),
    outing(2.6, null, true),
    outing(9, null, true),
    outing(null, 50)
  ];
  it('is the middle of what its outings say', () => {
    expect(learn(season)).toEqual({ speed: 2000, perRace: 300, perOuting: 230 });
  });
  it('is not learned from two outings, nor from those without hours', () => {
    expect(learn([outing(2, 40), outing(2, 40), outing(null, 40)])).toEqual(NOTHING_LEARNED);
    expect(learn([outing(0, 40), outing(0, 40), outing(0, 40)])).toEqual(NOTHING_LEARNED);
  });
  it('estimates hours from the distance first, then from a usual race or outing', () => {
    const learned = learn(season);
    expect(estimateHours({ distance: 3400, race: true }, learned)).toMatchObject({
      hours: 170,
      from: 'distance'
    });
    expect(estimateHours({ distance: 3400, race: true }, learned)!.words).toBe(
      'about 1.7 h: 34 km at its usual 20 km/h'
    );
    expect(estimateHours({ distance: null, race: true }, learned)).toMatchObject({
      hours: 300,
      from: 'hours per race'
    });
    expect(estimateHours({ distance: null, race: false }, learned)).toMatchObject({
      hours: 230,
      from: 'a usual outing'
    });
    expect(estimateHours({ distance: 3400, race: false }, NOTHING_LEARNED)).toBeNull();
  });
  it('questions a distance that does not fit the hours', () => {
    expect(oddPace(200, 4000, { speed: 2000 })).toBeNull();
    const said = (h: number, d: number, speed: number | null) => oddPaceInWords(oddPace(h, d, { speed })!);
    expect(said(200, 40_000, 2000)).toMatch(/200 km\/h; this machine usually does about 20 km\/h/);
    expect(said(200, 400, 2000)).toMatch(/2 km\/h/);
    expect(said(10, 5000, null)).toMatch(/500 km\/h. Is the decimal sign right/);
    for (const [h, d] of [
      [null, 4000],
      [200, null],
      [0, 4000]
    ] as const)
      expect(oddPace(h, d, { speed: 2000 })).toBeNull();
  });
});
