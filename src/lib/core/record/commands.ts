import type { bodies } from './form';
import type { Rules } from '../command-rule';
import { CREW } from '../team/team';

export const rules: Rules<typeof bodies> = {
  'record.correct': { who: CREW, words: 'record: corrected' }
};
