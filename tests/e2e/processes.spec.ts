import { expect, open, test } from './app';
import { Server } from './server';
import { signedIn } from './sign-in';

/** Two processes on one database, as behind a proxy: nothing that matters is kept in one of them. */
test.describe('several processes', { tag: '@fault' }, () => {
  test.use({ alone: true });

  test('who signed in at one is in at the other, and sees there what is written here', async ({
    app,
    browser
  }) => {
    const other = await Server.on(app.databaseUrl);
    try {
      const team = crypto.randomUUID();
      const [bea, ines] = [crypto.randomUUID(), crypto.randomUUID()];
      await app.sql`insert into team (id, name, time_zone) values (${team}, 'Nether Fold', 'UTC')`;
      await app.sql`
        insert into person (team_id, id, name, role)
        values (${team}, ${bea}, 'Bea Thornley', 'chief mechanic'), (${team}, ${ines}, 'Ivo Marsh', 'mechanic')`;
      const at = async (name: string, url: string) => {
        const context = await browser.newContext({ baseURL: url });
        await context.addCookies([{ ...(await signedIn(app.sql, name)), url }]);
        return context.newPage();
      };
      const here = await at('Bea Thornley', app.url);
      await open(here, '/machines/new');
      await here.getByLabel('Number').fill('41');
      await here.getByLabel('Name').fill('Garth 125');
      await here.getByLabel('What it is').selectOption('two-stroke motocross');
      await here.getByLabel('The meter shows now, h').fill('12.4');
      await here.getByRole('button', { name: 'Add the machine' }).click();
      await expect(here).toHaveURL(/\/sheet$/);
      const [{ id }] = (await app.sql`select id from machine where team_id = ${team}`) as unknown as [
        { id: string }
      ];

      const there = await at('Ivo Marsh', other.url);
      await open(there, '/board');
      await expect(there.getByRole('row', { name: /Garth 125/ })).toBeVisible();
      await open(here, `/machines/${id}`);
      await here.keyboard.press('f');
      const form = here.getByRole('form', { name: 'Write down a finding' });
      await form.getByLabel('What is wrong').fill('Fork weeps');
      await form.getByRole('button', { name: 'park the machine' }).click();
      await expect(there.getByRole('row', { name: /Garth 125/ })).toContainText('Fork weeps');

      // The same session, at the other process; signed out here, it is out there.
      const [cookie] = (await here.context().cookies()).filter((c) => c.name === 'ht_session');
      const same = await browser.newContext({ baseURL: other.url });
      await same.addCookies([{ name: 'ht_session', value: cookie!.value, url: other.url }]);
      expect((await same.request.get('/api/machines')).status()).toBe(200);
      await open(here, '/you');
      await here.getByRole('button', { name: 'Sign out' }).click();
      await expect(here).toHaveURL(/\/sign-in/);
      expect((await same.request.get('/api/machines')).status()).toBe(401);
      for (const p of [here.context(), there.context(), same]) await p.close();
    } finally {
      await other.stop();
    }
  });
});
