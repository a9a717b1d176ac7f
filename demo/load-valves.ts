import { keptRules } from '../src/lib/core/rules/stored';
import type { Day } from '../src/lib/core/time/day';
import type { Team } from '../src/lib/core/team/team';
import { standsOf } from '../src/lib/core/valve/check';
import type { Measured } from '../src/lib/core/valve/clearance';
import { gaugeOf, isShimmed, shortName, valvesOf, type Valve } from '../src/lib/core/valve/head';
import { checkInput } from '../src/lib/core/valve/sheet';
import { writeHead, writeMeasured } from '../src/lib/core/valve/stored';
import type { Db } from '../src/lib/server/base/db';
import { headIn } from '../src/lib/server/valve/heads';
import { within } from '../src/lib/server/valve/close';
import { valveSheet } from '../src/lib/server/valve/sheet';
import { COMPONENTS } from './components';
import { firstTotal, type DemoOuting } from './history';
import { at, DEMO_TEAM_ID, person, uid } from './ids';
import type { DemoMachine } from './machine';
import { HEADS, type DemoHead } from './valves';

/** Feeler blades of the workshop, µm: a metric set, and an inch one for the gaps of it. */
const METRIC = [50, 60, 70, 80, 90, 100, 110, 120, 130, 140, 150, 160, 180, 200, 220, 250, 300];
const INCH = [38, 51, 76, 102, 127, 152, 178, 203, 229, 254, 305];

const bracket = (um: number): Measured => ({
  by: 'blades',
  goes: METRIC.findLast((b) => b <= um) ?? null,
  stops: METRIC.find((b) => b > um) ?? null
});

/** What lies in the drawer: how far across, sizes with how many. */
const DRAWER: [across: number, sizes: [stamp: number, count: number, measured?: number][]][] = [
  [
    8200,
    [
      [1700, 1],
      [1725, 2],
      [1750, 1],
      [1775, 1, 1771],
      [1800, 3],
      [1825, 1],
      [1850, 2],
      [1875, 1],
      [1900, 2],
      [1950, 1]
    ]
  ],
  [
    9700,
    [
      [2000, 2],
      [2050, 1],
      [2100, 2],
      [2150, 1, 2144],
      [2200, 1]
    ]
  ]
];

/** Blades and shims of the workshop. */
export async function loadBladesAndShims(tx: Db, season: Day): Promise<void> {
  const team_id = DEMO_TEAM_ID;
  const when = at(season, 0);
  for (const [slug, name, blades] of [
    ['metric', 'Feeler blades, metric', METRIC],
    ['inch', 'Feeler blades, inch', INCH]
  ] as const)
    await tx`
      insert into blade_set (team_id, id, name, unit, blades, created_at, created_by)
      values (${team_id}, ${uid(`blades/${slug}`)}, ${name}, ${slug === 'inch' ? 'in' : 'mm'}, ${[...blades]}, ${when}, ${person('maud')})`;
  for (const [across, sizes] of DRAWER)
    for (const [stamp, count, measured] of sizes)
      await tx`insert into shim_movement ${tx({ team_id, id: uid(`shim/${across}/${stamp}/${measured ?? ''}`), across, stamp, measured: measured ?? null, count, why: 'counted', at: when, by: person('anwen') })}`;
  for (const stamp of [1725, 1750, 1775])
    await tx`insert into shim_level ${tx({ team_id, across: 8200, stamp, least: 1 })}`;
}

/** One valve as it wears: what its seat is at a running total, µm, and the shim or setting it has. */
interface Wearing {
  valve: Valve;
  seatAt: (total: number) => number;
  shim: number;
}

/**
 * The head of a machine with its checks, from the first to the last: each as it would have been measured, with shims put in
 * where a valve had closed up.
 *
 * @param marks running totals (hundredths) at which the valve task was done, with the record of each
 */
export async function loadHead(
  tx: Db,
  m: DemoMachine,
  today: Day,
  rides: readonly DemoOuting[],
  marks: readonly { total: number; recordId: string }[]
): Promise<void> {
  const head = HEADS.find((h) => h.machine === m.slug);
  if (!head) return;
  const team_id = DEMO_TEAM_ID;
  const id = uid(`${m.slug}/head`);
  const engine = COMPONENTS.find((c) => c.slug === `${m.slug}-engine`);
  await tx`insert into valve_head ${tx({
    team_id,
    id,
    machine_id: engine ? null : uid(m.slug),
    component_id: engine ? uid(engine.slug) : null,
    sheet_machine_id: uid(m.slug),
    content: tx.json(
      writeHead({
        layout: head.layout,
        series: head.series,
        acrossUm: head.acrossUm,
        guide: head.guide
      }) as never
    ) as never,
    created_by: person('anwen')
  })}`;
  // At the bench from now on by the product's own job.
  await tx`
    update task set job = ${head.series ? 'valve-check' : 'valve-screws'} where team_id = ${team_id} and name like 'Valve clearances%'
      and ${engine ? tx`component_id = ${uid(engine.slug)}` : tx`machine_id = ${uid(m.slug)}`}`;
  const totals = checkTotals(head, firstTotal(m, today), marks);
  const wearing = valvesOf(head.layout).map((valve, i) => wearOf(head, valve, i, totals));
  const rideAt = (total: number) =>
    Math.max(
      0,
      rides.findLastIndex((r) => r.total <= total)
    );
  for (const [n, total] of totals.entries()) {
    const ride = rideAt(total);
    const when = at(rides[ride]!.day, 600 + ride + n);
    const checkId = uid(`${id}/check/${n}`);
    const by = person(n % 2 === 0 ? 'anwen' : 'jory');
    await tx`insert into valve_check ${tx({
      team_id,
      id: checkId,
      head_id: id,
      machine_id: uid(m.slug),
      cold: 'by the book',
      rules: tx.json(keptRules.parse({}) as never) as never,
      begun_at: when,
      begun_by: by,
      closed_at: new Date(when.getTime() + 3_600_000),
      closed_by: by,
      record_id: marks.find((x) => x.total === total)?.recordId ?? null
    })}`;
    for (const [i, w] of wearing.entries())
      await measureAndSet(tx, head, w, { id: checkId, headId: id, when, by, first: n === 0, k: i }, total);
  }
}

