import type { bodies } from './form';
import type { Rules } from '../command-rule';
import { CHIEF } from '../team/team';

export const rules: Rules<typeof bodies> = {
  'rule.set': { who: CHIEF, words: 'rule: set' }
};
