import { expect, open, test } from './app';
import { signedIn } from './sign-in';

test('what one writes the others see by themselves: the board, the trail, and a rider’s own page; nobody asks in between', async ({
  work: page,
  app,
  browser
}) => {
  const context = await browser.newContext({ baseURL: app.url });
  await context.addCookies([{ ...(await signedIn(app.sql, 'Maud Tarrick')), url: app.url }]);
  const [board, trail] = [await context.newPage(), await context.newPage()];
  const riders = await browser.newContext({ baseURL: app.url });
  await riders.addCookies([{ ...(await signedIn(app.sql, 'Ines Varrow')), url: app.url }]);
  const own = await riders.newPage();
  const id = await app.machineId('12');
  const find = async (what: string) => {
    await page.keyboard.press('f');
    const form = page.getByRole('form', { name: 'Write down a finding' });
    await form.getByLabel('What is wrong').fill(what);
    await form.getByRole('button', { name: 'park the machine' }).click();
    await expect(form).toBeHidden();
  };
  await board.clock.install();
  for (const [p, path] of [
    [board, '/board'],
    [trail, '/'],
    [own, '/own'],
    [page, `/machines/${id}`]
  ] as const)
    await open(p, path);

  await find('Swingarm pivot loose');
  for (const p of [board, trail, own])
    await expect(p.getByRole('main')).toContainText('Swingarm pivot loose');
  // Five minutes in which nothing is written: by its own clock, of which whatever asks every so often would take notice.
  const asked: string[] = [];
  board.on('request', (r) => asked.push(r.url()));
  await board.clock.runFor(300_000);
  expect(asked).toEqual([]);
  await find('Chain guide gone');
  await board.clock.runFor(5000);
  await expect(board.getByRole('main')).toContainText('Chain guide gone');
  await context.close();
  await riders.close();
});
