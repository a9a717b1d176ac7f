/** npm start: sets up whatever is missing, loads the demo, serves. Plain Node.js; nothing needs installing before it. */
import { createServer } from 'node:net';
import { ensureBuild, ensurePackages, root } from './lib/build.mjs';
import { ensureDatabase, migrate } from './lib/migrate.mjs';
import { claimFolder } from './lib/lock.mjs';
import { database, dataFolder } from './lib/postgres.mjs';
import { must } from './lib/run.mjs';
import { main, Plain, say } from './lib/say.mjs';
import { checkNode, listenAddress } from './lib/checks.mjs';
import { keepDatabase, keepServing } from './lib/watch.mjs';

await main(async () => {
  checkNode();
  const { host, port } = listenAddress();
  const address = `http://${host.includes(':') ? `[${host}]` : host}:${port}`;
  // Before anything is made in it: two first starts at once would make the same things.
  const claim = process.env.DATABASE_URL ? null : claimFolder(dataFolder(), { pid: process.pid, address });
  process.on('exit', () => claim?.release());
  await portFree(host, port);
  say('Hour Trail');
  await ensurePackages();
  await ensureBuild();
  const db = await database({ takeOver: true });

  let server = null;
  let watch = null;
  let ending = false;
  const end = async (code) => {
    if (ending) return;
    ending = true;
    watch?.stop();
    server?.stop();
    await db.stop();
    process.exit(code);
  };
  // npm passes the signal on to us, and so does the terminal: once is enough.
  process.on('SIGINT', () => end(0));
  process.on('SIGTERM', () => end(0));

  try {
    if (!db.foreign) await ensureDatabase(db.url);
    await migrate(db.url);
    const env = {
      ...process.env,
      DATABASE_URL: db.url,
      HOST: host,
      PORT: String(port),
      ORIGIN: `http://${host}:${port}`,
      NODE_ENV: 'production',
      BODY_SIZE_LIMIT: '1G'
    };
    // A large fleet takes its while; the server would seem dead meanwhile.
    const made = await must(
      'Working out where each machine stands',
      process.execPath,
      ['--import', 'tsx', 'scripts/standings.ts'],
      { cwd: root, env }
    );
    if (made.trim()) say(made.trim());
    if (process.env.HOUR_TRAIL_DEMO !== 'no') {
      const out = await must('Loading the demo', process.execPath, ['--import', 'tsx', 'demo/load.ts'], {
        cwd: root,
        env
      });
      if (out.trim()) say(out.trim());
    }
    server = keepServing({ command: process.execPath, args: ['scripts/app.mjs'], cwd: root, env }, (code) => {
      console.error('\n  The server ends as soon as it is started. What it said stands above.\n');
      void end(code || 1);
    });
    if (!db.foreign) watch = keepDatabase(db);
    await answers(`${address}/health`);
    say(`Open ${address}   (Ctrl-C stops it)`);
  } catch (error) {
    server?.stop();
    await db.stop();
    throw error;
  }
});

/** A server whose start was killed a moment ago is on its way out: worth a short wait. */
async function portFree(host, port, tries = 15) {
  for (; tries > 1; tries--) {
    if (await isFree(host, port).catch(() => false)) return;
    await new Promise((r) => setTimeout(r, 200));
  }
  await isFree(host, port);
}

function isFree(host, port) {
  return new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', (e) =>
      reject(
        new Plain(
          e.code === 'EADDRINUSE'
            ? `Port ${port} is in use. Is Hour Trail running already? Otherwise: PORT=${port + 1} npm start`
            : `Cannot listen on ${host}:${port}: ${e.message}`
        )
      )
    );
    probe.listen({ host, port }, () => probe.close(() => resolve(true)));
  });
}

async function answers(url) {
  for (let i = 0; i < 100; i++) {
    const ok = await fetch(url).then(
      (r) => r.ok,
      () => false
    );
    if (ok) return;
    await new Promise((r) => setTimeout(r, 100));
  }
  throw new Plain('The server does not answer. What it said stands above.');
}
