/** npm run demo:reset: puts the demo team back as it was, dated to today. Other teams stay as they are. */
import { root } from './lib/build.mjs';
import { migrate } from './lib/migrate.mjs';
import { ensureDatabase } from './lib/roles.mjs';
import { database } from './lib/postgres.mjs';
import { must } from './lib/run.mjs';
import { main, say } from './lib/say.mjs';

await main(async () => {
  const db = await database();
  try {
    if (!db.foreign) await ensureDatabase(db.adminUrl);
    await migrate(db.url);
    say(
      (
        await must('Loading the demo', process.execPath, ['--import', 'tsx', 'demo/load.ts', '--again'], {
          cwd: root,
          env: { ...process.env, DATABASE_URL: db.url }
        })
      ).trim()
    );
  } finally {
    await db.stop();
  }
});
