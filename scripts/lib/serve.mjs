import { spawn } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuild, ensurePackages, root } from './build.mjs';
import { migrate } from './migrate.mjs';
import { ensureDatabase } from './roles.mjs';
import { ownCluster } from './postgres.mjs';

const freePort = () =>
  new Promise((done) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address();
      probe.close(() => done(port));
    });
  });

/**
 * The built app on a throwaway database, for as long as `work` takes; nothing is left behind.
 * @param {(app: { databaseUrl: string, adminUrl: string, serve: () => Promise<string> }) => Promise<void>} work fills the database, then calls
 *   `serve`, which answers with the address; called again, with that of another process on the same database
 */
export async function throwawayApp(work) {
  await ensurePackages();
  await ensureBuild();
  const folder = mkdtempSync(join(tmpdir(), 'hour-trail-'));
  chmodSync(folder, 0o755);
  const cluster = await ownCluster({ folder, throwaway: true });
  const servers = [];
  const serve = async () => {
    const port = await freePort();
    const url = `http://127.0.0.1:${port}`;
    const env = {
      ...process.env,
      DATABASE_URL: cluster.url,
      HOST: '127.0.0.1',
      PORT: String(port),
      PROTOCOL_HEADER: 'x-trail-protocol',
      NODE_ENV: 'production',
      BODY_SIZE_LIMIT: '1G'
    };
    servers.push(spawn(process.execPath, ['scripts/app.mjs'], { cwd: root, env, stdio: 'ignore' }));
    for (let i = 0; i < 100; i++) {
      if (
        await fetch(`${url}/health`, { redirect: 'manual' }).then(
          (r) => r.status < 500,
          () => false
        )
      )
        return url;
      await new Promise((r) => setTimeout(r, 100));
    }
    throw new Error('The server does not answer.');
  };
  try {
    await ensureDatabase(cluster.adminUrl);
    await migrate(cluster.url);
    await work({ databaseUrl: cluster.url, adminUrl: cluster.adminUrl, serve });
  } finally {
    for (const server of servers) server.kill('SIGKILL');
    await cluster.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
