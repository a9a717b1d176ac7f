import type { Rules } from '../command-rule';
import { CREW } from '../team/team';
import type { bodies } from './form';

/** What they are answered with; the others with nothing. */
export interface Answers {
  'sheet.copy': { copied: number; left: number };
}

export const rules: Rules<typeof bodies> = {
  'fastener.add': { who: CREW, words: 'fastener: added' },
  'fastener.change': { who: CREW, words: 'fastener: changed' },
  'fastener.remove': { who: CREW, words: 'fastener: removed' },
  'figure.add': { who: CREW, words: 'figure of the sheet: added' },
  'figure.confirm': { who: CREW, words: 'figure of the sheet: confirmed' },
  'sheet.copy': { who: CREW, words: 'sheet: copied' },
  'modification.add': { who: CREW, words: 'modification: added' },
  'modification.note': { who: CREW, words: 'modification: note changed' }
};
