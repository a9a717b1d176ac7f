/** npm run way-in -- "Name" ["Team"]: a new way in for somebody, for whoever can run a command on the server. */
import { spawn } from 'node:child_process';
import { ensurePackages, root } from './lib/build.mjs';
import { listenAddress } from './lib/checks.mjs';
import { database } from './lib/postgres.mjs';
import { main } from './lib/say.mjs';

await main(async () => {
  await ensurePackages();
  const { host, port } = listenAddress();
  const db = await database();
  const code = await new Promise((done) =>
    spawn(process.execPath, ['--import', 'tsx', 'scripts/way-in.ts', ...process.argv.slice(2)], {
      cwd: root,
      stdio: 'inherit',
      env: {
        ...process.env,
        DATABASE_URL: db.url,
        HOUR_TRAIL_OPEN: process.env.ORIGIN ?? `http://${host}:${port}`
      }
    }).on('exit', done)
  );
  await db.stop();
  process.exitCode = code ?? 1;
});
