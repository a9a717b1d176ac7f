import type { Rules } from '../command-rule';
import { CREW } from '../team/team';
import type { bodies } from './form';

export const rules: Rules<typeof bodies> = {
  'machine.add': { who: CREW, words: 'machine: added' },
  'machine.change': { who: CREW, words: 'machine: changed' }
};
