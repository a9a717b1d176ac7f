import {
  appendFileSync,
  chmodSync,
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { backUp, backUpAndTell, KEPT, listBackups, lookAt, readStatus } from '../../scripts/lib/backup.mjs';
import { ownCluster } from '../../scripts/lib/postgres.mjs';
import { restore } from '../../scripts/lib/restore.mjs';
import { appUrlOf, ensureDatabase } from '../../scripts/lib/roles.mjs';
import { adminUrl, freshDatabase } from './cluster';
import { connect, type Sql } from '../../src/lib/server/base/db';
import { openBook, uuid, type Book } from './book';

/** Of the server that made them. */
const SECRET = 'a secret of this server';
let book: Book;
let folder: string;
let path: string;
let url: string;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'hour-trail-backup-'));
  chmodSync(folder, 0o755);
  book = await openBook();
  url = book.url;
  // A photo, and letters beyond Latin.
  await book.sql`update machine set name = 'Řehoř 例' where id = ${book.machineId}`;
  const made = await backUp(url, join(folder, 'backups'), new Date('2026-11-29T02:30:00Z'), SECRET);
  path = made.path;
});
afterAll(async () => {
  await book.close();
  rmSync(folder, { recursive: true, force: true });
});

/** Every row of every table, in an order of its own. */
async function everything(sql: Sql): Promise<Record<string, string>> {
  const tables = await sql`
    select table_name as t from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE' order by 1`;
  return Object.fromEntries(
    await Promise.all(
      tables.map(async ({ t }) => {
        const [row] = await sql.unsafe(
          `select count(*) || ' ' || coalesce(md5(string_agg(x::text, '|' order by x::text)), '') as sum from ${t as string} x`
        );
        return [t as string, row!['sum'] as string];
      })
    )
  );
}

it('a backup put back on another server, on another port, is the same book; nothing of it is worked out anew', async () => {
  const other = await ownCluster({ folder: join(folder, 'other'), throwaway: true });
  try {
    expect(new URL(other.url).port).not.toBe(new URL(url).port);
    await ensureDatabase(other.adminUrl.replace('/hour_trail', '/nothing'));
    expect(await restore(other.adminUrl, path, { secret: SECRET })).toEqual({
      made: '2026-11-29T02:30:00.000Z',
      before: null
    });
    const sql = connect(other.url, 2);
    expect(await everything(sql)).toEqual(await everything(book.sql));
    // What is written since is put away, not lost.
    await sql`update machine set name = 'After'`;
    await sql.end();
    const { before } = await restore(other.adminUrl, path, { secret: SECRET });
    const [again, old] = [connect(other.url, 1), connect(other.url.replace('/hour_trail', `/${before}`), 1)];
    expect((await again`select name from machine limit 1`)[0]).toEqual({ name: 'Řehoř 例' });
    expect((await old`select name from machine limit 1`)[0]).toEqual({ name: 'After' });
    await Promise.all([again.end(), old.end()]);
  } finally {
    await other.stop();
  }
});

it('one that is not whole, or none, is put back nowhere', async () => {
  const broken = join(folder, 'broken.backup');
  const whole = readFileSync(path);
  const bent = Buffer.from(whole);
  bent[1000]! ^= 1;
  for (const bytes of [
    bent,
    whole.subarray(0, whole.length - 100),
    Buffer.alloc(0),
    Buffer.from('no backup at all')
  ]) {
    writeFileSync(broken, bytes);
    await expect(restore(adminUrl('none'), broken, { secret: SECRET })).rejects.toThrow(/not whole/);
  }
  writeFileSync(broken, whole);
  appendFileSync(broken, 'x');
  await expect(lookAt(broken, SECRET)).rejects.toThrow(/not whole/);
  await expect(lookAt(join(folder, 'nothing'), SECRET)).rejects.toThrow(/no file/);
});

const TARGET = `back_${uuid().replaceAll('-', '')}`;
/** Databases of this test and roles of any restore: what stands on the server. */
const standing = async (sql: Sql) =>
  (
    await sql`
      select datname as name from pg_database where datname like ${`${TARGET}%`}
      union all select rolname from pg_roles where rolname like 'hourtrail_restore%' order by 1`
  ).map((r) => r['name'] as string);

