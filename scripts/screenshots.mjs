/** npm run screenshots: one current picture of each main view, from the demo, into docs/screenshots. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './lib/build.mjs';
import { chromiumPath } from './lib/chromium.mjs';
import { connect } from './lib/migrate.mjs';
import { must } from './lib/run.mjs';
import { main, say } from './lib/say.mjs';
import { throwawayApp } from './lib/serve.mjs';

const folder = join(root, 'docs/screenshots');

/** The first page of a PDF as a picture. */
async function sheetOfPaper(name, address) {
  const { createCanvas } = await import('@napi-rs/canvas');
  const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs');
  const data = new Uint8Array(await (await fetch(address)).arrayBuffer());
  const page = await (await getDocument({ data }).promise).getPage(1);
  const viewport = page.getViewport({ scale: 1.4 });
  const canvas = createCanvas(viewport.width, viewport.height);
  await page.render({ canvas, viewport, background: '#fff' }).promise;
  writeFileSync(join(folder, `${name}.png`), canvas.toBuffer('image/png'));
}

await main(() =>
  throwawayApp(async ({ databaseUrl, serve }) => {
    await must('Loading the demo', process.execPath, ['--import', 'tsx', 'demo/load.ts'], {
      cwd: root,
      env: { ...process.env, DATABASE_URL: databaseUrl }
    });
    const sql = await connect(databaseUrl);
    const one = async (query) => (await query)[0].id;
    const who = await one(sql`select id from person where name = 'Jory Pell'`);
    const fell = await one(sql`select id from machine where plate = '12'`);
    const rake = await one(sql`select id from machine where plate = '5'`);
    const visit = await one(sql`select id from visit where closed_at is null`);
    const record = await one(
      sql`select r.id from service_record r join machine m on m.id = r.machine_id where m.plate = '41' and r.visit_id is not null order by done_at desc limit 1`
    );
    await sql.end();

    const url = await serve();
    const { chromium } = await import('@playwright/test');
    const browser = await chromium.launch({
      executablePath: chromiumPath(),
      args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking']
    });
    mkdirSync(folder, { recursive: true });
    const shot = async (
      name,
      path,
      { width = 1280, height = 800, theme = 'light', chosen = true, act = async () => {} } = {}
    ) => {
      const context = await browser.newContext({ viewport: { width, height }, locale: 'en-GB' });
      await context.addCookies(
        Object.entries({ ht_theme: theme, ht_who: who, ...(chosen && { ht_demo: 'yes' }) }).map(
          ([n, value]) => ({ name: n, value, url })
        )
      );
      const page = await context.newPage();
      await page.goto(url + path);
      await page.locator('[data-ready="true"]').waitFor({ state: 'attached' });
      await act(page);
      await page.waitForTimeout(400);
      await page.screenshot({ path: join(folder, `${name}.png`) });
      await context.close();
      say(name);
    };

    await shot('waiting', '/', {
      width: 820,
      height: 900,
      act: async (page) => {
        // No answer to what is written; then one of it is refused, and the rest has no answer still.
        await page.route('**/api/commands', (route) => route.abort());
        const hours = page.getByRole('form', { name: 'Log hours' });
        const finding = page.getByRole('form', { name: 'Write down a finding' });
        for (const [plate, reads] of [
          ['5  Rake 250', '48.1'],
          ['12  Fell 250', '121.0']
        ]) {
          await page.getByRole('button', { name: 'Log hours', exact: true }).click();
          await hours.getByLabel('Machine').selectOption({ label: plate });
          await hours.getByLabel('Meter shows, h').fill(reads);
          await hours.getByRole('button', { name: 'Log', exact: true }).click();
          await hours.waitFor({ state: 'detached' });
        }
        await page.keyboard.press('f');
        await finding.getByLabel('Machine').selectOption({ label: '8 Gill 125' });
        await finding.getByLabel('What is wrong').fill('Left radiator hose chafes');
        await finding.getByRole('button', { name: 'watch', exact: true }).click();
        await finding.waitFor({ state: 'detached' });
        await page.route('**/api/commands', async (route) => {
          const { commands } = route.request().postDataJSON();
          await route.fulfill({
            json: {
              ok: true,
              outcomes: commands.map(({ id, body }) =>
                body.typed === '48.1'
                  ? {
                      id,
                      ok: false,
                      errors: { typed: 'That is less than it showed before: 48.6 h.' },
                      more: {}
                    }
                  : { id, ok: false, errors: { '': 'No answer from the server.' }, more: { retry: true } }
              )
            }
          });
        });
        await page.getByRole('link', { name: /waits? on this device/ }).click();
        await page.getByRole('button', { name: 'Try now' }).click();
        await page.getByRole('heading', { name: 'Not taken' }).waitFor();
        await page.getByRole('button', { name: 'Seen' }).click();
      }
    });
    const yesterday = new Date(Date.now() - 86_400_000).toLocaleDateString('de-DE', {
      day: '2-digit',
      month: '2-digit',
      year: 'numeric'
    });
    await shot('import', '/exchange', {
      height: 1000,
      act: async (page) => {
        await page.getByLabel(/^Paste the cells here/).fill(
          // The demo ends today: what is taken in is of yesterday, and one day is in no calendar.
          [
            'plate;date;hours;km;rider',
            `12;${yesterday};119,6;31;Ines Varrow`,
            `5;${yesterday};47,9;22;Tobiah Reave`,
            `27;${yesterday};4711;18;Tobiah Reave`,
            `99;${yesterday};12,0;9;`,
            '8;31.11.2026;7,1;;Kit Lorne',
            ''
          ].join('\n')
        );
        await page.getByRole('button', { name: 'Read it' }).click();
        await page.getByRole('button', { name: /^Write down/ }).waitFor();
        await page.evaluate(() => scrollTo(0, 0));
      }
    });
    await sheetOfPaper('job-card', `${url}/visits/${visit}/card.pdf`);
    say('job-card');
    await shot('trail', '/');
    await shot('machine', `/machines/${fell}`, { height: 1000 });
    await shot('spec-sheet', `/machines/${fell}/sheet`);
    await shot('race-day', '/outings/day', {
      act: async (page) => {
        await page.getByLabel('5 meter shows').fill('48.1');
        await page.getByLabel('8 meter shows').fill('6.8');
        await page.getByRole('button', { name: /^Write down/ }).click();
        await page.getByTestId('settle').waitFor();
        await page.evaluate(() => scrollTo(0, 0));
      }
    });
    await shot('due', '/due', {
      act: async (page) =>
        void (await page.getByRole('button', { name: /^Why is Valve clearances of 5/ }).click())
    });
    await shot('chain', `/machines/${fell}/chain`, {
      height: 900,
      act: async (page) => {
        await page.getByLabel('As found: left mark').fill('10.5');
        await page.getByLabel('As found: right mark').fill('10');
        await page.getByLabel('As found: tightest place').fill('54');
      }
    });
    await shot('bench', `/visits/${visit}`, {
      height: 900,
      act: async (page) => {
        await page.getByRole('button', { name: /Read the magnet of engine drain/ }).click();
        await page.getByRole('radio', { name: 'flakes you can feel' }).click();
        await page.getByRole('button', { name: 'steel (magnetic)', exact: true }).click();
        await page.evaluate(() => scrollTo(0, 120));
      }
    });
    await shot('bench-sheet', `/visits/${visit}`, {
      width: 820,
      height: 1180,
      act: async (page) => {
        await page.getByText('The whole sheet').click();
        await page.getByRole('button', { name: /^Tip it, then measure/ }).scrollIntoViewIfNeeded();
        await page.getByLabel('Drained').fill('0.5 qt');
        await page.evaluate(() => document.activeElement.scrollIntoView({ block: 'center' }));
      }
    });
    await shot('bench-phone', `/visits/${visit}`, {
      width: 390,
      height: 844,
      act: async (page) => {
        await page.getByRole('button', { name: /Refit and torque oil filter cover/ }).click();
        await page.getByRole('button', { name: 'In by hand' }).waitFor();
      }
    });
    await shot('record', `/records/${record}`);
    // Last, for it begins a check.
    const measured = async (page) => {
      // It was ridden only now, on the race day above.
      await page.getByRole('checkbox', { name: /stone cold/ }).check();
      for (const [valve, typed] of Object.entries({
        'Inlet left': '0.11-0.12',
        'Inlet right': '0.08-0.09',
        'Exhaust left': '0.18-0.20',
        'Exhaust right': '0.18-0.20'
      })) {
        await page.getByLabel(`${valve}, as found`).fill(typed);
        await page.getByLabel(`${valve}, as found`).press('Enter');
      }
      await page.getByText('To buy:').waitFor();
      await page.getByRole('button', { name: 'Inlet right', exact: true }).click();
    };
    await shot('valves', `/machines/${rake}/valves`, {
      height: 900,
      act: async (page) => {
        await measured(page);
        await page.evaluate(() => scrollTo(0, 0));
      }
    });
    await shot('round-phone', `/machines/${fell}/round`, {
      width: 390,
      height: 844,
      act: async (page) => {
        const tyre = page.getByRole('group', { name: 'Rear tyre pressure', exact: true });
        await tyre.getByRole('textbox').first().fill('70');
        await tyre.getByRole('button', { name: 'Found' }).click();
      }
    });
    await shot('findings', '/findings');
    await shot('board', '/board');
    // A team of its own, into which a phone comes. Last: from then on the demo is not shown unasked.
    const chief = await (
      await browser.newContext({ viewport: { width: 1280, height: 800 }, locale: 'en-GB', baseURL: url })
    ).newPage();
    const go = async (page, path) => {
      await page.goto(path);
      await page.locator('[data-ready="true"]').waitFor({ state: 'attached' });
    };
    await go(chief, '/welcome');
    await chief.getByLabel('Team or workshop').fill('Nether Fold Racing');
    await chief.getByLabel('Your name').fill('Bea Thornley');
    await chief.getByLabel('A passphrase').fill('moss kettle quiet ferry');
    await chief.getByRole('button', { name: 'Begin with an empty book' }).click();
    await chief.getByRole('heading', { name: 'No machine yet' }).waitFor();
    await go(chief, '/team');
    for (const [name, role] of [
      ['Anwen Skarrow', 'mechanic'],
      ['Ines Varrow', 'rider'],
      ['Odd Farrow', 'owner']
    ]) {
      await chief.getByLabel('Name', { exact: true }).fill(name);
      await chief.getByLabel('What they do').selectOption(role);
      await chief.getByRole('button', { name: 'Add' }).click();
      await chief.getByRole('cell', { name, exact: true }).waitFor();
    }
    await chief.getByRole('button', { name: 'A code that lets in' }).click();
    const link = await chief.getByTestId('invitation').textContent();
    const phone = await (
      await browser.newContext({ viewport: { width: 390, height: 844 }, locale: 'en-GB' })
    ).newPage();
    await go(phone, link);
    await phone.getByText('Anwen Skarrow').click();
    await phone.getByLabel('A PIN for this device').fill('4711');
    await phone.getByLabel('This device is called').fill('Anwen’s phone');
    await phone.screenshot({ path: join(folder, 'joining.png') });
    say('joining');
    await phone.getByRole('button', { name: 'Join' }).click();
    await phone.getByRole('heading', { name: 'No machine yet' }).waitFor();
    await go(chief, '/team');
    await chief.screenshot({ path: join(folder, 'devices.png') });
    say('devices');
    await browser.close();
  })
);
