import type { Rules } from '../command-rule';
import { CREW } from '../team/team';
import type { bodies } from './form';

export const rules: Rules<typeof bodies> = {
  'wrench.add': { who: CREW, words: 'torque wrench: added' },
  'adapter.add': { who: CREW, words: 'adapter: added' },
  'oil.add': { who: CREW, words: 'oil: added' },
  'oil.stock': { who: CREW, words: 'oil: stock counted' },
  'filter.keep': { who: CREW, words: 'filters: counted' },
  'filter.washed': { who: CREW, words: 'filter: washed', waits: {} },
  'store.retire': { who: CREW, words: 'store: taken out of use' }
};
