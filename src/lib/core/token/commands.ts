import type { Rules } from '../command-rule';
import { CREW } from '../team/team';
import type { bodies } from './form';

export const rules: Rules<typeof bodies> = {
  'token.keep': { who: CREW, words: 'access key: made' },
  'token.withdraw': { who: CREW, words: 'access key: withdrawn' }
};
