import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { expect, open, ready, test, TEMPLATE, type App } from './app';
import { signedIn } from './sign-in';

const WORDS = 'moss kettle quiet ferry';

async function found(page: Page): Promise<void> {
  await open(page, '/welcome');
  await page.getByLabel('Team or workshop').fill('Nether Fold Racing');
  await page.getByLabel('Your name').fill('Bea Thornley');
  await page.getByLabel('A passphrase').fill('password12');
  await page.getByRole('button', { name: 'Begin with an empty book' }).click();
  await expect(page.getByText('among the first to be guessed')).toBeVisible();
  await page.getByLabel('A passphrase').fill(WORDS);
  await page.getByRole('button', { name: 'Begin with an empty book' }).dblclick();
  await expect(page.getByRole('heading', { name: 'No machine yet' })).toBeVisible();
  await ready(page);
}
async function add(page: Page, name: string, role: string): Promise<void> {
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.getByLabel('What they do').selectOption(role);
  await page.getByRole('button', { name: 'Add' }).click();
  await expect(page.getByRole('cell', { name, exact: true })).toBeVisible();
}
async function invite(page: Page, button: string): Promise<string> {
  await page.getByRole('button', { name: button }).click();
  const link = await page.getByTestId('invitation').textContent();
  await page.getByRole('button', { name: 'Done' }).click();
  return new URL(link!).pathname;
}
/** Another device, at the same server. */
const device = async (page: Page, app: App) =>
  (await page.context().browser()!.newContext({ baseURL: app.url })).newPage();