it('a file of another server is said to be foreign, and wants a yes', async () => {
  const sql = connect(adminUrl('postgres'), 1);
  const other = { secret: 'of another server' };
  await expect(restore(adminUrl(TARGET), path, other)).rejects.toThrow(/not made by this server.*--foreign/s);
  expect(await standing(sql)).toEqual([]);
  expect(await restore(adminUrl(TARGET), path, { ...other, foreign: true })).toMatchObject({ before: null });
  expect(await standing(sql)).toEqual([TARGET]);
  // The app has it, and is nobody on the server.
  const app = connect(appUrlOf(adminUrl(TARGET)), 1);
  expect((await app`select name from machine limit 1`)[0]).toEqual({ name: 'Řehoř 例' });
  expect(
    await app`select rolsuper, rolcreatedb, rolcreaterole from pg_roles where rolname = current_user`
  ).toEqual([{ rolsuper: false, rolcreatedb: false, rolcreaterole: false }]);
  expect(await app`select distinct tableowner as owner from pg_tables where schemaname = 'public'`).toEqual([
    { owner: 'hourtrail_app' }
  ]);
  for (const forbidden of [
    `copy machine to program 'true'`,
    `create database x`,
    `create role x`,
    `select pg_read_file('/etc/passwd')`
  ])
    await expect(app.unsafe(forbidden)).rejects.toThrow(/permission denied|must be superuser/);
  await app.end();
  await sql.unsafe(`drop database ${TARGET} with (force)`);
  await sql.end();
});

it('nothing of a file is carried out: its rows are taken, and no table, check or function of it', async () => {
  const evil = await freshDatabase();
  const inside = connect(evil.adminUrl, 1);
  const done = join(folder, 'done');
  await inside.unsafe(`
    create function evil() returns boolean language plpgsql as $$ begin
      execute format('copy (select 1) to program %L', 'touch ${done}'); return true; end $$;
    create function evil_trigger() returns trigger language plpgsql as $$ begin perform evil(); return new; end $$;
    create trigger evil before insert on schema_migration for each row execute function evil_trigger();
    alter table schema_migration add constraint evil check (name > '' or evil())`);
  const { path: bent } = await backUp(evil.adminUrl, join(folder, 'evil'), new Date(), SECRET);
  await inside.unsafe('create table evil_rows (id int); insert into evil_rows values (1)');
  const { path: more } = await backUp(evil.adminUrl, join(folder, 'more'), new Date(), SECRET);
  await inside.end();
  await evil.drop();
  const sql = connect(adminUrl('postgres'), 1);
  expect(await restore(adminUrl(TARGET), bent, { secret: SECRET })).toMatchObject({ before: null });
  const clean = connect(adminUrl(TARGET), 1);
  expect(
    await clean`select 1 from pg_proc where proname like 'evil%' union all select 1 from pg_constraint where conname = 'evil'`
  ).toEqual([]);
  await clean.end();
  // It has rows of a table that no migration makes.
  await expect(restore(adminUrl(TARGET), more, { secret: SECRET })).rejects.toThrow(/evil_rows/);
  expect(await standing(sql)).toEqual([TARGET]);
  expect(existsSync(done)).toBe(false);
  await sql.unsafe(`drop database ${TARGET} with (force)`);
  await sql.end();
});

it('rows that no book holds are put back nowhere, and leave nothing behind', async () => {
  const odd = await freshDatabase();
  const inside = connect(odd.adminUrl, 1);
  await inside.unsafe(`
    set session_replication_role = replica;
    insert into session (team_id, id, person_id, how, hash) values (gen_random_uuid(), gen_random_uuid(), gen_random_uuid(), 'PIN', repeat('a', 64))`);
  const { path: bent } = await backUp(odd.adminUrl, join(folder, 'odd'), new Date(), SECRET);
  await inside`update schema_migration set sha256 = repeat('0', 64) where name like '0005%'`;
  const { path: other } = await backUp(odd.adminUrl, join(folder, 'other-level'), new Date(), SECRET);
  await inside.end();
  await odd.drop();
  const sql = connect(adminUrl('postgres'), 1);
  await expect(restore(adminUrl(TARGET), bent, { secret: SECRET })).rejects.toThrow(/session/);
  await expect(restore(adminUrl(TARGET), other, { secret: SECRET })).rejects.toThrow(/more or less/);
  expect(await standing(sql)).toEqual([]);
  await sql.end();
});

it('fourteen are kept; one that fails is said, and leaves nothing half', async () => {
  const many = join(folder, 'many');
  for (let day = 1; day <= KEPT + 2; day++)
    await backUp(url, many, new Date(Date.UTC(2026, 9, day, 2)), SECRET);
  expect(listBackups(many)).toHaveLength(KEPT);
  expect(listBackups(many)[0]).toBe('hour-trail-2026-10-16T020000Z.backup');
  expect(listBackups(many).at(-1)).toBe('hour-trail-2026-10-03T020000Z.backup');
  expect(await backUpAndTell(url, many, new Date(Date.UTC(2026, 9, 20, 2)))).toBeNull();
  const gone = url.replace(/\/[^/]+$/, `/t_${uuid().replaceAll('-', '')}`);
  expect(await backUpAndTell(gone, many, new Date(Date.UTC(2026, 9, 21, 2)))).toMatch(/\w/);
  expect(readStatus(many)).toMatchObject({
    last: '2026-10-20T02:00:00.000Z',
    tried: '2026-10-21T02:00:00.000Z',
    error: expect.any(String)
  });
  expect(readdirSync(many).filter((n) => n.startsWith('.part'))).toEqual([]);
});
