import type { Browser, BrowserContext, Page } from '@playwright/test';
import { expect, open, ready, test, type App } from './app';
import { Hand } from './hand';
import { signedIn } from './sign-in';
import { allWell } from './walked';

const PHONE = { width: 390, height: 844 };
const waits = (page: Page) => page.getByRole('link', { name: /waits? on this device, since/ });

/** A device of somebody, with the app kept on it as it is outside a test. */
async function device(browser: Browser, app: App, name: string, viewport = PHONE): Promise<BrowserContext> {
  const context = await browser.newContext({ baseURL: app.url, viewport, serviceWorkers: 'allow' });
  await context.addCookies([{ ...(await signedIn(app.sql, name)), url: app.url }]);
  return context;
}
/** Until the pages that are taken along are on the device, and nothing of it is on its way. */
async function takenAlong(page: Page): Promise<void> {
  await open(page, '/waiting');
  await expect(
    page.getByText(/^\d+ pages to look things up in without a signal, as of [^;]*\.$/)
  ).toBeVisible({
    timeout: 60_000
  });
}
/** Begins the visit at a machine with its engine oil and nothing else. @returns the id of the visit that the page is of */
async function beginOil(page: Page, machineId: string): Promise<string> {
  await open(page, `/machines/${machineId}/visit`);
  for (const other of ['Gearbox oil', 'Air filter'])
    await page.getByRole('checkbox', { name: other }).uncheck();
  await expect(page.getByText(/^\d+ min, \d+ with hands on it$/)).toBeVisible();
  await page.getByRole('button', { name: 'Start the visit' }).click();
  await expect(page).toHaveURL(/\/visits\//);
  return page.url().split('/').at(-1)!;
}
test('a day without signal on a phone: an oil change and a round, while on a tablet the same visit is begun and ticked; afterwards both are in one record', async ({
  app,
  browser
}) => {
  test.setTimeout(240_000);
  const phone = await device(browser, app, 'Jory Pell');
  const tablet = await device(browser, app, 'Anwen Skarrow', { width: 1000, height: 800 });
  const page = await phone.newPage();
  const bench = await tablet.newPage();
  const [twelve, eight] = [await app.machineId('12'), await app.machineId('8')];
  await takenAlong(page);

  // The signal goes; the visit is begun all the same, and its page is loaded anew.
  await phone.setOffline(true);
  await expect(page.getByText('The server does not answer.')).toBeVisible();
  const here = await beginOil(page, twelve);
  await expect(page.getByText('Begun on this device; the server does not know it yet.')).toBeVisible();
  await page.reload();
  await ready(page);
  const hand = new Hand(page);
  await hand.at('Lay out tools, parts and oil');
  // Whoever comes to the machine again comes to that visit.
  await open(page, '/bench');
  await expect(page.getByRole('list', { name: 'Begun on this device' })).toContainText(
    'begun on this device at'
  );
  await open(page, `/machines/${twelve}/visit`);
  await expect(page).toHaveURL(new RegExp(`/visits/${here}$`));
  await hand.at('Lay out tools, parts and oil');

  // On the tablet somebody begins the same visit, and ticks its first steps.
  const visit = await beginOil(bench, twelve);
  expect(visit).not.toBe(here);
  const other = new Hand(bench);
  await other.one();
  await other.one();
  await expect
    .poll(async () => (await app.sql`select 1 from visit_entry where visit_id = ${visit}`).length)
    .toBeGreaterThanOrEqual(2);

  // All of it on the phone, to its end; then a round and a finding.
  await hand.finish();
  await page.getByRole('button', { name: 'Close the visit' }).click();
  await expect(page.getByText('Closed here; it goes after what was written before it')).toBeVisible();
  await open(page, `/machines/${eight}/round`);
  await page.getByRole('button', { name: 'Walk it again' }).click();
  await page.getByRole('button', { name: 'Places' }).click();
  await page.getByRole('button', { name: 'Finding' }).click();
  const finding = page.getByRole('form', { name: 'Write down a finding' });
  await finding.getByLabel('Machine').selectOption({ label: '8 Gill 125' });
  await finding.getByLabel('What is wrong').fill('Left radiator hose chafes');
  await finding.getByRole('button', { name: 'watch', exact: true }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Kept on this device' })).toBeVisible();
  await allWell(page);
  await expect(waits(page)).toBeVisible();

  // What waits can be read, and nothing of it is in the book.
  await open(page, '/waiting');
  const list = page.getByRole('region', { name: 'Waiting' });
  await expect(list).toContainText('Left radiator hose chafes');
  const written = await list.getByRole('listitem').count();
  expect(written).toBeGreaterThan(20);
  expect(await app.sql`select 1 from finding where what = 'Left radiator hose chafes'`).toEqual([]);
  expect(await app.sql`select closed_at from visit where id = ${visit}`).toEqual([{ closed_at: null }]);

  // The signal is back: all goes, in order, each once.
  await phone.setOffline(false);
  await expect(list).toContainText('Nothing of yours waits.');
  await expect(page.getByText(/not taken/i)).toHaveCount(0);
  expect(await app.sql`select what from finding where what = 'Left radiator hose chafes'`).toHaveLength(1);
  expect(
    await app.sql`select count(*)::int as n from machine_round where machine_id = ${eight} and done_at is not null`
  ).toEqual([{ n: 2 }]);
  expect(await app.sql`select count(*)::int as n from service_record where visit_id = ${visit}`).toEqual([
    { n: 1 }
  ]);
  const by = await app.sql`
    select distinct p.name from visit_entry e join person p on p.team_id = e.team_id and p.id = e.by where e.visit_id = ${visit} order by 1`;
  expect(by.map((b) => b.name)).toEqual(['Anwen Skarrow', 'Jory Pell']);
  expect(
    await app.sql`select count(*)::int as n from (select id from command where body->>'visitId' = ${here} and kind = 'visit.close') c`
  ).toEqual([{ n: 1 }]);
  expect(await app.sql`select 1 from visit where id = ${here}`).toEqual([]);
  // The tablet has the same record before it.
  await expect(bench).toHaveURL(/\/records\//);
  await open(page, `/visits/${here}`);
  await expect(page).toHaveURL(new RegExp(`/visits/${visit}$`));
  await expect(page.getByText('This visit is closed.')).toBeVisible();
  await phone.close();
  await tablet.close();
});

test('a visit begun without a signal where another one stands open waits for it, with all that was written; a visit that was open is worked on', async ({
  app,
  browser
}) => {
  test.setTimeout(120_000);
  const phone = await device(browser, app, 'Jory Pell');
  const tablet = await device(browser, app, 'Anwen Skarrow', { width: 1000, height: 800 });
  const page = await phone.newPage();
  const bench = await tablet.newPage();
  const twelve = await app.machineId('12');
  await takenAlong(page);
  await phone.setOffline(true);
  const here = await beginOil(page, twelve);
  await new Hand(page).one();

  await open(bench, `/machines/${twelve}/visit`);
  await bench.getByRole('checkbox', { name: 'Engine oil' }).uncheck();
  await bench.getByRole('checkbox', { name: 'Air filter' }).uncheck();
  await bench.getByRole('button', { name: 'Start the visit' }).click();
  await expect(bench).toHaveURL(/\/visits\//);

  await phone.setOffline(false);
  const aside = page.getByRole('region', { name: 'Not taken by the server' });
  await expect(aside).toContainText(
    /Another visit stands open at this machine \(.*, begun by Anwen Skarrow\)/
  );
  await expect(aside.getByRole('button', { name: /^Let it go, with \d+ written in it$/ })).toBeVisible();
  // The server is there and does not know it: the page opens all the same.
  await page.reload();
  await ready(page);
  await expect(aside).toContainText('Another visit stands open at this machine');
  expect(await app.sql`select 1 from visit where id = ${here}`).toEqual([]);

  await bench.getByRole('button', { name: 'Give the visit up, the work not done' }).click();
  await bench.getByLabel('Why is it given up?').fill('The other one goes first');
  await bench.getByRole('button', { name: 'Give it up' }).click();
  await expect(bench).toHaveURL(/\/machines\//);
  const asked: string[] = [];
  page.on('request', (r) => {
    if (r.url().includes(`/visits/${here}/__data.json`)) asked.push(r.url());
  });
  await aside.getByRole('button', { name: 'Send again' }).click();
  await expect(aside).toHaveCount(0);
  await expect
    .poll(async () => (await app.sql`select 1 from visit_entry where visit_id = ${here}`).length)
    .toBeGreaterThanOrEqual(1);
  await expect(page).toHaveURL(new RegExp(`/visits/${here}$`));

  // Its page is read anew once it is in the book, and then no more.
  await expect(page.getByText('Begun on this device')).toHaveCount(0);
  await open(bench, `/visits/${here}`);
  expect(asked.length).toBeLessThan(5);

  // In the book now, it is worked on where the signal goes again.
  await phone.setOffline(true);
  await expect(page.getByText('The server does not answer.')).toBeVisible();
  await page.reload();
  await ready(page);
  await expect(page.getByText('Begun on this device')).toHaveCount(0);
  // What was sent just before is not undone on a page that was read before it.
  await expect(page.getByRole('progressbar', { name: 'Steps done' })).not.toHaveAttribute('value', '0');
  await new Hand(page).one();
  await expect(waits(page)).toBeVisible();
  await phone.close();
  await tablet.close();
});

test('who signs out leaves no page on the device; a page that is not on it says so within its frame', async ({
  app,
  browser
}) => {
  const phone = await device(browser, app, 'Jory Pell');
  const page = await phone.newPage();
  await takenAlong(page);
  const kept = () =>
    page.evaluate(async () =>
      (await caches.has('pages'))
        ? (await (await caches.open('pages')).keys()).map((r) => new URL(r.url).pathname)
        : []
    );
  expect(await kept()).toContain(`/machines/${await app.machineId('12')}/sheet/__data.json`);

  // A browser that says it has no network says little: the server may be on this very machine.
  await page.evaluate(() => window.dispatchEvent(new Event('offline')));
  await expect(page.getByText('The server does not answer.')).toHaveCount(0);
  await phone.setOffline(true);
  await open(page, '/due');
  await expect(page.getByRole('heading', { name: 'Due' })).toBeVisible();
  await open(page, `/audit`);
  await expect(
    page.getByText('This page is not on this device, and the server does not answer.')
  ).toBeVisible();
  await expect(page.getByRole('button', { name: 'Places' })).toBeVisible();
  // The code on a machine opens it, its hours to be logged.
  const twelve = await app.machineId('12');
  await page.goto(`/s/m/${twelve}`);
  await expect(page).toHaveURL(new RegExp(`/machines/${twelve}`));
  const hours = page.getByRole('form', { name: 'Log hours' });
  await expect(hours.getByLabel('Machine')).toHaveValue(twelve);
  await hours.getByRole('textbox').first().fill('+1h');
  await hours.getByRole('button', { name: 'Log' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Kept on this device' })).toBeVisible();
  await phone.setOffline(false);
  await expect
    .poll(
      async () =>
        (await app.sql`select 1 from command where kind = 'reading.log' and body->>'typed' = '+1h'`).length
    )
    .toBe(1);

  await open(page, '/you');
  await page.getByRole('button', { name: 'Sign out' }).click();
  await expect(page).toHaveURL(/\/sign-in/);
  await expect.poll(kept).toEqual([]);
  await phone.close();
});
