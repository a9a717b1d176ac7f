import { expect, open, ready, test } from './app';

test('a job card is printed of what is picked; its code opens the same to be written down in one form', async ({
  work: page,
  app
}) => {
  const machine = await app.machineId('12');
  await open(page, `/machines/${machine}/visit`);
  await page.getByRole('checkbox', { name: /^Engine oil/ }).uncheck();
  await page.getByRole('checkbox', { name: 'Air filter' }).uncheck();
  const href = await page.getByRole('link', { name: 'Print the job card', exact: true }).getAttribute('href');
  const card = await page.request.get(href!);
  expect(card.headers()['content-type']).toBe('application/pdf');
  expect((await card.body()).subarray(0, 5).toString()).toBe('%PDF-');
  expect(await app.sql`select 1 from visit where machine_id = ${machine} and closed_at is null`).toHaveLength(
    0
  );

  // What the code on the card says.
  const task = /task=([0-9a-f-]+)/.exec(href!)![1]!;
  await open(page, `/machines/${machine}/visit?task=${task}&only=#written`);
  await expect(page.getByRole('checkbox', { name: 'Gearbox oil' })).toBeChecked();
  await expect(page.getByRole('checkbox', { name: /^Engine oil/ })).not.toBeChecked();
  await page.getByRole('button', { name: 'Start the visit' }).click();
  await expect(page).toHaveURL(/\/visits\/[0-9a-f-]+#written$/);
  await expect(page.getByRole('radio', { name: 'Write it down' })).toBeChecked();
  const open_ = await page.request.get(
    (await page.getByRole('link', { name: 'Card', exact: true }).getAttribute('href'))!
  );
  expect(open_.status()).toBe(200);
  // Asked for again while it stands open, it is the card of that visit.
  const again = await page.request.get(href!);
  expect(again.url()).toMatch(/\/visits\/[0-9a-f-]+\/card\.pdf/);
  expect((await page.request.get(`/machines/${machine}/card.pdf?task=x`)).status()).toBe(200);
  expect((await page.request.get(`/machines/${await app.machineId('8')}/card.pdf`)).status()).toBe(404);
});

test('every paper is a PDF on A4 and on Letter, of its team only', async ({ work: page, app }) => {
  const machine = await app.machineId('12');
  const [{ id: record }] = (await app.sql`
    select id from service_record where visit_id is not null order by done_at desc limit 1`) as unknown as [
    { id: string }
  ];
  for (const path of [
    '/board.pdf',
    `/machines/${machine}/round.pdf?list=torque`,
    `/machines/${machine}/round.pdf?list=ready`,
    `/machines/${machine}/shims.pdf`,
    `/machines/${machine}/owner.pdf`,
    `/records/${record}/record.pdf`
  ])
    for (const paper of ['a4', 'letter']) {
      const pdf = await page.request.get(`${path}${path.includes('?') ? '&' : '?'}paper=${paper}`);
      expect(pdf.headers()['content-type'], path).toBe('application/pdf');
      // 8.5 × 11 in or 210 × 297 mm, in points.
      expect((await pdf.body()).toString('latin1'), path).toMatch(
        paper === 'letter' ? /MediaBox \[0 0 612/ : /MediaBox \[0 0 595/
      );
    }
  const nobody = crypto.randomUUID();
  for (const path of [
    `/machines/${nobody}/round.pdf`,
    `/records/${nobody}/record.pdf`,
    `/visits/${nobody}/card.pdf`
  ])
    expect((await page.request.get(path)).status(), path).toBe(404);
});

test('a machine’s sticker opens logging its hours; others open their page; one of nothing says so', async ({
  work: page,
  app
}) => {
  const machine = await app.machineId('5');
  await page.goto(`/s/m/${machine}`);
  await ready(page);
  await expect(page).toHaveURL(new RegExp(`/machines/${machine}`));
  await expect(page.getByLabel('Machine', { exact: true })).toHaveValue(machine);
  await expect(page.getByLabel('Meter shows, h')).toBeFocused();

  const [{ id: part }] =
    (await app.sql`select id from component where scrapped_at is null limit 1`) as unknown as [
      { id: string }
    ];
  await page.goto(`/s/c/${part}`);
  await expect(page).toHaveURL(new RegExp(`/parts/${part}`));
  const [{ id: oil }] = (await app.sql`select id from oil where retired_at is null limit 1`) as unknown as [
    { id: string }
  ];
  await page.goto(`/s/s/${oil}`);
  await expect(page.locator(`#thing-${oil}`)).toBeVisible();
  await page.goto(`/s/m/${crypto.randomUUID()}`);
  await expect(page.getByText('of no machine, component or shelf of this team')).toBeVisible();

  await open(page, '/stickers');
  await page.getByLabel('Used already on the first sheet').fill('24');
  await expect(page.getByText('0 to 23: there are 24 on a sheet.')).toBeVisible();
  await page.getByLabel('Used already on the first sheet').fill('20');
  await expect(page.getByText('2 sheets')).toBeVisible();
  const href = await page.getByRole('link', { name: 'Make 12 stickers' }).getAttribute('href');
  expect((await page.request.get(href!)).headers()['content-type']).toBe('application/pdf');
  expect((await page.request.get(href!.replace('used=20', 'used=99'))).status()).toBe(400);
});
