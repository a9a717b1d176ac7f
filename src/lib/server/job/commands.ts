import type { bodies } from '../../core/job/form';
import type { Handlers } from '../book/handler';
import { saveTemplate } from './templates';

/** How they are carried out, and what of the book they touch. */
export const commands: Handlers<typeof bodies> = {
  'job.save': { scope: null, handle: saveTemplate }
};
