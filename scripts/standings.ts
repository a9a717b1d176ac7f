/** Works out where machines stand that have no standing: after a migration that changed what standings hold. */
import { connect } from '../src/lib/server/base/db';
import { refreshMissing } from '../src/lib/server/book/standing';

const sql = connect(process.env.DATABASE_URL!, 2);
try {
  const made = await refreshMissing(sql);
  if (made > 0)
    console.log(`Worked out anew where ${made} ${made === 1 ? 'machine stands' : 'machines stand'}.`);
} finally {
  await sql.end();
}
