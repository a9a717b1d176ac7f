import { Agent, createServer, get, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { endServers, remember } from './ending.mjs';

let server: Server;
let port: number;
const held: (() => void)[] = [];
let asked: (() => void) | null = null;
beforeEach(async () => {
  server = createServer((request, response) => {
    if (request.url === '/slow') {
      held.push(() => response.end('done'));
      asked?.();
    } else response.end('at once');
  });
  remember(server);
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  port = (server.address() as AddressInfo).port;
});
afterEach(() => {
  held.splice(0);
  server.closeAllConnections();
});

/** What is answered: its text, and whether the connection ends with it. */
const ask = (path: string, agent: Agent) =>
  new Promise<[string, string | undefined]>((done, failed) =>
    get({ port, path, agent, host: '127.0.0.1' }, (r) => {
      let text = '';
      r.on('data', (d) => (text += d)).on('end', () => done([text, r.headers.connection]));
    }).on('error', failed)
  );
const begun = () => new Promise<void>((done) => (asked = done));

it('answers what was begun, refuses who comes new, and hangs up on nobody who is just sending', async () => {
  const [slow, kept, fresh] = [1, 2, 3].map(() => new Agent({ keepAlive: true, maxSockets: 1 }));
  await ask('/', kept!);
  const there = begun();
  const answer = ask('/slow', slow!);
  await there;
  const ended = endServers([server], 10_000);
  expect(await ask('/', kept!)).toEqual(['at once', 'close']);
  await expect(ask('/', fresh!)).rejects.toThrow('ECONNREFUSED');
  held[0]!();
  expect(await answer).toEqual(['done', 'close']);
  await ended;
});

it('cuts off what takes too long', async () => {
  const there = begun();
  const answer = ask('/slow', new Agent()).catch((e: Error) => e.message);
  await there;
  await endServers([server], 0);
  expect(await answer).toContain('hang up');
});
