import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { oddRequests } from '../../tests/raw/odd';
import { speak, statusOf } from '../../tests/raw/socket';
import { serveTent } from './tent.mjs';

const freePort = () =>
  new Promise<number>((done) => {
    const probe = createServer().listen(0, '127.0.0.2', () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => done(port));
    });
  });
const host = '127.0.0.2';
const folder = mkdtempSync(join(tmpdir(), 'hour-trail-tent-'));
let port: number;
let joinPort: number;
let tent: Awaited<ReturnType<typeof serveTent>>;
beforeAll(async () => {
  [port, joinPort] = [await freePort(), await freePort()];
  tent = await serveTent({
    handle: (_, response) => response.end('the app'),
    folder,
    port,
    joinPort,
    addresses: [host],
    names: ['tent.local']
  });
});
afterAll(() => {
  for (const s of tent.servers) {
    s.close();
    s.closeAllConnections();
  }
  rmSync(folder, { recursive: true, force: true });
});

it('the page that comes before answers odd requests as it answers any other, and goes on', async () => {
  const here = { host, port: joinPort };
  for (const target of ['//', 'http://', '/\\', '//['])
    expect([
      target,
      statusOf(await speak(here, `GET ${target} HTTP/1.1\r\nHost: x\r\nConnection: close\r\n\r\n`))
    ]).toEqual([target, 404]);
  await Promise.all(oddRequests(`${host}:${joinPort}`).map((r) => speak(here, r, 50)));
  const page = await fetch(`http://${host}:${joinPort}/`);
  expect(page.status).toBe(200);
  expect(await page.text()).toContain('Hour Trail in the tent');
});
