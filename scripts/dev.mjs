/** npm run dev: the same set-up as npm start, with Vite serving the sources. */
import { spawn } from 'node:child_process';
import { ensurePackages, root } from './lib/build.mjs';
import { checkNode, listenAddress } from './lib/checks.mjs';
import { migrate } from './lib/migrate.mjs';
import { ensureDatabase } from './lib/roles.mjs';
import { database } from './lib/postgres.mjs';
import { must } from './lib/run.mjs';
import { main } from './lib/say.mjs';

await main(async () => {
  checkNode();
  const { host, port } = listenAddress();
  await ensurePackages();
  const db = await database();
  process.on('SIGINT', () => {});
  if (!db.foreign) await ensureDatabase(db.adminUrl);
  await migrate(db.url);
  const env = { ...process.env, DATABASE_URL: db.url, HOST: host };
  await must('Loading the demo', process.execPath, ['--import', 'tsx', 'demo/load.ts'], { cwd: root, env });
  const vite = spawn('npx', ['vite', 'dev', '--host', host, '--port', String(port)], {
    cwd: root,
    env,
    stdio: 'inherit'
  });
  vite.on('exit', async (code) => {
    await db.stop();
    process.exit(code ?? 0);
  });
});
