import type { LevelMethod } from '../specs/sheet';

/**
 * An oil level as it was read. On a glass or stick `position` is 0 at the low mark and 1 at the high one; below and above
 * are outside that. A check screw tells nothing, weeps or runs. Where only the quantity is measured there is no level.
 */
export type LevelReading =
  | { method: 'sight glass' | 'dipstick resting on the thread' | 'dipstick screwed in'; position: number }
  | { method: 'check screw'; flow: 'nothing' | 'weeps' | 'runs' }
  | { method: 'measured quantity only' };

export type LevelVerdict = { within: boolean; words: string; advice: string | null };

/** What a level comes to, in words, and what to do about it. */
export function judgeLevel(level: LevelReading): LevelVerdict {
  if (level.method === 'measured quantity only')
    return { within: true, words: 'by measured quantity', advice: null };
  if (level.method === 'check screw') {
    if (level.flow === 'weeps') return { within: true, words: 'weeps at the check screw', advice: null };
    return level.flow === 'nothing'
      ? {
          within: false,
          words: 'nothing at the check screw',
          advice: 'Top up a little at a time until it just weeps.'
        }
      : { within: false, words: 'runs from the check screw', advice: 'Let it run until it only weeps.' };
  }
  const percent = Math.round(level.position * 100);
  if (level.position < 0)
    return { within: false, words: 'below the low mark', advice: 'Top up and read again.' };
  if (level.position > 1)
    return { within: false, words: 'above the high mark', advice: 'Drain to the mark and read again.' };
  return {
    within: true,
    words: `${percent} % of the way from low to high`,
    advice: level.position < 0.3 ? 'Within the marks, but low: top up from what was held back.' : null
  };
}

export function isMarked(
  method: LevelMethod
): method is 'sight glass' | 'dipstick resting on the thread' | 'dipstick screwed in' {
  return method !== 'check screw' && method !== 'measured quantity only';
}
