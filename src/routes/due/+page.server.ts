import { db } from '$lib/server/base/db';
import { DUE_PAGE, dueFilter, duePage } from '$lib/server/schedule/dues';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, url }) => {
  const filter = dueFilter(url.searchParams);
  const page = Math.min(1000, Math.max(0, Number.parseInt(url.searchParams.get('page') ?? '') || 0));
  const list = await duePage(db(), locals.team!, filter, page, new Date());
  return { list, filter, page, pages: Math.ceil(list.total / DUE_PAGE) };
};
