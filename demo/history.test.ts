import { describe, expect, it } from 'vitest';
import { doneAt, firstTotal, outings } from './history';
import { MACHINES } from './machines';
import { PEOPLE } from './people';

const today = '2026-11-23';
describe.each(MACHINES.map((m) => [m.plate, m] as const))('the season of %s', (_, m) => {
  const start = firstTotal(m, today);
  const marks = m.tasks.flatMap((t) =>
    t.since === null || !t.hours ? [] : doneAt(m, t.since, t.hours[0], start)
  );
  const rides = outings(m, today, marks);
  it('adds up to the hours of today, without a gap or a step back', () => {
    expect(rides.at(-1)!.total).toBe(Math.round(m.hoursNow * 100));
    expect(rides[0]!.total - rides[0]!.used).toBe(start);
    expect(start).toBeGreaterThanOrEqual(0);
    for (let i = 1; i < rides.length; i++) {
      expect(rides[i]!.total - rides[i]!.used).toBe(rides[i - 1]!.total);
      expect(rides[i]!.day >= rides[i - 1]!.day).toBe(true);
    }
  });
  it('ends an outing wherever work was done', () => {
    for (const mark of marks.filter((x) => x > start)) expect(rides.some((r) => r.total === mark)).toBe(true);
  });
  it('is the same every time', () => expect(outings(m, today, marks)).toEqual(rides));
  it('was last read when the scenario says', () => expect(rides.at(-1)!.day < today).toBe(true));
});

it('nobody and nothing is there twice', () => {
  for (const list of [MACHINES.map((m) => m.plate), MACHINES.map((m) => m.slug), PEOPLE.map((p) => p.name)])
    expect(new Set(list).size).toBe(list.length);
  for (const m of MACHINES) expect(new Set(m.fasteners.map((f) => f.name)).size).toBe(m.fasteners.length);
});
