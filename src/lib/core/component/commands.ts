import type { Rules } from '../command-rule';
import { CREW } from '../team/team';
import type { bodies } from './form';

export const rules: Rules<typeof bodies> = {
  'component.add': { who: CREW, words: 'component: added' },
  'component.move': { who: CREW, words: 'component: moved' },
  'component.swap': { who: CREW, words: 'components: swapped' },
  'component.rebuild': { who: CREW, words: 'component: rebuilt' },
  'component.scrap': { who: CREW, words: 'component: scrapped' }
};
