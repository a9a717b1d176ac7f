import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { WebSocket } from 'ws';
import { freshDatabase } from '../database/cluster';
import { oddRequests } from '../raw/odd';
import { speak, statusOf, type Entrance } from '../raw/socket';
import { expect, test } from './app';
import { DEMO_TEMPLATE } from './global-setup';
import { freePort, Server } from './server';

const TENT = '127.0.0.2';

test('whatever is written to an entrance is answered or hung up on, never by a mistake of ours, and the server stays', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'hour-trail-tent-'));
  const database = await freshDatabase(DEMO_TEMPLATE);
  const [port, joinPort] = [await freePort(), await freePort()];
  const server = await Server.on(database.url, {
    HOUR_TRAIL_TENT: JSON.stringify({ folder, port, joinPort, addresses: [TENT], names: ['tent.local'] }),
    HOUR_TRAIL_HOSTS: `${TENT},tent.local`
  });
  try {
    const entrances: Entrance[] = [
      { host: '127.0.0.1', port: Number(new URL(server.url).port) },
      { host: TENT, port, secure: true },
      { host: TENT, port: joinPort }
    ];
    // Whoever is sent away is told so under the same headers as everybody else.
    const asked = [
      [0, 'GET /api/v1/team HTTP/1.1', 'Host: 127.0.0.1\r\nAuthorization: Bearer x', 401],
      [0, 'GET / HTTP/1.1', 'Host: book.example', 421],
      [0, 'GET /icon-192.png HTTP/1.1', 'Host: 127.0.0.1', 200],
      [0, 'GET /nothing HTTP/1.1', 'Host: 127.0.0.1', 404],
      [1, 'GET /api/machines HTTP/1.1', `Host: ${TENT}`, 401],
      [2, 'GET / HTTP/1.1', `Host: ${TENT}`, 200]
    ] as const;
    for (const [at, line, head, status] of asked) {
      // It hangs up when it has answered; how long the first answer of a new server takes is its own matter.
      const asking = `${line}\r\n${head}\r\nConnection: close\r\n\r\n`;
      const answer = await speak(entrances[at]!, asking, 60_000);
      const headers = answer.slice(0, answer.indexOf('\r\n\r\n')).toLowerCase();
      expect([line, statusOf(answer)]).toEqual([line, status]);
      for (const header of [
        'x-content-type-options: nosniff',
        'x-frame-options: deny',
        "frame-ancestors 'none'",
        'referrer-policy: same-origin'
      ])
        expect([line, headers.includes(header)]).toEqual([line, true]);
      expect([line, headers.includes('strict-transport-security: max-age=31536000')]).toEqual([
        line,
        at === 1
      ]);
    }
    const faults: string[] = [];
    for (const to of entrances) {
      const requests = oddRequests(`${to.host}:${to.port}`);
      for (let i = 0; i < requests.length; i += 16)
        await Promise.all(
          requests.slice(i, i + 16).map(async (request) => {
            const status = statusOf(await speak(to, request));
            if (status !== null && status >= 500)
              faults.push(`${to.host}:${to.port} ${status} ${request.slice(0, 60)}`);
          })
        );
    }
    expect(faults).toEqual([]);
    // As any page of any site can send it.
    for (let i = 0; i < 30; i++)
      await new Promise<void>((done) =>
        new WebSocket(`${server.url.replace('http', 'ws')}//`).on('error', () => {}).on('close', () => done())
      );
    expect(server.isUp).toBe(true);
    expect((await fetch(`${server.url}/health`)).status).toBe(200);
  } finally {
    await server.stop();
    await database.drop();
    rmSync(folder, { recursive: true, force: true });
  }
});

test('told to end, it answers what was begun and refuses who comes new', async () => {
  const database = await freshDatabase(DEMO_TEMPLATE);
  const server = await Server.on(database.url);
  try {
    const pages = Array.from({ length: 12 }, () => fetch(`${server.url}/board`).then((r) => r.status));
    const line = await fetch(`${server.url}/api/live`);
    const reader = line.body!.getReader();
    await reader.read();
    const ended = server.end();
    expect(await Promise.all(pages)).toEqual(pages.map(() => 200));
    while (!(await reader.read()).done);
    expect(await ended).toBe(0);
    await expect(fetch(`${server.url}/health`)).rejects.toThrow();
  } finally {
    await server.stop();
    await database.drop();
  }
});
