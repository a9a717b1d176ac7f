import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { loadDemo } from '../../demo/loader';
import { migrate } from '../../scripts/lib/migrate.mjs';
import { ensureDatabase } from '../../scripts/lib/roles.mjs';
import { ownCluster } from '../../scripts/lib/postgres.mjs';
import { connect } from '../../src/lib/server/base/db';
import { expect, test } from './app';
import { Server } from './server';

/** Eight clients that log rides of one machine until they are told to stop. */
function writers(url: string, machineId: string, who: string) {
  const acknowledged: string[] = [];
  const statuses = new Set<number>();
  /** What was answered that is neither taken nor away, in full: it is our mistake, and says which. */
  const odd: string[] = [];
  const day = new Date().toISOString().slice(0, 10);
  let writing = true;
  const client = async () => {
    while (writing) {
      const id = crypto.randomUUID();
      const body = { id, machineId, typed: '+0.01', day, outing: 'ride' };
      const sent = await fetch(`${url}/api/commands`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', cookie: `ht_who=${who}` },
        body: JSON.stringify({
          device: 'a test',
          commands: [{ id: crypto.randomUUID(), kind: 'reading.log', at: new Date().toISOString(), body }]
        })
      });
      statuses.add(sent.status);
      const text = await sent.text().catch(() => '');
      if (sent.status !== 200 && sent.status !== 503) odd.push(`${sent.status} ${text}`);
      const answer = sent.status === 200 && text ? JSON.parse(text) : null;
      if (answer?.outcomes?.[0]?.ok) acknowledged.push(id);
    }
  };
  const clients = Array.from({ length: 8 }, client);
  return {
    acknowledged,
    statuses,
    odd,
    stop: async () => {
      writing = false;
      await Promise.all(clients);
    }
  };
}

test.describe('a database of its own', { tag: '@fault' }, () => {
  test.use({ alone: true });

  test('database connections killed under writes: the server stays, and nothing it acknowledged is lost', async ({
    app
  }) => {
    const who = (await app.sql`select id from person where name = 'Jory Pell'`)[0]!.id as string;
    const { acknowledged, odd, stop } = writers(app.url, await app.machineId('33'), who);
    for (let i = 0; i < 12; i++) {
      const before = acknowledged.length;
      await app.sql`select pg_terminate_backend(pid) from pg_stat_activity where pid <> pg_backend_pid() and datname = current_database() and usename = current_user`;
      await expect.poll(() => acknowledged.length).toBeGreaterThan(before + 3);
    }
    await stop();
    // Said to be away, or taken; never a mistake of ours.
    expect(odd).toEqual([]);
    const kept = await app.sql`select id from reading where id = any(${acknowledged})`;
    expect(kept).toHaveLength(acknowledged.length);
    expect((await fetch(`${app.url}/health`)).status).toBe(200);
  });
});

test(
  'PostgreSQL itself killed under writes, three times: the server says so, goes on when it is back, and nothing it acknowledged is lost',
  { tag: '@fault' },
  async () => {
    test.slow();
    const folder = mkdtempSync(join(tmpdir(), 'hour-trail-killed-'));
    chmodSync(folder, 0o755);
    let cluster = await ownCluster({ folder, wanted: 0 });
    const { port, url } = cluster;
    await ensureDatabase(cluster.adminUrl);
    await migrate(url);
    let sql = connect(url, 2);
    await loadDemo(sql, new Date());
    const [machine] = await sql`select id from machine where plate = '33'`;
    const [person] = await sql`select id from person where name = 'Jory Pell'`;
    const server = await Server.on(url);
    try {
      const { acknowledged, statuses, odd, stop } = writers(server.url, machine!.id, person!.id);
      for (let i = 0; i < 3; i++) {
        const before = acknowledged.length;
        await expect.poll(() => acknowledged.length).toBeGreaterThan(before + 3);
        await sql.end();
        process.kill(
          Number(readFileSync(join(folder, 'cluster/postmaster.pid'), 'utf8').split('\n')[0]),
          'SIGKILL'
        );
        // Away, and said so: neither hanging nor gone itself.
        await expect.poll(async () => (await fetch(`${server.url}/health`)).status).toBe(503);
        statuses.clear();
        await expect.poll(() => statuses.has(503)).toBe(true);
        // Its orphaned processes have to be gone before it can start again.
        await expect
          .poll(
            () =>
              ownCluster({ folder, wanted: port }).then(
                (c) => ((cluster = c), c.port),
                () => null
              ),
            {
              timeout: 30_000
            }
          )
          .toBe(port);
        sql = connect(url, 2);
      }
      const before = acknowledged.length;
      await expect.poll(() => acknowledged.length, { timeout: 15_000 }).toBeGreaterThan(before + 10);
      await stop();
      expect(odd).toEqual([]);
      const kept = await sql`select id from reading where id = any(${acknowledged})`;
      expect(kept).toHaveLength(acknowledged.length);
      expect((await fetch(`${server.url}/health`)).status).toBe(200);
    } finally {
      await server.stop();
      await sql.end();
      await cluster.stop();
      rmSync(folder, { recursive: true, force: true });
    }
  }
);
