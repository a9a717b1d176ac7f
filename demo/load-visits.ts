import { GRADES, type Grade } from '../src/lib/core/debris/debris';
import { DEFAULT_RULES } from '../src/lib/core/rules/rules';
import { dayOf } from '../src/lib/core/time/day';
import type { Entry, NewEntry } from '../src/lib/core/visit/entry';
import { planEngineOil } from '../src/lib/core/visit/jobs/engine-oil';
import type { VisitPlan } from '../src/lib/core/visit/plan';
import { visitState } from '../src/lib/core/visit/state';
import { summarise } from '../src/lib/core/visit/summary';
import type { Db } from '../src/lib/server/db';
import { readSheet } from '../src/lib/server/specs';
import { earlier, insertEntry, insertVisit } from '../src/lib/server/visits';
import { chance } from './history';
import { DEMO_TEAM_ID, person, uid } from './ids';
import type { DemoMachine } from './machine';
import { TEAM } from './people';

/** Every entry of a visit done as the sheet says, for the book of the season gone by. */
function entriesFor(plan: VisitPlan, seed: string, grade: Grade): NewEntry[] {
  const next = chance(seed);
  let n = 0;
  const id = () => uid(`${seed}/entry/${n++}`);
  const step = (stepKey: string, content: object = {}) =>
    ({ id: id(), stepKey, itemKey: null, action: 'done', content }) as NewEntry;
  return plan.steps.flatMap((s): NewEntry[] => {
    const { input } = s;
    switch (input.type) {
      case 'close':
        return input.items.map((itemKey) => {
          const item = plan.items.find((i) => i.key === itemKey)!;
          if (item.kind !== 'fastener')
            return { id: id(), stepKey: null, itemKey, action: 'shut', content: {} };
          const q = item.torque?.quantity;
          return q
            ? ({
                id: id(),
                stepKey: null,
                itemKey,
                action: 'torqued',
                content: { value: q.value, unit: q.unit }
              } as NewEntry)
            : {
                id: id(),
                stepKey: null,
                itemKey,
                action: 'by feel',
                content: { reason: 'No figure on the sheet.' }
              };
        });
      case 'drained':
        return [
          step(s.key, {
            ml: Math.round(((input.pouredLastTimeMl ?? 1000) * (0.9 + next() * 0.06)) / 10) * 10
          })
        ];
      case 'debris': {
        const found = s.key.startsWith('magnet') ? grade : GRADES[0];
        return [step(s.key, { grade: found, materials: found === GRADES[0] ? [] : ['steel (magnetic)'] })];
      }
      case 'pour':
        return [step(s.key, { ml: input.firstMl ?? 900 })];
      case 'level':
        return [
          step(s.key, {
            level:
              input.method === 'check screw'
                ? { method: input.method, flow: 'weeps' }
                : {
                    method: input.method ?? 'sight glass',
                    position: Math.round((0.5 + next() * 0.3) * 100) / 100
                  },
            toppedUpMl: 60
          })
        ];
      default:
        return [step(s.key)];
    }
  });
}

/** The steps for a machine, with what its earlier changes left behind. */
async function planFor(tx: Db, m: DemoMachine, taskId: string): Promise<VisitPlan> {
  const sheet = await readSheet(tx, DEMO_TEAM_ID, uid(m.slug));
  const before = await earlier(tx, DEMO_TEAM_ID, taskId);
  const full = sheet.figures.find((f) => f.key.startsWith('engine oil with'))?.quantity?.base ?? null;
  return planEngineOil({
    sheet,
    rules: DEFAULT_RULES,
    pouredLastTimeMl: before.pouredMl ?? full,
    debrisBefore: before.debris,
    breakIn: false
  });
}

/** A visit of the season gone by, done and closed, with its record. */
export async function loadVisit(
  tx: Db,
  m: DemoMachine,
  taskId: string,
  recordId: string,
  total: number,
  when: Date,
  k: number,
  of: number
): Promise<void> {
  const plan = await planFor(tx, m, taskId);
  const list = m.debris ?? [];
  const grade = (list[list.length - (of - k)] ?? 'grey paste or fuzz') as Grade;
  const visitId = uid(`${recordId}/visit`);
  const by = person(k % 2 === 0 ? 'jory' : 'anwen');
  const startedAt = new Date(when.getTime() - 50 * 60_000);
  await insertVisit(
    tx,
    DEMO_TEAM_ID,
    { id: visitId, machineId: uid(m.slug), taskId, personId: by, startedAt },
    plan,
    DEFAULT_RULES
  );
  const entries = entriesFor(plan, recordId, grade);
  for (const [i, e] of entries.entries())
    await insertEntry(tx, DEMO_TEAM_ID, by, visitId, e, new Date(startedAt.getTime() + i * 60_000));
  const state = visitState(
    plan,
    entries.map((e, i) => ({ ...e, seq: i, at: when.toISOString(), by }) as Entry)
  );
  const findings = summarise(plan, state, DEFAULT_RULES, 50);
  await tx`
    insert into service_record (team_id, id, machine_id, task_id, visit_id, done_on, done_at, hours, findings, created_by)
    values (${DEMO_TEAM_ID}, ${recordId}, ${uid(m.slug)}, ${taskId}, ${visitId}, ${dayOf(when, TEAM.timeZone)}, ${when}, ${total}, ${tx.json(findings as never)}, ${by})`;
  await tx`update visit set closed_at = ${when}, closed_by = ${by} where team_id = ${DEMO_TEAM_ID} and id = ${visitId}`;
}

/** A visit begun yesterday and left with the plugs out: what the bench looks like when someone comes back. */
export async function loadHalfVisit(tx: Db, m: DemoMachine, startedAt: Date): Promise<void> {
  const task = m.tasks.find((t) => t.job)!;
  const plan = await planFor(tx, m, uid(`${m.slug}/task/${task.name}`));
  const visitId = uid(`${m.slug}/half`);
  await insertVisit(
    tx,
    DEMO_TEAM_ID,
    {
      id: visitId,
      machineId: uid(m.slug),
      taskId: uid(`${m.slug}/task/${task.name}`),
      personId: person('jory'),
      startedAt
    },
    plan,
    DEFAULT_RULES
  );
  const half = entriesFor(plan, visitId, 'grey paste or fuzz').slice(0, 9);
  for (const [i, e] of half.entries())
    await insertEntry(
      tx,
      DEMO_TEAM_ID,
      person('jory'),
      visitId,
      e,
      new Date(startedAt.getTime() + i * 90_000)
    );
}
