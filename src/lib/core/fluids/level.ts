import { aimInWords, besideAim, type Aim } from './aim';
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

/**
 * What a level comes to, in words, and what to do about it.
 * @param aim where the sheet wants it; null: it names none, and between the marks is all that is asked
 */
export function judgeLevel(level: LevelReading, aim: Aim | null = null): LevelVerdict {
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
  if (level.position < 0)
    return { within: false, words: 'below the low mark', advice: 'Top up and read again.' };
  if (level.position > 1)
    return { within: false, words: 'above the high mark', advice: 'Drain to the mark and read again.' };
  const beside = besideAim(level.position, aim);
  return {
    within: true,
    words: `${Math.round(level.position * 100)} % of the way from low to high`,
    advice:
      beside === 'below'
        ? `Below its aim, ${aimInWords(aim!)}: top up a little from what was held back, and read again.`
        : beside === 'above'
          ? `Above its aim, ${aimInWords(aim!)}, and within its marks.`
          : null
  };
}

export function isMarked(
  method: LevelMethod
): method is 'sight glass' | 'dipstick resting on the thread' | 'dipstick screwed in' {
  return method !== 'check screw' && method !== 'measured quantity only';
}
