import type { bodies } from './form';
import type { Rules } from '../command-rule';
import { CREW } from '../team/team';

export const rules: Rules<typeof bodies> = {
  'token.keep': { who: CREW, words: 'access key: made' },
  'token.withdraw': { who: CREW, words: 'access key: withdrawn' }
};
