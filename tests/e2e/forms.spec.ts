import { expect, open, test } from './app';

test('a form says what is wrong where it is typed, keeps it, and is written once whatever is pressed', async ({
  work: page,
  app
}) => {
  let sent = 0;
  page.on('request', (r) => {
    if (r.method() === 'POST' && r.url().endsWith('/api/commands')) sent += 1;
  });
  await open(page, '/stores');
  await page
    .getByRole('region', { name: 'Torque wrenches' })
    .getByRole('button', { name: 'Add one' })
    .click();
  const form = page.getByRole('form', { name: 'Add a torque wrench' });
  const [name, from, to] = [
    form.getByLabel('Name'),
    form.getByLabel('From'),
    form.getByLabel('To', { exact: true })
  ];
  await from.fill('70');
  await to.fill('60');
  await to.press('Enter');
  await expect(form.getByText('Write what you call it.')).toBeVisible();
  // The first of them is where one goes on typing.
  await expect(name).toBeFocused();
  expect(sent).toBe(0);
  await expect(from).toHaveValue('70');

  // Put right, it is no longer wrong while it is typed; what is not tried yet is found fault with only when it is sent.
  await name.pressSequentially('S');
  await expect(form.getByText('Write what you call it.')).toBeHidden();
  await expect(form.getByRole('alert')).toHaveCount(0);
  await name.fill('Stubby');
  await form.getByRole('button', { name: 'Add it' }).click();
  await expect(form.getByText('The range is upside down')).toBeVisible();
  await expect(to).toHaveAttribute('aria-invalid', 'true');
  await from.fill('5');
  await expect(to).not.toHaveAttribute('aria-invalid');
  expect(sent).toBe(0);

  // The answer is lost on the way: it is kept, said, and sent again it is the same one.
  await page.route(
    '**/api/commands',
    async (route) => {
      await route.fetch();
      await route.abort();
    },
    { times: 1 }
  );
  await form.getByRole('button', { name: 'Add it' }).dblclick();
  await expect(form.getByText('No answer from the server. What you wrote is kept here')).toBeVisible();
  await expect(name).toHaveValue('Stubby');
  expect(sent).toBe(1);
  await form.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByRole('row', { name: /Stubby/ })).toHaveCount(1);
  await expect(form).toHaveCount(0);
  expect(
    await app.sql`select low_nm, high_nm from torque_wrench where team_id = ${app.teamId} and name = 'Stubby'`
  ).toEqual([{ low_nm: 5, high_nm: 60 }]);
});

test('what is typed while a form is being looked over stays typed', async ({ work: page, app }) => {
  await open(page, '/stores');
  await page
    .getByRole('region', { name: 'Torque wrenches' })
    .getByRole('button', { name: 'Add one' })
    .click();
  const form = page.getByRole('form', { name: 'Add a torque wrench' });
  await form.getByLabel('Name').fill('Bench bar');
  await form.getByLabel('From').fill('70');
  await form.getByLabel('To', { exact: true }).fill('60');
  // Between the press and what is said of it: the fields have been read, and nothing stands at them yet.
  await form.evaluate(async (element: HTMLFormElement) => {
    const to = [...element.querySelectorAll('input')].find((i) => i.value === '60')!;
    element.querySelector<HTMLButtonElement>('button[type=submit]')!.click();
    for (let turn = 0; turn < 100; turn++) await null;
    to.value = '200';
    to.dispatchEvent(new Event('input', { bubbles: true }));
  });
  await form.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByRole('row', { name: /Bench bar/ })).toHaveCount(1);
  expect(
    await app.sql`select low_nm, high_nm from torque_wrench where team_id = ${app.teamId} and name = 'Bench bar'`
  ).toEqual([{ low_nm: 70, high_nm: 200 }]);
});

