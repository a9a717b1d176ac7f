/** npm start: sets up whatever is missing, loads the demo, serves. Plain Node.js; nothing needs installing before it. */
import { createServer } from 'node:net';
import { join } from 'node:path';
import { ensureBuild, ensurePackages, root } from './lib/build.mjs';
import { migrate } from './lib/migrate.mjs';
import { ensureDatabase } from './lib/roles.mjs';
import { claimFolder } from './lib/lock.mjs';
import { database, dataFolder } from './lib/postgres.mjs';
import { must } from './lib/run.mjs';
import { main, Plain, say } from './lib/say.mjs';
import { checkNode, listenAddress } from './lib/checks.mjs';
import { keepDatabase, keepServing } from './lib/watch.mjs';

await main(async () => {
  checkNode();
  const { host, port, tent: wanted } = listenAddress(process.env, process.argv.slice(2));
  const address = `http://${host.includes(':') ? `[${host}]` : host}:${port}`;
  // Before anything is made in it: two first starts at once would make the same things.
  const claim = process.env.DATABASE_URL ? null : claimFolder(dataFolder(), { pid: process.pid, address });
  process.on('exit', () => claim?.release());
  await portFree(host, port);
  say('Hour Trail');
  await ensurePackages();
  await ensureBuild();
  const tent = wanted && (await raiseTent(wanted, port));
  const { keepBackingUp } = await import('./lib/backup.mjs');
  const backupFolder = process.env.HOUR_TRAIL_BACKUPS ?? join(dataFolder(), 'backups');
  const db = await database({ takeOver: true });

  let server = null;
  let watch = null;
  let backups = null;
  let ending = false;
  const end = async () => {
    if (ending) return;
    ending = true;
    watch?.stop();
    backups?.stop();
    // What was begun is answered before the database goes.
    await server?.stop();
    await db.stop();
    process.exit(0);
  };
  // npm passes the signal on to us, and so does the terminal: once is enough.
  process.on('SIGINT', end);
  process.on('SIGTERM', end);

  try {
    if (!db.foreign) await ensureDatabase(db.adminUrl);
    await migrate(db.url);
    const env = {
      ...process.env,
      DATABASE_URL: db.url,
      HOST: host,
      PORT: String(port),
      // Behind somebody's proxy ORIGIN says what the server is called; else each request does, by where it came in.
      PROTOCOL_HEADER: 'x-trail-protocol',
      HOUR_TRAIL_HOSTS: [
        process.env.HOUR_TRAIL_HOSTS,
        process.env.ORIGIN && new URL(process.env.ORIGIN).hostname,
        ...(tent ? [...tent.addresses, ...tent.names] : [])
      ]
        .filter(Boolean)
        .join(','),
      ...(tent && { HOUR_TRAIL_TENT: JSON.stringify(tent), HOUR_TRAIL_JOIN: tent.join }),
      HOUR_TRAIL_BACKUPS: backupFolder,
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
    server = keepServing({ command: process.execPath, args: ['scripts/app.mjs'], cwd: root, env });
    if (!db.foreign) watch = keepDatabase(db);
    backups = keepBackingUp(db.url, backupFolder, (words) => console.error(`\n  ${words}\n`));
    await answers(`${address}/health`);
    say(`Open ${address}   (Ctrl-C stops it)`);
    if (tent) await showTent(tent, env);
  } catch (error) {
    await server?.stop();
    await db.stop();
    throw error;
  }
});

/** Where the tent stands: the addresses of this machine in private networks, and the certificates for them. */
async function raiseTent({ addresses: asked, port }, joinPort) {
  // Packages are there by now.
  const { certificates, isPrivate } = await import('./lib/certificates.mjs');
  const { tentAddresses, tentNames } = await import('./lib/tent.mjs');
  const addresses = asked === 'all' ? tentAddresses() : asked;
  const far = addresses.find((a) => !isPrivate(a));
  if (far)
    throw new Plain(
      `${far} is no address of a private network. Past one’s own network the server stands behind a proxy: docs/serving.md.`
    );
  if (addresses.length === 0)
    throw new Plain('This machine is in no network that phones could be in too. Join one, then start again.');
  const folder = join(dataFolder(), 'tls');
  const names = tentNames();
  for (const address of addresses) {
    await portFree(address, port, 15, 'TLS_PORT');
    await portFree(address, joinPort);
  }
  const { fingerprint } = await certificates(folder, [...addresses, ...names, 'localhost', '127.0.0.1']);
  const [first] = addresses;
  return {
    folder,
    port,
    joinPort,
    addresses,
    names,
    fingerprint,
    join: `http://${first}:${joinPort}`
  };
}

/** What the terminal shows of the tent: the code to scan, and what the certificate is known by. */
async function showTent({ join: address, addresses, port, fingerprint }, env) {
  const { default: qr } = await import('qrcode');
  // With one team here the code lets in whoever of it has no way in yet.
  const code = (
    await must('Making a way in', process.execPath, ['--import', 'tsx', 'scripts/way-in.ts', '--tent'], {
      cwd: root,
      env
    })
  ).trim();
  const link = `${address}/${code && `#${code}`}`;
  console.log(await qr.toString(link, { type: 'terminal', small: true }));
  say(`Phones in this network scan it, or open ${link}`);
  for (const a of addresses) say(`The app over TLS: https://${a}:${port}`);
  say(`Its certificate’s authority: ${fingerprint}`);
}

/** A server whose start was killed a moment ago is on its way out: worth a short wait. */
async function portFree(host, port, tries = 15, name = 'PORT') {
  for (; tries > 1; tries--) {
    if (await isFree(host, port, name).catch(() => false)) return;
    await new Promise((r) => setTimeout(r, 200));
  }
  await isFree(host, port, name);
}

function isFree(host, port, name) {
  return new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', (e) =>
      reject(
        new Plain(
          e.code === 'EADDRINUSE'
            ? `Port ${port} is in use. Is Hour Trail running already? Otherwise: ${name}=${port + 1} npm start`
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
