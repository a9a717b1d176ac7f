import { estimateHours } from '../../core/hours/learned';
import { isRace } from '../../core/outing/outing';
import type { Db } from '../base/db';
import { refuse } from '../base/refusal';
import { learnedOf } from '../trail/lanes';
import type { Write } from '../book/under-way';

/** The machine an outing is of. @throws Refusal where the team has no such outing */
export async function machineOfOuting(tx: Db, teamId: string, outingId: string): Promise<string> {
  const [outing] = await tx`select machine_id from outing where team_id = ${teamId} and id = ${outingId}`;
  return outing ? (outing.machine_id as string) : refuse('', 'That outing is not in this team.');
}

/**
 * Fills an outing nobody read a meter after with the machine's own usual hours, marked as estimated. The next true reading
 * takes its place. Done twice, it is done once.
 */
export async function estimateOuting(
  { tx, team, personId }: Write,
  { outingId }: { outingId: string }
): Promise<void> {
  const [o] = await tx`
    select machine_id, kind, distance, ended_at as at from outing where team_id = ${team.id} and id = ${outingId}`;
  if (!o) refuse('', 'That outing is not in this team.');
  const [there] = await tx`select 1 from reading where team_id = ${team.id} and outing_id = ${outingId}`;
  if (there) return;
  const estimate = estimateHours(
    { distance: o!.distance, race: isRace(o!.kind) },
    await learnedOf(tx, team.id, o!.machine_id)
  );
  if (!estimate) refuse('', 'Its usual hours are not known yet: three outings with hours are wanted.');
  const [meter] = await tx`
    select id from meter where team_id = ${team.id} and machine_id = ${o!.machine_id} and counts = 'hours' and fitted_at <= ${o!.at} and (removed_at is null or removed_at >= ${o!.at})
    order by fitted_at desc limit 1`;
  if (!meter) refuse('', 'It had no meter in the book then.');
  await tx`
    insert into reading (team_id, id, machine_id, meter_id, outing_id, read_at, ridden, estimated_from, remark, created_by)
    values (${team.id}, ${outingId}, ${o!.machine_id}, ${meter!.id}, ${outingId}, ${o!.at}, ${estimate.hours}, ${estimate.from}, ${estimate.words}, ${personId})`;
}
