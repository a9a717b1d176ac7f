import { createWriteStream } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { Readable } from 'node:stream';
import sharp from 'sharp';
import yazl from 'yazl';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { freshDatabase } from '../../../../tests/database/cluster';
import { TEAM_JSON } from '../../core/exchange/team/file';
import type { Paper } from '../../core/paper/paper';
import { takeInByWorker } from '../exchange/team/take';
import { work } from './pool';

let folder: string;
let database: Awaited<ReturnType<typeof freshDatabase>>;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'work-'));
  database = await freshDatabase();
});
afterAll(async () => {
  await database.drop();
  await rm(folder, { recursive: true, force: true });
});

const paper: Paper = { title: 'Job card', machine: null, under: [], opens: null, blocks: [] };

it('papers and photos are made by a worker; what is no photo is refused in words', async () => {
  const [pdf, photo, none] = await Promise.all([
    work('paper', ['A4', paper, 'http://127.0.0.1:4780']),
    work(
      'photo',
      await sharp({ create: { width: 30, height: 20, channels: 3, background: '#884422' } })
        .png()
        .toBuffer()
    ),
    work('photo', Buffer.from('MZ no photo'))
  ]);
  expect(Buffer.from(pdf).subarray(0, 5).toString()).toBe('%PDF-');
  expect(photo).toMatchObject({ ok: true, made: { width: 30, height: 20 } });
  expect(none).toEqual({ ok: false, words: 'Not a photo, or a broken one: JPEG, PNG or WebP.' });
});

it('a job that fails says so to who asked, and the next one is done', async () => {
  await expect(work('paper', ['A4', { ...paper, blocks: null as never }, ''])).rejects.toThrow();
  expect((await work('paper', ['LETTER', paper, ''])).length).toBeGreaterThan(500);
});

it('a team’s file that was made to keep a server busy is refused, and nothing of it is kept', async () => {
  async function fileOf(head: string, more: string, times: number): Promise<string> {
    const path = join(folder, `${crypto.randomUUID()}.zip`);
    const zip = new yazl.ZipFile();
    const text = function* () {
      yield head;
      for (let i = 0; i < times; i += 1000) yield more.repeat(1000);
    };
    zip.addReadStream(Readable.from(text()), TEAM_JSON);
    zip.end();
    await pipeline(zip.outputStream, createWriteStream(path));
    return path;
  }
  for (const [file, words] of [
    [await fileOf('', '[', 20_000_000), /nested deeper/],
    [await fileOf('{"tables":{"machine":[{}', ',{}', 3_000_000), /more rows/],
    [await fileOf('{"tables":{"machine":[0', ',0', 2_000_000), /longer than any/]
  ] as const)
    await expect(takeInByWorker(file, null, database.url)).rejects.toMatchObject({
      errors: { file: expect.stringMatching(words) }
    });
});
