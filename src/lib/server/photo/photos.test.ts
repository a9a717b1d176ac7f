import { startVisit, addPhoto, giveUpVisit } from '../../../../tests/database/hands';
import { crc32, deflateSync } from 'node:zlib';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Book, NOW, openBook, uuid } from '../../../../tests/database/book';
import { startSchema } from '../../core/visit/form';
import { listPhotos, readPhoto } from './photos';
import { makePhoto } from './picture';
import { Refusal } from '../base/refusal';

let book: Book;
beforeAll(async () => {
  book = await openBook();
});
afterAll(() => book.close());
const start = () =>
  startVisit(
    book.sql,
    book.team,
    book.personId,
    startSchema.parse({ id: uuid(), machineId: book.machineId, jobs: [{ taskId: book.taskId }] }),
    NOW
  );

/** The first bytes of a PNG, and nothing of a picture. */
function pngThatSays(width: number, height: number): Buffer {
  const chunk = (type: string, data: Buffer) => {
    const body = Buffer.concat([Buffer.from(type), data]);
    const [length, sum] = [Buffer.alloc(4), Buffer.alloc(4)];
    length.writeUInt32BE(data.length);
    sum.writeUInt32BE(crc32(body));
    return Buffer.concat([length, body, sum]);
  };
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width);
  head.writeUInt32BE(height, 4);
  head.set([8, 6], 8);
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    chunk('IHDR', head),
    chunk('IDAT', deflateSync(Buffer.alloc(1000))),
    chunk('IEND', Buffer.alloc(0))
  ]);
}

describe('photos', () => {
  const picture = (width: number, height: number) =>
    sharp({ create: { width, height, channels: 3, background: '#884422' } });
  it('are made anew from their pixels, small, and without what came with them', async () => {
    const sent = await picture(3000, 2000)
      .withExif({ IFD0: { Copyright: 'somebody' } })
      .png()
      .toBuffer();
    const made = await makePhoto(sent);
    expect([made.width, made.height]).toEqual([1600, 1067]);
    const back = await sharp(made.jpeg).metadata();
    expect([back.format, back.exif]).toEqual(['jpeg', undefined]);
    expect((await sharp(made.small).metadata()).width).toBe(320);
  });
  it('are refused where they are none, however they are called', async () => {
    const svg = Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" width="10" height="10"><script>1</script></svg>'
    );
    for (const sent of [
      Buffer.from('MZ not a photo'),
      svg,
      Buffer.alloc(0),
      (await picture(50, 50).jpeg().toBuffer()).subarray(0, 120)
    ])
      await expect(makePhoto(sent)).rejects.toBeInstanceOf(Refusal);
    await expect(makePhoto(new Uint8Array(40 * 1024 * 1024))).rejects.toThrow(/15 MB/);
  });
  it('that say they are larger than any are refused by what they say, before a pixel is unpacked', async () => {
    for (const [width, height] of [
      [60_000_000, 1],
      [1, 60_000_000],
      [40_000, 40_000],
      [9000, 9000]
    ] as const)
      await expect(makePhoto(pngThatSays(width, height))).rejects.toThrow(/60 million pixels|broken one/);
  });
  it('belong to a step of a visit that is open, once each', async () => {
    const id = await start();
    const photo = { id: uuid(), visitId: id, stepKey: 'gather' };
    const sent = await picture(40, 30).jpeg().toBuffer();
    const add = (p: typeof photo) => addPhoto(book.sql, book.team.id, book.personId, p, sent);
    await add(photo);
    await add(photo);
    await expect(add({ ...photo, id: uuid(), stepKey: 'nowhere' })).rejects.toThrow(/no such step/);
    expect(await listPhotos(book.sql, book.team.id, id)).toHaveLength(1);
    expect((await readPhoto(book.sql, book.team.id, photo.id, true))!.subarray(0, 2)).toEqual(
      Buffer.from([0xff, 0xd8])
    );
    expect(await readPhoto(book.sql, uuid(), photo.id, true)).toBeNull();
    await giveUpVisit(book.sql, book.team.id, id, 'only a look');
    await expect(add({ ...photo, id: uuid() })).rejects.toThrow(/closed/);
  });
});
