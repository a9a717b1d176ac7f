/** npm run db:reset: drops everything in our own database and starts with the demo again. */
import { connect, migrate } from './lib/migrate.mjs';
import { ensureDatabase } from './lib/roles.mjs';
import { database } from './lib/postgres.mjs';
import { must } from './lib/run.mjs';
import { main, Plain, say } from './lib/say.mjs';
import { root } from './lib/build.mjs';

await main(async () => {
  if (process.env.DATABASE_URL && process.env.HOUR_TRAIL_RESET !== 'yes') {
    throw new Plain(
      "DATABASE_URL is set: that is somebody's server. To drop all of Hour Trail's tables there, set HOUR_TRAIL_RESET=yes too."
    );
  }
  const db = await database();
  try {
    if (!db.foreign) await ensureDatabase(db.adminUrl);
    const sql = await connect(db.adminUrl);
    await sql.unsafe('drop schema public cascade; create schema public;');
    await sql.end();
    if (!db.foreign) await ensureDatabase(db.adminUrl);
    await migrate(db.url);
    await must('Loading the demo', process.execPath, ['--import', 'tsx', 'demo/load.ts'], {
      cwd: root,
      env: { ...process.env, DATABASE_URL: db.url }
    });
    say('The database is new, with the demo team in it.');
  } finally {
    await db.stop();
  }
});
