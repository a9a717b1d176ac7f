import type { Rules } from '../command-rule';
import { CREW } from '../team/team';
import type { bodies } from './form';

export const rules: Rules<typeof bodies> = {
  'event.plan': { who: CREW, words: 'planned outing: added' },
  'event.change': { who: CREW, words: 'planned outing: changed' },
  'event.call-off': { who: CREW, words: 'planned outing: called off or on' }
};
