import { request } from 'node:http';
import { expect, open, ready, test } from './app';
import { signedIn } from './sign-in';

test('a reading below the last is questioned; a replaced meter settles it', async ({ work: page, app }) => {
  const id = await app.machineId('84');
  await open(page, `/machines/${id}`);
  await page.getByRole('button', { name: 'Log hours', exact: true }).last().click();
  const form = page.getByRole('form', { name: 'Log hours' });
  await form.getByLabel('Meter shows, h').fill('plenty');
  await form.getByRole('button', { name: 'Log', exact: true }).click();
  await expect(form.getByText('Write a figure such as 2.5 h')).toBeVisible();
  await form.getByLabel('Meter shows, h').fill('0.4');
  await form.getByRole('button', { name: 'Log', exact: true }).click();
  await expect(form.getByTestId('settle')).toContainText('0.4 h is lower');
  await form.getByLabel('The meter was replaced or reset').check();
  await form.getByLabel('Old meter at the end, h').fill('96.2');
  await form.getByRole('button', { name: 'Log', exact: true }).click();
  await expect(form.getByText('Say what happened, in a few words.')).toBeVisible();
  await form.getByLabel('What happened').fill('glass broken');
  await form.getByRole('button', { name: 'Log', exact: true }).click();
  await expect(page.getByRole('status')).toContainText('84 stands at 96.6 h');
  expect(
    await app.sql`select last_value from meter where machine_id = ${id} and removed_at is not null`
  ).toEqual([{ last_value: 9620 }]);
});

test.describe('the demo, where nobody signs in', () => {
  test.use({ alone: true });

  test('whoever is picked sees what they may, and somebody else can be picked again', async ({ page }) => {
    await open(page, '/');
    await page.getByLabel('Working').selectOption({ label: 'Ines Varrow' });
    await expect(page).toHaveURL(/\/own$/);
    await expect(page.getByRole('heading', { name: 'Your machines' })).toBeVisible();
    await expect(page.getByRole('region', { name: '12 Fell 250' })).toContainText('not ready');
    await page.getByLabel('Working').selectOption({ label: 'Maud Tarrick' });
    await expect(page.getByRole('link', { name: 'Stores' })).toBeVisible();
    await page.getByRole('link', { name: 'Stores' }).click();
    await expect(page.getByRole('heading', { name: 'Stores' })).toBeVisible();
  });

  test('nobody is written down as nobody: it asks who is working, and keeps what was typed', async ({
    page,
    app
  }) => {
    await open(page, '/');
    await page.keyboard.press('l');
    const form = page.getByRole('form', { name: 'Log hours' });
    await form.getByLabel('Machine').selectOption({ label: '33  Gill 300' });
    await form.getByLabel('Meter shows, h').fill('143');
    await form.getByRole('button', { name: 'Log', exact: true }).click();
    await expect(form.getByText('Say who is working first')).toBeVisible();
    await page.getByLabel('Working').selectOption({ label: 'Anwen Skarrow' });
    await expect(form.getByLabel('Meter shows, h')).toHaveValue('143');
    await form.getByRole('button', { name: 'Log', exact: true }).dblclick();
    await expect(page.getByRole('status')).toContainText('33 stands at 143.0 h');
    expect(
      await app.sql`select p.name from reading r join person p on p.id = r.created_by where r.value = 14300`
    ).toEqual([{ name: 'Anwen Skarrow' }]);
  });
});

/** Asks with headers that no browser would send. */
function raw(
  url: string,
  {
    headers,
    method = 'GET',
    body
  }: { headers: Record<string, string>; method?: string; body?: Iterable<string> }
): Promise<{ status: number; text: string; cookies: string[] }> {
  return new Promise((resolve, reject) => {
    const asked = request(url, { method, headers }, (r) => {
      let text = '';
      r.on('data', (d: Buffer) => (text += d.toString()));
      r.on('end', () => resolve({ status: r.statusCode ?? 0, text, cookies: r.headers['set-cookie'] ?? [] }));
    });
    // It may hang up before all is sent.
    asked.on('error', (e: Error & { code?: string }) =>
      e.code === 'EPIPE' || e.code === 'ECONNRESET'
        ? resolve({ status: 413, text: '', cookies: [] })
        : reject(e)
    );
    for (const part of body ?? []) asked.write(part);
    asked.end();
  });
}
const JSON_TYPE = { 'content-type': 'application/json' };

