import type { Page } from '@playwright/test';
import { expect, open, test } from './app';

const check = (page: Page, name: string) => page.getByRole('group', { name, exact: true });

test('what a team checks is changed for one kind of machine, and the next round asks for it', async ({
  work: page,
  app
}) => {
  const machineId = await app.machineId('84');
  await open(page, `/machines/${machineId}/round`);
  await page.getByRole('link', { name: 'Change what is checked' }).click();
  await expect(page.getByRole('status').filter({ hasText: '17 taps' })).toBeVisible();
  // One less, one more, in another order.
  await page.getByRole('checkbox', { name: /^Coolant/ }).click();
  const rear = page.getByRole('region', { name: 'At the rear' });
  await rear.getByRole('button', { name: 'Add a check' }).click();
  await rear.getByLabel('What is looked at').fill('Grab bar');
  await rear.getByRole('combobox', { name: 'How', exact: true }).selectOption('a number that has to be read');
  await rear.getByRole('textbox', { name: 'From' }).fill('9');
  await rear.getByRole('textbox', { name: 'to', exact: true }).fill('2');
  await rear.getByRole('textbox', { name: 'to', exact: true }).blur();
  await expect(rear.getByText('The band runs backwards.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Save as a new version' })).toBeDisabled();
  await rear.getByRole('textbox', { name: 'From' }).fill('1');
  await rear.getByRole('textbox', { name: 'From' }).blur();
  await rear.getByRole('button', { name: 'Grab bar up' }).click();
  await expect(page.getByRole('status').filter({ hasText: '18 taps' })).toBeVisible();
  await page.getByLabel('What was changed, and why').fill('it came loose twice');
  await page.getByRole('button', { name: 'Save as a new version' }).click();
  await expect(page.getByText('Version 1, the team’s own.')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Versions' })).toContainText('it came loose twice');
  expect(await app.sql`select version, word from round_checks`).toEqual([
    { version: 1, word: 'it came loose twice' }
  ]);

  await open(page, `/machines/${machineId}/round`);
  await expect(check(page, 'Coolant: level, hoses, radiators')).toBeHidden();
  const bar = check(page, 'Grab bar');
  await bar.getByRole('textbox', { name: 'Grab bar, as found' }).fill('3');
  await bar.getByRole('button', { name: 'Found', exact: true }).click();
  await expect(bar).toContainText('Outside: 1–2 mm is wanted.');
  await bar.getByRole('button', { name: 'Left wrong: a finding' }).click();
  await expect(bar).toContainText('3 mm');
  await expect
    .poll(() => app.sql`select what from finding where check_key = 'own-1'`)
    .toEqual([{ what: 'Grab bar: 3 mm, too much, 1–2 mm is wanted' }]);
  // Another kind of machine is asked for what it was asked for before.
  await open(page, `/machines/${await app.machineId('61')}/round`);
  await expect(check(page, 'Coolant: level, hoses, radiators')).toBeVisible();
  await expect(check(page, 'Grab bar')).toBeHidden();
  // And back to how it came.
  await open(page, '/rounds');
  await page.getByRole('button', { name: 'Back to how it came' }).click();
  await expect(page.getByText('Built in.')).toBeVisible();
});

test('a finding is put right at the bench: its own step, its record, and it is closed by it', async ({
  work: page,
  app
}) => {
  await open(page, '/findings');
  const found = check(page, 'Right fork seal weeps');
  await found.getByRole('link', { name: 'Put it right at the bench' }).click();
  await expect(page.getByRole('checkbox', { name: 'Put right: Right fork seal weeps' })).toBeChecked();
  for (const box of await page.getByRole('region', { name: 'Jobs' }).getByRole('checkbox').all())
    if (!(await box.evaluate((b) => b.closest('label')!.textContent.includes('Put right'))))
      await box.uncheck();
  await page.getByRole('button', { name: 'Start the visit' }).click();
  await expect(page).toHaveURL(/visits/);
  const card = page.getByRole('article');
  const heading = card.getByRole('heading', { level: 2 }).first();
  for (let i = 0; i < 12; i++) {
    const now = await heading.innerText();
    await card.locator('button.go').first().click();
    if (/^Clean it/.test(now)) break;
    await expect(heading).not.toHaveText(now);
  }
  await page.getByRole('button', { name: 'Close the visit' }).click();
  await expect(page).toHaveURL(/records/);
  await expect(page.getByText('Right fork seal weeps').first()).toBeVisible();
  expect(
    await app.sql`
      select f.closed_how, f.closed_word, r.content is not null as record from finding f join service_record r on r.task_id = f.id where f.what = 'Right fork seal weeps'`
  ).toEqual([{ closed_how: 'done', closed_word: 'Put right at the bench.', record: true }]);
  await open(page, '/findings');
  await expect(check(page, 'Right fork seal weeps')).toBeHidden();
});

test('air filters go round: counted in the stores, one taken in a round, and washed', async ({
  work: page,
  app
}) => {
  await open(page, '/stores');
  const box = page.getByRole('region', { name: 'Air filters' });
  await box.getByRole('button', { name: 'Add some' }).click();
  const form = page.getByRole('form', { name: 'Add air filters' });
  await form.getByLabel('What you call them').fill('Foam, 125');
  await form.getByLabel('Clean, oiled').fill('two');
  await form.getByRole('button', { name: '8', exact: true }).click();
  await form.getByRole('button', { name: 'Add them' }).click();
  await expect(form.getByText('A whole number, such as 2.')).toBeVisible();
  await form.getByLabel('Clean, oiled').fill('2');
  await form.getByRole('button', { name: 'Add them' }).click();
  const set = box.getByRole('group', { name: 'Foam, 125' });
  await expect(set).toContainText('2 clean');

  await open(page, `/machines/${await app.machineId('8')}/round`);
  await page.getByRole('button', { name: 'Walk it again' }).click();
  const filter = check(page, 'Air filter');
  await expect(filter).toContainText('Foam, 125: 2 clean');
  await filter.getByRole('button', { name: 'changed for a spare' }).click();
  await expect(filter).toContainText('changed for a spare');
  await expect
    .poll(
      () =>
        app.sql`select sum(clean)::int as clean, sum(dirty)::int as dirty from air_filter_movement m join air_filter f on f.id = m.filter_id where f.name = 'Foam, 125'`
    )
    .toEqual([{ clean: 1, dirty: 1 }]);
  await open(page, '/stores');
  await expect(set).toContainText('1 clean, 1 to wash');
  await set.getByRole('button', { name: 'Washed and oiled' }).click();
  await expect(set).toContainText('2 clean');
  await expect(set.getByRole('button', { name: 'Washed and oiled' })).toBeHidden();
});
