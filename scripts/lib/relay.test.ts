import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { WebSocket } from 'ws';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { oddRequests } from '../../tests/raw/odd';
import { speak, statusOf } from '../../tests/raw/socket';
import { relay, RELAY_PATH } from './relay.mjs';

let server: Server;
let end: () => void;
let ending: () => void;
let left: string[];
let port: number;
const open: WebSocket[] = [];
beforeEach(async () => {
  left = [];
  server = createServer((_, response) => response.end('as ever'));
  // As the app would have it: a cookie says whose line it is.
  end = relay([server], async ({ headers }, over) => {
    const team = /^team=(\w+)$/.exec(headers.cookie ?? '')?.[1];
    if (team === 'broken') throw new Error('the app is away');
    ending = over;
    return team ? { team, leave: () => left.push(team) } : null;
  });
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  port = (server.address() as AddressInfo).port;
});
afterEach(() => {
  for (const s of open.splice(0)) s.terminate();
  end();
  server.close();
});

async function join({
  path = RELAY_PATH,
  team = 'one',
  ...more
}: { path?: string; team?: string; origin?: string; host?: string } = {}): Promise<{
  socket: WebSocket;
  heard: string[];
  next: () => Promise<string>;
}> {
  const socket = new WebSocket(`ws://127.0.0.1:${port}${path}`, {
    headers: { ...more, ...(team && { cookie: `team=${team}` }) }
  });
  open.push(socket);
  const heard: string[] = [];
  const waiting: ((line: string) => void)[] = [];
  socket.on('message', (data) => {
    heard.push(String(data));
    waiting.shift()?.(String(data));
  });
  await new Promise<void>((done, fail) => socket.once('open', done).once('error', fail));
  return { socket, heard, next: () => new Promise((done) => waiting.push(done)) };
}
const refused = (more: Parameters<typeof join>[0]) => expect(join(more)).rejects.toThrow();

describe('the line of instruments', () => {
  it('hands what one end says to the others of its team, and to nobody else', async () => {
    const [wrench, bench, other] = [await join(), await join(), await join({ team: 'other' })];
    const came = bench.next();
    wrench.socket.send('{"v":1}');
    expect(await came).toBe('{"v":1}');
    // Had it gone to them, it had come before this.
    const again = bench.next();
    wrench.socket.send('second');
    await again;
    expect(wrench.heard).toEqual([]);
    expect(other.heard).toEqual([]);
  });
  it('is open to our own pages and to programs, of whoever may come in', async () => {
    await join({ origin: `http://127.0.0.1:${port}` });
    await refused({ origin: 'http://evil.example' });
    await refused({ origin: 'null' });
    await refused({ path: '/elsewhere' });
    await refused({ team: '' });
  });
  it('drops what is longer than a reading, what is no text, and what comes too fast', async () => {
    const [wrench, bench] = [await join(), await join()];
    const lost = new Promise<void>((done) => wrench.socket.once('close', () => done()));
    wrench.socket.send('x'.repeat(2000));
    await lost;
    const second = await join();
    second.socket.send(Buffer.from([1, 2, 3]));
    for (let i = 0; i < 60; i++) second.socket.send(String(i));
    // Ordered on one line: the answer to a ping comes after all of them were read.
    const pong = new Promise<void>((done) => second.socket.once('pong', () => done()));
    second.socket.ping();
    await pong;
    const benchPong = new Promise<void>((done) => bench.socket.once('pong', () => done()));
    bench.socket.ping();
    await benchPong;
    expect(bench.heard.length).toBeGreaterThan(10);
    expect(bench.heard.length).toBeLessThan(60);
    expect(bench.heard[0]).toBe('0');
  });
  it('answers what is no address with 400, and goes on', async () => {
    const here = { host: '127.0.0.1', port };
    const upgrade = 'Connection: Upgrade\r\nUpgrade: websocket\r\n\r\n';
    for (const target of ['//', 'http://', '/\\', '//[', '/elsewhere'])
      expect([
        target,
        statusOf(await speak(here, `GET ${target} HTTP/1.1\r\nHost: x\r\n${upgrade}`))
      ]).toEqual([target, 400]);
    await Promise.all(oddRequests(`127.0.0.1:${port}`).map((r) => speak(here, r, 50)));
    await refused({ team: 'broken' });
    expect(await (await fetch(`http://127.0.0.1:${port}/`)).text()).toBe('as ever');
    await join();
  });
  it('ends with the right to speak on it, and says who has left', async () => {
    const { socket } = await join({ team: 'three' });
    const lost = new Promise<void>((done) => socket.once('close', () => done()));
    ending();
    await lost;
    await expect.poll(() => left).toContain('three');
  });
});
