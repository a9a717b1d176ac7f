import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createHash, randomBytes } from 'node:crypto';
import { expect, ready, test } from './app';
import { connect } from '../../src/lib/server/base/db';
import { freshDatabase } from '../database/cluster';
import { DEMO_TEMPLATE } from './global-setup';
import { freePort, Server } from './server';

/** An address of this machine that it does not take for itself: the network of the tent. */
const TENT = '127.0.0.2';

test('a phone in the tent: it scans, trusts once, picks its person, sets a PIN; the demo is not there for it', async ({
  browser
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'hour-trail-tent-'));
  const database = await freshDatabase(DEMO_TEMPLATE);
  const sql = connect(database.url, 2);
  const [port, joinPort] = [await freePort(), await freePort()];
  const server = await Server.on(database.url, {
    HOUR_TRAIL_TENT: JSON.stringify({ folder, port, joinPort, addresses: [TENT], names: ['tent.local'] }),
    HOUR_TRAIL_HOSTS: `${TENT},tent.local`,
    HOUR_TRAIL_JOIN: `http://${TENT}:${joinPort}`
  });
  try {
    const team = crypto.randomUUID();
    const code = randomBytes(32).toString('base64url');
    await sql`insert into team (id, name, time_zone) values (${team}, 'Nether Fold', 'UTC')`;
    await sql`
      insert into person (team_id, id, name, role)
      values (${team}, ${crypto.randomUUID()}, 'Bea Thornley', 'chief mechanic'), (${team}, ${crypto.randomUUID()}, 'Ines Varrow', 'mechanic')`;
    await sql`
      insert into invitation (team_id, id, hash, expires_at)
      values (${team}, ${crypto.randomUUID()}, ${createHash('sha256').update(code).digest('hex')}, now() + interval '1 day')`;

    // Somebody who does not trust it yet is told how, and is not led on.
    const stranger = await (await browser.newContext()).newPage();
    await stranger.goto(`http://${TENT}:${joinPort}/#${code}`);
    await expect(stranger.getByText('Profile Downloaded')).toBeVisible();
    const certificate = await stranger.request.get(`http://${TENT}:${joinPort}/authority.crt`);
    expect(certificate.headers()['content-type']).toBe('application/x-x509-ca-cert');
    expect((await stranger.request.get(`http://${TENT}:${joinPort}/api/machines`)).status()).toBe(404);
    await stranger.context().close();

    const phone = await (
      await browser.newContext({ ignoreHTTPSErrors: true, viewport: { width: 390, height: 844 } })
    ).newPage();
    await phone.goto(`http://${TENT}:${joinPort}/#${code}`);
    await expect(phone.getByText('This phone trusts it.')).toBeVisible();
    await phone.getByRole('link', { name: 'Open Hour Trail' }).click();
    await expect(phone).toHaveURL(`https://${TENT}:${port}/join/${code}`);
    await ready(phone);
    await phone.getByText('Ines Varrow').click();
    await phone.getByLabel('A PIN for this device').fill('2580');
    await phone.getByRole('button', { name: 'Join' }).click();
    await expect(phone.getByRole('heading', { name: 'No machine yet' })).toBeVisible();
    const cookies = await phone.context().cookies();
    expect(
      cookies.filter((c) => c.name.startsWith('__Host-')).map((c) => [c.name, c.secure, c.httpOnly])
    ).toEqual(
      expect.arrayContaining([
        ['__Host-ht_session', true, true],
        ['__Host-ht_device', true, true]
      ])
    );

    // Away from the machine there is no demo, no new team, and no other name to come under.
    const other = await browser.newContext({ ignoreHTTPSErrors: true, baseURL: `https://${TENT}:${port}` });
    await other.addCookies([{ name: 'ht_demo', value: 'yes', url: `https://${TENT}:${port}` }]);
    const page = await other.newPage();
    await page.goto('/');
    await expect(page).toHaveURL(/\/sign-in/);
    await expect(page.getByText('demo')).toHaveCount(0);
    await page.goto('/welcome');
    await expect(page.getByRole('button', { name: 'Begin with an empty book' })).toHaveCount(0);
    const asked = await page.request.get('/health', { headers: { host: 'book.example' } });
    expect(asked.status()).toBe(421);
    // Nor does a header of theirs, or the name of this machine, make them local.
    for (const headers of [{ 'x-trail-protocol': 'http' }, { 'x-forwarded-for': '127.0.0.1' }] as Record<
      string,
      string
    >[])
      expect((await page.request.get('/api/machines', { headers })).status()).toBe(401);
    await other.close();
    await phone.context().close();
  } finally {
    await server.stop();
    await sql.end();
    await database.drop();
    rmSync(folder, { recursive: true, force: true });
  }
});
