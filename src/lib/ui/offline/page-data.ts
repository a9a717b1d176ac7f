import { stringify } from 'devalue';
import { ownPage } from './nodes';

/** The data of a page that is made here, as SvelteKit writes them. By itself, for a page that needs it loads it then. */
export const pageData = (data: unknown): string => ownPage(stringify(data));
