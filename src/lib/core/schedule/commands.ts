import type { Rules } from '../command-rule';
import { CREW, RIDERS } from '../team/team';
import type { bodies } from './form';

/** What they are answered with; the others with nothing. */
export interface Answers {
  /** The machine it was done on; null on the shelf. */
  'task.done': string | null;
}

export const rules: Rules<typeof bodies> = {
  'task.add': { who: CREW, words: 'task: added' },
  'task.change': { who: CREW, words: 'task: changed' },
  'task.retire': { who: CREW, words: 'task: retired' },
  'task.done': { who: CREW, words: 'task: done', waits: {} },
  'proposal.make': { who: CREW, words: 'interval: change proposed' },
  'proposal.decide': { who: CREW, words: 'interval: proposal decided' },
  'proposal.back-to-book': { who: CREW, words: 'interval: put back to the manual' },
  'call.report': { who: RIDERS, words: 'symptom: reported', waits: {} },
  'call.drop': { who: RIDERS, words: 'symptom: report dropped' }
};
