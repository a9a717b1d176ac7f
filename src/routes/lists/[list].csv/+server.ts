import { error } from '@sveltejs/kit';
import { id } from '$lib/core/forms';
import { dayOf } from '$lib/core/time/day';
import { db } from '$lib/server/base/db';
import { dueFilter } from '$lib/server/schedule/dues';
import { LISTS, type ListKey } from '$lib/server/exchange/lists';
import { csvOf } from '$lib/server/exchange/write';
import type { RequestHandler } from './$types';

/** A list as CSV, narrowed as the page is that links to it: the same words in the address. */
export const GET: RequestHandler = ({ locals, params, url }) => {
  const team = locals.team;
  if (!team || !Object.hasOwn(LISTS, params.list)) error(404, 'There is no such list.');
  const list = LISTS[params.list as ListKey];
  const now = new Date();
  const machine = url.searchParams.get('machine') || null;
  if (machine !== null && !id.safeParse(machine).success) error(404, 'No such machine in this team.');
  const word = (key: string) => (url.searchParams.get(key) ?? '').slice(0, 40) || null;
  const filter = {
    machine,
    severity: word('severity'),
    kind: word('kind'),
    closed: url.searchParams.has('closed'),
    due: dueFilter(url.searchParams),
    now
  };
  return new Response(csvOf(list, db(), { team, units: locals.units }, filter), {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="${params.list} ${dayOf(now, team.timeZone)}.csv"`
    }
  });
};
