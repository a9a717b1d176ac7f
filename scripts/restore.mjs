/**
 * npm run restore [-- file] [--foreign]: puts a backup back, the latest where none is named. What was there stays beside it, under another
 * name. `--foreign`: one that this server did not make.
 */
import { join } from 'node:path';
import { listBackups } from './lib/backup.mjs';
import { ensurePackages } from './lib/build.mjs';
import { claimFolder } from './lib/lock.mjs';
import { migrate } from './lib/migrate.mjs';
import { database, dataFolder } from './lib/postgres.mjs';
import { restore } from './lib/restore.mjs';
import { main, Plain, say } from './lib/say.mjs';

await main(async () => {
  await ensurePackages();
  const folder = process.env.HOUR_TRAIL_BACKUPS ?? join(dataFolder(), 'backups');
  const [latest] = listBackups(folder);
  const [named] = process.argv.slice(2).filter((a) => a !== '--foreign');
  const file = named ?? (latest && join(folder, latest));
  if (!file) throw new Plain(`There is no backup in ${folder}. npm run restore -- file`);
  // A server that runs would write on in what is put away.
  const claim = claimFolder(dataFolder(), { pid: process.pid, address: 'a restore' });
  process.on('exit', () => claim.release());
  const db = await database();
  try {
    const { made, before } = await restore(db.adminUrl, file, {
      foreign: process.argv.includes('--foreign')
    });
    await migrate(db.url);
    say(`Put back: the book as it was at ${made}.`);
    if (before) say(`What was there is the database ${before} now.`);
  } finally {
    await db.stop();
  }
});
