import { error } from '@sveltejs/kit';
import { showBand } from '$lib/core/quantity/band';
import { outlineOf } from '$lib/core/machine/places';
import { db } from '$lib/server/base/db';
import { getMachine } from '$lib/server/machine/machines';
import { readSheet } from '$lib/server/specs/sheet';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, params }) => {
  const team = locals.team!;
  const machine = await getMachine(db(), team.id, params.id);
  if (!machine) error(404, 'No such machine in this team.');
  const sheet = await readSheet(db(), team.id, machine.id);
  return {
    machine,
    fasteners: sheet.fasteners,
    torques: Object.fromEntries(
      sheet.figures
        .filter((f) => f.key === 'torque' && f.fastenerId)
        .map((f) => [f.fastenerId!, f.band ? showBand(f.band) : f.text])
    ),
    outline: outlineOf(machine.kind)
  };
};
