import { spawn, type ChildProcess } from 'node:child_process';
import { createServer, type AddressInfo } from 'node:net';
import { test as base, expect, type Page } from '@playwright/test';
import { connect, type Sql } from '../../src/lib/server/db';
import { freshDatabase, TEMPLATE } from '../database/cluster';
import { DEMO_TEMPLATE } from './global-setup';

const freePort = () =>
  new Promise<number>((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => resolve(port));
    });
  });

/** The built app on a database of its own. */
export class App {
  #server: ChildProcess | null = null;
  constructor(
    readonly url: string,
    readonly sql: Sql,
    private readonly databaseUrl: string
  ) {}

  async start(): Promise<void> {
    const { port } = new URL(this.url);
    this.#server = spawn(process.execPath, ['build/index.js'], {
      env: {
        ...process.env,
        DATABASE_URL: this.databaseUrl,
        HOST: '127.0.0.1',
        PORT: port,
        ORIGIN: this.url,
        NODE_ENV: 'production',
        BODY_SIZE_LIMIT: '64M'
      },
      stdio: ['ignore', 'inherit', 'inherit']
    });
    await expect
      .poll(
        () =>
          fetch(`${this.url}/health`).then(
            (r) => r.status,
            () => 0
          ),
        { timeout: 20_000 }
      )
      .toBe(200);
  }

  async stop(): Promise<void> {
    const server = this.#server;
    this.#server = null;
    if (!server || server.exitCode !== null) return;
    await new Promise((done) => {
      server.once('exit', done);
      server.kill('SIGKILL');
    });
  }

  machineId = async (plate: string): Promise<string> =>
    (await this.sql`select id from machine where plate = ${plate}`)[0]!.id;
}

/** The app on a database of its own, copied from a template, for as long as it is used. */
async function withApp(template: string, use: (app: App) => Promise<void>): Promise<void> {
  const database = await freshDatabase(template);
  const sql = connect(database.url, 2);
  const app = new App(`http://127.0.0.1:${await freePort()}`, sql, database.url);
  await app.start();
  await use(app);
  await app.stop();
  await sql.end();
  await database.drop();
}

export const test = base.extend<{ template: string; app: App; work: Page }, { shared: App }>({
  template: [DEMO_TEMPLATE, { option: true }],
  app: async ({ template }, use) => withApp(template, use),
  /** One app for all tests of a worker that only look, at the demo. */
  shared: [async ({ browserName: _ }, use) => withApp(DEMO_TEMPLATE, use), { scope: 'worker' }],
  baseURL: async ({ app }, use) => use(app.url),
  /** A page on which someone has said who is working. */
  work: async ({ app, page, template }, use) => {
    await page.goto('/');
    await ready(page);
    if (template !== TEMPLATE) {
      await page.getByLabel('Working').selectOption({ label: 'Jory Pell' });
      await expect
        .poll(async () => (await page.context().cookies(app.url)).some((c) => c.name === 'ht_who'))
        .toBe(true);
    }
    await use(page);
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
