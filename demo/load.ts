/** Loads the demo team into the database that DATABASE_URL names. `--again` replaces it. Prints one line. */
import { connect } from '../src/lib/server/base/db';
import { loadDemo } from './loader';

const sql = connect(process.env.DATABASE_URL!, 2);
try {
  const done = await loadDemo(sql, new Date(), { again: process.argv.includes('--again') });
  if (done) console.log(`Demo team loaded: ${done}`);
} finally {
  await sql.end();
}
