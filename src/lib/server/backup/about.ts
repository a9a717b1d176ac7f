import { readFile, statfs } from 'node:fs/promises';
import { availableParallelism, loadavg } from 'node:os';
import { backupStatus } from './status';
import type { Db } from '../base/db';
import { lines } from '../live/stream';
import { quota, takenBy, type Quota } from '../base/quota';

export interface About {
  version: string;
  schema: string;
  node: string;
  postgres: string;
  /** Bytes of the database, and left on the disk it is backed up to; null: not known. */
  database: number;
  diskLeft: number | null;
  teams: number;
  sessions: number;
  /** Pages that are told live, of this process. */
  live: number;
  upSince: Date;
  load: number;
  cores: number;
  backup: Awaited<ReturnType<typeof backupStatus>>;
  /** What the team of whoever asks has taken, of what it may. */
  taken: Quota;
  quota: Quota;
}
const UP_SINCE = new Date(Date.now() - process.uptime() * 1000);

/** What there is to know of the server itself. */
export async function aboutServer(sql: Db, teamId: string): Promise<About> {
  const folder = process.env.HOUR_TRAIL_BACKUPS;
  const [[row], disk, backup, text, taken] = await Promise.all([
    sql`
      select pg_database_size(current_database())::float as database, current_setting('server_version') as postgres,
        (select max(name) from schema_migration) as schema, (select count(*)::int from team) as teams,
        (select count(*)::int from session where ended_at is null and seen_at > now() - interval '1 day') as sessions`,
    folder ? statfs(folder).catch(() => null) : null,
    backupStatus(),
    readFile('package.json', 'utf8').catch(() => '{}'),
    takenBy(sql, teamId, new Date())
  ]);
  return {
    version: String((JSON.parse(text) as { version?: unknown }).version ?? 'unknown'),
    schema: row!.schema,
    node: process.versions.node,
    postgres: row!.postgres,
    database: row!.database,
    diskLeft: disk ? disk.bavail * disk.bsize : null,
    teams: row!.teams,
    sessions: row!.sessions,
    live: lines.size,
    upSince: UP_SINCE,
    load: loadavg()[0]!,
    cores: availableParallelism(),
    backup,
    taken,
    quota: quota()
  };
}
