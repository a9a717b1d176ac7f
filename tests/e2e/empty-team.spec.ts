import { expect, open, ready, test, TEMPLATE } from './app';

test.describe('without the demo', () => {
  test.use({ template: TEMPLATE });

  test('a new team: first machine, first task, first reading, a trail, and a visit with nothing on its sheet', async ({
    work: page,
    app
  }) => {
    await expect(page).toHaveURL(/\/welcome/);
    await page.getByRole('button', { name: 'Begin with an empty book' }).click();
    await expect(page.getByText('Write what the team is called.')).toBeVisible();
    await page.getByLabel('Team or workshop').fill('Nether Fold Racing');
    await page.getByLabel('Your name').fill('Bea Thornley');
    await page.getByRole('button', { name: 'Begin with an empty book' }).click();
    await expect(page.getByRole('heading', { name: 'No machine yet' })).toBeVisible();
    await ready(page);

    for (const [path, words] of [
      ['/due', 'No machine in the fleet yet.'],
      ['/parts', 'None named yet.'],
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
    await expect(page.getByText('Write what is to be done.')).toBeVisible();
    await page.getByLabel('Number').fill('88');
    await page.getByLabel('Name').fill('Tarn 250');
    await page.getByLabel('What it is').selectOption('four-stroke enduro');
    await page.getByLabel('The meter shows now, h').fill('21.3');
    await page.getByLabel('Task', { exact: true }).fill('Engine oil, screen and filter');
    await page.getByLabel('At the bench').selectOption('engine-oil');
    await page.getByLabel('nobody knows').check();
    await page.getByRole('button', { name: 'Add the machine' }).click();
    await expect(page.getByText('Every how many? Write 15 or 7h30.')).toBeVisible();
    await page.getByLabel('Every, hours', { exact: true }).fill('15');
    await page.getByLabel('Limit, hours', { exact: true }).fill('12');
    await page.getByRole('button', { name: 'Add the machine' }).click();
    await expect(page.getByText('The limit lies at or past the interval.')).toBeVisible();
    await expect(page.getByLabel('Name')).toHaveValue('Tarn 250');
    await page.getByLabel('Limit, hours', { exact: true }).fill('18');
    await page.getByRole('button', { name: 'Add the machine' }).click();
    await expect(page).toHaveURL(/\/machines\/[0-9a-f-]{36}$/);
    await expect(page.getByRole('row', { name: /Engine oil/ })).toContainText('unknown');

    // Unknown until someone says.
    await page.getByRole('link', { name: 'Say when it was last done' }).click();
    const done = page.getByRole('form', { name: 'Write down as done' });
    await done.getByLabel('At running hours').fill('99');
    await done.getByRole('button', { name: 'Write it down' }).click();
    await expect(page.getByText('The machine has not run that far yet.')).toBeVisible();
    await done.getByLabel('At running hours').fill('10');
    await done.getByRole('button', { name: 'Write it down' }).click();
    await expect(page.getByRole('row', { name: /^Engine oil/ }).first()).toContainText('3.7 h');

    // The sheet: ounces are asked about.
    await page.getByRole('link', { name: 'Spec sheet' }).click();
    await page.getByRole('button', { name: 'Put in Engine oil, without filter' }).click();
    const figure = page.getByRole('form', { name: 'Engine oil, without filter figure' });
    await figure.getByLabel('As printed').fill('32 oz');
    await figure.getByLabel('Manual, or who said so').fill('Owner’s handbook');
    await figure.getByRole('button', { name: 'Put it on the sheet' }).click();
    await figure.getByRole('button', { name: '32 US fl oz' }).click();
    await figure.getByRole('button', { name: 'Put it on the sheet' }).click();
    await expect(page.getByText('32 US fl oz').first()).toBeVisible();

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
      page.getByText('Not on the sheet: how the level is read; any plug, cap or cover.')
    ).toBeVisible();
    await expect(page.getByText('Engine drain plug: its torque is not on the sheet.').first()).toBeVisible();
    await page.getByRole('button', { name: 'Start the visit' }).click();
    await expect(page).toHaveURL(/\/visits\//);
    await page.getByRole('button', { name: /to do Refit and torque engine drain plug/ }).click();
    await expect(page.getByText('torque unknown')).toBeVisible();
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
