import type { bodies } from '../../core/outing/form';
import type { Handlers } from '../book/handler';
import { addEvent, callOff, changeEvent } from './events';

/** How they are carried out, and what of the book they touch. */
export const commands: Handlers<typeof bodies> = {
  'event.plan': { scope: null, handle: addEvent },
  'event.change': { scope: null, handle: changeEvent },
  'event.call-off': { scope: null, handle: callOff }
};
