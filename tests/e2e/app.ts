import { test as base, expect, type Page } from '@playwright/test';
import { connect, type Sql } from '../../src/lib/server/base/db';
import { freshDatabase, TEMPLATE } from '../database/cluster';
import { DEMO_TEMPLATE } from './global-setup';
import { Server } from './server';
import { signedIn } from './sign-in';
import { teamOfItsOwn } from './team';

/** The built app as a test sees it: where it is, and the rows of the test's own team. */
export interface App {
  url: string;
  /** Of a server of one's own: its database. */
  databaseUrl: string;
  sql: Sql;
  /** The team to look at; null: whatever the app shows somebody who comes new. */
  teamId: string | null;
  machineId: (plate: string) => Promise<string>;
  /** Kills the server, and starts it again: only where the test has one of its own. */
  stop: () => Promise<void>;
  /** @param more of its surroundings, from then on */
  start: (more?: Record<string, string>) => Promise<void>;
}

/** Who works in the tests, where nothing else is said. He may do whatever there is. */
const WORKS = 'Jory Pell';
const chief = (sql: Sql) => sql`update person set role = 'chief mechanic' where name = ${WORKS}`;

const machineIn = (sql: Sql) => async (plate: string) =>
  (await sql`select id from machine where plate = ${plate}`)[0]!.id as string;

/** The server of all tests, with a team of one's own. */
async function withTeam(use: (app: App) => Promise<void>): Promise<void> {
  const { url, databaseUrl, adminUrl } = JSON.parse(process.env.HOUR_TRAIL_E2E!) as Record<string, string>;
  const team = await teamOfItsOwn(adminUrl!);
  await chief(team.sql);
  const others = () =>
    Promise.reject(new Error('This server is everybody’s: say `test.use({ alone: true })`.'));
  await use({
    url: url!,
    databaseUrl: databaseUrl!,
    sql: team.sql,
    teamId: team.id,
    machineId: machineIn(team.sql),
    stop: others,
    start: others
  });
  await team.drop();
}

/** A server on a database of one's own, copied from a template, for as long as it is used. */
async function alone(template: string, use: (app: App) => Promise<void>): Promise<void> {
  const database = await freshDatabase(template);
  const sql = connect(database.url, 2);
  await chief(sql);
  const server = await Server.on(database.url);
  await use({
    url: server.url,
    databaseUrl: database.url,
    sql,
    teamId: null,
    machineId: machineIn(sql),
    stop: () => server.stop(),
    start: (more) => server.start(more)
  });
  await server.stop();
  await sql.end();
  await database.drop();
}

interface Each {
  /** What its database is copied from, where it has one of its own. */
  template: string;
  /** Has a server and a database of its own: what it does to them nobody else may see. */
  alone: boolean;
  app: App;
  work: Page;
}
export const test = base.extend<Each>({
  template: [DEMO_TEMPLATE, { option: true }],
  alone: [false, { option: true }],
  app: async ({ template, alone: own }, use) =>
    own || template !== DEMO_TEMPLATE ? alone(template, use) : withTeam(use),
  baseURL: async ({ app }, use) => use(app.url),
  context: async ({ context, app }, use) => {
    if (app.teamId) await context.addCookies([{ ...(await signedIn(app.sql, WORKS)), url: app.url }]);
    await use(context);
  },
  /** A page on which it is known who is working; it is open on nothing yet. */
  work: async ({ app, context, page, template }, use) => {
    if (template !== TEMPLATE && !app.teamId) {
      const who = await app.sql`select id from person where name = ${WORKS}`;
      await context.addCookies([{ name: 'ht_who', value: who[0]!.id, url: app.url }]);
    }
    await use(page);
  }
});

/** For tests that only look: a worker's one team and one page, whose scripts and fonts need not be fetched again each time. */
export const looking = base.extend<{ app: App }, { shared: App; glass: Page }>({
  shared: [async ({ browserName: _ }, use) => withTeam(use), { scope: 'worker' }],
  glass: [
    async ({ shared, browser }, use) => {
      const context = await browser.newContext({ baseURL: shared.url });
      await context.addCookies([{ ...(await signedIn(shared.sql, WORKS)), url: shared.url }]);
      await use(await context.newPage());
      await context.close();
    },
    { scope: 'worker' }
  ],
  app: async ({ shared }, use) => use(shared),
  page: async ({ glass }, use) => {
    await glass.setViewportSize({ width: 1280, height: 800 });
    await use(glass);
  }
});
export { expect, TEMPLATE };

/** Until the page answers to keys and clicks. */
export async function ready(page: Page): Promise<void> {
  await page.locator('[data-ready="true"]').waitFor({ state: 'attached' });
}

/** Opens a page and waits until it answers. */
export async function open(page: Page, path: string): Promise<void> {
  await page.goto(path);
  await ready(page);
}
