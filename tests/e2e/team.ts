import { connect, type Sql } from '../../src/lib/server/base/db';

/**
 * A team of a test's own: all rows of the demo's, under another team's id. Ids are per team, so they are the same in both.
 * @param databaseUrl as who may do everything there: constraints are let be while rows are copied
 * @returns a connection that sees that team and no other: its tables are views of the real ones
 */
export async function teamOfItsOwn(
  databaseUrl: string
): Promise<{ id: string; sql: Sql; drop: () => Promise<void> }> {
  const id = crypto.randomUUID();
  const schema = `team_${id.replaceAll('-', '')}`;
  const admin = connect(databaseUrl, 1);
  const [{ demo }] = (await admin`select id as demo from team where is_demo`) as unknown as [
    { demo: string }
  ];
  const tables = (await admin`
    select c.table_name as name, t.table_type = 'VIEW' as view, c.table_name = 'team' as own,
      array_agg(c.column_name::text order by c.ordinal_position) filter (where c.is_generated = 'NEVER' and c.is_identity = 'NO') as columns
    from information_schema.columns c join information_schema.tables t using (table_schema, table_name)
    where c.table_schema = 'public'
    group by 1, 2, 3 having bool_or(c.column_name = 'team_id') or c.table_name = 'team'`) as unknown as {
    name: string;
    view: boolean;
    own: boolean;
    columns: string[];
  }[];
  await admin.begin(async (tx) => {
    // All at once, in whatever order: what hangs together is copied together, and nothing is worked out again.
    await tx`set local session_replication_role = replica`;
    await tx`insert into team (id, name, time_zone, is_demo) select ${id}, name, time_zone, false from team where id = ${demo}`;
    for (const t of tables.filter((x) => !x.view && !x.own)) {
      const rest = t.columns
        .filter((c) => c !== 'team_id')
        .map((c) => `"${c}"`)
        .join(', ');
      await tx.unsafe(
        `insert into ${t.name} (team_id, ${rest}) select $1, ${rest} from ${t.name} where team_id = $2 order by ctid`,
        [id, demo]
      );
    }
    await tx`create schema ${tx(schema)}`;
    for (const t of tables)
      await tx.unsafe(
        `create view ${schema}.${t.name} as select * from public.${t.name} where ${t.own ? 'id' : 'team_id'} = '${id}'`
      );
  });
  await admin.end();
  const url = new URL(databaseUrl);
  url.searchParams.set('search_path', `${schema},public`);
  const sql = connect(url.href, 2);
  return {
    id,
    sql,
    drop: async () => {
      // Its rows stay, under a team that nobody sees; the database goes with the tests.
      await sql.end();
    }
  };
}
