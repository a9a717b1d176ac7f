import { createWriteStream, readdirSync } from 'node:fs';
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { Ajv2020 } from 'ajv/dist/2020.js';
import addFormats from 'ajv-formats';
import sharp from 'sharp';
import yazl from 'yazl';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { loadDemo } from '../../../../../demo/loader';
import { writeAtRandom } from '../../../../../tests/database/at-random';
import { uuid } from '../../../../../tests/database/book';
import { freshDatabase } from '../../../../../tests/database/cluster';
import { Pit } from '../../../../../tests/database/pit';
import { photoName, teamFileJsonSchema, TEAM_JSON } from '../../../core/exchange/team/file';
import { TABLE_NAMES, TABLES } from '../../../core/exchange/team/tables';
import type { Team } from '../../../core/team/team';
import { connect, type Sql } from '../../base/db';
import { makePhoto } from '../../photo/picture';
import { getDemoTeam, getTeam } from '../../team/teams';
import { takeTeamIn } from './in';
import { writeTeamFile } from './out';
import { openZip } from './zip';

let folder: string;
let database: Awaited<ReturnType<typeof freshDatabase>>;
let sql: Sql;
let demo: Team;
let demoFile: string;
const NOW = new Date('2026-11-29T12:00:00Z');
const BIG = 1 << 28;
/** Of the machines of each earlier file, hundredths of an hour, as they stood when it was written. */
const TOTALS: Record<string, number[]> = { '1.zip': [4610, 8450] };

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'team-file-'));
  database = await freshDatabase();
  sql = connect(database.url, 4);
  await loadDemo(sql, NOW);
  demo = (await getDemoTeam(sql))!;
  const [finding] = await sql`select id, machine_id from finding where machine_id is not null limit 1`;
  const made = await makePhoto(
    await sharp({ create: { width: 640, height: 480, channels: 3, background: '#884422' } })
      .png()
      .toBuffer()
  );
  await sql`
    insert into photo (team_id, id, machine_id, finding_id, width, height, jpeg, small, taken_by)
    select ${demo.id}, ${uuid()}, ${finding!.machine_id}, ${finding!.id}, ${made.width}, ${made.height}, ${made.jpeg}, ${made.small}, id from person where team_id = ${demo.id} limit 1`;
  demoFile = await fileOf(demo);
}, 120_000);
afterAll(async () => {
  await sql.end();
  await database.drop();
  await rm(folder, { recursive: true, force: true });
});

async function fileOf(team: Team, from = sql): Promise<string> {
  const path = join(folder, `${uuid()}.zip`);
  await writeTeamFile(from, team, path, NOW);
  return path;
}
async function inside(
  path: string
): Promise<{ json: Record<string, unknown>; photos: Record<string, string> }> {
  const zip = await openZip(path);
  const photos: Record<string, string> = {};
  for (const name of zip.names)
    if (name.startsWith('photos/')) photos[name] = (await zip.read(name, BIG)).toString('base64');
  const json = JSON.parse((await zip.read(TEAM_JSON, BIG)).toString()) as Record<string, unknown>;
  zip.close();
  return { json, photos };
}
/** A zip with these things in it, names as they are. */
async function zipOf(things: Record<string, Buffer | string>): Promise<string> {
  const path = join(folder, `${uuid()}.zip`);
  const zip = new yazl.ZipFile();
  for (const [name, content] of Object.entries(things)) zip.addBuffer(Buffer.from(content as string), name);
  zip.end();
  await pipeline(zip.outputStream, createWriteStream(path));
  return path;
}
/** What is worked out from a team's rows, and what those said of it. */
const DERIVED = ['machine_standing', 'count_step'];
async function follows(teamId: string, of = sql) {
  const out: Record<string, unknown> = {};
  for (const t of DERIVED)
    out[t] = (
      await of`select to_jsonb(r) - 'team_id' as row from ${of(t)} r where team_id = ${teamId} order by machine_id, ${t === 'count_step' ? of`at, ord` : of`version`}`
    ).map((r) => r['row']);
  return out;
}
const counts = async (of = sql) => (await of`select count(*)::int as n from team`)[0]!['n'] as number;

/** JSON’s null is a value of theirs. */
const NULL_IN_JSON = new Set(['house_rule.value', 'command.body', 'task_change.was']);

