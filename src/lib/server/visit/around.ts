import { AIR_DAYS } from '../../core/fluids/air';
import { stationAir } from '../../core/fluids/station';
import type { Kind } from '../../core/machine/machine';
import { outlineOf } from '../../core/machine/places';
import type { HouseRules } from '../../core/rules/rules';
import type { Team } from '../../core/team/team';
import type { Day } from '../../core/time/day';
import { forgottenLast } from './history';
import { chainSheet } from '../chain/sheet';
import type { Sql } from '../base/db';
import { listFasteners, listSources } from '../specs/sheet';
import { toolsBeside } from '../stores/claims';
import { listPeople } from '../team/teams';
import { valveSheetIn } from '../valve/sheet';

/**
 * What the bench has at hand at a machine besides the visit itself, without photos.
 * @param visitId the one at hand, which is not its own last time; null: none is begun
 * @param wants which sheets its steps are about
 */
export async function benchAround(
  sql: Sql,
  team: Team,
  machine: { id: string; kind: string },
  visitId: string | null,
  rules: HouseRules,
  wants: { valves: boolean; chain: boolean },
  today: Day
) {
  return {
    forgotten: await forgottenLast(sql, team, machine.id, visitId),
    tools: await toolsBeside(sql, team.id, visitId),
    byFeel: rules.torque === 'by feel where the house allows',
    fasteners: await listFasteners(sql, team.id, machine.id),
    outline: outlineOf(machine.kind as Kind),
    sources: await listSources(sql, team.id),
    people: await listPeople(sql, team.id),
    today,
    valves: wants.valves ? { sheet: await valveSheetIn(sql, team, machine.id) } : null,
    chain: wants.chain ? await chainSheet(sql, team, machine.id) : null,
    // A stand-in for the weather advises the demo alone.
    air: team.isDemo ? stationAir(today, AIR_DAYS) : null
  };
}
