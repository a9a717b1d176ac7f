import { connect } from '../../src/lib/server/base/db';
import { loadDemo } from '../../demo/loader';
import cluster, { freshDatabase, makeTemplate } from '../database/cluster';
import { Server } from './server';

export const DEMO_TEMPLATE = 'hour_trail_with_demo';

/**
 * One PostgreSQL, one database and one server for all tests: each has a team of its own in it, a copy of the demo's. What a
 * few tests do to server or database they do to one of their own, copied from the template.
 */
export default async function setup(): Promise<() => Promise<void>> {
  const stop = await cluster();
  await makeTemplate(DEMO_TEMPLATE, async (url) => {
    const sql = connect(url, 2);
    await loadDemo(sql, new Date());
    await sql.end();
  });
  const database = await freshDatabase(DEMO_TEMPLATE);
  const server = await Server.on(database.url);
  process.env.HOUR_TRAIL_E2E = JSON.stringify({
    url: server.url,
    databaseUrl: database.url,
    adminUrl: database.adminUrl
  });
  return async () => {
    await server.stop();
    await database.drop();
    await stop();
  };
}
