import type { Page } from '@playwright/test';
import { expect, open, test } from './app';

/** Hours written on a machine's page once the signal is gone. */
async function logWithoutSignal(page: Page, hours: string): Promise<void> {
  await page.keyboard.press('l');
  const form = page.getByRole('form', { name: 'Log hours' });
  await form.getByLabel('Meter shows, h').fill(hours);
  await page.context().setOffline(true);
  await form.getByRole('button', { name: 'Log', exact: true }).click();
}
const refusals = (page: Page) => page.getByRole('link', { name: 'not taken: look at' });

test('what was refused on coming back is settled where it stands, as if it had been typed with a signal', async ({
  work: page,
  app
}) => {
  const id = await app.machineId('84');
  await open(page, `/machines/${id}`);
  await logWithoutSignal(page, '0.4');
  await expect(page.getByRole('status').filter({ hasText: 'Kept on this device' })).toBeVisible();
  await page.context().setOffline(false);
  await refusals(page).click();
  const stands = page.getByRole('region', { name: 'Not taken' });
  await expect(stands).toContainText('0.4 h is lower');
  await stands.getByRole('button', { name: 'Correct it' }).click();
  const form = stands.getByRole('form', { name: 'Correct it' });
  await form.getByLabel('The meter was replaced or reset').check();
  await form.getByLabel('Old meter at the end, h').fill('96.2');
  await form.getByRole('button', { name: 'Send corrected' }).click();
  // It wants a word, as it does when it is typed; what was said so far stays.
  await expect(form.getByText('Say what happened, in a few words.')).toBeVisible();
  await form.getByLabel('What happened').fill('glass broken');
  await form.getByRole('button', { name: 'Send corrected' }).dblclick();
  await expect(stands).toHaveCount(0);
  await expect(page.getByText('Nothing of yours waits.')).toBeVisible();
  expect(
    await app.sql`select last_value from meter where machine_id = ${id} and removed_at is not null`
  ).toEqual([{ last_value: 9620 }]);
});

test('a figure that was mistyped without a signal is typed anew, and goes once', async ({
  work: page,
  app
}) => {
  const id = await app.machineId('33');
  await open(page, `/machines/${id}`);
  await logWithoutSignal(page, '1.43');
  await expect(page.getByRole('status').filter({ hasText: 'Kept on this device' })).toBeVisible();
  await page.context().setOffline(false);
  await refusals(page).click();
  await page.getByRole('button', { name: 'Correct it' }).click();
  const form = page.getByRole('form', { name: 'Correct it' });
  await form.getByLabel('As typed').fill('plenty');
  await form.getByRole('button', { name: 'Send corrected' }).click();
  await expect(form).toContainText('Write a figure such as 2.5 h');
  await form.getByLabel('As typed').fill('143');
  await form.getByRole('button', { name: 'Send corrected' }).click();
  await expect(page.getByText('Nothing of yours waits.')).toBeVisible();
  await expect(refusals(page)).toHaveCount(0);
  expect(await app.sql`select value from reading where machine_id = ${id} and value in (143, 14300)`).toEqual(
    [{ value: 14300 }]
  );
});

test('a device that is full says so in one sentence, asks before the page goes, and finds it again after a reload', async ({
  work: page,
  app
}) => {
  const id = await app.machineId('33');
  await page.addInitScript(() => {
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
  });
  await open(page, `/machines/${id}`);
  await logWithoutSignal(page, '143');
  const full =
    'This device cannot store what you write: it is full, or its browser stores nothing. Leave this page open until all is sent.';
  await expect(page.getByText(full)).toHaveCount(1);
  await expect(
    page.getByText('It waits in this page, and goes by itself once the server answers.')
  ).toBeVisible();
  await expect(page.getByText(/is kept here|Kept on this device/)).toHaveCount(0);
  // It asks; whoever goes all the same finds it in the page that is read anew.
  // Before the signal is back: what waits goes at that very moment.
  await page.route('**/api/commands', (route) => route.abort());
  await page.context().setOffline(false);
  const asked = page.waitForEvent('dialog').then(async (dialog) => {
    const type = dialog.type();
    await dialog.accept();
    return type;
  });
  await page.reload();
  expect(await asked).toBe('beforeunload');
  await expect(page.getByRole('link', { name: /1 waits\s+in this page, since/ })).toBeVisible();
  await page.unroute('**/api/commands');
  await expect
    .poll(
      async () => (await app.sql`select 1 from reading where machine_id = ${id} and value = 14300`).length
    )
    .toBe(1);
  await expect(page.getByText(full)).toHaveCount(0);
});
