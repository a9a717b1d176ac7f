import { performance } from 'node:perf_hooks';
import { dueLines, mostPressingLines } from '../src/lib/core/schedule/fleet';
import { connect } from '../src/lib/server/base/db';
import { DUE_PAGE, readDues } from '../src/lib/server/schedule/dues';
import { refreshStanding } from '../src/lib/server/book/standing';
import { readCalendar } from '../src/lib/server/trail/lanes';
import { dayOf } from '../src/lib/core/time/day';
import type { Team } from '../src/lib/core/team/team';

/** How long the due list of a whole fleet takes to work out from loaded data, against the SQL that loads it. */
const [url, teamId] = process.argv.slice(2);
const sql = connect(url!, 2);
const team: Team = { id: teamId!, name: '', timeZone: 'Europe/London', isDemo: false };
const today = dayOf(new Date(), team.timeZone);
const median = (list: number[]) => [...list].sort((a, b) => a - b)[list.length >> 1]!;
const timed = async <T>(times: number[], run: () => T | Promise<T>): Promise<T> => {
  const started = performance.now();
  const result = await run();
  times.push(performance.now() - started);
  return result;
};

const loading: number[] = [];
const working: number[] = [];
let tasks = 0;
let machines = 0;
for (let i = 0; i < 12; i++) {
  const loaded = await timed(loading, async () =>
    readDues(sql, team, await readCalendar(sql, team.id, today))
  );
  machines = loaded.length;
  await timed(working, () => {
    const lines = dueLines(loaded, today);
    tasks = lines.length;
    return mostPressingLines(lines, 0, DUE_PAGE);
  });
}

// A reading works out one machine: every other standing stays the very row it was.
const [{ id }] = (await sql`select id from machine where team_id = ${team.id} limit 1`) as unknown as [
  { id: string }
];
const versions = () =>
  sql`select machine_id, xmin::text as version from machine_standing where team_id = ${team.id} order by machine_id`;
const before = await versions();
const refreshing: number[] = [];
await timed(refreshing, () => sql.begin((tx) => refreshStanding(tx, team.id, id)));
const after = await versions();
const touched = after.filter((r, i) => r.version !== before[i]!.version).length;
console.log(
  JSON.stringify({
    machines,
    tasks,
    load: median(loading),
    work: median(working),
    touched,
    refresh: refreshing[0]
  })
);
await sql.end();
