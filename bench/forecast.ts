import type { DayPoint } from '../src/lib/core/forecast/history';
import { rateOfUse } from '../src/lib/core/forecast/rate';
import { daysUntil, type PlannedUse } from '../src/lib/core/forecast/until';
import { dayNumber, dayOf } from '../src/lib/core/time/day';
import { connect } from '../src/lib/server/base/db';

/**
 * The forecast held against what happened: for every machine of the demo season and every day of its second half, when was
 * it said that so many hours would be used, and when were they? Prints the share of true days inside the stated range.
 */
const AHEAD = [200, 400, 700, 1000, 1500];
const sql = connect(process.argv[2]!, 2);
const [team] = await sql`select id, time_zone from team where is_demo`;
const machines = await sql`select id, plate from machine where team_id = ${team!.id}`;
const events = await sql`
  select e.first_day, e.last_day, e.hours_each, array(select machine_id from event_machine m where m.event_id = e.id) as machines from event e where team_id = ${team!.id}`;
let inside = 0;
let early = 0;
let late = 0;
let width = 0;
for (const m of machines) {
  const steps = await sql`
    select at, hours, planned from count_step where machine_id = ${m.id} and kind in ('reading', 'meter closed') order by at, ord`;
  const byDay = new Map<number, DayPoint>();
  for (const step of steps) {
    const day = dayNumber(dayOf(step.at, team!.time_zone));
    byDay.set(day, { day, total: step.hours, planned: step.planned });
  }
  const points = [...byDay.values()];
  const [first, last] = [points[0]!.day, points.at(-1)!.day];
  const totalOn = (day: number) => points.findLast((p) => p.day <= day)!.total;
  for (let today = Math.round((first + last) / 2); today < last; today++) {
    const rate = rateOfUse(points, today);
    if (!rate) continue;
    const planned: PlannedUse[] = events
      .filter((e) => e.machines.includes(m.id) && dayNumber(e.last_day) >= today)
      .map((e) => ({
        from: Math.max(0, dayNumber(e.first_day) - today),
        to: dayNumber(e.last_day) - today,
        hours: e.hours_each
      }));
    for (const hours of AHEAD) {
      const range = daysUntil(hours, rate, planned);
      // Only what the rest of the season can judge: else every late one would be left out and the share flattered.
      if (range.late > last - today) continue;
      const reached = points.find((p) => p.day > today && p.total >= totalOn(today) + hours);
      const took = reached ? reached.day - today : Infinity;
      width += range.late - range.early;
      if (took < range.early) early += 1;
      else if (took > range.late) late += 1;
      else inside += 1;
    }
  }
}
const all = inside + early + late;
console.log(
  JSON.stringify({ all, inside: inside / all, early: early / all, late: late / all, width: width / all })
);
await sql.end();