test('what only the server knows is said at its field, and a form opened again is empty', async ({
  work: page,
  app
}) => {
  const machineId = await app.machineId('5');
  await open(page, `/machines/${machineId}`);
  const findings = page.getByRole('region', { name: 'Findings' });
  await findings.getByRole('button', { name: 'Write down a finding' }).click();
  const form = findings.getByRole('form', { name: 'Finding' });
  await form.getByLabel('What is wrong').fill('Left fork seal weeps');
  await form.getByRole('button', { name: 'Write it down' }).click();
  await expect(form.locator('[data-wrong]')).toBeVisible();
  await form.getByRole('radio', { name: 'watch', exact: true }).check({ force: true });
  await form.getByRole('button', { name: 'Write it down' }).click();
  const one = findings.getByRole('group', { name: 'Left fork seal weeps' });
  await expect(one).toBeVisible();
  // What was said of one is not said of the next.
  await one.getByRole('button', { name: 'Close it' }).click();
  const close = findings.getByRole('form', { name: 'Close the finding' });
  await close.getByLabel(/What was done/).fill('half a');
  await close.getByRole('button', { name: 'Leave' }).click();
  await one.getByRole('button', { name: 'Close it' }).click();
  await expect(close.getByLabel(/What was done/)).toHaveValue('');
  await close.getByLabel(/What was done/).fill('Seal renewed, oil 5 mm up');
  await close.getByRole('button', { name: 'It is done' }).click();
  await expect(one).toHaveCount(0);
  expect(
    await app.sql`select severity, closed_word from finding where machine_id = ${machineId} and what = 'Left fork seal weeps'`
  ).toEqual([{ severity: 'watch', closed_word: 'Seal renewed, oil 5 mm up' }]);

  // A day that has not come is the server's to judge: it stands at the day, and the words stay.
  await open(
    page,
    `/parts/${(await app.sql`select id from component where team_id = ${app.teamId} and kind = 'engine' limit 1`)[0]!.id}?do=rebuild`
  );
  const rebuild = page.getByRole('form', { name: 'Rebuild' });
  await rebuild.getByLabel('Day').fill('2099-01-01');
  await rebuild.getByLabel('What was renewed').fill('piston');
  let on: () => void = () => {};
  const held = new Promise<void>((go) => (on = go));
  await page.route('**/api/commands', async (route) => {
    await held;
    await route.continue();
  });
  await rebuild.getByRole('button', { name: 'Write the rebuild down' }).click();
  // While it is on its way one types on.
  await rebuild.getByLabel('What was renewed').fill('piston, rings');
  on();
  await expect(rebuild.getByRole('alert')).toBeVisible();
  await expect(rebuild.getByLabel('Day')).toHaveAttribute('aria-invalid', 'true');
  await expect(rebuild.getByLabel('What was renewed')).toHaveValue('piston, rings');
  // Said until that field reads otherwise.
  await rebuild.getByLabel('What was renewed').fill('piston');
  await expect(rebuild.getByRole('alert')).toBeVisible();
  await rebuild.getByLabel('Day').fill('2026-01-01');
  await expect(rebuild.getByRole('alert')).toHaveCount(0);
});

test('a press whose answer is lost is said to be so, and pressed again it is written once', async ({
  work: page,
  app
}) => {
  const machineId = await app.machineId('5');
  await open(page, `/machines/${machineId}/sheet`);
  await page.getByRole('button', { name: 'Change: Kept back from the first pour' }).click();
  const form = page.getByRole('form', { name: 'Kept back from the first pour' });
  await form.getByLabel(/^Kept back/).fill('12');
  await form.getByRole('button', { name: 'Set it' }).click();
  await expect(form).toHaveCount(0);
  await page.route(
    '**/api/commands',
    async (route) => {
      await route.fetch();
      await route.abort();
    },
    { times: 1 }
  );
  const back = page.getByRole('button', { name: 'As the team: Kept back from the first pour' });
  await back.click();
  await expect(page.getByText('No answer from the server.')).toBeVisible();
  await back.click();
  await expect(back).toHaveCount(0);
  expect(
    await app.sql`select value from house_rule where machine_id = ${machineId} and team_id = ${app.teamId} order by seq`
  ).toHaveLength(2);
});
