import { expect, open, ready, test, TEMPLATE } from './app';

test.describe('without the demo', () => {
  test.use({ template: TEMPLATE });

  test('a new team: first machine, first task, first reading, a trail, and a visit with nothing on its sheet', async ({
    work: page,
    app
  }) => {
    await open(page, '/');
    await expect(page).toHaveURL(/\/welcome/);
    await page.getByRole('button', { name: 'Begin with an empty book' }).click();
    await expect(page.getByText('Write what the team is called.')).toBeVisible();
    await page.getByLabel('Team or workshop').fill('Nether Fold Racing');
    await page.getByLabel('Your name').fill('Bea Thornley');
    await page.getByLabel('A passphrase').fill('moss kettle quiet ferry');
    await page.getByRole('button', { name: 'Begin with an empty book' }).click();
    await expect(page.getByRole('heading', { name: 'No machine yet' })).toBeVisible();
    await ready(page);

    for (const [path, words] of [
      ['/due', 'No machine in the fleet yet.'],
      ['/parts', 'None named yet.'],
      ['/records', 'No work written down yet.'],
      ['/rules', 'Kept back from the first pour'],
      ['/outings', 'Nothing ridden yet.']
    ] as const) {
      await open(page, path);
      await expect(page.getByText(words).first()).toBeVisible();
    }
    await open(page, '/');
    await page.getByRole('link', { name: 'Add the first machine' }).click();
    await page.getByRole('button', { name: 'Add the machine' }).click();
    await expect(page.getByText('Write its number or letters.')).toBeVisible();
    await page.getByLabel('Number').fill('88');
    await page.getByLabel('Name').fill('Tarn 250');
    await page.getByLabel('What it is').selectOption('four-stroke enduro');
    await page.getByLabel('The meter shows now, h').fill('21.3');
    await page.getByLabel('Engine oil, screen and filter, every').fill('15');
    await page.getByLabel('Engine oil, screen and filter, limit').fill('12');
    for (const name of ['Air filter', 'Chain and sprockets'])
      await page.getByRole('checkbox', { name }).uncheck();
    await page.getByRole('button', { name: 'Add the machine' }).click();
    await expect(page.getByText('The limit lies at or past the interval.')).toBeVisible();
    await expect(page.getByLabel('Name')).toHaveValue('Tarn 250');
    await page.getByLabel('Engine oil, screen and filter, limit').fill('18');
    await page.getByRole('button', { name: 'Add the machine' }).click();
    await expect(page).toHaveURL(/\/machines\/[0-9a-f-]{36}\/sheet$/);
    await page.getByRole('link', { name: 'To the machine' }).click();
    await expect(page.getByRole('row', { name: /^Engine oil/ })).toContainText('unknown');
    // Ticked, and nobody wrote its interval: in the book, and unknown.
    await expect(page.getByRole('row', { name: /^Valve clearances/ })).toContainText('interval unknown');

    // Unknown until someone says.
    await page
      .getByRole('row', { name: /^Engine oil/ })
      .getByRole('link', { name: 'Say when it was last done' })
      .click();
    const done = page.getByRole('form', { name: 'Write down as done' });
    await done.getByLabel('At running hours').fill('99');
    await done.getByRole('button', { name: 'Write it down' }).click();
    await expect(page.getByText('The machine has not run that far yet.')).toBeVisible();
    await done.getByLabel('At running hours').fill('10');
    await done.getByRole('button', { name: 'Write it down' }).click();
    await expect(page.getByRole('row', { name: /^Engine oil/ }).first()).toContainText('3.7 h');

    // The sheet: ounces are asked about.
    await page.getByRole('link', { name: 'Spec sheet' }).click();
    await page.getByLabel('Manual, or who said so').fill('Owner’s handbook');
    const oil = page.getByLabel('Engine oil, without filter', { exact: true });
    await oil.fill('32 oz');
    await oil.press('Tab');
    await page.getByRole('button', { name: '32 US fl oz' }).click();
    await expect(oil).toHaveValue('32 US fl oz');
    await expect(page.getByText('946 ml').first()).toBeVisible();

    // A weekend ahead lies over the trail.
    await open(page, '/outings');
    await page.getByRole('button', { name: 'Plan an outing' }).click();
    const plan = page.getByRole('form', { name: 'Plan an outing' });
    await plan.getByLabel('Name').fill('Fold Cross');
    const day = new Date(Date.now() + 5 * 86_400_000).toISOString().slice(0, 10);
    await plan.getByLabel('First day').fill(day);
    await plan.getByLabel('Hours each uses').fill('4h');
    await plan.getByRole('button', { name: 'Plan it' }).click();
    await expect(page.getByRole('row', { name: /Fold Cross/ })).toContainText('4.0 h');
    await open(page, '/');
    await expect(page.getByRole('article', { name: '88 Tarn 250' })).toContainText(
      'Engine oil, screen and filter in 3.7 h, inside Fold Cross'
    );

    // A visit on a machine whose sheet is almost empty: unknown stays unknown.
    await page
      .getByRole('link', { name: /Engine oil, screen and filter in 3\.7 h/ })
      .last()
      .click();
    await expect(
      page.getByText(/Without a press there is no step for: oil screen cap, oil filter cover/)
    ).toBeVisible();
    // What it has none of is said once, and kept.
    const screen = page.getByRole('button', { name: /screen cap: it has/ });
    await page.getByRole('button', { name: /screen cap: it has none/ }).click();
    await expect(screen).toHaveCount(0);
    await expect
      .poll(async () =>
        (await app.sql`select role from fastener where removed_at is not null`).map((r) => r.role)
      )
      .toEqual(['screen cap']);
    await page.getByRole('button', { name: 'Oil filter cover: it has one' }).click();
    await expect(page.getByText('Engine drain plug: its torque is not on the sheet.').first()).toBeVisible();
    await page.getByRole('button', { name: 'Start the visit' }).click();
    await expect(page).toHaveURL(/\/visits\//);
    await page.getByRole('button', { name: /to do Refit and torque engine drain plug/ }).click();
    expect(await app.sql`select name, is_demo from team`).toEqual([
      { name: 'Nether Fold Racing', is_demo: false }
    ]);
    expect(await app.sql`select total from machine_standing`).toEqual([{ total: 2130 }]);
  });
});

test.describe('who comes new', () => {
  test.use({ alone: true });

  test('first run asks: the demo’s trail is there, and so is the question', async ({ page }) => {
    await open(page, '/');
    await expect(page.getByText('This is the demo team')).toBeVisible();
    await page.getByRole('button', { name: 'Look round with the demo' }).click();
    await expect(page.getByRole('heading', { name: 'Skerrow Vale Enduro' })).toBeVisible();
    await expect(page.getByText('This is the demo team')).toBeHidden();
  });
});
