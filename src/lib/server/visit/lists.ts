import { isLeft, visitState } from '../../core/visit/state';
import type { Db } from '../base/db';
import { getVisit } from './visits';

export interface OpenVisit {
  id: string;
  plate: string;
  machine: string;
  ready: boolean;
  title: string;
  startedAt: Date;
  open: string[];
  done: number;
  steps: number;
  /** Steps that wait for somebody, with whom. */
  waiting: { title: string; to: string | null }[];
}

/** Visits that stand open, the oldest first, with what is open in each. */
export async function listOpenVisits(sql: Db, teamId: string): Promise<OpenVisit[]> {
  const rows =
    await sql`select id from visit where team_id = ${teamId} and closed_at is null and given_up_at is null order by started_at limit 50`;
  const visits = await Promise.all(rows.map((r) => getVisit(sql, teamId, r.id)));
  return visits.flatMap((v) => {
    if (!v) return [];
    const state = visitState(v.plan, v.entries);
    const called = state.steps.filter((s) => s.called);
    return [
      {
        id: v.id,
        plate: v.plate,
        machine: v.machine,
        ready: v.ready,
        title: v.plan.title,
        startedAt: v.startedAt,
        open: [
          ...state.open.map((i) => i.item.name),
          ...state.things.filter((t) => !t.in).map((t) => t.name)
        ],
        done: called.filter((s) => !isLeft(s)).length,
        steps: called.length,
        waiting: called.flatMap((s) =>
          isLeft(s) && s.handed ? [{ title: s.step.title, to: s.handed.to }] : []
        )
      }
    ];
  });
}

export interface RunningTimer {
  id: string;
  visitId: string;
  plate: string;
  stepKey: string;
  label: string;
  endsAt: string;
}

/** Timers of every open visit that were not switched off, those that ran out within the hour too. */
export async function listTimers(sql: Db, teamId: string): Promise<RunningTimer[]> {
  const rows = (await sql`
    select e.id, e.visit_id as "visitId", m.plate, e.step_key as "stepKey", e.label,
      e.at + make_interval(secs => e.seconds) as "endsAt"
    from visit_entry e
    join visit v on v.team_id = e.team_id and v.id = e.visit_id and v.closed_at is null and v.given_up_at is null
    join machine m on m.team_id = v.team_id and m.id = v.machine_id
    where e.team_id = ${teamId} and e.action = 'timer' and e.at > now() - interval '25 hours'
      and e.at + make_interval(secs => e.seconds) > now() - interval '1 hour'
      and not exists (select 1 from visit_entry o where o.team_id = e.team_id and o.visit_id = e.visit_id and o.action = 'timer off' and o.of_entry = e.id::text)
    order by "endsAt" limit 40`) as unknown as (Omit<RunningTimer, 'endsAt'> & { endsAt: Date })[];
  return rows.map((t) => ({ ...t, endsAt: t.endsAt.toISOString() }));
}
