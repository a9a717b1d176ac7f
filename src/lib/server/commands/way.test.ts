import { readFile } from 'node:fs/promises';
import { Session } from 'node:inspector/promises';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { openBook, NOW, TODAY, uuid, type Book } from '../../../../tests/database/book';
import { runCommands } from './run';

/** The files of the server that one write goes through: the way that docs/architecture.md draws. */
let book: Book;
beforeAll(async () => {
  book = await openBook();
});
afterAll(() => book.close());

it('one reading', async () => {
  const log = (typed: string, minutes: number) =>
    runCommands(
      book.sql,
      { team: book.team, person: { id: book.personId, role: 'mechanic' }, device: 'a test' },
      [
        {
          id: uuid(),
          kind: 'reading.log',
          at: NOW.toISOString(),
          body: { id: uuid(), machineId: book.machineId, typed, day: TODAY, outing: 'ride' },
          after: null
        }
      ],
      () => new Date(NOW.getTime() + minutes * 60_000),
      (e) => {
        throw e;
      }
    );
  expect((await log('38.9', 30))[0]!.ok).toBe(true);
  const session = new Session();
  session.connect();
  await session.post('Profiler.enable');
  await session.post('Profiler.startPreciseCoverage', { callCount: true, detailed: false });
  const [outcome] = await log('39.1', 60);
  const { result } = await session.post('Profiler.takePreciseCoverage');
  session.disconnect();
  expect(outcome!.ok).toBe(true);
  const passed = result.flatMap(({ url, functions }) => {
    const file = /src\/lib\/server\/(.*)\.ts$/.exec(url)?.[1];
    const called = functions.filter((f) => f.functionName !== '' && f.ranges.some((r) => r.count > 0));
    return file && !file.endsWith('.test') && called.length > 0 ? [file] : [];
  });
  const doc = await readFile('docs/architecture.md', 'utf8');
  const drawn = /```text\n(.*?)```/s
    .exec(doc)![1]!
    .trim()
    .split('\n')
    .map((line) => line.split(' ')[0]!);
  expect(passed.sort()).toEqual(drawn.sort());
});
