import { expect, open, test } from './app';
import { signedIn } from './sign-in';

test('what one writes the others see by themselves: the board, the trail, and a rider’s own page', async ({
  work: page,
  app,
  browser
}) => {
  const context = await browser.newContext({ baseURL: app.url });
  await context.addCookies([{ ...(await signedIn(app.sql, 'Maud Tarrick')), url: app.url }]);
  const [board, trail] = [await context.newPage(), await context.newPage()];
  await open(board, '/board');
  await open(trail, '/');
  const riders = await browser.newContext({ baseURL: app.url });
  await riders.addCookies([{ ...(await signedIn(app.sql, 'Ines Varrow')), url: app.url }]);
  const own = await riders.newPage();
  await open(own, '/own');
  const asked: string[] = [];
  for (const p of [board, trail, own]) p.on('request', (r) => asked.push(r.url()));

  const id = await app.machineId('12');
  await open(page, `/machines/${id}`);
  await page.keyboard.press('f');
  const form = page.getByRole('form', { name: 'Write down a finding' });
  await form.getByLabel('What is wrong').fill('Swingarm pivot loose');
  await form.getByRole('button', { name: 'park the machine' }).click();
  await expect(page.getByText('Swingarm pivot loose').first()).toBeVisible();
  for (const p of [board, trail, own])
    await expect(p.getByRole('main')).toContainText('Swingarm pivot loose');
  // Nobody asked before there was something to be read.
  expect(asked.filter((u) => /__data/.test(u)).length).toBeLessThanOrEqual(6);
  await context.close();
  await riders.close();
});
