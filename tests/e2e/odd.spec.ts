import { expect, open, ready, test } from './app';

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

test('the server answers bad writes clearly and never with a 500', async ({ work: page, app }) => {
  const machineId = await app.machineId('12');
  const post = (url: string, data: unknown) =>
    page.request.post(url, { data, headers: { 'content-type': 'application/json' } });
  const good = {
    id: crypto.randomUUID(),
    machineId,
    typed: '119',
    day: new Date().toISOString().slice(0, 10)
  };
  const cases: [string, unknown][] = [
    ['/api/readings', {}],
    ['/api/readings', { ...good, typed: '9'.repeat(50) }],
    ['/api/readings', { ...good, typed: '-3' }],
    ['/api/readings', { ...good, remark: 'x'.repeat(10_001) }],
    ['/api/readings', { ...good, day: '2026-02-30' }],
    ['/api/readings', { ...good, riderId: 'nobody' }],
    ['/api/raceday', { rows: [] }],
    ['/api/tasks', { id: 1 }],
    ['/api/machines', []],
    ['/api/visits', { id: crypto.randomUUID(), taskId: crypto.randomUUID() }],
    [
      '/api/visits/not-an-id/entries',
      { id: crypto.randomUUID(), stepKey: 'gather', action: 'done', content: {} }
    ],
    ['/api/visits/not-an-id/close', {}],
    ['/api/events/not-an-id', { off: true }]
  ];
  for (const [url, body] of cases) {
    const answer = await post(url, body);
    expect([url, answer.status()]).toEqual([url, 422]);
    expect(Object.keys((await answer.json()).errors).length).toBeGreaterThan(0);
  }
  expect((await page.request.post('/api/readings', { form: { typed: '1' } })).status()).toBeLessThan(500);
  for (const path of ['/machines/nothing', '/records/nothing', '/visits/nothing', '/nothing'])
    expect((await page.request.get(path)).status()).toBe(404);
  expect(
    (await fetch(app.url, { headers: { host: 'elsewhere.example' } }).catch(() => ({ status: 421 }))).status
  ).not.toBe(500);
});

test('a database that is gone is said so, and nothing typed is lost', async ({ work: page, app }) => {
  await page.keyboard.press('l');
  const form = page.getByRole('form', { name: 'Log hours' });
  await form.getByLabel('Machine').selectOption({ label: '84  Lynchet 450' });
  await form.getByLabel('Meter shows, h').fill('97.5');
  await app.stop();
  await form.getByRole('button', { name: 'Log', exact: true }).click();
  await expect(form.getByText('No answer from the server')).toBeVisible();
  await expect(form.getByLabel('Meter shows, h')).toHaveValue('97.5');
  await app.start();
  await form.getByRole('button', { name: 'Log', exact: true }).click();
  await expect(page.getByRole('status')).toContainText('84 stands at 97.5 h');
  expect(await app.sql`select 1 from reading where value = 9750`).toHaveLength(1);
});

test('keys: lanes, places, find, the sheet of shortcuts, and the switch that turns them off', async ({
  work: page
}) => {
  await page.keyboard.press('j');
  await page.keyboard.press('j');
  await expect(page.locator('[data-at="1"] [data-lane-link]')).toBeFocused();
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
