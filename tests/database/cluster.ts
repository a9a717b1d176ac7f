import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { connect, migrate } from '../../scripts/lib/migrate.mjs';
import { ownCluster } from '../../scripts/lib/postgres.mjs';
import { appUrlOf, ensureDatabase } from '../../scripts/lib/roles.mjs';

/** Databases are copied from this one, which holds the schema and nothing else. */
export const TEMPLATE = 'hour_trail_empty';

/**
 * A throwaway PostgreSQL for the tests, unless `npm test` started one already, with an empty template in it. Its address
 * goes into the environment, where workers find it.
 */
export default async function setup(): Promise<() => Promise<void>> {
  let stop = async () => {};
  if (!process.env.HOUR_TRAIL_TEST_URL) {
    const folder = mkdtempSync(join(tmpdir(), 'hour-trail-test-'));
    chmodSync(folder, 0o755);
    const cluster = await ownCluster({ folder, throwaway: true });
    process.env.HOUR_TRAIL_TEST_URL = cluster.adminUrl;
    stop = async () => {
      await cluster.stop();
      rmSync(folder, { recursive: true, force: true });
    };
  }
  await makeTemplate(TEMPLATE);
  return stop;
}

/** Makes a template database with the newest schema; what `fill` puts in is in every copy. */
export async function makeTemplate(
  name: string,
  fill: (url: string) => Promise<void> = async () => {}
): Promise<void> {
  const url = databaseUrl(name);
  const admin = await connect(adminUrl('postgres'));
  await admin`drop database if exists ${admin(name)}`;
  await admin.end();
  await ensureDatabase(adminUrl(name));
  await migrate(url);
  await fill(url);
}

/** The address of a database on the test server, as who may do everything on it. */
export function adminUrl(name: string): string {
  const url = new URL(process.env.HOUR_TRAIL_TEST_URL!);
  url.pathname = `/${name}`;
  return url.href;
}
/** The same as the app comes in. */
export const databaseUrl = (name: string): string => appUrlOf(adminUrl(name));

/** A database of one's own, copied from a template. */
export async function freshDatabase(
  template = TEMPLATE
): Promise<{ url: string; adminUrl: string; drop: () => Promise<void> }> {
  const name = `t_${crypto.randomUUID().replaceAll('-', '')}`;
  const admin = await connect(adminUrl('postgres'));
  // Copies of one template wait for one another; without the lock the second is refused.
  await admin.begin(async (tx) => void (await tx`select pg_advisory_lock(4780)`));
  await admin.unsafe(`create database ${name} template ${template}`);
  await admin`select pg_advisory_unlock_all()`;
  await admin.end();
  return {
    url: databaseUrl(name),
    adminUrl: adminUrl(name),
    drop: async () => {
      const again = await connect(adminUrl('postgres'));
      await again.unsafe(`drop database if exists ${name} with (force)`);
      await again.end();
    }
  };
}

/** Databases that a file has done with, empty again: copying one takes longer than most tests. */
const idle: Awaited<ReturnType<typeof freshDatabase>>[] = [];

/**
 * A database with the schema and nothing in it, for as long as it is borrowed. For what writes rows, and leaves schema, roles and
 * settings alone: whoever changes those takes one of their own.
 */
export async function borrowedDatabase(): Promise<{ url: string; giveBack: () => Promise<void> }> {
  const database = idle.pop() ?? (await freshDatabase());
  return {
    url: database.url,
    giveBack: async () => {
      await emptied(database.adminUrl);
      idle.push(database);
    }
  };
}

/** Deletes every row that a test may have written. Triggers and keys are let be: what may never be deleted goes too. */
async function emptied(url: string): Promise<void> {
  const admin = await connect(url);
  await admin.unsafe(`
    set session_replication_role = replica;
    do $$
    declare name text;
    begin
      for name in select tablename from pg_tables where schemaname = 'public' and tablename <> 'schema_migration' loop
        execute format('delete from %I', name);
      end loop;
    end $$`);
  await admin.end();
}