test.describe('a team of its own', () => {
  test.use({ template: TEMPLATE });

  test('the first start makes the chief’s account; a rider joins by a code, sees what is theirs, and is sent away', async ({
    page,
    app
  }) => {
    await found(page);
    expect(await app.sql`select p.role, s.how from session s join person p on p.id = s.person_id`).toEqual([
      { role: 'chief mechanic', how: 'founding' }
    ]);
    // Nothing that was chosen stands anywhere as it is.
    expect(JSON.stringify(await app.sql`select * from command`)).not.toContain('kettle');

    await open(page, '/team');
    await add(page, 'Ines Varrow', 'rider');
    await add(page, 'Odd Farrow', 'owner');
    await open(page, '/machines/new');
    for (const [plate, name] of [
      ['41', 'Garth 125'],
      ['42', 'Garth 250']
    ] as const) {
      await open(page, '/machines/new');
      await page.getByLabel('Number').fill(plate);
      await page.getByLabel('Name').fill(name);
      await page.getByLabel('What it is').selectOption('two-stroke motocross');
      await page.getByLabel('The meter shows now, h').fill('12.4');
      await page.getByRole('button', { name: 'Add the machine' }).click();
      await expect(page).toHaveURL(/\/sheet$/);
    }
    const id = await app.machineId('41');
    const other = await app.machineId('42');
    await open(page, `/machines/${id}`);
    await page.getByRole('button', { name: 'Rider, owner, name' }).click();
    await page.getByLabel('Rides it').selectOption({ label: 'Ines Varrow' });
    await page.getByLabel('Owns it').selectOption({ label: 'Odd Farrow' });
    await page.getByRole('button', { name: 'Keep' }).click();
    await expect(page.getByText('ridden by Ines Varrow, owned by Odd Farrow')).toBeVisible();

    await open(page, '/team');
    const code = await invite(page, 'A code that lets in whoever has no way in yet');
    const phone = await device(page, app);
    // Without it there is nothing to be seen.
    await phone.goto(`/machines/${id}`);
    await expect(phone).toHaveURL(/\/sign-in\?to=/);
    expect((await phone.request.get('/api/machines')).status()).toBe(401);
    await phone.goto(code);
    await ready(phone);
    await expect(phone.getByText('Bea Thornley')).toHaveCount(0);
    await phone.getByText('Ines Varrow').click();
    await phone.getByLabel('A PIN for this device').fill('1234');
    await phone.getByRole('button', { name: 'Join' }).click();
    await expect(phone.getByText('Not all alike, and not in a row')).toBeVisible();
    await phone.getByLabel('A PIN for this device').fill('4711');
    await phone.getByRole('button', { name: 'Join' }).click();
    await expect(phone.getByRole('heading', { name: 'Your machines' })).toBeVisible();
    await ready(phone);

    // Hers, and no other; what she may not open is shut, by page and by answer.
    await expect(phone.getByRole('region', { name: '41 Garth 125' })).toBeVisible();
    await expect(phone.getByText('Garth 250')).toHaveCount(0);
    await phone.getByRole('button', { name: 'Log hours' }).last().click();
    const form = phone.getByRole('form', { name: 'Log hours' });
    await form.getByLabel('Meter shows, h').fill('12.4');
    await form.getByRole('button', { name: 'Log', exact: true }).click();
    await expect(phone.getByRole('status')).toContainText('41 stands at 12.4 h');
    expect((await phone.request.get('/stores')).status()).toBe(403);
    const sent = await phone.request.post('/api/commands', {
      data: {
        device: '',
        sent: new Date().toISOString(),
        commands: [
          {
            id: crypto.randomUUID(),
            kind: 'reading.log',
            at: new Date().toISOString(),
            body: {
              id: crypto.randomUUID(),
              machineId: other,
              typed: '99',
              day: new Date().toISOString().slice(0, 10)
            }
          }
        ]
      }
    });
    expect((await sent.json()).outcomes[0].errors).toEqual({ machineId: 'That is not a machine of yours.' });

    // What was written is read by whoever has the crew's say, with the machine it was about.
    await open(page, `/audit?machine=${id}`);
    await expect(page.getByRole('row').nth(1)).toContainText('reading: logged');
    await expect(page.getByRole('row').nth(1)).toContainText('Ines Varrow');

    // The chief sends her phone away: what it does next is to sign in, and its PIN opens nothing.
    await open(page, '/team');
    await page.getByRole('button', { name: /^Trust .* no more$/ }).click();
    await expect(page.getByText('None yet.')).toBeVisible();
    await phone.goto('/own');
    await expect(phone).toHaveURL(/\/sign-in/);
    await expect(phone.getByRole('link', { name: 'Ines Varrow' })).toHaveCount(0);
    await phone.context().close();
  });

  test('an owner reads what was done to their own machine, and nothing else', async ({ page, app }) => {
    await found(page);
    await open(page, '/team');
    await add(page, 'Odd Farrow', 'owner');
    for (const plate of ['41', '42']) {
      await open(page, '/machines/new');
      await page.getByLabel('Number').fill(plate);
      await page.getByLabel('Name').fill(`Garth ${plate}`);
      await page.getByLabel('What it is').selectOption('two-stroke motocross');
      await page.getByLabel('The meter shows now, h').fill('12.4');
      await page.getByLabel('Gearbox oil, every').fill('20');
      await page.getByRole('button', { name: 'Add the machine' }).click();
      await expect(page).toHaveURL(/\/sheet$/);
      await open(page, `/machines/${await app.machineId(plate)}`);
      await page
        .getByRole('row', { name: /^Gearbox oil/ })
        .getByRole('link', { name: 'Say when it was last done' })
        .click();
      await page
        .getByRole('form', { name: 'Write down as done' })
        .getByRole('button', { name: 'Write it down' })
        .click();
      await expect(page.getByRole('form', { name: 'Write down as done' })).toBeHidden();
    }
    await app.sql`update machine set owner_id = (select id from person where name = 'Odd Farrow') where plate = '41'`;
    await open(page, '/team');
    const code = await invite(page, 'A way in for Odd Farrow');
    const tablet = await device(page, app);
    await open(tablet, code);
    await tablet.getByLabel('A PIN for this device').fill('4711');
    await tablet.getByRole('button', { name: 'A passphrase too' }).click();
    await tablet.getByLabel('A passphrase, to come in').fill('copper sleeve amber gate');
    await tablet.getByRole('button', { name: 'Join' }).click();
    await expect(tablet.getByRole('heading', { name: 'Your machines' })).toBeVisible();
    await ready(tablet);
    await tablet
      .getByRole('list', { name: 'Records of 41' })
      .getByRole('link', { name: 'Gearbox oil' })
      .click();
    await expect(tablet.getByRole('heading', { name: 'Gearbox oil' })).toBeVisible();
    await expect(tablet.getByRole('button', { name: 'Correct something in it' })).toHaveCount(0);
    const ids = Object.fromEntries(
      (await app.sql`select m.plate, r.id from service_record r join machine m on m.id = r.machine_id`).map(
        (r) => [r.plate as string, r.id as string]
      )
    );
    const status = async (path: string) => (await tablet.request.get(path)).status();
    expect(await status(`/records/${ids['41']}`)).toBe(200);
    expect(await status(`/records/${ids['42']}`)).toBe(404);
    expect(await status(`/machines/${await app.machineId('41')}/owner`)).toBe(200);
    expect(await status(`/machines/${await app.machineId('42')}/owner`)).toBe(404);
    for (const path of [
      '/due',
      '/stores',
      '/board',
      '/exchange/team.zip',
      '/lists/machines.csv',
      '/api/machines'
    ])
      expect([path, await status(path)]).toEqual([path, 403]);
    // Lost: what it came in by is withdrawn at a press that says so, and a second phone would have taken nothing away.
    expect(await status('/api/along')).toBe(200);
    await open(page, '/team');
    await page.getByRole('button', { name: 'A way in for Odd Farrow' }).click();
    await expect(page.getByText('Today: passphrase, PIN on one device.')).toBeVisible();
    await page.getByRole('button', { name: 'Add a phone' }).click();
    await expect(page.getByTestId('invitation')).toBeVisible();
    expect(await status('/api/along')).toBe(200);
    await page.getByRole('button', { name: 'Done' }).click();
    await page.getByRole('button', { name: 'A way in for Odd Farrow' }).click();
    await expect(page.getByText('their sessions end')).toBeVisible();
    await page.getByRole('button', { name: 'Replace every way in' }).click();
    await expect(page.getByTestId('invitation')).toBeVisible();
    expect(await status('/api/along')).toBe(401);
    expect(
      await app.sql`select 1 from device_pin union all select 1 from sign_in s join person p on p.id = s.person_id where p.name = 'Odd Farrow'`
    ).toEqual([]);
    // The same link does not open twice.
    await tablet.context().clearCookies();
    await tablet.goto(code);
    await expect(tablet.getByRole('heading', { name: 'This invitation opens nothing' })).toBeVisible();
    await tablet.context().close();
  });

  test('out and in again: by passphrase, then by PIN; wrong ones are said so', async ({ page, app }) => {
    await found(page);
    await open(page, '/you');
    await page
      .getByRole('form', { name: 'PIN for this device' })
      .getByLabel('A PIN for this device')
      .fill('2580');
    await page.getByLabel('It is called').fill('Bench tablet');
    await page.getByRole('button', { name: 'Set the PIN' }).click();
    await expect(page.getByText('That is not the one you have.')).toBeVisible();
    await page.getByLabel('Your passphrase').fill(WORDS);
    await page.getByLabel('A PIN for this device').fill('2580');
    await page.getByRole('button', { name: 'Set the PIN' }).click();
    await expect(page.getByText('The PIN is set.')).toBeVisible();
    await page.getByRole('button', { name: 'Sign out' }).click();
    await expect(page).toHaveURL(/\/sign-in/);
    await page.goto('/stores');
    await expect(page).toHaveURL(/\/sign-in\?to=%2Fstores/);
    await ready(page);
    await page.getByRole('link', { name: 'Bea Thornley' }).click();
    await page.getByLabel('PIN', { exact: true }).fill('1470');
    await page.getByRole('button', { name: 'Go on' }).click();
    await expect(page.getByText('Wrong. 4 tries left.')).toBeVisible();
    await page.getByLabel('PIN', { exact: true }).fill('2580');
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL(/\/stores$/);
    await ready(page);
    expect(await app.sql`select name from device`).toEqual([{ name: 'Bench tablet' }]);

    const elsewhere = await device(page, app);
    await open(elsewhere, '/sign-in');
    await elsewhere.getByLabel('Name').fill('bea thornley');
    await elsewhere.getByLabel('Passphrase', { exact: true }).fill('moss kettle quiet fairy');
    await elsewhere.getByRole('button', { name: 'Sign in' }).click();
    await expect(elsewhere.getByText('No such name with that passphrase.')).toBeVisible();
    await elsewhere.getByLabel('Passphrase', { exact: true }).fill(WORDS);
    await elsewhere.getByRole('button', { name: 'Sign in' }).click();
    await expect(elsewhere.getByRole('heading', { name: 'No machine yet' })).toBeVisible();
    await ready(elsewhere);

    // Seen from here, and ended from here.
    await open(page, '/you');
    await page.getByRole('button', { name: /^End the session of Bea Thornley/ }).click();
    await expect(page.getByRole('list', { name: 'Sessions' }).getByRole('listitem')).toHaveCount(1);
    await elsewhere.goto('/stores');
    await expect(elsewhere).toHaveURL(/\/sign-in/);
    await elsewhere.context().close();

    // What is kept about them they take along.
    const coming = page.waitForEvent('download');
    await page.getByRole('link', { name: 'All of it as a file' }).click();
    const file = await coming;
    expect(file.suggestedFilename()).toBe('about-you.json');
    const text = await readFile(await file.path(), 'utf8');
    expect(JSON.parse(text)).toMatchObject({
      person: { name: 'Bea Thornley', role: 'chief mechanic' },
      signIn: { devices: [{ name: 'Bench tablet' }] },
      cutOff: false
    });
    expect(text).not.toContain('argon2');
  });
});

