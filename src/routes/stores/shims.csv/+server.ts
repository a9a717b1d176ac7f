import Papa from 'papaparse';
import { COLUMNS } from '$lib/core/valve/drawer-list';
import { db } from '$lib/server/base/db';
import { listDrawer } from '$lib/server/valve/drawer';
import type { RequestHandler } from './$types';

const mm = (um: number | null) => (um === null || um === 0 ? '' : (um / 1000).toString());

/** The drawer as a list: what it writes, the same page reads. */
export const GET: RequestHandler = async ({ locals }) => {
  const rows = (await listDrawer(db(), locals.team!.id)).filter((r) => r.count > 0);
  const text = Papa.unparse({
    fields: [...COLUMNS],
    data: rows.map((r) => [mm(r.across), mm(r.stamp), mm(r.measured), r.count])
  });
  return new Response(`${text}\r\n`, {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': 'attachment; filename="shims.csv"'
    }
  });
};
