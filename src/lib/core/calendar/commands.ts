import type { Rules } from '../command-rule';
import { CREW } from '../team/team';
import type { bodies } from './form';

export const rules: Rules<typeof bodies> = {
  'calendar.keep': { who: CREW, words: 'calendar address: made' },
  'calendar.withdraw': { who: CREW, words: 'calendar address: withdrawn' }
};
