import sharp from 'sharp';
import { TABLE_NAMES, TABLES, type TableName } from '../../../core/exchange/team/tables';
import {
  photoName,
  readTeamFile,
  TEAM_JSON,
  TeamFileError,
  type TeamFile
} from '../../../core/exchange/team/file';
import type { Sql, Tx } from '../../base/db';
import { makeSmall, MOST_BYTES as MOST_PHOTO } from '../../photo/picture';
import { standAnew } from '../../book/standing';
import { BOUNDS, readBounded } from './json';
import { openZip, type OpenZip } from './zip';

/** Of all photos together, bytes. */
const MOST_PHOTOS = 4 * 1024 ** 3;
/** Rows put in by one statement; all of them where rows of a table point to each other. */
const AT_ONCE = 1000;
const POINTS_TO_ITSELF: readonly TableName[] = ['spec_figure'];

/** A rule set back to its default is JSON’s null, which is not the database’s. */
const NULL_IS_A_VALUE: Record<string, string> = { 'house_rule.value': `coalesce(r.value, 'null')` };

/** What became of a file: a team of its own, or one that is on this server already and was left as it is. */
export interface TakenIn {
  teamId: string;
  name: string;
  machines: number;
  isNew: boolean;
}

/** A row that the schema refuses is named by what refuses it: nobody typed it here. */
const asFileError = (e: unknown, table: string) =>
  e instanceof Error && 'code' in e && String(e.code).startsWith('23')
    ? new TeamFileError(
        `There is a row of “${table}” in this file that no book can hold (${'constraint_name' in e ? String(e.constraint_name) : String(e.code)}).`
      )
    : e;

async function putRows(tx: Tx, teamId: string, table: TableName, rows: readonly object[]) {
  const columns = Object.keys(TABLES[table].shape);
  const step = POINTS_TO_ITSELF.includes(table) ? Math.max(rows.length, 1) : AT_ONCE;
  for (let i = 0; i < rows.length; i += step)
    await tx`
      insert into ${tx(table)} (team_id, ${tx.unsafe(columns.join(', '))})
      select ${teamId}, ${tx.unsafe(columns.map((c) => NULL_IS_A_VALUE[`${table}.${c}`] ?? `r.${c}`).join(', '))}
      from jsonb_array_elements(${tx.json(rows.slice(i, i + step) as never)}) with ordinality as e (row, n)
      cross join lateral jsonb_populate_record(null::${tx(table)}, e.row) r order by e.n`;
}

async function putPhotos(tx: Tx, teamId: string, rows: TeamFile['tables']['photo'], zip: OpenZip) {
  let bytes = 0;
  for (const p of rows) {
    const jpeg = await zip.read(photoName(p.id), MOST_PHOTO);
    bytes += jpeg.length;
    if (bytes > MOST_PHOTOS) throw new TeamFileError('There are more photos in this file than can be kept.');
    const small = await smallOf(jpeg, p);
    const columns = Object.keys(TABLES.photo.shape);
    await tx`
      insert into photo (team_id, ${tx.unsafe(columns.join(', '))}, jpeg, small)
      select ${teamId}, ${tx.unsafe(columns.map((c) => `r.${c}`).join(', '))}, ${jpeg}, ${small} from jsonb_populate_record(null::photo, ${tx.json(p as never)}) r`;
  }
}

/** Every pixel is read once: what is no photo, or not the one that was written down, is not kept. */
async function smallOf(jpeg: Buffer, p: { id: string; width: number; height: number }): Promise<Buffer> {
  try {
    const is = await sharp(jpeg).metadata();
    if (is.format === 'jpeg' && is.width === p.width && is.height === p.height) return await makeSmall(jpeg);
  } catch {
    // Said below, in words.
  }
  throw new TeamFileError(`“${photoName(p.id)}” is not the photo that it should be.`);
}

/**
 * Takes a team's file in as a team: with the id it had, or under another as a copy. One transaction; what stood in it is checked
 * by the schema of every row and by the database, and where its machines stand is worked out anew. A team that is on this server
 * already is left as it is: nothing is ever written over.
 *
 * @param path of the zip
 * @param copy an id of its own and a name, where it is to stand beside the one it was
 * @throws TeamFileError where it cannot be taken in, in words
 */
export async function takeTeamIn(
  sql: Sql,
  path: string,
  copy: { id: string; name: string } | null
): Promise<TakenIn> {
  const zip = await openZip(path);
  try {
    const file = readTeamFile(await readBounded(zip.parts(TEAM_JSON, BOUNDS.bytes)));
    const teamId = copy?.id ?? file.team.id.toLowerCase();
    const machines = file.tables.machine.map((m) => m.id);
    return await sql.begin(async (tx) => {
      const [made] = await tx`
        insert into team (id, name, time_zone) values (${teamId}, ${copy?.name ?? file.team.name}, ${file.team.time_zone})
        on conflict (id) do nothing returning name`;
      // Whose it is that is there is not said: whoever brought the file is told what stands in it.
      if (!made)
        return { teamId, name: copy?.name ?? file.team.name, machines: machines.length, isNew: false };
      for (const table of TABLE_NAMES)
        try {
          if (table === 'photo') await putPhotos(tx, teamId, file.tables.photo, zip);
          else await putRows(tx, teamId, table, file.tables[table]);
        } catch (e) {
          throw asFileError(e, table);
        }
      await standAnew(tx, teamId, { machines, components: file.tables.component.map((c) => c.id) });
      return { teamId, name: made['name'], machines: machines.length, isNew: true };
    });
  } finally {
    zip.close();
  }
}
