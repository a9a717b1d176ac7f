import { expect, test, TEMPLATE } from './app';

test.describe('a page whose scripts do not run', () => {
  test.use({ template: TEMPLATE, javaScriptEnabled: false });

  test('a team is set up, somebody joins, a house rule is set: by the same commands', async ({
    page,
    app
  }) => {
    await page.goto('/');
    await expect(page).toHaveURL(/\/welcome/);
    await page.getByLabel('Team or workshop').fill('Plain Workshop');
    await page.getByRole('button', { name: 'Begin with an empty book' }).click();
    // Refused at its field, and what was typed is still there.
    await expect(page.getByText('Write your name.')).toBeVisible();
    await expect(page.getByLabel('Team or workshop')).toHaveValue('Plain Workshop');
    await page.getByLabel('Your name').fill('Wren Oddie');
    await page.getByLabel('A passphrase').fill('moss kettle quiet ferry');
    await page.getByRole('button', { name: 'Begin with an empty book' }).click();
    await expect(page.getByRole('heading', { name: 'Plain Workshop' })).toBeVisible();

    await page.goto('/team');
    await page.getByLabel('Name', { exact: true }).fill('Wren Oddie');
    await page.getByRole('button', { name: 'Add' }).click();
    await expect(page.getByText('The team has someone of that name already.')).toBeVisible();
    await page.getByLabel('Name', { exact: true }).fill('Tamsin Ruddle');
    await page.getByRole('button', { name: 'Add' }).click();
    await expect(page.getByRole('cell', { name: 'Tamsin Ruddle', exact: true })).toBeVisible();

    await page.goto('/rules');
    const rule = page.getByRole('form', { name: 'The next is counted' });
    await rule.getByLabel('The next is counted').selectOption('from due');
    await rule.getByLabel('Why, in a word').fill('as the makers do');
    await rule.getByRole('button', { name: 'Set it' }).click();
    await expect(page.getByText('as the makers do')).toBeVisible();

    expect(await app.sql`select kind, device from command order by seq`).toEqual([
      { kind: 'team.found', device: 'a page' },
      { kind: 'person.add', device: 'a page without scripts' },
      { kind: 'rule.set', device: 'a page without scripts' }
    ]);
  });

  test('in by passphrase on a device that is trusted, a PIN is set, and in by it again', async ({ page }) => {
    await page.goto('/');
    await page.getByLabel('Team or workshop').fill('Plain Workshop');
    await page.getByLabel('Your name').fill('Wren Oddie');
    await page.getByLabel('A passphrase').fill('moss kettle quiet ferry');
    await page.getByRole('button', { name: 'Begin with an empty book' }).click();
    await page.goto('/you');
    await page.getByLabel('Your passphrase').fill('moss kettle quiet ferry');
    await page.getByLabel('A PIN for this device').fill('2580');
    await page.getByRole('button', { name: 'Set the PIN' }).click();
    await expect(page.getByText('The PIN is set.')).toBeVisible();
    await page.getByRole('button', { name: 'Sign out' }).click();
    await page.getByRole('link', { name: 'Wren Oddie' }).click();
    await page.getByLabel('PIN', { exact: true }).fill('1470');
    await page.getByRole('button', { name: 'Go on' }).click();
    await expect(page.getByText('Wrong. 4 tries left.')).toBeVisible();
    await page.getByLabel('PIN', { exact: true }).fill('2580');
    await page.getByRole('button', { name: 'Go on' }).click();
    await expect(page.getByRole('heading', { name: 'Plain Workshop' })).toBeVisible();
    await page.goto('/you');
    await page.getByRole('button', { name: 'Sign out' }).click();
    await page.getByRole('link', { name: 'Somebody else, by passphrase' }).click();
    await page.getByLabel('Name').fill('Wren Oddie');
    await page.getByLabel('Passphrase', { exact: true }).fill('wrong one entirely');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByText('No such name with that passphrase.')).toBeVisible();
    await page.getByLabel('Passphrase', { exact: true }).fill('moss kettle quiet ferry');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByRole('heading', { name: 'Plain Workshop' })).toBeVisible();
  });
});
