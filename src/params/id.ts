import type { ParamMatcher } from '@sveltejs/kit';
import { validate } from 'uuid';

/** An address holds an id, or there is nothing at it. (Every page loads this: the schemas of forms weigh a third of it.) */
export const match: ParamMatcher = (param) => validate(param);
