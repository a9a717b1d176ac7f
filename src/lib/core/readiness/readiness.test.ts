import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { SEVERITIES } from '../finding/finding';
import { STATES } from '../schedule/state';
import { mayRide, readiness, roundFact, REASONS, workBefore, type Facts } from './readiness';

const clear: Facts = {
  findings: [],
  reminders: [],
  tasks: [],
  visitId: null,
  round: { state: 'done' },
  roundMinutes: 8,
  visit: null,
  notes: []
};
const finding = (severity: Facts['findings'][number]['severity'], more = {}) => ({
  id: severity,
  what: 'fork seal weeps',
  severity,
  waits: null,
  closed: false,
  ...more
});
const task = (state: Facts['tasks'][number]['state'], pastLimit: string | null = null) => ({
  id: state,
  name: 'Engine oil',
  state,
  pastLimit
});
const coming = {
  id: 'r',
  words: 'Wheel nuts again',
  waitsFor: 'the next outing',
  part: '',
  expectedOn: null,
  come: false
} as const;

describe('ready for an outing, not for today', () => {
  it('is kept off by a limit that is passed while it is out, however far that is today; in figures', () => {
    // 46.3 h and 3.5 h there, against a limit of 48.7 h: 1.1 h past it.
    const r = readiness({ ...clear, tasks: [task('due before the next outing', '1.1 h')] });
    expect(r.ready).toBe(false);
    expect(r.reasons).toEqual([
      {
        kind: 'limit there',
        words: 'Engine oil passes its limit there, by 1.1 h',
        id: 'due before the next outing',
        blocks: true
      }
    ]);
    // It is work before the outing like what is due.
    expect(
      workBefore({ findings: [], tasks: [task('due before the next outing', '1.1 h'), task('clear')] })
    ).toEqual({
      tasks: ['due before the next outing'],
      findings: []
    });
    // Past it already, it is that.
    expect(readiness({ ...clear, tasks: [task('past limit', '2 h')] }).reasons).toMatchObject([
      { kind: 'past limit' }
    ]);
  });
  it('a round holds when the outing begins, or it does not hold', () => {
    const done = { done: { hours: 100, daysAgo: 1 }, open: null };
    const at = (days: number, riddenAt: string | null = null) => roundFact(done, 100, 3, { days, riddenAt });
    expect(at(0)).toEqual({ state: 'done' });
    expect(at(2)).toEqual({ state: 'done' });
    expect(at(3)).toEqual({ state: 'too old then', days: 4 });
    // It is on since yesterday.
    expect(at(-1)).toEqual({ state: 'done' });
    expect(at(1, 'Fold Cross')).toEqual({ state: 'ridden before', at: 'Fold Cross' });
    // What it is today comes first.
    expect(roundFact(done, 101, 3, { days: 30, riddenAt: null })).toEqual({ state: 'ridden since' });
    expect(roundFact(done, 100, 0, { days: 30, riddenAt: null })).toEqual({ state: 'not asked' });
  });
});

describe('ready or not', () => {
  it('is ready with its round done and nothing open', () => {
    expect(readiness(clear)).toEqual({
      ready: true,
      reasons: [],
      work: { elapsed: 0, attended: 0, grown: null },
      unsaid: 0
    });
  });
  it('is kept off by what parks it, is past its limit, stands at the bench, is to be fixed now, and by the round', () => {
    for (const facts of [
      { findings: [finding('park the machine')] },
      { findings: [finding('fix now')] },
      { tasks: [task('past limit')] },
      { tasks: [task('due before the next outing', '1.1 h')] },
      { round: { state: 'too old then', days: 5 } as const },
      { round: { state: 'ridden before', at: 'Fold Cross' } as const },
      { visitId: 'v' },
      { round: { state: 'none' } as const },
      { round: { state: 'ridden since' } as const },
      { reminders: [{ ...coming, come: true }] }
    ])
      expect(readiness({ ...clear, ...facts }).ready, JSON.stringify(facts)).toBe(false);
  });
  it('is not kept off by what is watched, waits, is told the owner, or is due inside its tolerance; it is said', () => {
    const r = readiness({
      ...clear,
      findings: [finding('watch'), finding('tell the owner')],
      reminders: [coming],
      tasks: [task('past due'), task('due before the next outing'), task('unknown'), task('clear')]
    });
    expect(r.ready).toBe(true);
    expect(r.reasons.map((x) => x.kind)).toEqual(['due', 'due', 'waits', 'owner', 'watch', 'unknown']);
    expect(r.reasons[2]!.words).toBe('Wheel nuts again: waits for the next outing');
  });
  it('what waited for a part that has come is to be fixed now', () => {
    const waits = { waitsFor: 'a part to arrive', part: 'seal', expectedOn: null, come: false } as const;
    expect(readiness({ ...clear, findings: [finding('watch', { waits })] }).ready).toBe(true);
    expect(
      readiness({ ...clear, findings: [finding('watch', { waits: { ...waits, come: true } })] }).ready
    ).toBe(false);
  });
  it('says what the work lacks, what a proposal would change and what is nearly worn, and keeps nothing off for it', () => {
    const notes = [
      { kind: 'nearly worn', words: 'chain at 1.45 of 1.50 %', id: null },
      { kind: 'to get', words: 'Small: calibration ran out on 1 Jan.', id: null }
    ] as const;
    const r = readiness({ ...clear, notes });
    expect(r.ready).toBe(true);
    expect(r.reasons.map((x) => [x.kind, x.blocks])).toEqual([
      ['to get', false],
      ['nearly worn', false]
    ]);
    expect(mayRide(r)).toBe('ready');
  });
  it('adds the round to the visit, long or short, and counts what is in neither', () => {
    const visit = {
      elapsed: 60,
      attended: 40,
      grown: { elapsed: 121, attended: 101, when: 'shims are needed' }
    };
    const waits = { waitsFor: 'a part to arrive', part: 'seal', expectedOn: null, come: false } as const;
    const facts: Facts = {
      ...clear,
      tasks: [task('past due'), task('clear')],
      // What waits for its part is in no visit yet.
      findings: [finding('fix now'), finding('park the machine', { waits })],
      round: { state: 'begun', left: 3, of: 20 },
      visit
    };
    expect(workBefore(facts)).toEqual({ tasks: ['past due'], findings: ['fix now'] });
    const r = readiness(facts);
    expect(r.work).toEqual({
      elapsed: 68,
      attended: 48,
      grown: { elapsed: 129, attended: 109, when: 'shims are needed' }
    });
    expect(r.unsaid).toBe(1);
    expect(readiness({ ...facts, round: { state: 'done' } }).work).toEqual(visit);
  });
});

