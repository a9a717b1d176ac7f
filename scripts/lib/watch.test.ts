import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { keepServing, pauseAfter } from './watch.mjs';

let folder: string;
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'hour-trail-watch-'))));
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const starts = () => {
  try {
    return readFileSync(join(folder, 'starts'), 'utf8').length;
  } catch {
    return 0;
  }
};
/** A server that writes a letter when it is started, and then does as it is told. */
function server(then: string) {
  const path = join(folder, 'server.mjs');
  writeFileSync(path, `import { appendFileSync } from 'node:fs';\nappendFileSync('starts', 'x');\n${then}\n`);
  return { command: process.execPath, args: [path], cwd: folder, env: process.env };
}

it('waits longer each time, half a minute at most', () => {
  expect([1, 2, 3, 4].map(pauseAfter)).toEqual([200, 400, 800, 1600]);
  expect(pauseAfter(9)).toBe(30_000);
  expect(pauseAfter(5000)).toBe(30_000);
});

it('a server that dies as often as it is started is started again all the same', async () => {
  const pauses: number[] = [];
  const kept = keepServing(server('process.exit(1)'), { pause: (deaths) => (pauses.push(deaths), 1) });
  await expect.poll(starts, { timeout: 20_000 }).toBeGreaterThan(8);
  await kept.stop();
  expect(pauses.slice(0, 8)).toEqual([1, 2, 3, 4, 5, 6, 7, 8]);
});

it('stopping lets the server end by itself, and is over when it has', async () => {
  const kept = keepServing(
    server(
      `process.on('SIGTERM', () => setTimeout(() => { appendFileSync('ended', 'yes'); process.exit(0); }, 300));\nsetInterval(() => {}, 1000);\nappendFileSync('ready', 'y');`
    )
  );
  await expect.poll(() => readFileSync(join(folder, 'ready'), { encoding: 'utf8', flag: 'a+' })).toBe('y');
  await kept.stop();
  expect(readFileSync(join(folder, 'ended'), 'utf8')).toBe('yes');
  expect(starts()).toBe(1);
});

it('one that does not end is ended', async () => {
  const kept = keepServing(
    server(`process.on('SIGTERM', () => {});\nsetInterval(() => {}, 1000);\nappendFileSync('ready', 'y');`),
    { endWithin: 50 }
  );
  await expect.poll(() => readFileSync(join(folder, 'ready'), { encoding: 'utf8', flag: 'a+' })).toBe('y');
  await kept.stop();
  expect(starts()).toBe(1);
});
