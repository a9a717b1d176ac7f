import { connect } from '../../src/lib/server/db';
import { loadDemo } from '../../demo/loader';
import cluster, { makeTemplate } from '../database/cluster';

export const DEMO_TEMPLATE = 'hour_trail_with_demo';

/** One server for all tests, with a template database that holds the demo: each test copies it. */
export default async function setup(): Promise<() => Promise<void>> {
  const stop = await cluster();
  await makeTemplate(DEMO_TEMPLATE, async (url) => {
    const sql = connect(url, 2);
    await loadDemo(sql, new Date());
    await sql.end();
  });
  return stop;
}