test.describe('a server that is gone for a moment', () => {
  test.use({ template: TEMPLATE });

  test('what was typed to come in stays, and goes through once it is back; the home screen says what is wrong with the backups', async ({
    page,
    app
  }) => {
    await found(page);
    await page.goto('/you');
    await page.getByRole('button', { name: 'Sign out' }).click();
    await expect(page).toHaveURL(/\/sign-in/);
    await ready(page);
    await page.getByLabel('Name').fill('Bea Thornley');
    await page.getByLabel('Passphrase', { exact: true }).fill(WORDS);
    await app.stop();
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByText('No answer from the server.')).toBeVisible();
    await expect(page.getByLabel('Passphrase', { exact: true })).toHaveValue(WORDS);
    const folder = mkdtempSync(join(tmpdir(), 'hour-trail-backups-'));
    writeFileSync(
      join(folder, 'status.json'),
      JSON.stringify({
        last: new Date().toISOString(),
        error: 'The disk is full.',
        tried: new Date().toISOString()
      })
    );
    await app.start({ HOUR_TRAIL_BACKUPS: folder });
    await page.getByRole('button', { name: 'Sign in' }).dblclick();
    await expect(page.getByTestId('backup')).toContainText(
      'The book could not be backed up: The disk is full. The last good one is from today.'
    );
    expect(await app.sql`select count(*)::int as n from session where how = 'passphrase'`).toEqual([
      { n: 1 }
    ]);
    rmSync(folder, { recursive: true });
  });
});

