import { afterAll, beforeAll, expect, it } from 'vitest';
import { connect, type Sql } from '../../src/lib/server/base/db';
import { freshDatabase } from './cluster';

let database: Awaited<ReturnType<typeof freshDatabase>>;
let sql: Sql;
beforeAll(async () => {
  database = await freshDatabase();
  sql = connect(database.url, 1);
});
afterAll(async () => {
  await sql.end();
  await database.drop();
});

/** What a view that was made of all columns of a table lacks of them: `select t.*` is written out when the view is made. */
const older = () => sql`
  with columns as (
    select c.oid, c.relname, c.relkind, array_agg(a.attname::text order by a.attnum) as names
    from pg_class c join pg_attribute a on a.attrelid = c.oid and a.attnum > 0 and not a.attisdropped
    where c.relnamespace = 'public'::regnamespace and c.relkind in ('r', 'v') group by c.oid)
  select distinct v.relname::text as view, t.relname::text as table from columns v
  join pg_rewrite r on r.ev_class = v.oid join pg_depend d on d.classid = 'pg_rewrite'::regclass and d.objid = r.oid
  join columns t on t.oid = d.refobjid and t.relkind = 'r'
  where v.relkind = 'v' and cardinality(v.names) < cardinality(t.names) and v.names = t.names[1:cardinality(v.names)]`;

it('no view is older than its table', async () => {
  const [row] = await sql`select count(*)::int as n from pg_views where schemaname = 'public'`;
  expect(row!.n).toBeGreaterThan(3);
  expect(await older()).toEqual([]);
  await sql.unsafe('alter table reading add column told_by text');
  expect(await older()).toEqual([{ view: 'reading_in_force', table: 'reading' }]);
});
