import { unitOfAmount } from '../../core/exchange/csv';
import type { Measure } from '../../core/schedule/task';
import { figureKind, type FigureKey } from '../../core/specs/sheet';
import type { Db } from '../base/db';
import { everyDue } from '../schedule/dues';
import {
  amount,
  distance,
  hours,
  number,
  text,
  yes,
  type ExchangeList,
  type Reader,
  type Row
} from './columns';

/** Rows fetched at once. */
const AT_ONCE = 500;

const on = (sql: Db, column: string, is: string | null) => (is ? sql`and ${sql(column)} = ${is}` : sql``);
/** A day or a moment as the team's wall clock has it. */
const local = (sql: Db, column: string, { team }: Reader, as: string) =>
  sql`to_char(${sql(column)} at time zone ${team.timeZone}, ${as})`;
const DAY = 'YYYY-MM-DD';
const MOMENT = 'YYYY-MM-DD"T"HH24:MI';

export const LISTS = {
  machines: {
    title: 'Machines',
    about: 'each with its plate, rider and running hours',
    columns: [
      text('plate', 'plate'),
      text('name', 'name'),
      text('maker', 'maker'),
      text('kind', 'kind'),
      text('rider', 'rider'),
      text('meter', 'meter'),
      text('in service since', 'since'),
      hours('running hours', 'total'),
      yes('estimated', 'estimated'),
      distance('distance', 'distance'),
      yes('ready', 'ready'),
      text('remark', 'remark')
    ],
    rows: (sql, { team }, f) =>
      sql`
        select m.id, m.plate, m.name, m.maker, m.kind, p.name as rider, t.kind as meter, m.in_service_on as since, s.total, s.estimated, s.distance, s.ready, m.remark
        from machine m left join person p on p.team_id = m.team_id and p.id = m.rider_id
        left join machine_standing s on s.team_id = m.team_id and s.machine_id = m.id
        left join meter t on t.team_id = m.team_id and t.machine_id = m.id and t.removed_at is null and t.counts = 'hours'
        where m.team_id = ${team.id} ${on(sql, 'm.id', f.machine)} order by length(m.plate), m.plate, m.id`.cursor(
        AT_ONCE
      )
  },
  readings: {
    title: 'Readings',
    about: 'what each meter showed, or hours ridden that none counted',
    columns: [
      text('plate', 'plate'),
      text('read at', 'read_at'),
      hours('meter shows', 'value'),
      hours('ridden without a meter', 'ridden'),
      distance('odometer shows', 'distance'),
      text('outing', 'outing'),
      text('doubts', 'doubts'),
      text('settled as', 'settled'),
      text('struck out because', 'struck'),
      text('remark', 'remark'),
      text('by', 'by'),
      text('read off by', 'instrument')
    ],
    rows: (sql, reader, f) =>
      sql`
        select m.plate, ${local(sql, 'r.read_at', reader, MOMENT)} as read_at, case when t.counts = 'hours' then r.value end as value, r.ridden,
          case when t.counts = 'distance' then r.value end as distance, o.kind as outing, r.doubts, r.settled, x.reason as struck,
          r.remark, p.name as by, r.instrument
        from reading r join machine m on m.team_id = r.team_id and m.id = r.machine_id join person p on p.team_id = r.team_id and p.id = r.created_by
        join meter t on t.team_id = r.team_id and t.id = r.meter_id
        left join outing o on o.team_id = r.team_id and o.id = r.outing_id
        left join reading_strike x on x.team_id = r.team_id and x.reading_id = r.id
        where r.team_id = ${reader.team.id} ${on(sql, 'r.machine_id', f.machine)} order by r.read_at, r.id`.cursor(
        AT_ONCE
      )
  },
  outings: {
    title: 'Outings',
    about: 'what was ridden, and all of it that ages a machine',
    columns: [
      text('plate', 'plate'),
      text('day', 'day'),
      text('kind', 'kind'),
      text('event', 'event'),
      text('rider', 'rider'),
      hours('meter shows', 'value'),
      hours('ridden', 'ridden'),
      distance('distance', 'distance'),
      text('conditions', 'conditions'),
      number('water crossings', 'crossings'),
      text('clutch', 'clutch'),
      text('symptoms', 'symptoms'),
      text('remark', 'remark')
    ],
    rows: (sql, { team }, f) =>
      sql`
        select m.plate, o.day, o.kind, e.name as event, p.name as rider, r.value, r.ridden, o.distance, o.conditions, o.crossings, o.clutch, o.symptoms, o.remark
        from outing o join machine m on m.team_id = o.team_id and m.id = o.machine_id
        left join person p on p.team_id = o.team_id and p.id = o.rider_id
        left join event e on e.team_id = o.team_id and e.id = o.event_id
        left join reading r on r.team_id = o.team_id and r.id = o.id
        where o.team_id = ${team.id} ${on(sql, 'o.machine_id', f.machine)} order by o.day, o.id`.cursor(
        AT_ONCE
      )
  },
  tasks: {
    title: 'Tasks',
    about: 'maintenance that comes round: a row for each thing it is counted in',
    columns: [
      text('plate', 'plate'),
      text('component', 'part'),
      text('task', 'name'),
      text('job', 'job'),
      {
        heading: 'counted in',
        of: (r, { units }) =>
          r['measure'] === null
            ? null
            : unitOfAmount(r['measure'] as Measure, units, r['counted'] as string | null)
      },
      amount('every', 'interval_amount'),
      amount('limit', 'limit_amount'),
      amount('first at', 'first_interval'),
      amount('first limit', 'first_limit'),
      amount('shortened to', 'shortened_to'),
      text('last done', 'done_on'),
      hours('last done at', 'done_at'),
      text('note', 'note')
    ],
    rows: (sql, { team }, f) =>
      sql`
        select t.id, g.id as part_id, t.ageing, t.anchoring, t.sensitivity, t.per_part, t.restarts_on_rebuild, t.answers,
          coalesce(m.plate, '') as plate, c.name as part, t.name, t.job, g.measure, o.name as counted, g.interval_amount, g.limit_amount, g.first_interval,
          g.first_limit, g.shortened_to, d.done_on, d.hours as done_at, t.note
        from task t left join component c on c.team_id = t.team_id and c.id = t.component_id
        join task_place w on w.team_id = t.team_id and w.task_id = t.id
        left join machine m on m.team_id = t.team_id and m.id = w.machine_id
        left join task_trigger g on g.team_id = t.team_id and g.task_id = t.id
        left join task o on o.team_id = g.team_id and o.id = g.of_task_id
        left join lateral (
          select done_on, hours from service_record r where r.team_id = t.team_id and r.task_id = t.id
          order by r.done_at desc, r.created_at desc, r.id desc limit 1) d on true
        where t.team_id = ${team.id} and t.retired_at is null ${on(sql, 'w.machine_id', f.machine)}
        order by length(m.plate), m.plate, t.name, t.id, g.measure`.cursor(AT_ONCE)
  },
  records: {
    title: 'Records',
    about: 'what was done, when and at how many hours',
    columns: [
      text('plate', 'plate'),
      text('component', 'part'),
      text('task', 'task'),
      text('done on', 'done_on'),
      hours('at', 'hours'),
      hours('machine stood at', 'machine_hours'),
      text('reason', 'reason'),
      text('remark', 'remark'),
      text('by', 'by')
    ],
    rows: (sql, { team }, f) =>
      sql`
        select m.plate, c.name as part, t.name as task, r.done_on, r.hours, r.reason, p.name as by,
          case when t.component_id is null then r.hours else r.machine_hours end as machine_hours,
          concat_ws(' · ', nullif(r.remark, ''), (
            select string_agg(x.said->>'remark', ' · ' order by x.n)
            from jsonb_array_elements(coalesce(r.content->'remarks', '[]')) with ordinality x(said, n))) as remark
        from service_record r join task t on t.team_id = r.team_id and t.id = r.task_id
        left join machine m on m.team_id = r.team_id and m.id = r.machine_id
        left join component c on c.team_id = t.team_id and c.id = t.component_id
        join person p on p.team_id = r.team_id and p.id = r.created_by
        where r.team_id = ${team.id} ${on(sql, 'r.machine_id', f.machine)} order by r.done_at, r.created_at, r.id`.cursor(
        AT_ONCE
      )
  },
  findings: {
    title: 'Findings',
    about: 'what is wrong, how grave, and how it ended',
    columns: [
      text('plate', 'plate'),
      text('component', 'part'),
      text('what', 'what'),
      text('where', 'place'),
      text('severity', 'severity'),
      text('found on', 'found_on'),
      hours('at', 'hours'),
      text('by', 'by'),
      text('note', 'note'),
      text('waits for', 'waits'),
      text('closed on', 'closed_on'),
      text('how it ended', 'how'),
      text('with', 'closed_word'),
      text('closed by', 'closer')
    ],
    rows: (sql, { team }, f) =>
      sql`
        select f.id, m.plate, c.name as part, f.what, f.place, f.severity, f.found_on, f.hours, p.name as by, f.note,
          concat_ws(': ', w.waits_for, nullif(w.part, '')) as waits, f.closed_on, case when f.closed_at is not null then f.closed_how end as how,
          nullif(f.closed_word, '') as closed_word, q.name as closer
        from finding f join person p on p.team_id = f.team_id and p.id = f.created_by
        left join person q on q.team_id = f.team_id and q.id = f.closed_by
        left join reminder w on w.team_id = f.team_id and w.finding_id = f.id and w.done_at is null
        left join component c on c.team_id = f.team_id and c.id = f.component_id
        left join placement pl on pl.team_id = f.team_id and pl.component_id = f.component_id
        left join machine m on m.team_id = f.team_id and m.id = case when f.component_id is null then f.machine_id else pl.machine_id end
        where f.team_id = ${team.id} and f.closed_at is ${f.closed ? sql`not null` : sql`null`} ${on(sql, 'm.id', f.machine)}
          ${f.severity ? sql`and f.severity = ${f.severity}` : sql``}
        order by f.found_at, f.created_at, f.id`.cursor(AT_ONCE)
  },
  components: {
    title: 'Components',
    about: 'engines, chains, wheels: where each is, and its own hours',
    columns: [
      text('kind', 'kind'),
      text('name', 'name'),
      text('serial', 'serial'),
      text('plate', 'plate'),
      text('in', 'host'),
      text('place', 'place'),
      text('fitted on', 'fitted'),
      hours('hours', 'total'),
      text('scrapped on', 'scrapped'),
      text('note', 'note')
    ],
    rows: (sql, reader, f) =>
      sql`
        select c.id, c.kind, c.name, c.serial, m.plate, h.name as host, pl.place, c.total,
          (select ${local(sql, 'x.fitted_at', reader, DAY)} from fitting x where x.team_id = c.team_id and x.component_id = c.id and x.removed_at is null) as fitted, ${local(sql, 'c.scrapped_at', reader, DAY)} as scrapped, c.note
        from component c left join placement pl on pl.team_id = c.team_id and pl.component_id = c.id
        left join component h on h.team_id = pl.team_id and h.id = pl.host_id
        left join machine m on m.team_id = pl.team_id and m.id = pl.machine_id
        where c.team_id = ${reader.team.id} ${on(sql, 'm.id', f.machine)} ${on(sql, 'c.kind', f.kind)} order by length(m.plate), m.plate, c.kind, c.name, c.id`.cursor(
        AT_ONCE
      )
  },
  figures: {
    title: 'Spec sheets',
    about: 'figures as printed, each with where it is printed',
    columns: [
      text('plate', 'plate'),
      { heading: 'section', of: (r) => figureKind(r['key'] as FigureKey).section },
      { heading: 'figure', of: (r) => figureKind(r['key'] as FigureKey).label },
      text('key', 'key'),
      text('fastener', 'fastener'),
      number('from', 'low'),
      number('to', 'high'),
      text('unit', 'unit'),
      text('words', 'text'),
      text('source', 'source'),
      text('page', 'page'),
      text('how sure', 'confidence'),
      text('variant', 'variant')
    ],
    rows: (sql, { team }, f) =>
      sql`
        select x.id, m.plate, x.key, n.name as fastener, case when x.bound <> 'at most' then x.value end as low,
          case when x.bound <> 'at least' then coalesce(x.value_to, x.value) end as high, x.unit, x.text, concat_ws(', ', s.title, nullif(s.edition, '')) as source, x.page, x.confidence, x.variant
        from spec_figure x join machine m on m.team_id = x.team_id and m.id = x.machine_id
        left join fastener n on n.team_id = x.team_id and n.id = x.fastener_id
        left join spec_source s on s.team_id = x.team_id and s.id = x.source_id
        where x.team_id = ${team.id} ${on(sql, 'x.machine_id', f.machine)}
          and not exists (select 1 from spec_figure y where y.team_id = x.team_id and y.supersedes = x.id)
        order by length(m.plate), m.plate, x.key, n.position, x.variant, x.id`.cursor(AT_ONCE)
  },
  fasteners: {
    title: 'Fasteners',
    about: 'plugs, caps and bolts with their torque',
    columns: [
      text('plate', 'plate'),
      text('circuit', 'circuit'),
      text('role', 'role'),
      text('name', 'name'),
      text('where', 'place'),
      number('how many', 'quantity'),
      text('head', 'head'),
      text('thread', 'thread'),
      text('seal', 'seal'),
      yes('magnet', 'magnet'),
      number('torque', 'low'),
      number('torque to', 'high'),
      text('torque unit', 'unit'),
      text('torque in words', 'words'),
      text('torque source', 'source'),
      text('torque page', 'page'),
      text('torque how sure', 'confidence'),
      text('pattern', 'pattern'),
      text('lengths', 'lengths'),
      text('comes with', 'comes_with'),
      text('note', 'note')
    ],
    rows: (sql, { team }, f) =>
      sql`
        select n.id, m.plate, n.circuit, n.role, n.name, n.place, n.quantity, n.head, n.thread, n.seal, n.magnet,
          case when t.bound <> 'at most' then t.value end as low, case when t.bound <> 'at least' then coalesce(t.value_to, t.value) end as high,
          t.unit, t.text as words, t.source, t.page, t.confidence, n.pattern, n.lengths, n.comes_with, n.note
        from fastener n join machine m on m.team_id = n.team_id and m.id = n.machine_id
        left join lateral (
          select x.value, x.value_to, x.bound, x.unit, x.text, x.page, x.confidence, concat_ws(', ', s.title, nullif(s.edition, '')) as source
          from spec_figure x left join spec_source s on s.team_id = x.team_id and s.id = x.source_id
          where x.team_id = n.team_id and x.fastener_id = n.id and x.key = 'torque'
            and not exists (select 1 from spec_figure y where y.team_id = x.team_id and y.supersedes = x.id) order by x.variant limit 1) t on true
        where n.team_id = ${team.id} and n.removed_at is null ${on(sql, 'n.machine_id', f.machine)} order by length(m.plate), m.plate, n.position, n.id`.cursor(
        AT_ONCE
      )
  },
  due: {
    title: 'Due list',
    about: 'what presses, what is left of it, and when it likely falls due',
    columns: [
      text('plate', 'plate'),
      text('machine', 'machine'),
      text('rider', 'rider'),
      text('component', 'part'),
      text('what', 'name'),
      text('kind', 'kind'),
      text('state', 'state'),
      text('left', 'left'),
      text('every', 'every'),
      text('likely', 'likely'),
      text('inside', 'inside')
    ],
    rows: (sql, { team }, f) => everyDue(sql, team, f.due, f.now) as AsyncIterable<Row[]>
  },
  oils: {
    title: 'Oils in the stores',
    about: 'what stands on the shelf, and how much of it',
    columns: [
      text('name', 'name'),
      text('grade', 'grade'),
      text('made for', 'kind'),
      text('ratings', 'ratings'),
      text('holds', 'additives'),
      number('a bottle (ml)', 'bottle_ml'),
      number('there is (ml)', 'stock')
    ],
    rows: (sql, { team }) =>
      sql`
        select o.id, o.name, o.grade, o.kind, o.ratings, o.additives, o.bottle_ml,
          coalesce((select sum(ml) from oil_movement x where x.team_id = o.team_id and x.oil_id = o.id), 0)::float8 as stock
        from oil o where o.team_id = ${team.id} and o.retired_at is null order by o.kind, o.name, o.grade, o.id`.cursor(
        AT_ONCE
      )
  }
} as const satisfies Record<string, ExchangeList>;
export type ListKey = keyof typeof LISTS;
export const LIST_KEYS = Object.keys(LISTS) as ListKey[];
