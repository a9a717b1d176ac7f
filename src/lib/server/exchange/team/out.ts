import { mkdtemp, open, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createWriteStream } from 'node:fs';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import yazl from 'yazl';
import {
  FORMAT,
  photoName,
  SCHEMA_JSON,
  TEAM_JSON,
  teamFileJsonSchema,
  VERSION
} from '../../../core/exchange/team/file';
import { TABLE_NAMES, TABLES, type TableName } from '../../../core/exchange/team/tables';
import type { Team } from '../../../core/team/team';
import type { Sql, Tx } from '../../base/db';

/** Rows fetched at once. */
const AT_ONCE = 500;

/** In the order in which they were written, where that means something; else in one that does not change. */
const ORDERED: Partial<Record<TableName, string>> = {
  house_rule: 'seq',
  visit_entry: 'seq',
  round_answer: 'seq',
  valve_reading: 'seq',
  valve_shim: 'seq',
  chain_reading: 'seq',
  command: 'seq'
};

/** What a table's rows are in the file: its columns by name, moments in UTC. */
function rowsOf(tx: Tx, teamId: string, table: TableName) {
  const { shape } = TABLES[table];
  const columns = Object.keys(shape);
  const order = ORDERED[table] ?? ('id' in shape ? 'id' : columns.join(', '));
  return tx`
    select to_jsonb(r) as row from (select ${tx(columns)} from ${tx(table)} where team_id = ${teamId} order by ${tx.unsafe(order)}) r`;
}

/** The text of team.json, piece by piece. */
async function* teamJson(tx: Tx, team: Team, at: Date): AsyncGenerator<string> {
  const head = {
    format: FORMAT,
    version: VERSION,
    exported_at: at.toISOString(),
    team: { id: team.id, name: team.name, time_zone: team.timeZone }
  };
  yield `${JSON.stringify(head).slice(0, -1)},"tables":{`;
  for (const [i, table] of TABLE_NAMES.entries()) {
    yield `${i > 0 ? ',' : ''}\n${JSON.stringify(table)}:[`;
    let first = true;
    for await (const rows of rowsOf(tx, team.id, table).cursor(AT_ONCE)) {
      yield (first ? '\n' : ',\n') + rows.map((r) => JSON.stringify(r['row'])).join(',\n');
      first = false;
    }
    yield ']';
  }
  yield '}}\n';
}

/**
 * Writes a team's whole book with its photos into one zip: as it stood at one moment, whoever writes meanwhile.
 *
 * @param path of the file to make
 */
export async function writeTeamFile(sql: Sql, team: Team, path: string, at: Date): Promise<void> {
  await sql.begin('isolation level repeatable read read only', async (tx) => {
    await tx`set local timezone to 'UTC'`;
    const photos = await tx`select id from photo where team_id = ${team.id} order by id`;
    const zip = new yazl.ZipFile();
    zip.addBuffer(Buffer.from(JSON.stringify(teamFileJsonSchema(), null, 1)), SCHEMA_JSON, { mtime: at });
    zip.addReadStreamLazy(TEAM_JSON, { mtime: at }, (give) =>
      give(null, Readable.from(teamJson(tx, team, at)))
    );
    for (const { id } of photos)
      // A JPEG does not get smaller.
      zip.addReadStreamLazy(photoName(id), { mtime: at, compress: false }, (give) => {
        tx`select jpeg from photo where team_id = ${team.id} and id = ${id}`.then(
          ([row]) => give(null, Readable.from([row!['jpeg'] as Buffer])),
          (e: unknown) => give(e, undefined as never)
        );
      });
    zip.end();
    // A stream that breaks inside the zip is said on the zip, not on what comes out of it.
    await new Promise<void>((done, fail) => {
      zip.on('error', fail);
      pipeline(zip.outputStream, createWriteStream(path)).then(done, fail);
    });
  });
}

/** A team's file to be sent: its bytes as they are read, and how many. Nothing is left on the disk once it is read. */
export async function sendTeamFile(
  sql: Sql,
  team: Team,
  at: Date
): Promise<{ body: ReadableStream<Uint8Array>; bytes: number }> {
  const folder = await mkdtemp(join(tmpdir(), 'hour-trail-out-'));
  try {
    const path = join(folder, 'team.zip');
    await writeTeamFile(sql, team, path, at);
    const file = await open(path);
    const { size } = await file.stat();
    return { body: Readable.toWeb(file.createReadStream()) as ReadableStream<Uint8Array>, bytes: size };
  } finally {
    // An open file can be read to its end after its name is gone.
    await rm(folder, { recursive: true, force: true });
  }
}
