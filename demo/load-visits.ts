import { GRADES, type Grade } from '../src/lib/core/debris/debris';
import { DEFAULT_RULES } from '../src/lib/core/rules/rules';
import { dayOf } from '../src/lib/core/time/day';
import type { Entry, NewEntry } from '../src/lib/core/visit/entry';
import { sealSuggestion } from '../src/lib/core/job/seal';
import { layOut, type LayoutInput } from '../src/lib/core/job/layout/layout';
import { orderPlan } from '../src/lib/core/job/order/order';
import type { VisitPlan } from '../src/lib/core/job/plan';
import { wantsSequence } from '../src/lib/core/visit/refuse';
import { visitState } from '../src/lib/core/visit/state';
import { middle } from '../src/lib/core/quantity/band';
import { drawUpRecord } from '../src/lib/core/record/record';
import { writeRecord } from '../src/lib/core/record/stored';
import { BUILT_IN } from '../src/lib/core/job/built-in/jobs';
import { pulls } from '../src/lib/core/fasteners/pattern';
import { circuitHistory } from '../src/lib/server/visit/history';
import type { Db } from '../src/lib/server/base/db';
import { readSheet } from '../src/lib/server/specs/sheet';
import { insertVisit } from '../src/lib/server/visit/start';
import { insertEntry } from '../src/lib/server/visit/visits';
import { chance } from './history';
import { DEMO_TEAM_ID, person, uid } from './ids';
import { oilFor } from './load-stores';
import type { DemoMachine, DemoTask } from './machine';
import { TEAM } from './people';

/** Every entry of a visit done as the sheet says, for the book of the season gone by. */
function entriesFor(plan: VisitPlan, seed: string, grade: Grade): NewEntry[] {
  const next = chance(seed);
  let n = 0;
  const id = () => uid(`${seed}/entry/${n++}`);
  const step = (stepKey: string, content: object = {}) =>
    ({ id: id(), stepKey, itemKey: null, action: 'done', content }) as NewEntry;
  const item = (itemKey: string, action: string, content: object = {}) =>
    ({ id: id(), stepKey: null, itemKey, action, content }) as NewEntry;
  return plan.steps.flatMap((s): NewEntry[] => {
    if (s.gate) return [];
    const { input } = s;
    switch (input.type) {
      case 'close':
        return input.items.flatMap((key) => {
          const i = plan.items.find((x) => x.key === key)!;
          const seal = i.seal === 'none' ? {} : { seal: sealSuggestion(i) };
          if (i.kind !== 'fastener') return [item(key, 'shut', seal)];
          const q = i.torque?.band && middle(i.torque.band);
          if (!q) return [item(key, 'by feel', { reason: 'No figure on the sheet.', ...seal })];
          const bolts = wantsSequence({ item: i })
            ? pulls(i.quantity).map(({ round, bolt }) => item(key, 'bolt', { round, bolt }))
            : [];
          return [...bolts, item(key, 'torqued', { value: q.value, unit: q.unit, ...seal })];
        });
      case 'open':
        return [step(s.key, input.twins.length > 0 ? { pointedAt: s.points[0] } : {})];
      case 'oil': {
        const oil = oilFor(input.circuit);
        return [step(s.key, { oilId: uid(`oil/${oil.slug}`), oil: oil.name, oilGrade: oil.grade })];
      }
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
        return [step(s.key, { ml: input.fill.firstMl ?? 900 })];
      case 'level': {
        const { method } = input.protocol;
        const level =
          method === 'check screw'
            ? { method, flow: 'weeps' }
            : method === 'measured quantity only'
              ? { method }
              : { method: method ?? 'sight glass', position: Math.round((0.5 + next() * 0.3) * 100) / 100 };
        return [step(s.key, { level, toppedUpMl: 60 })];
      }
      default:
        return [step(s.key)];
    }
  });
}

/** The plan for a machine's task, with what its earlier changes left behind. */
async function planFor(
  tx: Db,
  m: DemoMachine,
  task: DemoTask,
  full: number | null,
  ran: number | null
): Promise<{ plan: VisitPlan }> {
  const taskId = uid(`${m.slug}/task/${task.name}`);
  const template = BUILT_IN.find((t) => t.key === task.job)!;
  const sheet = await readSheet(tx, DEMO_TEAM_ID, uid(m.slug));
  const history: LayoutInput['history'] = {};
  for (const circuit of template.circuits) {
    const before = await circuitHistory(tx, DEMO_TEAM_ID, uid(m.slug), taskId, circuit);
    history[circuit] = {
      ...before,
      breakIn: false,
      pouredLastTimeMl: before.pouredLastTimeMl ?? full,
      oilHours: before.oilHours ?? ran
    };
  }
  const laid = layOut({
    kind: m.kind,
    sheet,
    rules: DEFAULT_RULES,
    jobs: [{ template, taskId }],
    history,
    sealUses: {},
    found: {},
    last: {}
  });
  return { plan: orderPlan(laid, 'cold').plan };
}

/** A visit of the season gone by, done and closed, with its record. */
export async function loadVisit(
  tx: Db,
  m: DemoMachine,
  task: DemoTask,
  recordId: string,
  total: number,
  when: Date,
  k: number,
  of: number
): Promise<void> {
  const full = m.figures.find(([key]) => key.startsWith('engine oil with'))?.[1];
  const { plan } = await planFor(
    tx,
    m,
    task,
    typeof full === 'number' && full < 20 ? full * 1000 : null,
    k === of - 1 ? null : (task.hours?.[0] ?? 0) * 100 || null
  );
  const list = m.debris ?? [];
  const grade = (list[list.length - (of - k)] ?? 'grey paste or fuzz') as Grade;
  const taskId = uid(`${m.slug}/task/${task.name}`);
  const visitId = uid(`${recordId}/visit`);
  const by = person(k % 2 === 0 ? 'jory' : 'anwen');
  const startedAt = new Date(when.getTime() - 50 * 60_000);
  await insertVisit(
    tx,
    DEMO_TEAM_ID,
    { id: visitId, machineId: uid(m.slug), personId: by, startedAt },
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
  const record = drawUpRecord(plan, state, DEFAULT_RULES, 48 + ((k * 7) % 23));
  await tx`
    insert into service_record (team_id, id, machine_id, task_id, visit_id, done_on, done_at, hours, content, created_by)
    values (${DEMO_TEAM_ID}, ${recordId}, ${uid(m.slug)}, ${taskId}, ${visitId}, ${dayOf(when, TEAM.timeZone)}, ${when}, ${total}, ${tx.json(writeRecord(record) as never)}, ${by})`;
  await tx`update visit set closed_at = ${when}, closed_by = ${by} where team_id = ${DEMO_TEAM_ID} and id = ${visitId}`;
}

/** A visit begun yesterday and left with the plugs out: what the bench looks like when someone comes back. */
export async function loadHalfVisit(tx: Db, m: DemoMachine, startedAt: Date): Promise<void> {
  const task = m.tasks.find((t) => t.job)!;
  const { plan } = await planFor(
    tx,
    m,
    task,
    2050,
    task.since === null ? null : Math.round(task.since * 100)
  );
  const visitId = uid(`${m.slug}/half`);
  await insertVisit(
    tx,
    DEMO_TEAM_ID,
    {
      id: visitId,
      machineId: uid(m.slug),
      personId: person('jory'),
      startedAt
    },
    plan,
    DEFAULT_RULES
  );
  const whole = entriesFor(plan, visitId, 'grey paste or fuzz');
  const half = whole.slice(
    0,
    whole.findIndex((e) => e.stepKey === 'drained')
  );
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
