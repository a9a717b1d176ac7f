import { error } from '@sveltejs/kit';
import { id } from '$lib/core/forms';
import { db } from '$lib/server/base/db';
import { listMachines } from '$lib/server/machine/machines';
import { listRecords } from '$lib/server/record/records';
import type { PageServerLoad } from './$types';

/** Records on a page: a season of a small team. */
const PAGE = 500;

/** What was done, over the whole team or on one machine, the latest first. */
export const load: PageServerLoad = async ({ locals, url }) => {
  const sql = db();
  const team = locals.team!;
  const asked = (key: string) => {
    const given = url.searchParams.get(key);
    if (!given) return null;
    const parsed = id.safeParse(given);
    if (!parsed.success) error(404, 'Nothing is kept at this address.');
    return parsed.data;
  };
  const [machine, before] = [asked('machine'), asked('before')];
  const machines = await listMachines(sql, team.id);
  const only = machine === null ? null : (machines.find((m) => m.id === machine) ?? null);
  if (machine !== null && only === null) error(404, 'No such machine in this team.');
  const records = await listRecords(sql, team.id, machine, before, PAGE);
  return {
    records,
    machines: machines.map(({ id, plate, name }) => ({ id, plate, name })),
    machine,
    before,
    older: records.length === PAGE ? records.at(-1)!.id : null
  };
};
