/**
 * Writes two readings in a process of its own, where nothing else goes on, and prints the files of the server that the second went
 * through, by V8's own counts.
 * @example node --import tsx tests/database/one-reading.ts '{"url": …, "team": …, "personId": …, "machineId": …, "day": …, "now": …}'
 */
import { Session } from 'node:inspector/promises';
import { connect } from '../../src/lib/server/base/db';
import { runCommands } from '../../src/lib/server/commands/run';

const { url, team, personId, machineId, day, now } = JSON.parse(process.argv[2]!);
const sql = connect(url);
const log = async (typed: string, minutes: number): Promise<void> => {
  const [outcome] = await runCommands(
    sql,
    { team, person: { id: personId, role: 'mechanic' }, device: 'a test' },
    [
      {
        id: crypto.randomUUID(),
        kind: 'reading.log',
        at: now,
        body: { id: crypto.randomUUID(), machineId, typed, day, outing: 'ride' },
        after: null
      }
    ],
    () => new Date(Date.parse(now) + minutes * 60_000),
    (e) => {
      throw e;
    }
  );
  if (!outcome!.ok) throw new Error(JSON.stringify(outcome));
};
// What is asked for once and remembered is behind it then.
await log('38.9', 30);
const session = new Session();
session.connect();
await session.post('Profiler.enable');
await session.post('Profiler.startPreciseCoverage', { callCount: true, detailed: false });
await log('39.1', 60);
const { result } = await session.post('Profiler.takePreciseCoverage');
await sql.end();
const files = result.flatMap(({ url: of, functions }) => {
  const file = /src\/lib\/server\/(.*)\.ts$/.exec(of)?.[1];
  const called = functions.some((f) => f.ranges.some((r) => r.count > 0));
  return file && called ? [file] : [];
});
console.log(`\n${JSON.stringify(files)}`);
