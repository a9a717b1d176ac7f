import { countPhoto } from '../base/quota';
import type { Db, Sql } from '../base/db';
import { refuse } from '../base/refusal';
import { Turns } from '../base/turns';
import { idInBook } from '../base/visit-id';
import { work } from '../work/pool';
import type { Write } from '../book/under-way';

const MOST_PER_FINDING = 6;
const MOST_PER_VISIT = 200;

export interface PhotoRow {
  id: string;
  stepKey: string;
  by: string;
  at: Date;
}

/** Photos of 15 MB that are read at once, of all and of one person; the others wait before their first byte is. */
const turns = new Turns({ ofAll: 6, ofOne: 2, waitingOfOne: 100 });

/**
 * Keeps the pixels of a photo until a command says where it belongs. Sent twice it is one.
 * @param read reads what was sent, once its turn has come
 */
export async function uploadPhoto(
  sql: Sql,
  teamId: string,
  personId: string,
  id: string,
  read: () => Promise<Uint8Array>
): Promise<void> {
  const [there] = await sql`
    select 1 from photo_upload where team_id = ${teamId} and id = ${id} union all select 1 from photo where team_id = ${teamId} and id = ${id}`;
  if (there) return;
  const came = await turns.take(personId, async () => work('photo', await read()));
  if (!came.ok) return refuse('photo', came.words);
  const { jpeg, small, width, height } = came.made;
  await countPhoto(sql, teamId, jpeg.length + small.length, new Date());
  await sql`
    insert into photo_upload (team_id, id, width, height, jpeg, small, sent_by)
    values (${teamId}, ${id}, ${width}, ${height}, ${Buffer.from(jpeg)}, ${Buffer.from(small)}, ${personId}) on conflict do nothing`;
  // What nobody named within a day was given up on the way.
  await sql`delete from photo_upload where sent_at < now() - interval '1 day'`;
}

/** Takes a photo that was sent to a step of a visit. */
export async function attachPhoto(
  { tx, team, personId }: Write,
  p: { photoId: string; visitId: string; stepKey: string }
): Promise<void> {
  const [v] = await tx`
    select v.id, v.machine_id, v.closed_at, v.given_up_at, exists (select 1 from visit_step s where s.team_id = v.team_id and s.visit_id = v.id and s.key = ${p.stepKey}) as step,
      (select count(*)::int from photo x where x.team_id = v.team_id and x.visit_id = v.id) as photos
    from visit v where v.team_id = ${team.id} and v.id = ${idInBook(tx, team.id, p.visitId)} for no key update of v`;
  if (!v || !v.step) refuse('photo', 'There is no such step in this visit.');
  if (v!.closed_at || v!.given_up_at)
    refuse('photo', 'This visit is closed; nothing more can be written in it.');
  if (v!.photos >= MOST_PER_VISIT) refuse('photo', `A visit holds at most ${MOST_PER_VISIT} photos.`);
  const taken = await tx`
    insert into photo (team_id, id, machine_id, visit_id, step_key, width, height, jpeg, small, taken_by)
    select team_id, id, ${v!.machine_id}, ${v!.id}, ${p.stepKey}, width, height, jpeg, small, ${personId} from photo_upload
    where team_id = ${team.id} and id = ${p.photoId} returning id`;
  if (taken.length === 0) refuse('photo', 'That photo has not come: send it again.');
  await tx`delete from photo_upload where team_id = ${team.id} and id = ${p.photoId}`;
}

/** Takes a photo that was sent to a finding. Sent twice it is one. @throws Refusal where it is full, or on the shelf */
export async function attachToFinding(
  { tx, team, personId }: Write,
  p: { photoId: string; findingId: string }
): Promise<void> {
  const [f] = await tx`
    select coalesce(pl.machine_id, f.machine_id) as machine_id, (select count(*)::int from photo x where x.team_id = f.team_id and x.finding_id = f.id) as photos,
      exists (select 1 from photo x where x.team_id = f.team_id and x.id = ${p.photoId}) as there
    from finding f left join placement pl on pl.team_id = f.team_id and pl.component_id = f.component_id
    where f.team_id = ${team.id} and f.id = ${p.findingId}`;
  if (!f) refuse('photo', 'That finding is not in this team.');
  if (f!.there) return;
  if (!f!.machine_id) refuse('photo', 'It is on the shelf: photos are kept with a machine.');
  if (f!.photos >= MOST_PER_FINDING) refuse('photo', `A finding holds at most ${MOST_PER_FINDING} photos.`);
  const taken = await tx`
    insert into photo (team_id, id, machine_id, finding_id, width, height, jpeg, small, taken_by)
    select team_id, id, ${f!.machine_id}, ${p.findingId}, width, height, jpeg, small, ${personId} from photo_upload
    where team_id = ${team.id} and id = ${p.photoId} returning id`;
  if (taken.length === 0) refuse('photo', 'That photo has not come: send it again.');
  await tx`delete from photo_upload where team_id = ${team.id} and id = ${p.photoId}`;
}

/** Photos of findings, by the finding's id. */
export async function photosOfFindings(
  sql: Db,
  teamId: string,
  ids: readonly string[]
): Promise<Map<string, string[]>> {
  const rows = await sql`
    select finding_id, array_agg(id order by taken_at) as ids from photo where team_id = ${teamId} and finding_id = any(${ids as string[]}) group by finding_id`;
  return new Map(rows.map((r) => [r.finding_id as string, r.ids as string[]]));
}

export async function listPhotos(sql: Sql, teamId: string, visitId: string): Promise<PhotoRow[]> {
  return (await sql`
    select x.id, x.step_key as "stepKey", p.name as by, x.taken_at as at from photo x
    join person p on p.team_id = x.team_id and p.id = x.taken_by
    where x.team_id = ${teamId} and x.visit_id = ${idInBook(sql, teamId, visitId)} order by x.taken_at`) as unknown as PhotoRow[];
}

/** Photos of where the marks stand, from the top-dead-centre step of earlier visits with this engine: the latest first. */
export async function photosOfMarks(
  sql: Sql,
  teamId: string,
  head: { machineId: string | null; componentId: string | null }
): Promise<string[]> {
  const rows = await sql`
    select x.id from photo x where x.team_id = ${teamId} and x.step_key like '%.tdc' and ${
      head.componentId === null
        ? sql`x.machine_id = ${head.machineId}`
        : sql`exists (select 1 from fitting f where f.team_id = x.team_id and f.component_id = ${head.componentId} and f.machine_id = x.machine_id
            and f.fitted_at <= x.taken_at and (f.removed_at is null or f.removed_at > x.taken_at))`
    } order by x.taken_at desc limit 4`;
  return rows.map((r) => r.id as string);
}

export async function readPhoto(
  sql: Sql,
  teamId: string,
  id: string,
  small: boolean
): Promise<Buffer | null> {
  const [row] = await sql`
    select ${small ? sql`small` : sql`jpeg`} as bytes from photo where team_id = ${teamId} and id = ${id}`;
  return (row?.bytes as Buffer | undefined) ?? null;
}
