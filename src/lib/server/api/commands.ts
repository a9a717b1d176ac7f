import type { bodies } from '../../core/token/form';
import type { Handlers } from '../book/handler';
import { keepToken, withdrawToken } from './tokens';

/** How they are carried out, and what of the book they touch. */
export const commands: Handlers<typeof bodies> = {
  'token.keep': { scope: null, handle: keepToken },
  'token.withdraw': { scope: null, handle: withdrawToken }
};
