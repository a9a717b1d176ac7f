import { addDays, type Day } from '../src/lib/core/time/day';
import type { Db } from '../src/lib/server/base/db';
import { COMPONENTS } from './components';
import { at, DEMO_TEAM_ID, person, uid } from './ids';

/** Components with where they are, before the tasks that hang on them. */
export async function loadComponents(
  tx: Db,
  season: Day,
  startOf: ReadonlyMap<string, number>
): Promise<void> {
  const began = new Date(at(season, 0).getTime() + 120_000);
  const ordered = [...COMPONENTS].sort((a, b) => Number(a.inEngine ?? false) - Number(b.inEngine ?? false));
  for (const c of ordered) {
    const id = uid(c.slug);
    const brought = c.brought === undefined ? (startOf.get(c.on ?? '') ?? 0) : Math.round(c.brought * 100);
    await tx`insert into component ${tx({ team_id: DEMO_TEAM_ID, id, kind: c.kind, name: c.name, serial: c.serial ?? '', brought, note: c.note ?? '', total: brought, created_at: began, created_by: person('maud') })}`;
    if (c.on)
      await tx`insert into fitting ${tx({
        team_id: DEMO_TEAM_ID,
        id: uid(`${c.slug}/fitting`),
        component_id: id,
        kind: c.kind,
        machine_id: c.inEngine ? null : uid(c.on),
        host_id: c.inEngine ? uid(`${c.on}-engine`) : null,
        place: c.place ?? '',
        fitted_at: began,
        created_by: person('maud')
      })}`;
  }
}

/** What riders reported, what waits, what was proposed, and the house rules the team has changed. */
export async function loadReports(tx: Db, today: Day, now: Date): Promise<void> {
  const team_id = DEMO_TEAM_ID;
  await tx`insert into machine_call ${tx({ team_id, id: uid('call/rake'), machine_id: uid('rake250'), kind: 'symptom', what: 'hard to start', words: 'Five kicks when warm, fine cold.', called_on: addDays(today, -3), created_at: new Date(now.getTime() + 1000), created_by: person('tobiah') })}`;
  await tx`insert into reminder ${tx([
    {
      team_id,
      id: uid('reminder/scree'),
      machine_id: uid('scree450'),
      words: 'Torque the screen cap by wrench',
      waits_for: 'a part to arrive',
      part: 'hex 14 adapter',
      created_by: person('anwen')
    },
    {
      team_id,
      id: uid('reminder/fell'),
      machine_id: uid('fell250'),
      words: 'Look for weeping at the filter cover',
      waits_for: 'the next outing',
      part: '',
      created_by: person('jory')
    }
  ])}`;
  const found = (slug: string, machine: string, daysAgo: number, by: string, f: object) => ({
    team_id,
    id: uid(`finding/${slug}`),
    machine_id: uid(machine),
    cause: 'seen',
    found_on: addDays(today, -daysAgo),
    found_at: new Date(now.getTime() - daysAgo * 86_400_000),
    created_by: person(by),
    ...f
  });
  await tx`insert into finding ${tx([
    found('nut', 'lynchet', 2, 'jory', {
      what: 'Left front hub: split pin gone, nut turns by hand',
      place: 'left front',
      note: 'Parked under the lean-to with the key out until a new nut is on.',
      severity: 'park the machine'
    }),
    found('seal', 'fell350', 6, 'anwen', {
      what: 'Right fork seal weeps',
      place: 'right leg',
      note: 'A ring of oil after the peat loop; wiped dry, look again.',
      severity: 'watch'
    }),
    found('boot', 'drover', 9, 'maud', {
      what: 'Outer joint boot torn',
      place: 'rear left',
      note: '',
      severity: 'tell the owner'
    })
  ])}`;
  const oil = uid(`scree450/task/Engine oil, screen and filter`);
  const [record] =
    await tx`select id from service_record where team_id = ${team_id} and task_id = ${oil} order by done_at desc limit 1`;
  await tx`insert into interval_proposal ${tx({
    team_id,
    id: uid('proposal/scree'),
    task_id: oil,
    trigger_id: uid(`${oil}/hours`),
    from_amount: 1200,
    to_amount: 900,
    reason:
      'Engine drain plug: flakes you can feel. More than last time (fine glitter): shorten the next interval and look again.',
    record_id: record!.id,
    created_by: person('anwen')
  })}`;
  const rules = [
    {
      key: 'chainDressing',
      value: 'wax',
      word: 'Less throws on the peat, and it comes off with the mud.',
      by: 'anwen',
      ago: 60
    },
    { key: 'ringsEvery', value: 4, word: 'Never saw one gone at three.', by: 'jory', ago: 41 },
    { key: 'ringsEvery', value: 3, word: 'One wept at Sallowmoor. Back to three.', by: 'maud', ago: 12 },
    { key: 'impactTool', value: 'never', word: 'After the stripped guard bolt.', by: 'maud', ago: 30 }
  ];
  for (const [i, r] of rules.entries())
    await tx`insert into house_rule ${tx({ team_id, id: uid(`rule/${i}`), key: r.key, value: tx.json(r.value as never) as never, word: r.word, set_at: new Date(now.getTime() - r.ago * 86_400_000), set_by: person(r.by) })}`;
  await tx`insert into modification ${tx({ team_id, id: uid('modification/fell350'), machine_id: uid('fell350'), what: 'other gearing', words: '13 teeth in front for the climbs at Harrow Edge.', done_on: addDays(today, -20), created_by: person('jory') })}`;
}