test('the server answers bad writes clearly and never with a 500', async ({ work: page, app }) => {
  await open(page, '/');
  const machineId = await app.machineId('12');
  const post = async (data: unknown) => {
    const r = await page.request.post('/api/commands', { data, headers: JSON_TYPE });
    return { status: r.status(), body: await r.json() };
  };
  const at = new Date().toISOString();
  const one = (kind: string, body: unknown, more: object = {}) => ({
    device: 'a test',
    commands: [{ id: crypto.randomUUID(), kind, at, body, ...more }]
  });
  const good = { id: crypto.randomUUID(), machineId, typed: '119', day: at.slice(0, 10) };
  for (const body of [
    {},
    { ...good, typed: '9'.repeat(50) },
    { ...good, typed: '-3' },
    { ...good, remark: 'x'.repeat(10_001) },
    { ...good, day: '2026-02-30' },
    { ...good, riderId: 'nobody' }
  ]) {
    const { status, body: answer } = await post(one('reading.log', body));
    expect([status, answer.outcomes[0].ok]).toEqual([200, false]);
    expect(Object.keys(answer.outcomes[0].errors).length).toBeGreaterThan(0);
  }
  // What is no list of commands at all.
  for (const body of [
    null,
    [],
    {},
    { commands: [] },
    { commands: 'all' },
    one('machine.sell', {}),
    one('reading.log', good, { id: 'not-an-id' }),
    one('reading.log', good, { at: 'yesterday' }),
    { commands: Array.from({ length: 500 }, () => one('reading.log', good).commands[0]) }
  ])
    expect((await post(body)).status).toBe(422);
  const form = await page.request.post('/api/commands', { form: { typed: '1' } });
  expect(form.status()).toBe(415);
  for (const path of [
    '/machines/nothing',
    '/records/nothing',
    '/visits/nothing',
    '/parts/nothing',
    '/tasks/nothing',
    '/jobs/nothing',
    '/nothing',
    `/machines/${'a'.repeat(36)}`,
    `/visits/${'-'.repeat(36)}`,
    `/api/photos/${'0'.repeat(36)}`,
    `/api/visits/${crypto.randomUUID()}/entries`,
    '/machines/new?like=x'
  ])
    expect([path, (await page.request.get(path)).status()]).toEqual([path, 404]);
  for (const path of [
    '/outings?before=0000-00-00_x',
    `/outings?before=0001-01-01_${'-'.repeat(36)}`,
    '/outings?before=99999-01-01_x',
    `/machines/${machineId}/meters?before=275760-09-13T00:00:00.000Z`,
    `/machines/${machineId}/meters?before=-1`,
    '/due?page=1e99&sort=x&weekend=%00&machine=%00&task=%00',
    '/api/machines?q=%00',

    `/tasks/new?machine=${machineId}&part=x`
  ])
    expect([path, (await page.request.get(path)).status()]).toEqual([path, 200]);
});

test.describe('a server under other names', () => {
  test.use({ alone: true });

  test('a page under another name is kept out, whatever the server is called; a look changes nothing', async ({
    app
  }) => {
    const { host } = new URL(app.url);
    const command = JSON.stringify({ device: '', commands: [] });
    for (const name of [
      'book.example',
      'book.example:80',
      `127.0.0.1.elsewhere.example:${new URL(app.url).port}`,
      '[::ffff:10.0.0.1]'
    ])
      expect([name, (await raw(`${app.url}/health`, { headers: { host: name } })).status]).toEqual([
        name,
        421
      ]);
    expect((await raw(`${app.url}/health`, { headers: { host } })).status).toBe(200);
    expect(
      (await raw(`${app.url}/health`, { headers: { host: `localhost:${new URL(app.url).port}` } })).status
    ).toBe(200);
    // A form of ours, under either name of this machine.
    for (const own of [host, `localhost:${new URL(app.url).port}`]) {
      const form = {
        host: own,
        origin: `http://${own}`,
        accept: 'text/html',
        'content-type': 'application/x-www-form-urlencoded'
      };
      expect(
        (await raw(`${app.url}/welcome?/stay`, { method: 'POST', headers: form, body: [''] })).status
      ).toBe(303);
      const theirs = { ...form, origin: 'http://book.example' };
      expect(
        (await raw(`${app.url}/welcome?/stay`, { method: 'POST', headers: theirs, body: [''] })).status
      ).toBe(403);
    }
    // Its own name, but sent by a page of somebody else.
    const foreign = { host, origin: 'http://book.example', ...JSON_TYPE };
    expect(
      (await raw(`${app.url}/api/commands`, { method: 'POST', headers: foreign, body: [command] })).status
    ).toBe(403);
    // What is linked to from elsewhere may be looked at; the team it works in stays what it was.
    const looked = await raw(`${app.url}/welcome?stay`, { headers: { host } });
    expect([looked.status, looked.cookies.filter((c) => c.startsWith('ht_'))]).toEqual([200, []]);
  });
});

