import type { Rules } from '../command-rule';
import type { Logged, RowAnswer } from '../schedule/logged';
import { CREW, RIDERS } from '../team/team';
import type { bodies } from './form';

/** What they are answered with; the others with nothing. */
export interface Answers {
  'reading.log': Logged;
  'reading.paste': RowAnswer[];
}

export const rules: Rules<typeof bodies> = {
  'reading.log': { who: RIDERS, words: 'reading: logged', waits: {} },
  'reading.paste': { who: CREW, words: 'readings: pasted', mostBytes: 1_000_000 },
  'reading.strike': { who: RIDERS, words: 'reading: struck out' },
  'odometer.log': { who: RIDERS, words: 'odometer: logged', waits: {} },
  'meter.change': { who: CREW, words: 'meter: changed' },
  'outing.estimate': { who: RIDERS, words: 'outing: hours estimated' }
};
