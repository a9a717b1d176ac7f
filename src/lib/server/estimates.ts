import { estimateHours } from '../core/hours/learned';
import { isRace } from '../core/outing/outing';
import type { Db, Sql } from './db';
import { refuse } from './refusal';
import { lockMachine, refreshStanding } from './standing';
import { learnedOf } from './trail';

/**
 * Fills an outing nobody read a meter after with the machine's own usual hours, marked as estimated. The next true reading
 * takes its place. Done twice, it is done once.
 */
export async function estimateOuting(
  sql: Sql,
  teamId: string,
  personId: string,
  outingId: string
): Promise<void> {
  await sql.begin(async (tx: Db) => {
    const [o] = await tx`
      select machine_id, kind, distance, coalesce(ridden_at, day::timestamptz) as at from outing where team_id = ${teamId} and id = ${outingId}`;
    if (!o) refuse('', 'That outing is not in this team.');
    await lockMachine(tx, teamId, o!.machine_id);
    const [there] = await tx`select 1 from reading where team_id = ${teamId} and outing_id = ${outingId}`;
    if (there) return;
    const estimate = estimateHours(
      { distance: o!.distance, race: isRace(o!.kind) },
      await learnedOf(tx, teamId, o!.machine_id)
    );
    if (!estimate) refuse('', 'Its usual hours are not known yet: three outings with hours are wanted.');
    const [meter] = await tx`
      select id from meter where team_id = ${teamId} and machine_id = ${o!.machine_id} and counts = 'hours' and fitted_at <= ${o!.at} and (removed_at is null or removed_at >= ${o!.at})
      order by fitted_at desc limit 1`;
    if (!meter) refuse('', 'It had no meter in the book then.');
    await tx`
      insert into reading (team_id, id, machine_id, meter_id, outing_id, read_at, ridden, estimated_from, remark, created_by)
      values (${teamId}, ${outingId}, ${o!.machine_id}, ${meter!.id}, ${outingId}, ${o!.at}, ${estimate.hours}, ${estimate.from}, ${estimate.words}, ${personId})`;
    await refreshStanding(tx, teamId, o!.machine_id);
  });
}
