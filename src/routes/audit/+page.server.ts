import { id as idSchema } from '$lib/core/forms';
import { listAudit } from '$lib/server/commands/audit';
import { db } from '$lib/server/base/db';
import { listMachines } from '$lib/server/machine/machines';
import { listEverybody } from '$lib/server/team/teams';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, url }) => {
  const sql = db();
  const team = locals.team!;
  const picked = (name: string) => idSchema.safeParse(url.searchParams.get(name)).data ?? null;
  const before = Number(url.searchParams.get('before'));
  const filter = {
    machineId: picked('machine'),
    personId: picked('person'),
    before: Number.isSafeInteger(before) && before > 0 ? before : null
  };
  const [{ rows, older }, machines, everybody] = await Promise.all([
    listAudit(sql, team.id, filter),
    listMachines(sql, team.id),
    listEverybody(sql, team.id)
  ]);
  return {
    ...filter,
    rows,
    older,
    everybody,
    machines: machines.map(({ id, plate, name }) => ({ id, plate, name }))
  };
};
