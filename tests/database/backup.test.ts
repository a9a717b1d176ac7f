import {
  appendFileSync,
  chmodSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, it } from 'vitest';
import {
  backUp,
  backUpAndTell,
  KEPT,
  listBackups,
  lookAt,
  readStatus,
  restore
} from '../../scripts/lib/backup.mjs';
import { ownCluster } from '../../scripts/lib/postgres.mjs';
import { connect, type Sql } from '../../src/lib/server/db';
import { openBook, uuid, type Book } from './book';

let book: Book;
let folder: string;
let path: string;
let url: string;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'hour-trail-backup-'));
  chmodSync(folder, 0o755);
  book = await openBook();
  url = book.url;
  // A photo, and letters beyond Latin.
  await book.sql`update machine set name = 'Řehoř 例' where id = ${book.machineId}`;
  const made = await backUp(url, join(folder, 'backups'), new Date('2026-11-29T02:30:00Z'));
  path = made.path;
});
afterAll(async () => {
  await book.close();
  rmSync(folder, { recursive: true, force: true });
});

/** Every row of every table, in an order of its own. */
async function everything(sql: Sql): Promise<Record<string, string>> {
  const tables = await sql`
    select table_name as t from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE' order by 1`;
  return Object.fromEntries(
    await Promise.all(
      tables.map(async ({ t }) => {
        const [row] = await sql.unsafe(
          `select count(*) || ' ' || coalesce(md5(string_agg(x::text, '|' order by x::text)), '') as sum from ${t as string} x`
        );
        return [t as string, row!['sum'] as string];
      })
    )
  );
}

it('a backup put back on another server, on another port, is the same book; nothing of it is worked out anew', async () => {
  const other = await ownCluster({ folder: join(folder, 'other'), throwaway: true });
  try {
    expect(new URL(other.url).port).not.toBe(new URL(url).port);
    expect(await restore(other.url, path)).toEqual({ made: '2026-11-29T02:30:00.000Z', before: null });
    const sql = connect(other.url, 2);
    expect(await everything(sql)).toEqual(await everything(book.sql));
    // What is written since is put away, not lost.
    await sql`update machine set name = 'After'`;
    await sql.end();
    const { before } = await restore(other.url, path);
    const [again, old] = [connect(other.url, 1), connect(other.url.replace('/hour_trail', `/${before}`), 1)];
    expect((await again`select name from machine limit 1`)[0]).toEqual({ name: 'Řehoř 例' });
    expect((await old`select name from machine limit 1`)[0]).toEqual({ name: 'After' });
    await Promise.all([again.end(), old.end()]);
  } finally {
    await other.stop();
  }
});

it('one that is not whole, or none, is put back nowhere', async () => {
  const broken = join(folder, 'broken.backup');
  const whole = readFileSync(path);
  const bent = Buffer.from(whole);
  bent[1000]! ^= 1;
  for (const bytes of [
    bent,
    whole.subarray(0, whole.length - 100),
    Buffer.alloc(0),
    Buffer.from('no backup at all')
  ]) {
    writeFileSync(broken, bytes);
    await expect(restore(url, broken)).rejects.toThrow(/not whole/);
  }
  writeFileSync(broken, whole);
  appendFileSync(broken, 'x');
  await expect(lookAt(broken)).rejects.toThrow(/not whole/);
  await expect(lookAt(join(folder, 'nothing'))).rejects.toThrow(/no file/);
});

it('fourteen are kept; one that fails is said, and leaves nothing half', async () => {
  const many = join(folder, 'many');
  for (let day = 1; day <= KEPT + 2; day++) await backUp(url, many, new Date(Date.UTC(2026, 9, day, 2)));
  expect(listBackups(many)).toHaveLength(KEPT);
  expect(listBackups(many)[0]).toBe('hour-trail-2026-10-16T020000Z.backup');
  expect(listBackups(many).at(-1)).toBe('hour-trail-2026-10-03T020000Z.backup');
  expect(await backUpAndTell(url, many, new Date(Date.UTC(2026, 9, 20, 2)))).toBeNull();
  const gone = url.replace(/\/[^/]+$/, `/t_${uuid().replaceAll('-', '')}`);
  expect(await backUpAndTell(gone, many, new Date(Date.UTC(2026, 9, 21, 2)))).toMatch(/\w/);
  expect(readStatus(many)).toMatchObject({
    last: '2026-10-20T02:00:00.000Z',
    tried: '2026-10-21T02:00:00.000Z',
    error: expect.any(String)
  });
  expect(readdirSync(many).filter((n) => n.startsWith('.part'))).toEqual([]);
});
