import { expect, open, test } from './app';

test('an engine swapped between two machines: both show the right hours left, before and after', async ({
  work: page,
  app
}) => {
  const [fell, other] = [await app.machineId('12'), await app.machineId('27')];
  const oil = page.getByRole('row', { name: /^Engine oil, screen and filter/ });
  await open(page, `/machines/${fell}`);
  await expect(oil).toContainText('2.1 h');
  await expect(oil).toContainText('Engine 250-A');
  await open(page, `/machines/${other}`);
  await expect(oil).toContainText('8.6 h');
  await expect(page.getByRole('region', { name: 'Components' })).toContainText('203.1 h');

  await page.getByRole('link', { name: /^Engine 350-A \(/ }).click();
  await page.getByRole('link', { name: 'Swap with another' }).click();
  const form = page.getByRole('form', { name: 'Swap' });
  await form.getByRole('button', { name: 'Swap the two' }).click();
  await expect(form.getByText('Pick one.')).toBeVisible();
  await form.getByLabel('With').selectOption({ label: 'Engine 250-A, on 12 Fell 250, 118.4 h' });
  await form.getByLabel('27 meter shows, h').fill('12');
  await form.getByRole('button', { name: 'Swap the two' }).click();
  await expect(form.getByText(/is lower/)).toBeVisible();
  // Half an hour was ridden on 27 since the last reading: the meter is read at the swap.
  await form.getByLabel('27 meter shows, h').fill('53.5');
  await form.getByLabel('Why').fill('race weekend, 350 has a noise');
  await form.getByRole('button', { name: 'Swap the two' }).dblclick();
  await expect(page.getByRole('status')).toContainText('Engine 350-A is on 12 now, Engine 250-A on 27.');

  await open(page, `/machines/${fell}`);
  await expect(oil).toContainText('Engine 350-A');
  await expect(oil).toContainText('8.1 h');
  await expect(page.getByRole('region', { name: 'Components' })).toContainText('203.6 h');
  // The machine's own tasks stayed.
  await expect(page.getByRole('row', { name: /^Gearbox oil/ })).toContainText('2.5 h');
  await open(page, `/machines/${other}`);
  await expect(oil).toContainText('Engine 250-A');
  await expect(oil).toContainText('2.1 h');

  // Ridden on, each engine counts where it is.
  await page.getByRole('button', { name: 'Log hours', exact: true }).last().click();
  const log = page.getByRole('form', { name: 'Log hours' });
  await log.getByLabel('Meter shows, h').fill('53.6');
  await log.getByRole('button', { name: 'Log', exact: true }).click();
  await expect(oil).toContainText('2.0 h');
  expect(
    await app.sql`select c.name, c.total, m.plate from component c join fitting f on f.component_id = c.id and f.removed_at is null join machine m on m.id = f.machine_id where c.kind = 'engine' and m.plate in ('12', '27') order by m.plate`
  ).toEqual([
    { name: 'Engine 350-A', total: 20360, plate: '12' },
    { name: 'Engine 250-A', total: 11850, plate: '27' }
  ]);
});

test('a spare is fitted, the old one lies on the shelf, is rebuilt there, and its counts begin again', async ({
  work: page,
  app
}) => {
  await open(page, '/parts');
  await page
    .getByRole('row', { name: /Engine 250-B.*on the shelf/ })
    .getByRole('link', { name: 'Fit it' })
    .click();
  const move = page.getByRole('form', { name: 'Fit elsewhere' });
  await move.getByLabel('Where').selectOption({ label: '12  Fell 250' });
  await move.getByRole('button', { name: 'Fit it there' }).click();
  await expect(page.getByText('Engine 250-B, spare is fitted.')).toBeVisible();
  await open(page, '/parts');
  const shelf = page.getByRole('row', { name: /^engine Engine 250-A.*on the shelf/ });
  await expect(shelf).toContainText('118.4 h');
  await shelf.getByRole('link', { name: /Engine 250-A/ }).click();
  await page.getByRole('link', { name: 'Rebuild' }).click();
  const form = page.getByRole('form', { name: 'Rebuild' });
  await expect(form.getByLabel(/Engine oil, screen and filter/)).toBeChecked();
  await form.getByLabel('What was renewed').fill('Piston, rings, main bearings');
  await form.getByRole('button', { name: 'Write the rebuild down' }).click();
  await expect(page.getByRole('row', { name: /^Engine oil, screen and filter/ })).toContainText(
    'every 3 h, first time'
  );
  await expect(page.getByText('0.0 h since its rebuild')).toBeVisible();
  expect(await app.sql`select count(*)::int as n from rebuild_task`).toEqual([{ n: 4 }]);
});

test('components are sorted by a heading and found by a word, on a phone too', async ({
  work: page,
  app
}) => {
  await open(page, '/parts');
  const table = page.getByRole('table', { name: 'Components' });
  const names = async () =>
    (await table.getByRole('row').locator('td:nth-child(2) a').allTextContents()).map((t) => t.trim());
  const by = async (order: 'asc' | 'desc') =>
    (
      await app.sql`
        select c.name from component c where c.scrapped_at is null
        order by ${order === 'asc' ? app.sql`c.total` : app.sql`c.total desc`}, c.id`
    ).map((c) => c.name as string);
  await table.getByRole('button', { name: 'Hours' }).click();
  await expect(table.getByRole('columnheader', { name: 'Hours' })).toHaveAttribute('aria-sort', 'ascending');
  const hours = async () =>
    (await table.locator('td:nth-child(4)').allTextContents()).map((t) => Number(t.replace(/[^0-9.]/g, '')));
  const rising = await hours();
  expect(rising).toEqual([...rising].sort((a, b) => a - b));
  expect(rising.length).toBe((await by('asc')).length);
  await table.getByRole('button', { name: 'Hours' }).click();
  await expect(table.getByRole('columnheader', { name: 'Hours' })).toHaveAttribute('aria-sort', 'descending');
  expect((await names())[0]).toContain((await by('desc'))[0]!);
  // What nobody rebuilt goes last, whichever way.
  await table.getByRole('button', { name: 'Rebuilt' }).click();
  const rebuilt = (await table.locator('td:nth-child(5)').allTextContents()).map((t) => t.trim() !== '');
  expect(rebuilt.lastIndexOf(true)).toBeLessThan(rebuilt.indexOf(false));

  await page.setViewportSize({ width: 390, height: 844 });
  await page.getByLabel('Find').fill('sprock');
  await expect(page.getByRole('status').filter({ hasText: 'of' })).toContainText(/^\d+ of \d+$/);
  for (const name of await names()) expect(name).toMatch(/Sprockets/);
  await page.getByLabel('Find').fill('zeppelin');
  await expect(table).toContainText('None says “zeppelin”.');
  await page.getByLabel('Find').fill('');
  await page.getByLabel('In the order of').selectOption('name');
  const sorted = await names();
  expect(sorted[0]!.localeCompare(sorted.at(-1)!)).toBeLessThan(0);
});
