import type { Rules } from '../command-rule';
import { CHIEF } from '../team/team';
import type { bodies } from './form';

/** What they are answered with; the others with nothing. */
export interface Answers {
  'job.save': number;
}

export const rules: Rules<typeof bodies> = {
  'job.save': { who: CHIEF, words: 'job: saved', mostBytes: 1_000_000 }
};
