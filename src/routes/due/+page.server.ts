import { db } from '$lib/server/db';
import { DUE_PAGE, duePage, type DueFilter } from '$lib/server/dues';
import type { PageServerLoad } from './$types';

const SORTS = ['pressing', 'machine', 'task', 'date'] as const;

export const load: PageServerLoad = async ({ locals, url }) => {
  const get = (key: string) => (url.searchParams.get(key) ?? '').slice(0, 100);
  const filter: DueFilter = {
    machine: get('machine'),
    rider: get('rider'),
    task: get('task'),
    state: get('state'),
    weekend: get('weekend'),
    sort: SORTS.find((s) => s === get('sort')) ?? 'pressing'
  };
  const page = Math.min(1000, Math.max(0, Number.parseInt(get('page')) || 0));
  const list = await duePage(db(), locals.team!, filter, page, new Date());
  return { list, filter, page, pages: Math.ceil(list.total / DUE_PAGE) };
};
