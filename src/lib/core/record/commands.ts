import type { Rules } from '../command-rule';
import { CREW } from '../team/team';
import type { bodies } from './form';

export const rules: Rules<typeof bodies> = {
  'record.correct': { who: CREW, words: 'record: corrected' }
};
