import { afterAll, beforeAll, expect, it } from 'vitest';
import { everyBody } from '../../../../tests/database/bodies';
import { uuid } from '../../../../tests/database/book';
import { later, Pit } from '../../../../tests/database/pit';
import { KINDS, type Kind } from '../../core/command/commands';
import type { Envelope } from '../../core/command/envelope';
import { connect, type Sql } from '../base/db';
import { runCommands } from './run';

/**
 * Every command sent twenty times at the same moment, from one person and from five: some are taken, some refused, and none stands in
 * another's way so that both have to begin again, or so long that it is told the database is away.
 */
let pit: Pit;
let sql: Sql;
let people: string[];
beforeAll(async () => {
  pit = await Pit.open();
  sql = connect(pit.book.url, 20);
  const { team, personId } = pit.book;
  people = [personId, ...Array.from({ length: 4 }, uuid)];
  for (const [i, id] of people.slice(1).entries())
    await sql`insert into person (team_id, id, name, role) values (${team.id}, ${id}, ${`Hand ${i}`}, 'chief mechanic')`;
  await sql`update person set role = 'chief mechanic' where id = ${personId}`;
});
afterAll(async () => {
  await pit.book.close();
});

const AT_ONCE = 20;

it.each([
  ['one person', 1],
  ['five people', 5]
] as const)(
  'from %s',
  async (_, count) => {
    const before = await deadlocks();
    const bodies = everyBody(pit);
    const odd: unknown[] = [];
    const send = async (kind: Kind, body: unknown, personId: string) => {
      const c: Envelope = { id: uuid(), kind, at: '2026-06-12T00:00:00Z', body, after: null };
      const [outcome] = await runCommands(
        sql,
        { team: pit.book.team, person: { id: personId, role: 'chief mechanic' }, device: 'at once' },
        [c],
        () => later(48),
        (error) => {
          odd.push([kind, error]);
          return 'fault';
        }
      );
      if (!outcome!.ok && outcome!.more['retry']) odd.push([kind, outcome!.errors]);
    };
    for (const kind of KINDS) {
      if (kind === 'team.found') continue;
      const body = bodies[kind];
      await Promise.all(
        Array.from({ length: AT_ONCE }, (_, i) => {
          const fresh = 'id' in body && i > 0 ? { id: uuid() } : {};
          // Roles change hands, so that each holds what another is about to.
          const of =
            kind === 'person.role' ? { personId: people[i % people.length], role: 'chief mechanic' } : {};
          return send(kind, { ...body, ...fresh, ...of }, people[i % count]!);
        })
      );
    }
    expect(odd).toEqual([]);
    // What a connection saw is counted when it ends.
    await sql.end();
    sql = connect(pit.book.url, AT_ONCE);
    expect(await deadlocks()).toBe(before);
  },
  180_000
);

async function deadlocks(): Promise<number> {
  const [row] =
    await sql`select deadlocks::int as n from pg_stat_database where datname = current_database()`;
  return row!.n as number;
}