describe('the round', () => {
  const done = { hours: 4000, daysAgo: 1 };
  it('walked while its hours were unknown is asked again once they are known', () => {
    const done = { done: { hours: null, daysAgo: 1 }, open: null };
    expect(roundFact(done, null, 3)).toEqual({ state: 'done' });
    expect(roundFact(done, 1200, 3)).toEqual({ state: 'hours unknown then' });
    expect(roundFact({ ...done, done: { hours: null, daysAgo: 9 } }, 1200, 3)).toEqual({
      state: 'too old',
      days: 9
    });
    expect(readiness({ ...clear, round: { state: 'hours unknown then' } })).toMatchObject({
      ready: false,
      reasons: [{ kind: 'round', words: 'its ready round was walked before its hours were known' }]
    });
  });
  it('holds until it is ridden, or for so many days', () => {
    expect(roundFact({ done, open: null }, 4000, 3).state).toBe('done');
    expect(roundFact({ done, open: null }, 4010, 3).state).toBe('ridden since');
    expect(roundFact({ done: { ...done, daysAgo: 4 }, open: null }, 4000, 3)).toEqual({
      state: 'too old',
      days: 4
    });
    expect(roundFact({ done: null, open: null }, 4000, 3).state).toBe('none');
    expect(roundFact({ done, open: { left: 2, of: 9 } }, 4010, 3)).toEqual({
      state: 'begun',
      left: 2,
      of: 9
    });
    // Another begun for a second look takes nothing from the one that is done.
    expect(roundFact({ done, open: { left: 2, of: 9 } }, 4000, 3).state).toBe('done');
    // Of a machine without hours nobody knows whether it was ridden: the days decide.
    expect(roundFact({ done, open: null }, null, 3).state).toBe('done');
    expect(roundFact({ done: null, open: null }, null, 0).state).toBe('not asked');
  });
});

const facts: fc.Arbitrary<Facts> = fc.record({
  findings: fc.array(
    fc.record({
      id: fc.uuid(),
      what: fc.constantFrom('seal', 'chain', 'nut'),
      severity: fc.constantFrom(...SEVERITIES),
      waits: fc.constantFrom(null, {
        waitsFor: 'a part to arrive',
        part: 'x',
        expectedOn: null,
        come: true
      } as const),
      closed: fc.boolean()
    }),
    { maxLength: 6 }
  ),
  reminders: fc.array(
    fc.record({
      id: fc.uuid(),
      words: fc.constantFrom('a', 'b'),
      waitsFor: fc.constant('the next outing' as const),
      part: fc.constant(''),
      expectedOn: fc.constant(null),
      come: fc.boolean()
    }),
    { maxLength: 4 }
  ),
  tasks: fc.array(
    fc.record({
      id: fc.uuid(),
      name: fc.constantFrom('oil', 'air'),
      state: fc.constantFrom(...STATES),
      pastLimit: fc.constantFrom(null, '1 h')
    }),
    { maxLength: 6 }
  ),
  visitId: fc.option(fc.uuid()),
  round: fc.constantFrom<Facts['round']>({ state: 'done' }, { state: 'none' }, { state: 'not asked' }),
  roundMinutes: fc.constant(8),
  visit: fc.constantFrom(null, { elapsed: 60, attended: 40, grown: null }),
  notes: fc.constant([])
});
describe('whatever the facts', () => {
  it('their order changes nothing', () => {
    fc.assert(
      fc.property(facts, fc.infiniteStream(fc.nat()), (f, seeds) => {
        const shuffled = <T>(list: readonly T[]): T[] =>
          list
            .map((x) => [seeds.next().value!, x] as const)
            .sort((a, b) => a[0] - b[0])
            .map(([, x]) => x);
        expect(
          readiness({
            ...f,
            findings: shuffled(f.findings),
            reminders: shuffled(f.reminders),
            tasks: shuffled(f.tasks)
          })
        ).toEqual(readiness(f));
      })
    );
  });
  it('a parked machine is never ready, a closed finding never blocks, reasons come by weight', () => {
    fc.assert(
      fc.property(facts, (f) => {
        const r = readiness(f);
        if (f.findings.some((x) => !x.closed && x.severity === 'park the machine'))
          expect(r.ready).toBe(false);
        const open = { ...f, findings: f.findings.filter((x) => !x.closed) };
        expect(readiness(open)).toEqual(r);
        const weights = r.reasons.map((x) => REASONS.indexOf(x.kind));
        expect(weights).toEqual([...weights].sort((a, b) => a - b));
        expect(r.ready).toBe(!r.reasons.some((x) => x.blocks));
      })
    );
  });
});
