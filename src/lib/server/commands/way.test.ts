import { execFile } from 'node:child_process';
import { readFile } from 'node:fs/promises';
import { promisify } from 'node:util';
import { expect, it } from 'vitest';
import { openBook, NOW, TODAY } from '../../../../tests/database/book';

/** The files of the server that one write goes through are those that docs/architecture.md draws. */
it('one reading', async () => {
  const book = await openBook();
  try {
    const { url, team, personId, machineId } = book;
    const of = JSON.stringify({ url, team, personId, machineId, day: TODAY, now: NOW.toISOString() });
    const { stdout } = await promisify(execFile)(process.execPath, [
      '--import',
      'tsx',
      'tests/database/one-reading.ts',
      of
    ]);
    const passed = JSON.parse(stdout.trim().split('\n').at(-1)!) as string[];
    const doc = await readFile('docs/architecture.md', 'utf8');
    const drawn = /```text\n(.*?)```/s
      .exec(doc)![1]!
      .trim()
      .split('\n')
      .map((line) => line.split(' ')[0]!);
    expect(passed.sort()).toEqual(drawn.sort());
  } finally {
    await book.close();
  }
});
