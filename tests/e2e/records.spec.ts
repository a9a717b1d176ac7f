import { expect, open, test } from './app';

test('a closed record is put right: what was wrong stays visible, in the record and in what the next drain is held against', async ({
  work: page,
  app
}) => {
  const [record] = await app.sql`
    select r.id, r.content->'circuits'->0->>'pouredMl' as poured from service_record r join machine m on m.team_id = r.team_id and m.id = r.machine_id
    where m.id = ${await app.machineId('27')} and r.content->'circuits'->0->>'pouredMl' is not null order by r.done_at desc limit 1`;
  await open(page, `/records/${record!.id}`);
  await page.getByRole('button', { name: 'Correct something in it' }).click();
  const form = page.getByRole('form', { name: 'Correct this record' });
  await form.getByLabel('What is wrong').selectOption('engine oil, poured');
  await form.getByLabel('It was').fill('25 L');
  await form.getByRole('button', { name: 'Correct it' }).click();
  await expect(form.getByText('From nothing to 20 L: is it the right unit?')).toBeVisible();
  await expect(form.getByText('Say what was wrong, in a few words.')).toBeVisible();
  await expect(form.getByLabel('It was')).toHaveValue('25 L');
  await form.getByLabel('It was').fill('1.05 L');
  await form.getByLabel('Why').fill('misread the jug');
  // Pressed twice, it is one correction.
  await form.getByRole('button', { name: 'Correct it' }).dblclick();
  const corrections = page.getByRole('region', { name: 'Corrections' });
  await expect(corrections).toContainText(`engine oil poured, ${record!.poured} ml 1050 ml. misread the jug`);
  await page.reload();
  await expect(corrections.getByText('Corrected')).toHaveCount(1);
  await expect(page.getByRole('row', { name: /^Poured/ })).toContainText('1050 ml');
  expect(await app.sql`select words, amount from record_correction where record_id = ${record!.id}`).toEqual([
    {
      words: 'misread the jug',
      amount: { circuit: 'engine', what: 'poured', was: Number(record!.poured), now: 1050 }
    }
  ]);
});

test('the whole book of work: of one machine, of all, found by a word, and nothing at a wrong address', async ({
  work: page,
  app
}) => {
  const machine = await app.machineId('12');
  await open(page, `/machines/${machine}`);
  await page.getByRole('link', { name: 'All records' }).click();
  await expect(page).toHaveURL(/\/records\?machine=/);
  const table = page.getByRole('table', { name: 'Work done' });
  const lines = () => table.locator('tbody tr').count();
  const count = async (of: string | null) =>
    (
      await app.sql`select count(*)::int as n from service_record ${of ? app.sql`where machine_id = ${of}` : app.sql``}`
    )[0]!.n as number;
  await expect.poll(lines).toBe(await count(machine));
  await page.getByLabel('Machine').selectOption('');
  await expect.poll(lines).toBe(Math.min(500, await count(null)));
  await page.getByLabel('Find').fill('gearbox');
  await expect.poll(lines).toBeLessThan(await count(null));
  for (const row of await table.locator('tbody tr').allInnerTexts())
    expect(row.toLowerCase()).toContain('gearbox');
  // What was said at a step of a visit is found as well.
  await app.sql`
    update service_record set content = jsonb_set(content, '{remarks}', '[{"title": "Look for leaks", "remark": "weeps at the lower left bolt", "stepKey": "leaks"}]')
    where id = (select id from service_record where machine_id = ${machine} and visit_id is not null and content is not null limit 1)`;
  await page.reload();
  await page.getByLabel('Find').fill('lower left');
  await expect.poll(lines).toBe(1);
  await expect(table).toContainText('weeps at the lower left bolt');
  await page.getByLabel('Find').fill('gearbox');
  await table.getByRole('link', { name: 'Gearbox oil' }).first().click();
  await expect(page).toHaveURL(/\/records\/[0-9a-f-]{36}$/);
  for (const wrong of ['?machine=nothing', '?before=1', `?machine=${crypto.randomUUID()}`])
    expect((await page.request.get(`${app.url}/records${wrong}`)).status()).toBe(404);
});
