import type { bodies } from '../../core/record/form';
import type { Handlers } from '../book/handler';
import { correct, placeOfRecord } from './corrections';

/** How they are carried out, and what of the book they touch. */
export const commands: Handlers<typeof bodies> = {
  'record.correct': {
    scope: (c, tx, teamId) => placeOfRecord(tx, teamId, c.recordId),
    handle: correct
  }
};
