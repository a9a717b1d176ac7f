import type { bodies } from './form';
import type { Rules } from '../command-rule';
import { CREW } from '../team/team';

export const rules: Rules<typeof bodies> = {
  'machine.add': { who: CREW, words: 'machine: added' },
  'machine.change': { who: CREW, words: 'machine: changed' }
};