test('a body without a stated length is counted as it comes', async ({ app }) => {
  const { host } = new URL(app.url);
  const { name, value } = await signedIn(app.sql, 'Jory Pell');
  const cookie = `${name}=${value}`;
  function* endless() {
    for (let i = 0; i < 60; i++) yield ' '.repeat(100_000);
  }
  const { status } = await raw(`${app.url}/api/commands`, {
    method: 'POST',
    headers: { host, cookie, ...JSON_TYPE },
    body: endless()
  });
  expect(status).toBe(413);
  // A plain form, too; and what is no form is no fault of ours.
  const form = { host, accept: 'text/html', 'content-type': 'application/x-www-form-urlencoded' };
  const sent = (body: Iterable<string>, type = form['content-type']) =>
    raw(`${app.url}/welcome?/found`, { method: 'POST', headers: { ...form, 'content-type': type }, body });
  expect((await sent(endless())).status).toBe(413);
  expect((await sent(['nonsense'], 'multipart/form-data; boundary=x')).status).toBe(400);
  expect((await sent(['name='])).status).toBe(422);
});

test.describe('a server that is gone', () => {
  test.use({ alone: true });

  test('a server that is gone is said so; what was logged is kept, and goes by itself once', async ({
    work: page,
    app
  }) => {
    await open(page, '/');
    await page.keyboard.press('l');
    const form = page.getByRole('form', { name: 'Log hours' });
    await form.getByLabel('Machine').selectOption({ label: '84  Lynchet 450' });
    await form.getByLabel('Meter shows, h').fill('97.5');
    await app.stop();
    await form.getByRole('button', { name: 'Log', exact: true }).click();
    // The hand goes on: it is kept, and goes by itself.
    await expect(page.getByRole('status').filter({ hasText: 'Kept on this device' })).toBeVisible();
    await expect(page.getByRole('link', { name: /^1 waits on this device, since/ })).toBeVisible();
    await app.start();
    await expect(page.getByRole('link', { name: /waits on this device/ })).toHaveCount(0);
    expect(await app.sql`select 1 from reading where value = 9750`).toHaveLength(1);
  });
});

test('keys: lanes, places, find, the sheet of shortcuts, and the switch that turns them off', async ({
  work: page
}) => {
  await open(page, '/');
  await page.keyboard.press('j');
  await page.keyboard.press('j');
  await expect(page.locator('[aria-posinset="2"] [data-lane-link]')).toBeFocused();
  await page.keyboard.press('/');
  await expect(page.getByLabel('Find a machine or a place')).toBeFocused();
  await page.keyboard.type('murm');
  await expect(page.getByRole('option', { name: /E1\s+Murmur/ }).first()).toBeVisible();
  await page.getByLabel('Find a machine or a place').press('Enter');
  await expect(page.getByRole('heading', { name: 'Murmur' })).toBeVisible();
  await page.keyboard.press('+');
  await page.keyboard.press('?');
  await page.getByLabel(/Single keys work/).uncheck();
  await page.keyboard.press('Escape');
  await page.keyboard.press('o');
  await expect(page).toHaveURL(/machines/);
  await page.keyboard.press('Control+k');
  await expect(page.getByLabel('Find a machine or a place')).toBeFocused();
  await ready(page);
});
