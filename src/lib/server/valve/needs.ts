import { standsOf } from '../../core/valve/check';
import { needsOf, type Need } from '../../core/valve/needs';
import { checkInput } from '../../core/valve/sheet';
import { isValveTask } from '../../core/valve/task';
import { wearOfHead } from '../../core/valve/wear-of-head';
import type { Team } from '../../core/team/team';
import { tasksDue } from '../../core/schedule/due';
import { dayOf } from '../../core/time/day';
import { machineNow } from '../../core/trail/lane';
import type { Db } from '../base/db';
import { readCalendar, readStandings } from '../trail/lanes';
import { valveSheetIn } from './sheet';

/** What the next check of one engine likely wants. */
export interface EngineNeeds {
  machineId: string;
  plate: string;
  acrossUm: number | null;
  /** Hours until its valves are due; null: nobody knows. */
  ahead: number | null;
  needs: Need[];
}

/** What the next checks of all engines on machines likely want, the nearest first. */
export async function likelyNeeds(sql: Db, team: Team, now: Date): Promise<EngineNeeds[]> {
  const rows = await sql`
    select m.id, m.plate from valve_head h
    left join placement p on p.team_id = h.team_id and p.component_id = h.component_id
    join machine m on m.team_id = h.team_id and m.id = coalesce(h.machine_id, p.machine_id)
    where h.team_id = ${team.id} order by m.plate limit 200`;
  if (rows.length === 0) return [];
  const today = dayOf(now, team.timeZone);
  const [standings, calendar] = await Promise.all([
    readStandings(
      sql,
      team,
      rows.map((r) => r.id as string)
    ),
    readCalendar(sql, team.id, today)
  ]);
  const all: EngineNeeds[] = [];
  for (const { id, plate } of rows) {
    const standing = standings.find((s) => s.id === id);
    const sheet = await valveSheetIn(sql, team, id);
    if (!standing || !sheet) continue;
    const dues = tasksDue(standing.tasks, machineNow(standing, calendar.of(id), today));
    const stake = dues.find((d) => isValveTask(d.task))?.stake ?? null;
    const ahead = stake ? stake.ahead / 100 : null;
    const stands = standsOf(checkInput(sheet));
    // What falls due in the meantime is counted from the last check, which the engine has run past by now.
    const since = sheet.past[0]?.hours ?? null;
    const run = sheet.hours !== null && since !== null ? sheet.hours - since : 0;
    const wear = wearOfHead(stands, sheet.past, sheet.rules, sheet.head.series);
    const needs = ahead === null ? [] : needsOf(stands, wear, ahead + run, sheet.rules, sheet.head.series);
    if (needs.length > 0) all.push({ machineId: id, plate, acrossUm: sheet.head.acrossUm, ahead, needs });
  }
  return all.sort((a, b) => (a.ahead ?? Infinity) - (b.ahead ?? Infinity));
}
