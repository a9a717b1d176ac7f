import { z } from 'zod';
import { unkeepable } from '../../command/text';
import { isTimeZone } from '../../time/day';
import { readEntry } from '../../visit/stored';
import { id, moment } from './columns';
import { TABLES, TABLE_NAMES, type RowOf, type TableName } from './tables';

export const FORMAT = 'hour-trail-team';
/** Goes up when what is written can no longer be read by what read the last; every older one is read for ever. */
export const VERSION = 1;
/** Names in the zip. */
export const TEAM_JSON = 'team.json';
export const SCHEMA_JSON = 'schema.json';
export const photoName = (photoId: string) => `photos/${photoId}.jpg`;

const head = {
  format: z.literal(FORMAT),
  version: z.literal(VERSION),
  exported_at: moment,
  team: z.strictObject({ id, name: z.string().min(1).max(80), time_zone: z.string() })
};

type Tables = { [K in TableName]: RowOf<K>[] };
const tables = z.strictObject(
  Object.fromEntries(TABLE_NAMES.map((name) => [name, z.array(TABLES[name])]))
) as unknown as z.ZodType<Tables>;

/** A team's file as it is written today. */
const teamFileSchema = z.strictObject({ ...head, tables });
export interface TeamFile {
  format: typeof FORMAT;
  version: typeof VERSION;
  exported_at: string;
  team: { id: string; name: string; time_zone: string };
  tables: Tables;
}

/** A file that cannot be taken in, in words for whoever brought it. */
export class TeamFileError extends Error {
  constructor(readonly words: string) {
    super(words);
    this.name = 'TeamFileError';
  }
}

/** The first things wrong with it are enough to mend it by. */
const MOST_FAULTS = 3;
const notWhatItShould = (faults: readonly string[]) =>
  new TeamFileError(`This file does not hold what it should. ${faults.slice(0, MOST_FAULTS).join('; ')}`);
const faultsOf = (error: z.ZodError, at = '') =>
  error.issues
    .slice(0, MOST_FAULTS)
    .map(
      (i) => `${[at, ...i.path].filter((p) => p !== '').join('.') || 'the file'}: ${i.message.slice(0, 200)}`
    );

/**
 * Reads the rows of every table, one by one: a file of millions of wrong ones is refused at the third.
 * @throws TeamFileError
 */
function readTables(given: Record<string, unknown>): Tables {
  const faults: string[] = [];
  const odd = Object.keys(given).filter((k) => !(k in TABLES));
  faults.push(...odd.slice(0, MOST_FAULTS).map((k) => `tables.${k.slice(0, 60)}: there is no such table`));
  const read: Partial<Record<TableName, unknown[]>> = {};
  for (const name of TABLE_NAMES) {
    const rows = given[name];
    if (!Array.isArray(rows)) {
      faults.push(`tables.${name}: a list of rows is expected`);
      continue;
    }
    const list: unknown[] = (read[name] = []);
    for (const [i, row] of rows.entries()) {
      const parsed = TABLES[name].safeParse(row);
      if (parsed.success) list.push(parsed.data);
      else faults.push(...faultsOf(parsed.error, `tables.${name}.${i}`));
      if (faults.length >= MOST_FAULTS) throw notWhatItShould(faults);
    }
  }
  if (faults.length > 0) throw notWhatItShould(faults);
  return read as Tables;
}

/**
 * Reads what stands in `team.json`, of any version there ever was.
 *
 * @param json parsed
 * @throws TeamFileError where it is no team's file, of a version that is not known yet, or has something that no book holds
 */
export function readTeamFile(json: unknown): TeamFile {
  const said = z.looseObject({ format: z.literal(FORMAT), version: z.int().positive() }).safeParse(json);
  if (!said.success) throw new TeamFileError('This is no team’s file of Hour Trail.');
  if (said.data.version > VERSION)
    throw new TeamFileError(
      `This file is of version ${said.data.version}; this server reads up to ${VERSION}. Update it first.`
    );
  const read = z.strictObject({ ...head, tables: z.record(z.string(), z.unknown()) }).safeParse(json);
  if (!read.success) throw notWhatItShould(faultsOf(read.error));
  const file: TeamFile = { ...read.data, tables: readTables(read.data.tables) };
  if (!isTimeZone(file.team.time_zone))
    throw new TeamFileError(`There is no time zone “${file.team.time_zone}”.`);
  for (const rows of [[file.team], ...Object.values(file.tables)])
    for (const row of rows)
      if (Object.keys(unkeepable(row)).length > 0)
        throw new TeamFileError('There is a character in this file that cannot be kept.');
  readEntries(file.tables);
  return file;
}

/** Entries are read with the unit of their step, as the bench does. */
function readEntries({ visit_step, visit_entry }: Tables) {
  const units = new Map(
    visit_step.map((s) => {
      const input = (s.content as { input?: { unit?: unknown } } | null)?.input;
      return [`${s.visit_id} ${s.key}`, typeof input?.unit === 'string' ? input.unit : null];
    })
  );
  for (const e of visit_entry)
    try {
      readEntry({
        id: e.id,
        seq: 0,
        at: e.at,
        by: e.by,
        stepKey: e.step_key,
        itemKey: e.item_key,
        action: e.action,
        content: e.content,
        seen: e.seen,
        after: e.after_entry,
        unit: units.get(`${e.visit_id} ${e.step_key}`) ?? null
      });
    } catch (error) {
      throw new TeamFileError(
        `An entry of a visit cannot be read (${e.id}). ${error instanceof Error ? error.message : ''}`
      );
    }
}

/** The description of `team.json`, JSON Schema 2020-12, made from what reads it. */
export const teamFileJsonSchema = (): Record<string, unknown> => ({
  ...z.toJSONSchema(teamFileSchema, { io: 'input', unrepresentable: 'any' }),
  title: 'A team of Hour Trail',
  description:
    'Everything that was written in a team’s book. Hours are hundredths of an hour, valve clearances and shims µm; other quantities are in the base unit of their dimension with what was typed beside. What follows from it (running hours, what is due) is not in it and is worked out anew.'
});
