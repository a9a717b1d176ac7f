import type { bodies } from '../../core/rules/form';
import type { Handlers } from '../book/handler';
import { SCHEDULES, setRule } from './rules';

/** How they are carried out, and what of the book they touch. */
export const commands: Handlers<typeof bodies> = {
  'rule.set': {
    scope: (r) => (SCHEDULES.includes(r.key) ? { whole: true } : null),
    handle: setRule
  }
};