test('a cookie that anyone can set opens no team', async ({ browser, app }) => {
  const context = await browser.newContext({ baseURL: app.url });
  await context.addCookies([
    { name: 'ht_team', value: app.teamId!, url: app.url },
    {
      name: 'ht_who',
      value: (await app.sql`select id from person where name = 'Maud Tarrick'`)[0]!.id,
      url: app.url
    },
    { name: 'ht_session', value: 'x'.repeat(43), url: app.url }
  ]);
  const page = await context.newPage();
  await page.goto('/');
  await expect(page).toHaveURL(/\/sign-in/);
  const shut = await page.request.get('/api/machines');
  expect(shut.status()).toBe(401);
  await context.clearCookies();
  await context.addCookies([{ ...(await signedIn(app.sql, 'Maud Tarrick')), url: app.url }]);
  const { headers } = await page.request.get('/').then((r) => ({ headers: r.headers() }));
  expect(headers).toMatchObject({
    'cache-control': 'no-store',
    'x-content-type-options': 'nosniff',
    'x-request-id': expect.stringMatching(/^[0-9a-f]{8}$/),
    'cross-origin-opener-policy': 'same-origin',
    'cross-origin-resource-policy': 'same-origin'
  });
  expect(headers['content-security-policy']).toContain("frame-ancestors 'none'");
  await context.close();
});
