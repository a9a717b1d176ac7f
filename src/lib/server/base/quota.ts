import type { Db } from './db';
import { Refusal } from './refusal';

/** What one team may take of a server: far more than a team writes, and an end to a program that writes without one. */
export interface Quota {
  /** Commands within a day. */
  entries: number;
  /** Bytes of what they say, within a day. */
  written: number;
  /** Bytes of all its photos. */
  photos: number;
}
const MB = 1e6;
const number = (name: string, otherwise: number): number => {
  const n = Number(process.env[name] ?? '');
  return Number.isFinite(n) && n > 0 ? n : otherwise;
};
export const quota = (): Quota => ({
  entries: number('HOUR_TRAIL_MOST_ENTRIES', 100_000),
  written: number('HOUR_TRAIL_MOST_WRITTEN_MB', 200) * MB,
  photos: number('HOUR_TRAIL_MOST_PHOTOS_MB', 20_000) * MB
});

/** What a team has taken of it: within a day, and altogether. */
export async function takenBy(sql: Db, teamId: string, now: Date): Promise<Quota> {
  const [row] = await sql`
    select c.entries, c.written, (select coalesce(sum(octet_length(jpeg) + octet_length(small)), 0) from (
        select jpeg, small from photo where team_id = ${teamId}
        union all select jpeg, small from photo_upload where team_id = ${teamId}) p)::float as photos
    from (select count(*)::int as entries, coalesce(sum(bytes), 0)::float as written from command
      where team_id = ${teamId} and received_at > ${new Date(now.getTime() - DAY)}) c`;
  return row as unknown as Quota;
}
const DAY = 86_400_000;

/** Counted anew at most so often, ms; between, what this process wrote is added. Several processes may so take a little more together. */
const COUNTED_FOR = 60_000;
/** More teams than write within a minute; those beyond are counted anew. */
const MOST_TEAMS = 5000;
const counted = new Map<string, { at: number; taken: Quota }>();
async function known(sql: Db, teamId: string, now: Date): Promise<Quota> {
  const there = counted.get(teamId);
  if (there && Math.abs(now.getTime() - there.at) < COUNTED_FOR) return there.taken;
  const taken = await takenBy(sql, teamId, now);
  if (counted.size > MOST_TEAMS) counted.clear();
  counted.set(teamId, { at: now.getTime(), taken });
  return taken;
}

/**
 * Counts a command.
 * @param bytes of what it says
 * @throws Refusal where the team has written as much as it may within a day: it waits where it is, and goes once there is room
 */
export async function countEntry(sql: Db, teamId: string, bytes: number, now: Date): Promise<void> {
  const most = quota();
  const taken = await known(sql, teamId, now);
  const many =
    taken.entries >= most.entries
      ? `${most.entries.toLocaleString('en-GB')} entries`
      : taken.written + bytes > most.written
        ? `entries of ${Math.round(most.written / MB).toLocaleString('en-GB')} MB`
        : null;
  if (many)
    throw new Refusal(
      {
        '': `This team wrote ${many} within a day, as much as this server takes of one. Later it takes more again; who runs the server can let it take more.`
      },
      { retry: true }
    );
  taken.entries += 1;
  taken.written += bytes;
}

/** @throws Refusal where the photos of the team take as much as they may */
export async function countPhoto(sql: Db, teamId: string, bytes: number, now: Date): Promise<void> {
  const most = quota().photos;
  const taken = await known(sql, teamId, now);
  if (taken.photos + bytes > most)
    throw new Refusal({
      photo: `The photos of this team take the ${Math.round(most / MB).toLocaleString('en-GB')} MB this server keeps of one. Who runs the server can let it keep more.`
    });
  taken.photos += bytes;
}
