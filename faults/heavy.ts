import { createWriteStream, mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import sharp from 'sharp';
import yazl from 'yazl';
import { peakMemory, watchHealth } from './health';
import { Place } from './place';
import type { Result } from './run';

/** Others are answered within that whatever is being made for somebody, ms. */
const ANSWERS_WITHIN = 100;
const ms = (n: number) => `${Math.round(n)} ms`;

/** A zip whose `team.json` is a head, and something written so often. @returns its path, and its size in kB */
async function zipOf(folder: string, head: string, more: string, times: number) {
  const path = join(folder, `${crypto.randomUUID()}.zip`);
  const zip = new yazl.ZipFile();
  const text = function* () {
    yield head;
    const many = more.repeat(1000);
    for (let i = 0; i < times; i += 1000) yield many;
  };
  zip.addReadStream(Readable.from(text()), 'team.json');
  zip.end();
  await pipeline(zip.outputStream, createWriteStream(path));
  return { path, kB: Math.round(statSync(path).size / 1000) };
}

/** Team’s files that were made to keep a server busy or to fill its memory: refused, and everybody else is answered meanwhile. */
export async function files(times: number): Promise<Result> {
  const place = await Place.open();
  const folder = mkdtempSync(join(tmpdir(), 'hour-trail-files-'));
  try {
    const bombs = {
      'a hundred million brackets': await zipOf(folder, '', '[', 100_000_000),
      '27 million rows': await zipOf(folder, '{"tables":{"machine":[{}', ',{}', 27_000_000),
      'rows of 80 million things': await zipOf(
        folder,
        '{"tables":{"machine":[[0]',
        `,[${'{},'.repeat(999)}{}]`,
        80_000
      )
    };
    const odd: string[] = [];
    const figures: string[] = [];
    for (let n = 0; n < times; n++)
      for (const [name, { path, kB }] of Object.entries(bombs)) {
        const over = watchHealth(place);
        const began = performance.now();
        const answer = await fetch(`${place.url}/api/team`, {
          method: 'POST',
          headers: { 'content-type': 'application/zip', cookie: place.cookie },
          body: readFileSync(path)
        });
        const text = await answer.text();
        const took = performance.now() - began;
        const { slowest } = await over();
        if (answer.status !== 422 || slowest > ANSWERS_WITHIN * 5)
          odd.push(`${name}: ${answer.status} ${text.slice(0, 200)}, others waited ${ms(slowest)}`);
        if (n === 0)
          figures.push(`${name} (${kB} kB) refused after ${ms(took)}, others waited ${ms(slowest)}`);
      }
    const peak = peakMemory(place.server.pid!);
    return {
      ok: odd.length === 0 && place.server.isUp,
      figures: `team’s files: ${figures.join('; ')}; ${peak} MB at most`,
      odd
    };
  } finally {
    await place.close();
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Memory of the server while sixty photos of 13 MB come at once: what it has without them, and a few of them, MB. */
const MOST_MEMORY = 1000;

/** Sixty large photos at once, one that claims to be enormous, and twenty papers at once. */
export async function heavy(count: number): Promise<Result> {
  const place = await Place.open();
  try {
    const odd: string[] = [];
    const pixels = Buffer.alloc(4000 * 3000 * 3);
    for (let i = 0; i < pixels.length; i += 4) pixels.writeUInt32LE((Math.random() * 2 ** 32) >>> 0, i);
    const photo = await sharp(pixels, { raw: { width: 4000, height: 3000, channels: 3 } })
      .jpeg({ quality: 92 })
      .toBuffer();
    const before = peakMemory(place.server.pid!);
    const send = (body: Buffer) =>
      fetch(`${place.url}/api/photos?id=${crypto.randomUUID()}`, {
        method: 'POST',
        headers: { 'content-type': 'image/jpeg', cookie: place.cookie },
        body: new Uint8Array(body)
      });
    const photosOver = watchHealth(place);
    const answers = await Promise.all(Array.from({ length: count }, () => send(photo)));
    const duringPhotos = await photosOver();
    const peak = peakMemory(place.server.pid!);
    const taken = answers.filter((a) => a.status === 200).length;
    if (taken !== count) odd.push(`${count - taken} photos not taken`);
    if (peak > MOST_MEMORY) odd.push(`${peak} MB while photos came`);

    const print = () =>
      fetch(`${place.url}/board.pdf`, { headers: { cookie: place.cookie } }).then(async (r) => {
        await r.arrayBuffer();
        return r.status;
      });
    // The first one of a process loads what makes it.
    await print();
    const papers = watchHealth(place);
    const began = performance.now();
    const printed = await Promise.all(Array.from({ length: 20 }, print));
    const took = performance.now() - began;
    const duringPapers = await papers();
    if (printed.some((s) => s !== 200)) odd.push(`papers: ${printed.join(' ')}`);
    if (duringPapers.slowest > ANSWERS_WITHIN)
      odd.push(`others waited ${ms(duringPapers.slowest)} for papers`);
    return {
      ok: odd.length === 0,
      figures: `${count} photos of ${(photo.length / 1e6).toFixed(1)} MB at once: ${taken} taken, ${peak} MB at most (${before} before), others waited ${ms(duringPhotos.slowest)} at most; 20 papers at once in ${ms(took)}, others waited ${ms(duringPapers.slowest)} at most, ${ms(duringPapers.typical)} as a rule`,
      odd
    };
  } finally {
    await place.close();
  }
}
