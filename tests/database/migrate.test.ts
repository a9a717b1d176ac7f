import { cpSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { freshDatabase } from './cluster';
import { connect, migrate } from '../../scripts/lib/migrate.mjs';

describe('migrations', () => {
  let folder: string;
  let database: Awaited<ReturnType<typeof freshDatabase>>;
  beforeAll(() => {
    folder = mkdtempSync(join(tmpdir(), 'migrations-'));
  });
  afterAll(() => rmSync(folder, { recursive: true }));
  beforeEach(async () => {
    cpSync(new URL('../../db/migrations', import.meta.url).pathname, folder, { recursive: true });
    database = await freshDatabase();
  });
  afterEach(async () => {
    rmSync(join(folder, '9000_more.sql'), { force: true });
    await database.drop();
  });
  const go = () => migrate(database.url, folder);

  it('are applied once', async () => expect(await go()).toEqual([]));
  it('go forward, each whole or not at all', async () => {
    writeFileSync(join(folder, '9000_more.sql'), 'create table one (); create table two (nonsense);');
    await expect(go()).rejects.toThrow();
    writeFileSync(join(folder, '9000_more.sql'), 'create table one ();');
    expect(await go()).toEqual(['9000_more.sql']);
    expect(await go()).toEqual([]);
  });
  it('refuse a file that was changed after it was applied', async () => {
    writeFileSync(join(folder, '9000_more.sql'), 'create table one ();');
    await go();
    writeFileSync(join(folder, '9000_more.sql'), 'create table one (); -- improved');
    await expect(go()).rejects.toThrow(/was changed after it was applied/);
  });
  it('refuse a database that a newer version made', async () => {
    writeFileSync(join(folder, '9000_more.sql'), 'select 1;');
    await go();
    rmSync(join(folder, '9000_more.sql'));
    await expect(go()).rejects.toThrow(/newer Hour Trail/);
  });
  it('wait for one another when two starts meet', async () => {
    writeFileSync(join(folder, '9000_more.sql'), 'create table one ();');
    expect((await Promise.all([go(), go()])).flat()).toEqual(['9000_more.sql']);
  });
});

describe('a database that cannot be used is said in one sentence', () => {
  it.each([
    ['nonsense', /not an address/],
    ['postgres://x:y@127.0.0.1:1/none', /Nothing answers at 127\.0\.0\.1:1/]
  ])('%s', async (url, sentence) => expect(connect(url)).rejects.toThrow(sentence));
  it('a wrong password, or no such database', async () => {
    const url = new URL(process.env.HOUR_TRAIL_TEST_URL!);
    url.pathname = '/not_there';
    await expect(connect(url.href)).rejects.toThrow(/There is no database/);
    url.password = 'wrong';
    await expect(connect(url.href)).rejects.toThrow(/refuses this user or password/);
  });
});
