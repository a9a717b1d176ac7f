import type { bodies } from '../../core/team/form';
import type { Handlers } from '../book/handler';
import { addPerson } from './teams';

/** How they are carried out, and what of the book they touch. */
export const commands: Handlers<typeof bodies> = {
  'person.add': { scope: null, handle: addPerson }
};
