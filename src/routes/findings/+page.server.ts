import { id } from '$lib/core/forms';
import { dayOf } from '$lib/core/time/day';
import { db } from '$lib/server/base/db';
import { fleetFindings } from '$lib/server/finding/fleet';
import { listMachines } from '$lib/server/machine/machines';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, url }) => {
  const sql = db();
  const team = locals.team!;
  const machine = url.searchParams.get('machine') ?? '';
  const filter = {
    machine: id.safeParse(machine).success ? machine : '',
    severity: (url.searchParams.get('severity') ?? '').slice(0, 40),
    closed: url.searchParams.has('closed')
  };
  const [list, machines] = await Promise.all([fleetFindings(sql, team, filter), listMachines(sql, team.id)]);
  return {
    list,
    filter,
    machines: machines.map(({ id: m, plate, name }) => ({ id: m, plate, name })),
    today: dayOf(new Date(), team.timeZone)
  };
};
