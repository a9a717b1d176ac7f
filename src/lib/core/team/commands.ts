import type { Rules } from '../command-rule';
import { CHIEF } from './team';
import type { bodies } from './form';

/** What they are answered with; the others with nothing. */
export interface Answers {
  'team.found': string;
}

export const rules: Rules<typeof bodies> = {
  // Nobody of a team: there is none yet.
  'team.found': { who: [], words: 'team: set up' },
  'person.add': { who: CHIEF, words: 'person: added' }
};
