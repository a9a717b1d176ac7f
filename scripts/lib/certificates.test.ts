import { mkdtempSync, readdirSync, rmSync, statSync } from 'node:fs';
import { createServer, request } from 'node:https';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { certificates, isPrivate } from './certificates.mjs';

const folder = mkdtempSync(join(tmpdir(), 'hour-trail-tls-'));
const NAMES = ['192.168.7.20', 'tent.local', 'localhost', '127.0.0.1', '203.0.113.9', 'book.example'];
let made: Awaited<ReturnType<typeof certificates>>;
beforeAll(async () => {
  made = await certificates(folder, NAMES);
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

it.each(['10.1.2.3', '172.16.0.1', '172.31.255.1', '192.168.0.9', '169.254.3.3', '127.0.0.1'])(
  '%s is private',
  (a) => expect(isPrivate(a)).toBe(true)
);
it.each(['172.32.0.1', '11.0.0.1', '203.0.113.9', '8.8.8.8', 'tent.local', '::1', ''])('%s is not', (a) =>
  expect(isPrivate(a)).toBe(false)
);

it('keeps its keys where only the server’s user reads them', () => {
  expect(statSync(folder).mode & 0o777).toBe(0o700);
  expect(readdirSync(folder).sort()).toEqual(['authority.crt', 'authority.key', 'server.crt', 'server.key']);
  for (const f of readdirSync(folder)) expect(statSync(join(folder, f)).mode & 0o777).toBe(0o600);
});

/** Asks a server with those certificates, as a phone that trusts the authority: by that name. */
function ask(servername: string, authority = made.authority): Promise<string> {
  return new Promise((resolve, reject) => {
    const server = createServer({ key: made.key, cert: made.certificate }, (_, r) => r.end('trail'));
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address() as AddressInfo;
      const asked = request(
        { host: '127.0.0.1', port, servername, ca: authority, headers: { host: servername } },
        (r) => {
          let text = '';
          r.on('data', (d: Buffer) => (text += d.toString()));
          r.on('end', () => {
            server.close();
            resolve(text);
          });
        }
      );
      asked.on('error', (e) => {
        server.close();
        reject(e);
      });
      asked.end();
    });
  });
}

describe('a phone that trusts the authority', () => {
  it('trusts this server under its names', async () => {
    expect(await ask('tent.local')).toBe('trail');
    expect(await ask('localhost')).toBe('trail');
  });
  it('and under no name that is not its own', async () => {
    await expect(ask('book.example')).rejects.toThrow(/altnames/i);
  });
  it('another authority’s word is nothing', async () => {
    const other = mkdtempSync(join(tmpdir(), 'hour-trail-tls-'));
    const { authority } = await certificates(other, NAMES);
    await expect(ask('tent.local', authority)).rejects.toThrow(/signature|self-signed|unable to/i);
    rmSync(other, { recursive: true, force: true });
  });
});

it('stays what it is until it is nearly over, or the addresses are others', async () => {
  expect(await certificates(folder, NAMES)).toEqual(made);
  const moved = await certificates(folder, [...NAMES, '10.9.8.7']);
  expect(moved.authority).toBe(made.authority);
  expect(moved.certificate).not.toBe(made.certificate);
  const late = await certificates(folder, NAMES, Date.now() + 380 * 86_400_000);
  expect(late.authority).toBe(made.authority);
  expect(late.certificate).not.toBe(moved.certificate);
});
