import type { Params, ReadAnswer, ReadName } from '../../core/api/reads';
import { duesOf } from '../../core/trail/lane';
import { leftInWords } from '../../core/schedule/words';
import { pressure } from '../../core/schedule/state';
import type { Team } from '../../core/team/team';
import { dayOf } from '../../core/time/day';
import { visitState } from '../../core/visit/state';
import type { Db } from '../base/db';
import { getMachine, listMachines } from '../machine/machines';
import { getRecord } from '../record/records';
import { listPeople } from '../team/teams';
import { readCalendar, readStandings } from '../trail/lanes';
import { getVisit } from '../visit/visits';

interface Reader {
  sql: Db;
  team: Team;
  personId: string;
  now: Date;
}
const MOST = 500;
const inHours = (c: number | null): number | null => (c === null ? null : c / 100);
const onMachine = (sql: Db, column: string, machine: string | undefined) =>
  machine === undefined ? sql`` : sql`and ${sql(column)} = ${machine}`;

/** How each read is answered; null: there is nothing of that id in this team. */
export const ANSWERS: {
  [N in ReadName]: (r: Reader, params: Params<N>) => Promise<ReadAnswer<N> | null>;
} = {
  team: async ({ sql, team, personId }) => ({
    id: team.id,
    name: team.name,
    timeZone: team.timeZone,
    you: personId,
    people: (await listPeople(sql, team.id)).map(({ id, name, role }) => ({ id, name, role }))
  }),
  machines: async ({ sql, team }) => {
    const machines = await listMachines(sql, team.id);
    const standings = new Map(
      (
        await readStandings(
          sql,
          team,
          machines.map((m) => m.id)
        )
      ).map((s) => [s.id, s])
    );
    return machines.map((m) => ({
      id: m.id,
      plate: m.plate,
      name: m.name,
      maker: m.maker,
      kind: m.kind,
      riderId: m.riderId,
      hours: inHours(m.total),
      estimated: standings.get(m.id)?.estimated ?? false,
      ready: m.ready,
      visitId: standings.get(m.id)?.visitId ?? null
    }));
  },
  due: async ({ sql, team, now }, { id }) => {
    const [standing] = (await getMachine(sql, team.id, id)) ? await readStandings(sql, team, [id]) : [];
    if (!standing) return null;
    const today = dayOf(now, team.timeZone);
    const calendar = await readCalendar(sql, team.id, today);
    return duesOf(standing, calendar.of(id), today)
      .toSorted((a, b) => pressure(a.state) - pressure(b.state))
      .map((d) => ({
        taskId: d.task.id,
        name: d.task.name,
        component: d.task.part?.name ?? null,
        state: d.state,
        left: leftInWords(d),
        job: d.task.job
      }));
  },
  readings: async ({ sql, team }, { machine }) =>
    (
      await sql`
        select id, machine_id as "machineId", read_at as at, value, ridden, instrument from reading_in_force
        where team_id = ${team.id} ${onMachine(sql, 'machine_id', machine)} order by read_at desc, id desc limit ${MOST}`
    ).map((r) => ({
      id: r['id'] as string,
      machineId: r['machineId'] as string,
      at: (r['at'] as Date).toISOString(),
      shows: inHours(r['value'] as number | null),
      ridden: inHours(r['ridden'] as number | null),
      instrument: r['instrument'] as string
    })),
  findings: async ({ sql, team }, { machine }) =>
    (await sql`
      select f.id, coalesce(pl.machine_id, f.machine_id) as "machineId", f.component_id as "componentId", f.what, f.severity, f.found_on as "foundOn" from finding f
      left join placement pl on pl.team_id = f.team_id and pl.component_id = f.component_id
      where f.team_id = ${team.id} and f.closed_at is null ${machine === undefined ? sql`` : sql`and coalesce(pl.machine_id, f.machine_id) = ${machine}`}
      order by f.found_at desc, f.id limit ${MOST}`) as unknown as ReadAnswer<'findings'>,
  visit: async ({ sql, team }, { id }) => {
    const visit = await getVisit(sql, team.id, id);
    if (!visit) return null;
    const state = visitState(visit.plan, visit.entries);
    return {
      id: visit.id,
      machineId: visit.machineId,
      title: visit.plan.title,
      open: visit.closedAt === null && visit.givenUpAt === null,
      steps: state.steps.map(({ step, called, done }) => ({
        key: step.key,
        title: step.title,
        lines: step.lines,
        caution: step.caution,
        asks: step.input.type,
        items: 'items' in step.input ? step.input.items : [],
        called,
        done
      })),
      items: state.items.map(({ item, stand }) => ({
        key: item.key,
        fastenerId: item.fastenerId,
        name: item.name,
        place: item.place,
        kind: item.kind,
        torque: item.torque?.band ?? null,
        seal: item.seal,
        stand
      }))
    };
  },
  records: async ({ sql, team }, { machine }) =>
    (
      await sql`
        select r.id, r.machine_id as "machineId", t.name as task, r.done_on as "doneOn", r.hours, case when t.component_id is null then r.hours else r.machine_hours end as "machineHours", r.visit_id as "visitId", r.remark from service_record r
        join task t on t.team_id = r.team_id and t.id = r.task_id
        where r.team_id = ${team.id} ${onMachine(sql, 'r.machine_id', machine)} order by r.done_at desc, r.id desc limit ${MOST}`
    ).map((r) => ({
      ...(r as unknown as ReadAnswer<'records'>[number]),
      hours: inHours(r['hours'] as number | null),
      machineHours: inHours(r['machineHours'] as number | null)
    })),
  record: async ({ sql, team }, { id }) => {
    const r = await getRecord(sql, team.id, id);
    return (
      r && {
        id: r.id,
        machineId: r.machineId,
        task: r.task,
        doneOn: r.doneOn,
        hours: inHours(r.hours),
        machineHours: inHours(r.part === null ? r.hours : r.machineHours),
        remark: r.remark,
        by: r.by,
        job: r.content as never
      }
    );
  }
};
