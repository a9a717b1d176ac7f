import type { Rules } from '../command-rule';
import { CHIEF } from '../team/team';
import type { bodies } from './form';

export const rules: Rules<typeof bodies> = {
  'rule.set': { who: CHIEF, words: 'rule: set' }
};