/** At which running totals it was checked: when its task was done, and as often more as the scenario wants. */
function checkTotals(head: DemoHead, begin: number, marks: readonly { total: number }[]): number[] {
  const done = marks.map((x) => x.total).sort((a, b) => a - b);
  const last = done.at(-1)!;
  const more = head.checks - done.length;
  const even = Array.from(
    { length: Math.max(0, more) },
    (_, i) => Math.round((begin + 150 + ((last - begin - 150) * i) / (more + 0.5)) / 10) * 10
  );
  const apart = even.filter((t) => done.every((d) => Math.abs(d - t) > 200));
  return [...apart, ...done].sort((a, b) => a - b);
}

function wearOf(head: DemoHead, valve: Valve, i: number, totals: readonly number[]): Wearing {
  const rate = head.rates[i]!;
  const limits = head[valve.side].map((mm) => Math.round(mm * 1000)) as [number, number];
  const first = totals[0]!;
  const split = totals.at(-3) ?? first;
  const base = (valve.side === 'inlet' ? 1880 : 2060) + ((i * 37) % 60);
  const seatAt = (total: number) => {
    const slow = ((total - first) / 100) * rate;
    const fast = head.faster === i && total > split ? ((total - split) / 100) * rate * 1.4 : 0;
    // A few micrometres either way: no two hands feel the same drag.
    return Math.round(base - slow - fast + (((total / 10 + i * 5) % 7) - 3));
  };
  const middle = (limits[0] + limits[1]) / 2;
  const step = head.series?.step ?? 1;
  return { valve, seatAt, shim: Math.round((seatAt(first) - middle - ((i * 11) % 20) + 10) / step) * step };
}

async function measureAndSet(
  tx: Db,
  head: DemoHead,
  w: Wearing,
  check: { id: string; headId: string; when: Date; by: string; first: boolean; k: number },
  total: number
): Promise<void> {
  const team_id = DEMO_TEAM_ID;
  const { valve } = w;
  const later = (s: number) => new Date(check.when.getTime() + (check.k * 60 + s) * 1000);
  const reading = (stage: string, um: number, s: number) =>
    tx`insert into valve_reading ${tx({ team_id, id: uid(`${check.id}/${valve.id}/${stage}`), check_id: check.id, valve: valve.id, stage, content: tx.json(writeMeasured(bracket(um)) as never) as never, at: later(s), by: check.by })}`;
  const shimmed = isShimmed(gaugeOf(head.layout, valve.side));
  const sits = (why: string, s: number) =>
    tx`insert into valve_shim ${tx({ team_id, id: uid(`${check.id}/${valve.id}/${why}`), head_id: check.headId, check_id: check.id, valve: valve.id, stamp: w.shim, why, at: later(s), by: check.by })}`;
  const found = w.seatAt(total) - w.shim;
  await reading('found', found, 0);
  if (shimmed && check.first) await sits('read', 1);
  const [lo, hi] = head[valve.side].map((mm) => Math.round(mm * 1000)) as [number, number];
  const goes = METRIC.findLast((b) => b <= found) ?? 0;
  if (goes >= lo) return;
  const step = head.series?.step ?? 1;
  const out = w.shim;
  w.shim = Math.round((w.seatAt(total) - (lo + hi) / 2) / step) * step;
  if (shimmed) {
    await sits('fitted', 1800);
    for (const [stamp, count, why] of [
      [out, 1, 'taken out'],
      [w.shim, -1, 'fitted']
    ] as const)
      await tx`insert into shim_movement ${tx({ team_id, id: uid(`${check.id}/${valve.id}/${why}`), across: head.acrossUm ?? 0, stamp, count, why: `${why}: ${shortName(head.layout, valve)}`, check_id: check.id, valve: valve.id, at: later(1800), by: check.by })}`;
    // What was fitted had been bought for it.
    await tx`insert into shim_movement ${tx({ team_id, id: uid(`${check.id}/${valve.id}/bought`), across: head.acrossUm ?? 0, stamp: w.shim, count: 1, why: 'bought', at: later(1700), by: check.by })}`;
  }
  await reading('left', w.seatAt(total) - w.shim, 2400);
}

/**
 * Writes at the record of the last check of a machine's valves how soon its wear wants the next one: it hangs on the
 * hours, which are known only when the whole season is loaded.
 */
export async function wantsAgain(tx: Db, team: Team, machineId: string): Promise<void> {
  const head = await headIn(tx, team.id, machineId);
  if (!head) return;
  const sheet = await valveSheet(tx, team, head, machineId);
  const [last] = await tx`
    select record_id from valve_check where team_id = ${team.id} and head_id = ${head.id} and closed_at is not null and struck_at is null
    order by begun_at desc, id limit 1`;
  if (last?.record_id)
    await tx`
      update service_record set next_within = ${within(sheet, standsOf(checkInput(sheet)))} where team_id = ${team.id} and id = ${last.record_id}`;
}
