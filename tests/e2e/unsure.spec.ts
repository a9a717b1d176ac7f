import { expect, open, test } from './app';

test('a plug of which nobody said whose oil it keeps in is asked about when it is written, and before the visit; said, it has its steps', async ({
  work: page,
  app
}) => {
  const machine = await app.machineId('12');
  const row = async () => {
    const [f] =
      await app.sql`select role, circuit from fastener where machine_id = ${machine} and name = 'Plug 2 with short screen'`;
    return f;
  };
  await open(page, `/machines/${machine}/sheet`);
  await page.getByLabel('new fastener: name').fill('Plug 2 with short screen');
  await page.keyboard.press('Tab');
  const asked = page.getByRole('group', { name: 'Plug 2 with short screen: whose oil' });
  await expect(asked).toContainText('No job opens it until that is said.');
  await expect.poll(row).toEqual({ role: 'screen cap', circuit: null });

  // Not said there, it is asked again before the work.
  await open(page, `/machines/${machine}/visit`);
  const jobs = page.getByRole('region', { name: 'Jobs' });
  await jobs.getByRole('button', { name: /more that/ }).click();
  const oil = jobs.getByRole('checkbox', { name: /^Engine oil/ }).first();
  if (!(await oil.isChecked())) await oil.check();
  const step = page
    .getByRole('listitem')
    .filter({ hasText: 'Take out the screen behind plug 2 with short screen' });
  await expect(asked).toBeVisible();
  await expect(step).toBeHidden();
  await asked.getByRole('button', { name: 'engine', exact: true }).click();
  await expect(asked).toBeHidden();
  await expect(step).toBeVisible();
  expect(await row()).toEqual({ role: 'screen cap', circuit: 'engine' });
});

test('a plug with no oil behind it is not asked about again', async ({ work: page, app }) => {
  const machine = await app.machineId('12');
  await open(page, `/machines/${machine}/sheet`);
  await page.getByLabel('new fastener: name').fill('Plug 3');
  await page.keyboard.press('Tab');
  const asked = page.getByRole('group', { name: 'Plug 3: what it is' });
  await asked.getByRole('button', { name: 'no oil behind it' }).click();
  await expect(asked).toBeHidden();
  await page.reload();
  await expect(page.getByRole('group', { name: 'Plug 3', exact: true })).toBeVisible();
  await expect(asked).toBeHidden();
  expect(await app.sql`select role from fastener where machine_id = ${machine} and name = 'Plug 3'`).toEqual([
    { role: 'blanking plug' }
  ]);
});
