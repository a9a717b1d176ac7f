import { standsOf, type ValveStand } from '../../core/valve/check';
import { checkInput } from '../../core/valve/sheet';
import { wearOfHead, type ValveWear } from '../../core/valve/wear-of-head';
import type { Team } from '../../core/team/team';
import type { Db } from '../base/db';
import { valveSheetIn } from './sheet';

/** One engine as it stands beside others of its type. */
export interface EngineWear {
  machineId: string;
  plate: string;
  /** Of the machine it is in. */
  type: string;
  engine: string | null;
  hours: number | null;
  /** Its last check. */
  day: string | null;
  stands: ValveStand[];
  wear: ValveWear[];
}

/** How the valves of every engine on a machine wear: those of one type beside one another. */
export async function engineWear(sql: Db, team: Team): Promise<EngineWear[]> {
  const rows = await sql`
    select m.id, m.plate, concat_ws(' ', nullif(m.maker, ''), m.name) as type from valve_head h
    left join placement p on p.team_id = h.team_id and p.component_id = h.component_id
    join machine m on m.team_id = h.team_id and m.id = coalesce(h.machine_id, p.machine_id)
    where h.team_id = ${team.id} order by type, length(m.plate), m.plate limit 200`;
  const all: EngineWear[] = [];
  for (const { id, plate, type } of rows) {
    const sheet = await valveSheetIn(sql, team, id);
    if (!sheet) continue;
    const stands = standsOf(checkInput(sheet));
    all.push({
      machineId: id,
      plate,
      type,
      engine: sheet.engine?.name ?? null,
      hours: sheet.hours,
      day: sheet.past[0]?.day ?? null,
      stands,
      wear: wearOfHead(stands, sheet.past, sheet.rules, sheet.head.series)
    });
  }
  return all;
}
