import type { bodies } from '../../core/calendar/form';
import type { Handlers } from '../book/handler';
import { keepFeed, withdrawFeed } from './feeds';

/** How they are carried out, and what of the book they touch. */
export const commands: Handlers<typeof bodies> = {
  'calendar.keep': { scope: null, handle: keepFeed },
  'calendar.withdraw': { scope: null, handle: withdrawFeed }
};
