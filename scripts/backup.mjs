/** npm run backup: everything, photos too, into one file among the others. The server may run meanwhile. */
import { join } from 'node:path';
import { backUpAndTell, listBackups } from './lib/backup.mjs';
import { ensurePackages } from './lib/build.mjs';
import { database, dataFolder } from './lib/postgres.mjs';
import { main, Plain, say } from './lib/say.mjs';

await main(async () => {
  await ensurePackages();
  const folder = process.env.HOUR_TRAIL_BACKUPS ?? join(dataFolder(), 'backups');
  const db = await database();
  try {
    const error = await backUpAndTell(db.url, folder);
    if (error) throw new Plain(error);
    say(`Backed up: ${join(folder, listBackups(folder)[0])}`);
  } finally {
    await db.stop();
  }
});
