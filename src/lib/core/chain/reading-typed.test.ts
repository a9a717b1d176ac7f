import { expect, it } from 'vitest';
import { BACKWARDS, markProblem, readReading, type ReadBy } from './reading-typed';

const BY: ReadBy = { how: 'each way', at: 0.5, finger: 16, unit: 'mm', lastMark: 18 };
const read = (typed: Partial<Record<'slack' | 'slackest' | 'left' | 'right', string | number | null>>) =>
  readReading({ slack: '', slackest: '', left: '', right: '', ...typed }, BY);

it('a stage as it was typed; empty but for the slack is not read', () => {
  expect(read({ slack: '20' })).toEqual({ ok: true, slack: 40, slackest: null, left: null, right: null });
  expect(read({ slack: '40 in all', slackest: '2 fingers and', left: '4,5' })).toMatchObject({ ok: false });
  expect(read({ slack: '40 in all', slackest: '23', left: '4,5', right: '0' })).toEqual({
    ok: true,
    slack: 40,
    slackest: 46,
    left: 4.5,
    right: 0
  });
});
it('what was not touched is in all already', () => {
  expect(read({ slack: 40, slackest: 46, left: 3, right: null })).toEqual({
    ok: true,
    slack: 40,
    slackest: 46,
    left: 3,
    right: null
  });
});
it('says at each field what is wrong with it, all at once', () => {
  expect(read({ slack: '20', slackest: '15', left: 'x', right: '19' })).toEqual({
    ok: false,
    errors: {
      slackest: BACKWARDS,
      left: 'The mark it stands at, such as 4.5.',
      right: 'The marks go from 0 to 18: beyond is past the end of the slot.'
    }
  });
  expect(read({})).toMatchObject({ errors: { slack: expect.stringContaining('Such as') } });
  expect(markProblem(19, null)).toBeNull();
  expect(markProblem(-1, 18)).not.toBeNull();
});
