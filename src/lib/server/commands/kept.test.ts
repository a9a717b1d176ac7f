import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { everyBody } from '../../../../tests/database/bodies';
import { uuid } from '../../../../tests/database/book';
import { later, Pit } from '../../../../tests/database/pit';
import { COMMANDS, KINDS, type Kind } from '../../core/command/commands';
import { keptOf, mostBytes } from '../../core/command/kept';
import type { Envelope } from '../../core/command/envelope';
import { runCommands } from './run';

let pit: Pit;
let bodies: ReturnType<typeof everyBody>;
beforeAll(async () => {
  pit = await Pit.open();
  await pit.sql`update person set role = 'chief mechanic' where id = ${pit.book.personId}`;
  bodies = everyBody(pit);
});
afterAll(() => pit.book.close());

const kinds = KINDS.filter((k): k is Exclude<Kind, 'team.found'> => k !== 'team.found');
const JUNK = 'x'.repeat(2000);
/** What holds words by names that somebody picked: there another name is read, and refused. */
const BY_NAME = ['sensitivity'];
/** The same with a key at every depth that nobody reads. */
function junked(v: unknown): unknown {
  if (Array.isArray(v)) return v.map(junked);
  if (typeof v !== 'object' || v === null) return v;
  const inner = Object.entries(v).map(([k, of]) => [k, BY_NAME.includes(k) ? of : junked(of)]);
  return { ...Object.fromEntries(inner), junk: JUNK };
}
const send = async (kind: Kind, body: unknown, id = uuid()) => {
  const c: Envelope = { id, kind, at: '2026-06-12T00:00:00Z', body, after: null };
  const [outcome] = await runCommands(
    pit.sql,
    { team: pit.book.team, person: { id: pit.book.personId, role: 'chief mechanic' }, device: 'a test' },
    [c],
    () => later(48),
    (e) => {
      throw e;
    }
  );
  return outcome!;
};

describe('what is kept of a body', () => {
  it('is what its kind reads, as it was typed: of every kind, at every depth', () => {
    for (const kind of kinds) {
      const kept = keptOf(kind, junked(bodies[kind]));
      const as = (body: unknown) => {
        const { success, data } = COMMANDS[kind].safeParse(body);
        return [kind, success, data];
      };
      expect(as(kept)).toEqual(as(bodies[kind]));
      expect([kind, JSON.stringify(kept).includes(JUNK)]).toEqual([kind, false]);
      expect(keptOf(kind, kept)).toEqual(kept);
    }
  });
  it('holds nothing that a person typed back: what is whole stays whole', () => {
    for (const kind of kinds) {
      const typed = JSON.parse(JSON.stringify(bodies[kind])) as Record<string, unknown>;
      expect([kind, keptOf(kind, typed)]).toEqual([kind, typed]);
    }
  });
  it('leaves to be refused what no schema takes', () => {
    for (const kind of kinds)
      for (const body of [null, undefined, 5, 'x', [], [[]]]) expect(keptOf(kind, body)).toEqual(body);
  });
});

it('keys that nobody reads are not in the book, and the same sent again with them or without is the same', async () => {
  const id = uuid();
  const body = { id: uuid(), machineId: pit.book.machineId, what: 'Loose spoke', severity: 'watch' };
  expect(await send('finding.add', { ...body, junk: JUNK.repeat(800) }, id)).toMatchObject({ ok: true });
  const [kept] = await pit.sql`select body, bytes from command where id = ${id}`;
  expect(kept).toEqual({ body, bytes: expect.any(Number) });
  expect(kept!.bytes).toBeLessThan(300);
  expect(await send('finding.add', body, id)).toMatchObject({ ok: true });
  expect(await send('finding.add', { ...body, what: 'Loose bolt' }, id)).toMatchObject({ ok: false });
});

it('a command kept before that, with such keys in it, is known when it is sent again', async () => {
  const { team, personId, machineId } = pit.book;
  const id = uuid();
  const body = { id: uuid(), machineId, what: 'Loose spoke', severity: 'watch', old: 'yes' };
  await pit.sql`
    insert into command (team_id, id, kind, person_id, at, body, answer) values (${team.id}, ${id}, 'finding.add', ${personId}, now(), ${pit.sql.json(body)}, 'null')`;
  expect(await send('finding.add', body, id)).toMatchObject({ ok: true });
});

it('a body that is more than one entry holds is refused in words', async () => {
  const rows = Array.from({ length: 500 }, () => ({
    id: uuid(),
    machineId: pit.book.machineId,
    typed: '41',
    day: '2026-06-12',
    remark: 'r'.repeat(3000)
  }));
  expect(await send('reading.paste', { rows })).toMatchObject({
    ok: false,
    errors: { '': expect.stringContaining('1000 kB') }
  });
  expect(mostBytes('finding.add')).toBeLessThan(200_000);
});
