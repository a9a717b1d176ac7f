import { listComponents } from '$lib/server/component/pages';
import { db } from '$lib/server/base/db';
import { listMachines } from '$lib/server/machine/machines';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, url }) => {
  const sql = db();
  const team = locals.team!;
  const [machines, components] = await Promise.all([
    listMachines(sql, team.id),
    listComponents(sql, team.id)
  ]);
  return {
    machines: machines.map((m) => ({ id: m.id, plate: m.plate, name: m.name })),
    engines: components.filter((c) => c.kind === 'engine' && c.scrapped === null),
    machineId: url.searchParams.get('machine') ?? ''
  };
};
