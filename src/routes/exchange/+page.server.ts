import { LIST_KEYS, LISTS } from '$lib/server/exchange/lists';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = () => ({
  lists: LIST_KEYS.map((key) => ({ key, title: LISTS[key].title, about: LISTS[key].about }))
});
