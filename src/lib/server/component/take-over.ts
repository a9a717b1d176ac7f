import type { Db } from '../base/db';

/**
 * A chain that was on a machine all along and is named only now takes over what was measured of it.
 * @param since when it was fitted
 */
export async function takeOverChain(
  tx: Db,
  teamId: string,
  machineId: string,
  chainId: string,
  since: Date
): Promise<void> {
  await tx`
    update chain_check set component_id = ${chainId} where team_id = ${teamId} and machine_id = ${machineId} and component_id is null and begun_at >= ${since}`;
  await tx`
    update chain_entry set component_id = ${chainId} where team_id = ${teamId} and machine_id = ${machineId} and component_id is null and at >= ${since}`;
}

/**
 * An engine that is named only now takes over the head that was laid out for its machine, with all that was measured.
 * @param machineId where it is fitted
 */
export async function takeOverHead(
  tx: Db,
  teamId: string,
  machineId: string,
  engineId: string
): Promise<void> {
  await tx`
    update valve_head set machine_id = null, component_id = ${engineId} where team_id = ${teamId} and machine_id = ${machineId}`;
}
