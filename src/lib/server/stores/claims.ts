import { bestOil } from '../../core/job/gather/gather';
import { readStep } from '../../core/job/stored';
import type { OilClaim, StockedOil, Toolbox } from '../../core/stores/toolbox';
import type { Db } from '../base/db';
import { readToolbox } from './stores';

/**
 * The toolbox as one visit finds it: with what the others that stand open take of the same oils.
 * @param visitId the visit it is for; null: it is not begun
 */
export async function toolsBeside(sql: Db, teamId: string, visitId: string | null): Promise<Toolbox> {
  const tools = await readToolbox(sql, teamId);
  return { ...tools, claims: await claimsOf(sql, teamId, tools.oils, visitId) };
}

/** What open visits take of each oil: the one that was picked there, else the one that suits best. */
async function claimsOf(
  sql: Db,
  teamId: string,
  oils: readonly StockedOil[],
  but: string | null
): Promise<OilClaim[]> {
  const rows = await sql`
    select m.plate, s.content, p.picked from visit v
    join machine m on m.team_id = v.team_id and m.id = v.machine_id
    join visit_step s on s.team_id = v.team_id and s.visit_id = v.id and s.content->'input'->>'type' = 'oil'
    left join lateral (
      select case when e.action = 'done' then e.content->>'oilId' end as picked from visit_entry e
      where e.team_id = v.team_id and e.visit_id = v.id and e.step_key = s.key and e.action in ('done', 'undone') order by e.seq desc limit 1) p on true
    where v.team_id = ${teamId} and v.closed_at is null and v.given_up_at is null and v.id is distinct from ${but}
    order by length(m.plate), m.plate`;
  const claims = new Map<string, OilClaim>();
  for (const r of rows) {
    const { input } = readStep(r.content);
    if (input.type !== 'oil' || input.quantityMl === null) continue;
    const oilId = (r.picked as string | null) ?? bestOil(input.want, oils, null)?.id;
    if (!oilId) continue;
    const claim = claims.get(oilId) ?? { oilId, ml: 0, by: [] };
    claim.ml += input.quantityMl;
    if (!claim.by.includes(r.plate)) claim.by.push(r.plate);
    claims.set(oilId, claim);
  }
  return [...claims.values()];
}