describe('what a team’s file holds', () => {
  it('is every column of every table, but for what is said not to be in it', async () => {
    const columns = await sql`
      select table_name as t, column_name as c, is_nullable = 'YES' as nullable from information_schema.columns
      where table_schema = 'public' and table_name in (select table_name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE')
        and is_generated = 'NEVER' and is_identity = 'NO' and column_name <> 'team_id' and data_type <> 'bytea' order by 1, ordinal_position`;
    const kept: Record<string, string[]> = {};
    for (const { t, c, nullable } of columns) (kept[t as string] ??= []).push(`${c}${nullable ? '?' : ''}`);
    for (const gone of [
      ...DERIVED,
      'book_stale',
      'calendar_feed',
      'api_token',
      'sign_in',
      'sign_in_try',
      'device',
      'device_pin',
      'session',
      'invitation',
      'access_event',
      'photo_upload',
      'visit_begun_apart',
      'schema_migration',
      'team'
    ])
      delete kept[gone];
    const written = Object.fromEntries(
      TABLE_NAMES.map((t) => [
        t,
        Object.entries(TABLES[t].shape).map(
          ([c, of]) => `${c}${of.safeParse(null).success && !NULL_IN_JSON.has(`${t}.${c}`) ? '?' : ''}`
        )
      ])
    );
    expect(Object.keys(written).sort()).toEqual(Object.keys(kept).sort());
    for (const t of TABLE_NAMES) expect(written[t]!.sort(), t).toEqual(kept[t]!.sort());
  });
  it('has each table after those it points to', async () => {
    const links = await sql`
      select conrelid::regclass::text as from, confrelid::regclass::text as to from pg_constraint
      where contype = 'f' and connamespace = 'public'::regnamespace and conrelid <> confrelid`;
    const at = (t: string) => (TABLE_NAMES as string[]).indexOf(t);
    for (const l of links)
      if (at(l['from']) >= 0) expect(at(l['to']), `${l['from']} → ${l['to']}`).toBeLessThan(at(l['from']));
  });
  it('is what its published description says, by a validator that is not ours', async () => {
    const ajv = new Ajv2020({ strict: false, allErrors: false });
    addFormats.default(ajv);
    const valid = ajv.compile(teamFileJsonSchema());
    const { json } = await inside(demoFile);
    expect(valid(json), JSON.stringify(valid.errors?.slice(0, 3))).toBe(true);
    expect(valid({ ...json, version: 2 })).toBe(false);
    const tables = json['tables'] as Record<string, Record<string, unknown>[]>;
    expect(valid({ ...json, tables: { ...tables, machine: [{ ...tables['machine']![0], plate: 7 }] } })).toBe(
      false
    );
    expect(
      valid({ ...json, tables: { ...tables, machine: [{ ...tables['machine']![0], colour: 'red' }] } })
    ).toBe(false);
  });
});

describe('out and in again', () => {
  it('the whole demo is the same book: every row, every photo, every standing', async () => {
    const id = uuid();
    const made = await takeTeamIn(sql, demoFile, { id, name: 'Taken in' });
    expect(made).toMatchObject({ teamId: id, name: 'Taken in', isNew: true });
    const [was, is] = [await inside(demoFile), await inside(await fileOf((await getTeam(sql, id))!))];
    const [of, there] = [was, is].map((f) => f.json['tables'] as Record<string, unknown[]>);
    for (const t of TABLE_NAMES) expect(there![t], t).toEqual(of![t]);
    expect(is.photos).toEqual(was.photos);
    expect(Object.keys(is.photos)).toHaveLength(1);
    expect(await follows(id)).toEqual(await follows(demo.id));
    expect((await getTeam(sql, id))!.isDemo).toBe(false);
  }, 60_000);

  it('brought in under the id of another team, it says nothing of that one', async () => {
    const there = uuid();
    await sql`insert into team (id, name, time_zone) values (${there}, 'A secret name', 'UTC')`;
    const came = await takeTeamIn(sql, demoFile, { id: there, name: 'Mine' });
    expect(came).toMatchObject({ isNew: false, name: 'Mine' });
    expect(JSON.stringify(came)).not.toContain('secret');
  });

  it('sent twice is one team; a team that is here is left as it is', async () => {
    const id = uuid();
    const both = await Promise.all([1, 2].map(() => takeTeamIn(sql, demoFile, { id, name: 'Twice' })));
    expect(both.map((b) => b.isNew).sort()).toEqual([false, true]);
    expect(both.every((b) => b.name === 'Twice' && b.machines > 5)).toBe(true);
    const before = await inside(await fileOf(demo));
    expect(await takeTeamIn(sql, demoFile, null)).toMatchObject({ teamId: demo.id, isNew: false });
    expect((await inside(await fileOf(demo))).json['tables']).toEqual(before.json['tables']);
  }, 60_000);

  it.each([3, 11, 2026])(
    'a team written at random (%i) moves to another server whole, with the ids it had',
    async (seed) => {
      const pit = await Pit.open();
      const other = await freshDatabase();
      const there = connect(other.url, 2);
      try {
        expect(await writeAtRandom(pit, seed, 25)).toBeGreaterThan(5);
        const path = await fileOf(pit.book.team, pit.sql);
        expect(await takeTeamIn(there, path, null)).toMatchObject({
          teamId: pit.book.team.id,
          isNew: true,
          machines: 2
        });
        expect(await follows(pit.book.team.id, there)).toEqual(await follows(pit.book.team.id, pit.sql));
        const back = await inside(await fileOf(pit.book.team, there));
        expect(back.json).toEqual((await inside(path)).json);
      } finally {
        await there.end();
        await other.drop();
        await pit.book.close();
      }
    },
    60_000
  );
});

