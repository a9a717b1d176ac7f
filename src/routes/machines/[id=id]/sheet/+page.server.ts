import { error } from '@sveltejs/kit';
import type { Kind } from '$lib/core/machine/machine';
import { doubtedBy } from '$lib/core/specs/changes';
import { contradictions } from '$lib/core/specs/sheet';
import { sectionsOf, starterKeys } from '$lib/core/specs/starter';
import { circuitsOf, usualFasteners } from '$lib/core/specs/usual';
import { dayOf } from '$lib/core/time/day';
import { db } from '$lib/server/base/db';
import { getMachine, listMachines } from '$lib/server/machine/machines';
import { listRuleChanges, readRules } from '$lib/server/rules/rules';
import { listModifications } from '$lib/server/specs/changes';
import { listFasteners, listFigures, listRemoved, listSources } from '$lib/server/specs/sheet';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, params }) => {
  const sql = db();
  const team = locals.team!;
  const machine = await getMachine(sql, team.id, params.id);
  if (!machine) error(404, 'No such machine in this team.');
  const [figures, fasteners, removed, modifications, machines] = await Promise.all([
    listFigures(sql, team.id, machine.id),
    listFasteners(sql, team.id, machine.id),
    listRemoved(sql, team.id, machine.id),
    listModifications(sql, team.id, machine.id),
    listMachines(sql, team.id)
  ]);
  return {
    machine,
    fasteners,
    removed,
    rules: await readRules(sql, team.id, machine.id),
    ruleChanges: (await listRuleChanges(sql, team.id, machine.id)).map((c) => ({
      ...c,
      day: dayOf(c.at, team.timeZone)
    })),
    sources: await listSources(sql, team.id),
    usual: usualFasteners(machine.kind as Kind),
    circuits: circuitsOf(machine.kind as Kind),
    modifications,
    machines: machines.map((m) => ({ id: m.id, plate: m.plate, name: m.name, kind: m.kind })),
    figures: figures.map((f) => ({
      ...f,
      doubts: f.superseded
        ? []
        : doubtedBy({ id: f.id, key: f.key, on: dayOf(f.on, team.timeZone) }, modifications).map(
            ({ id, what, day }) => ({
              id,
              what,
              day
            })
          )
    })),
    odd: contradictions(figures.filter((f) => !f.superseded)),
    starter: starterKeys(machine.kind as Kind),
    sections: sectionsOf(machine.kind as Kind)
  };
};
