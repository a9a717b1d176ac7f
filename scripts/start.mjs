/** npm start: sets up whatever is missing, loads the demo, serves. Plain Node.js; nothing needs installing before it. */
import { spawn } from 'node:child_process';
import { createServer } from 'node:net';
import { ensureBuild, ensurePackages, root } from './lib/build.mjs';
import { ensureDatabase, migrate } from './lib/migrate.mjs';
import { database } from './lib/postgres.mjs';
import { must } from './lib/run.mjs';
import { main, Plain, say } from './lib/say.mjs';
import { checkNode, listenAddress } from './lib/checks.mjs';

await main(async () => {
  checkNode();
  const { host, port } = listenAddress();
  await portFree(host, port);
  say('Hour Trail');
  await ensurePackages();
  await ensureBuild();
  const db = await database();

  let server = null;
  let ending = false;
  const end = async (code) => {
    if (ending) return;
    ending = true;
    server?.kill('SIGTERM');
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
      BODY_SIZE_LIMIT: '64M'
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
    // A group of its own, so that Ctrl-C reaches us first and the database outlives the last request.
    server = spawn(process.execPath, ['build/index.js'], {
      cwd: root,
      env,
      stdio: ['ignore', 'inherit', 'inherit'],
      detached: true
    });
    server.on('exit', (code) => {
      if (!ending) {
        console.error('\n  The server stopped by itself. What it said stands above.\n');
        void end(code || 1);
      }
    });
    await answers(`http://${host}:${port}/health`);
    say(`Open http://${host.includes(':') ? `[${host}]` : host}:${port}   (Ctrl-C stops it)`);
  } catch (error) {
    server?.kill('SIGTERM');
    await db.stop();
    throw error;
  }
});

function portFree(host, port) {
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
    probe.listen({ host, port }, () => probe.close(() => resolve()));
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
