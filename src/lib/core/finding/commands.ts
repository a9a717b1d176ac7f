import type { Rules } from '../command-rule';
import { CREW, RIDERS } from '../team/team';
import type { bodies } from './form';

export const rules: Rules<typeof bodies> = {
  'finding.add': { who: RIDERS, words: 'finding: written down', waits: {} },
  'finding.close': { who: CREW, words: 'finding: closed', waits: {} },
  'finding.regrade': { who: CREW, words: 'finding: severity changed', waits: {} },
  'finding.wait': { who: CREW, words: 'finding: put off until something comes', waits: {} },
  'finding.photo': { who: RIDERS, words: 'finding: photo added', waits: {} },
  'reminder.add': { who: CREW, words: 'reminder: added', waits: {} },
  'reminder.note': { who: CREW, words: 'reminder: changed', waits: {} }
};