/** A team's file of every version there ever was, written by the program of that time. */
describe('files of earlier days', () => {
  const files = new URL('../../../../../tests/database/team-files/', import.meta.url).pathname;
  it.each(readdirSync(files))('%s is read, and its machines stand', async (name) => {
    const id = uuid();
    expect(await takeTeamIn(sql, join(files, name), { id, name })).toMatchObject({
      isNew: true,
      machines: 2
    });
    const standing = await sql`select total from machine_standing where team_id = ${id} order by total`;
    expect(standing.map((s) => s['total'])).toEqual(TOTALS[name]);
  });
});

describe('a file that cannot be taken in is refused in words, and nothing of it stays', () => {
  const refused = async (path: string, words: RegExp) => {
    const before = await counts();
    await expect(takeTeamIn(sql, path, { id: uuid(), name: 'No' })).rejects.toThrow(words);
    expect(await counts()).toBe(before);
  };
  const changed = async (
    change: (json: {
      version: number;
      team: { time_zone: string };
      tables: Record<string, Record<string, unknown>[]>;
    }) => void
  ) => {
    const { json, photos } = await inside(demoFile);
    change(json as never);
    return zipOf({
      [TEAM_JSON]: JSON.stringify(json),
      ...Object.fromEntries(Object.entries(photos).map(([n, b]) => [n, Buffer.from(b, 'base64')]))
    });
  };
  it('what is no zip, or half of one', async () => {
    const path = join(folder, 'no.zip');
    await writeFile(path, 'plate,name\n5,Rake\n');
    await refused(path, /no zip/);
    await refused(await zipOf({ 'readme.txt': 'hello' }), /no “team.json”/);
    await refused(await zipOf({ [TEAM_JSON]: '{"format":' }), /cannot be read/);
    await refused(await zipOf({ [TEAM_JSON]: '[1, 2]' }), /no team’s file/);
  });
  it('a later version, another format, a zone that is none', async () => {
    await refused(await changed((f) => (f.version = 99)), /version 99.*up to 1/);
    await refused(await changed((f) => (f.team.time_zone = 'Skerrow/Vale')), /no time zone/);
  });
  it('a row that is not what it should be, a document that cannot be read, a character that cannot be kept', async () => {
    await refused(
      await changed((f) => (f.tables['machine']![0]!['in_service_on'] = '2026-02-31')),
      /tables\.machine\.0\.in_service_on/
    );
    await refused(await changed((f) => (f.tables['visit']![0]!['plan'] = { v: 9 })), /plan of a visit/);
    await refused(await changed((f) => (f.tables['machine']![0]!['name'] = 'Ra\u0000ke')), /character/);
    await refused(
      await changed((f) => (f.tables['visit_entry']![0]!['action'] = 'exploded')),
      /entry of a visit/
    );
  });
  it('a row that the database refuses: pointing to nothing, twice, or of a value that no book has', async () => {
    await refused(await changed((f) => (f.tables['task']![0]!['created_by'] = uuid())), /“task”.*no book/);
    await refused(
      await changed((f) => f.tables['machine']!.push(f.tables['machine']![0]!)),
      /“machine”.*no book/
    );
    await refused(await changed((f) => (f.tables['person']![0]!['role'] = 'wizard')), /“person”.*no book/);
  });
  it('photos that are none, are missing, or are others', async () => {
    const { json } = await inside(demoFile);
    const id = (json['tables'] as { photo: { id: string }[] }).photo[0]!.id;
    await refused(await zipOf({ [TEAM_JSON]: JSON.stringify(json) }), /There is no “photos/);
    await refused(
      await zipOf({ [TEAM_JSON]: JSON.stringify(json), [photoName(id)]: '<svg/>' }),
      /not the photo/
    );
  });
  it('a bomb, and paths that point out of it', async () => {
    // 300 MB of blanks in 300 kB.
    const bomb = join(folder, 'bomb.zip');
    const zip = new yazl.ZipFile();
    zip.addBuffer(Buffer.alloc(300 * 1024 * 1024, ' '), TEAM_JSON);
    zip.end();
    await pipeline(zip.outputStream, createWriteStream(bomb));
    await refused(bomb, /larger than it can be/);
    const path = await zipOf({ 'aa/bb/evil.txt': 'x' });
    const bytes = await readFile(path);
    await writeFile(
      path,
      Buffer.from(bytes.toString('latin1').replaceAll('aa/bb/evil', '../../evil'), 'latin1')
    );
    await refused(path, /no zip file, or a broken one/);
  });
});
