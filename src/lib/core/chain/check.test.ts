import { describe, expect, it } from 'vitest';
import {
  judgeSlack,
  remarkOf,
  slackProblems,
  slackStand,
  unevenWords,
  type Reading,
  type Stage
} from './check';
import { tighteningShift } from './shift';
import type { Wanted } from './slack-typed';

const WANTED: Wanted = { how: 'in all', lo: 35, hi: 45, aim: 40, tolerance: null };
let n = 0;
const read = (stage: Stage, slack: number, more: Partial<Reading> = {}): Reading => ({
  id: String(n++),
  stage,
  slack,
  slackest: null,
  left: null,
  right: null,
  typed: String(slack),
  by: 'Ada',
  ...more
});

describe('slack in a check', () => {
  it('is right where it was found right, and no more is asked', () => {
    const s = slackStand([read('found', 40)], WANTED);
    expect(s).toMatchObject({ verdict: 'inside', moved: false });
    expect(slackProblems(s, WANTED)).toEqual([]);
    expect(remarkOf(s)).toBe('Chain slack: found 40 mm');
  });

  it('is read again with the axle tight once it was moved', () => {
    const s = slackStand([read('found', 55), read('adjusted', 44)], WANTED);
    expect(s.verdict).toBe('axle not tight');
    expect(slackProblems(s, WANTED)[0]).toMatchObject({ mayLeave: false });
    const t = slackStand([read('found', 55), read('adjusted', 44), read('tight', 40)], WANTED);
    expect(t).toMatchObject({ verdict: 'inside', moved: true });
    expect(remarkOf(t)).toBe('Chain slack: found 55 mm, adjusted to 44 mm, axle tight 40 mm');
  });

  it('that was moved once more is not tight any more; a correction of what was found changes nothing of it', () => {
    const list = [read('found', 55), read('adjusted', 44), read('tight', 33)];
    expect(slackStand(list, WANTED).verdict).toBe('too tight');
    const again = [...list, read('adjusted', 48)];
    expect(slackStand(again, WANTED)).toMatchObject({ tight: null, verdict: 'axle not tight' });
    expect(slackStand([...again, read('tight', 42), read('found', 56)], WANTED)).toMatchObject({
      verdict: 'inside',
      found: { slack: 56 },
      now: { slack: 42 }
    });
  });

  it('in three numbers, without the one in the middle, is as good', () => {
    const s = slackStand([read('found', 55), read('tight', 40)], WANTED);
    expect(s).toMatchObject({ moved: true, verdict: 'inside' });
  });

  it('outside may be left with a reason; not measured may not', () => {
    const s = slackStand([read('found', 20)], WANTED);
    expect(slackProblems(s, WANTED)).toEqual([
      { message: '20 mm is too tight: 35 mm to 45 mm is wanted.', mayLeave: true }
    ]);
    expect(slackProblems(slackStand([], WANTED), WANTED)).toMatchObject([{ mayLeave: false }]);
    expect(slackProblems(slackStand([read('tight', 40)], WANTED), WANTED)).toMatchObject([
      { mayLeave: false }
    ]);
  });

  it('of which nobody knows what is wanted has no verdict, and is no problem', () => {
    const s = slackStand([read('found', 20)], null);
    expect(s.verdict).toBe('no figure');
    expect(slackProblems(s, null)).toEqual([]);
  });

  it('on the edge is right, half a millimetre past it is not', () => {
    expect([34.5, 34.75, 35, 45.25, 45.5].map((s) => judgeSlack(s, WANTED))).toEqual([
      'too tight',
      'inside',
      'inside',
      'inside',
      'too slack'
    ]);
  });

  it('that differs round the wheel says why', () => {
    expect(unevenWords(read('found', 40, { slackest: 48 }))).toBeNull();
    expect(unevenWords(read('found', 40, { slackest: 54 }))).toContain('14 mm between');
    expect(unevenWords(read('found', 40, { slackest: 30 }))).toContain('wrong way round');
    expect(unevenWords(null)).toBeNull();
  });
});

describe('what tightening does', () => {
  it('is known after two times, from the latest five', () => {
    expect(tighteningShift([{ adjusted: 44, tight: 40 }])).toBeNull();
    expect(
      tighteningShift([
        { adjusted: 44, tight: 40 },
        { adjusted: 46, tight: 40 }
      ])
    ).toBe(-5);
    const old = { adjusted: 40, tight: 60 };
    const late = { adjusted: 44, tight: 41 };
    expect(tighteningShift([late, late, late, late, late, old, old, old, old, old, old])).toBe(-3);
  });
  it('within what a rule reads is nothing', () => {
    const still = { adjusted: 40, tight: 40.5 };
    expect(tighteningShift([still, still])).toBe(0);
  });
});

describe('a figure with one end', () => {
  const AT_LEAST: Wanted = { how: 'in all', lo: 35, hi: null, aim: null, tolerance: null };
  const AT_MOST: Wanted = { how: 'in all', lo: null, hi: 45, aim: null, tolerance: null };
  it('judges by that end, and by no other', () => {
    expect([30, 35, 50, 120].map((mm) => judgeSlack(mm, AT_LEAST))).toEqual([
      'too tight',
      'inside',
      'inside',
      'inside'
    ]);
    expect([0, 20, 45, 50].map((mm) => judgeSlack(mm, AT_MOST))).toEqual([
      'inside',
      'inside',
      'inside',
      'too slack'
    ]);
    expect(slackProblems(slackStand([read('found', 30)], AT_LEAST), AT_LEAST)[0]!.message).toBe(
      '30 mm is too tight: at least 35 mm is wanted.'
    );
  });
});
