import type { ParamMatcher } from '@sveltejs/kit';
import { id } from '$lib/core/forms';

/** An address holds an id, or there is nothing at it. */
export const match: ParamMatcher = (param) => id.safeParse(param).success;
