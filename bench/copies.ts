import type { Db, Sql } from '../src/lib/server/base/db';

/** A UUID made from a text: of version 4, as ids are checked to be. */
const copied = (sql: Db, text: ReturnType<Db>) =>
  sql`overlay(overlay(md5(${text}) placing '4' from 13) placing '8' from 17)::uuid`;

/**
 * Fills the book with copies of a team: every row of it, under ids of its own. Only to be read and counted: what is kept as JSON still
 * names the ids of the first.
 * @param from the first copy’s number
 * @param to the last one’s
 */
export async function copyTeam(sql: Sql, teamId: string, from: number, to: number): Promise<void> {
  const columns = await sql`
    select c.table_name as table, c.column_name as column, c.udt_name as type
    from information_schema.columns c join information_schema.tables t using (table_schema, table_name)
    where c.table_schema = 'public' and t.table_type = 'BASE TABLE' and c.is_generated = 'NEVER' and c.is_identity = 'NO'
      and (c.table_name = 'team' or exists (
        select 1 from information_schema.columns k where k.table_schema = 'public' and k.table_name = c.table_name and k.column_name = 'team_id'))
    order by c.table_name, c.ordinal_position`;
  const tables = new Map<string, (typeof columns)[number][]>();
  for (const c of columns) tables.set(c.table as string, [...(tables.get(c.table as string) ?? []), c]);
  await sql.begin(async (tx) => {
    // Whole copies: what refers to what is as it is in the first.
    await tx`set local session_replication_role = replica`;
    for (const [table, list] of tables) {
      const value = ({ column, type }: Record<string, unknown>) =>
        type === 'uuid'
          ? copied(tx, tx`${tx(column as string)}::text || n`)
          : table === 'session' && /hash$/.test(column as string)
            ? tx`encode(sha256((${tx(column as string)} || n)::bytea), 'hex')`
            : tx`${tx(column as string)}`;
      const values = list.map(value).reduce((all, one) => tx`${all}, ${one}`);
      await tx`
        insert into ${tx(table)} (${tx(list.map((c) => c.column as string))})
        select ${values} from ${tx(table)}, generate_series(${from}::int, ${to}::int) n
        where ${tx(table === 'team' ? 'id' : 'team_id')} = ${teamId}`;
    }
  });
}
