import { afterAll, expect, it } from 'vitest';
import { connect as connectPlain, migrate } from '../../scripts/lib/migrate.mjs';
import { appUrlOf, ensureDatabase } from '../../scripts/lib/roles.mjs';
import { connect } from '../../src/lib/server/base/db';
import { adminUrl } from './cluster';

const name = `was_ours_${crypto.randomUUID().replaceAll('-', '')}`;
afterAll(async () => {
  const admin = await connectPlain(adminUrl('postgres'));
  await admin.unsafe(`drop database if exists ${name} with (force)`);
  await admin.end();
});

it('a database that the server’s own user made is handed over to the app, once for all, whoever starts at the same moment', async () => {
  const admin = await connectPlain(adminUrl('postgres'));
  await admin.unsafe(`create database ${name}`);
  await admin.end();
  // As every database was before the app had a role of its own.
  await migrate(adminUrl(name));
  const inside = connect(adminUrl(name), 1);
  await inside`insert into team (id, name, time_zone) values (gen_random_uuid(), 'Lower Barn', 'UTC')`;
  await Promise.all([ensureDatabase(adminUrl(name)), ensureDatabase(adminUrl(name))]);
  const app = connect(appUrlOf(adminUrl(name)), 1);
  expect(await app`select name from team`).toEqual([{ name: 'Lower Barn' }]);
  expect(
    await app`
      select c.relname from pg_class c join pg_roles r on r.oid = c.relowner
      where c.relnamespace = 'public'::regnamespace and c.relkind in ('r', 'v', 'S') and r.rolname <> current_user`
  ).toEqual([]);
  expect(
    await app`
      select p.proname from pg_proc p join pg_roles r on r.oid = p.proowner
      where p.pronamespace = 'public'::regnamespace and r.rolname <> current_user
        and not exists (select 1 from pg_depend d where d.objid = p.oid and d.deptype = 'e')`
  ).toEqual([]);
  // It goes on migrating by itself, and comes into no other database of the server.
  await app`alter table team add column mark text`;
  await app.end();
  await inside.end();
  const elsewhere = `other_${name.slice(9)}`;
  await ensureDatabase(adminUrl(elsewhere));
  const sql = connect(adminUrl(elsewhere), 1);
  await sql.unsafe(`revoke connect on database ${elsewhere} from hourtrail_app`);
  const shut = connect(appUrlOf(adminUrl(elsewhere)), 1);
  await expect(shut`select 1`).rejects.toThrow(/permission denied/);
  await shut.end({ timeout: 1 });
  await sql.end();
  const again = await connectPlain(adminUrl('postgres'));
  await again.unsafe(`drop database ${elsewhere} with (force)`);
  await again.end();
});
