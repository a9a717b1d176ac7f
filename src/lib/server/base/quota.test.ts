import { afterAll, afterEach, beforeAll, expect, it } from 'vitest';
import sharp from 'sharp';
import { Door } from '../../../../tests/database/door';
import { openBook, uuid } from '../../../../tests/database/book';
import { uploadPhoto } from '../photo/photos';
import { takenBy } from './quota';

let door: Door;
beforeAll(async () => {
  door = await Door.open();
});
afterAll(() => door.book.close());
afterEach(() => {
  delete process.env.HOUR_TRAIL_MOST_ENTRIES;
  delete process.env.HOUR_TRAIL_MOST_WRITTEN_MB;
  delete process.env.HOUR_TRAIL_MOST_PHOTOS_MB;
});
const finding = (d: Door) =>
  d.send(d.chief, 'finding.add', {
    id: uuid(),
    machineId: d.book.machineId,
    what: 'Loose',
    severity: 'watch'
  });

it('a team that wrote as much as it may within a day waits; another one does not', async () => {
  const { sql, team } = door.book;
  expect(await finding(door)).toMatchObject({ ok: true });
  const { entries } = await takenBy(sql, team.id, new Date());
  process.env.HOUR_TRAIL_MOST_ENTRIES = String(entries + 2);
  // Many at once are counted each.
  const outcomes = await Promise.all(Array.from({ length: 6 }, () => finding(door)));
  expect(outcomes.filter((o) => o.ok)).toHaveLength(2);
  const refused = outcomes.find((o) => !o.ok);
  expect(refused).toMatchObject({
    errors: { '': expect.stringContaining('within a day') },
    more: { retry: true }
  });
  expect(await sql`select count(*)::int as n from finding where what = 'Loose'`).toEqual([{ n: 3 }]);
  const other = await Door.open();
  expect(await finding(other)).toMatchObject({ ok: true });
  await other.book.close();
  process.env.HOUR_TRAIL_MOST_ENTRIES = '1000';
  expect(await finding(door)).toMatchObject({ ok: true });
});

it('what its entries say is counted in bytes', async () => {
  const small = await Door.open();
  expect(await finding(small)).toMatchObject({ ok: true });
  const { written } = await takenBy(small.book.sql, small.book.team.id, new Date());
  expect(written).toBeGreaterThan(80);
  process.env.HOUR_TRAIL_MOST_WRITTEN_MB = String((written + 200) / 1e6);
  const outcomes = [await finding(small), await finding(small), await finding(small)];
  expect(outcomes.map((o) => o.ok)).toEqual([true, false, false]);
  expect(outcomes[1]).toMatchObject({
    errors: { '': expect.stringContaining('MB within a day') },
    more: { retry: true }
  });
  await small.book.close();
});

it('what was written before the day counts no more', async () => {
  const { sql, team } = door.book;
  const now = new Date();
  const { entries } = await takenBy(sql, team.id, now);
  expect(entries).toBeGreaterThan(0);
  expect((await takenBy(sql, team.id, new Date(now.getTime() + 25 * 3_600_000))).entries).toBe(0);
});

it('photos are kept up to so many bytes of a team', async () => {
  const { sql, team, personId } = await openBook();
  const pixels = await sharp({
    create: {
      width: 400,
      height: 300,
      channels: 3,
      background: { r: 90, g: 80, b: 70 },
      noise: { type: 'gaussian', mean: 128, sigma: 60 }
    }
  })
    .jpeg()
    .toBuffer();
  await uploadPhoto(sql, team.id, personId, uuid(), async () => pixels);
  // Also before anybody said where it belongs.
  expect((await takenBy(sql, team.id, new Date())).photos).toBeGreaterThan(10_000);
  process.env.HOUR_TRAIL_MOST_PHOTOS_MB = '0.02';
  await expect(uploadPhoto(sql, team.id, personId, uuid(), async () => pixels)).rejects.toMatchObject({
    errors: { photo: expect.stringContaining('Who runs the server') }
  });
  expect(await sql`select count(*)::int as n from photo_upload where team_id = ${team.id}`).toEqual([
    { n: 1 }
  ]);
});
