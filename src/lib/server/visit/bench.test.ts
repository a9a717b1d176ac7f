import {
  addFastener,
  addFigure,
  addOil,
  addTask,
  closeFinding,
  saveTemplate,
  startVisit,
  addEntry,
  changeFastener,
  closeVisit,
  giveUpVisit
} from '../../../../tests/database/hands';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Book, byHours, NOW, openBook, uuid } from '../../../../tests/database/book';
import { taskSchema } from '../../core/schedule/form';
import { fastenerChangeSchema, fastenerSchema, figureSchema } from '../../core/specs/form';
import { oilSchema } from '../../core/stores/form';
import { entrySchema, type NewEntry } from '../../core/visit/entry';
import { startSchema } from '../../core/visit/form';
import { sealSuggestion } from '../../core/job/seal';
import { visitState } from '../../core/visit/state';
import { BUILT_IN } from '../../core/job/built-in/jobs';
import { Refusal } from '../base/refusal';
import { listFasteners } from '../specs/sheet';
import { toolsBeside } from '../stores/claims';
import { readToolbox } from '../stores/stores';
import { listTemplateChanges, readTemplates } from '../job/templates';
import { listTimers } from './lists';
import { getVisit } from './visits';

let book: Book;
let drain: string;
let gearboxTask: string;
const oilId = uuid();
beforeAll(async () => {
  book = await openBook();
  const { sql, team, personId, machineId } = book;
  drain = await fastener('drain plug', 'Engine drain plug', 'engine');
  await fastener('drain plug', 'Gearbox drain plug', 'gearbox');
  gearboxTask = uuid();
  await addTask(
    sql,
    team,
    personId,
    taskSchema.parse({
      id: gearboxTask,
      machineId,
      name: 'Gearbox oil',
      job: 'gearbox-check-screw',
      triggers: [byHours('20')],
      lastDone: 'done',
      lastDoneDay: '2026-05-01',
      lastDoneHours: '25'
    }),
    NOW
  );
  await addOil(
    sql,
    team.id,
    personId,
    oilSchema.parse({
      id: oilId,
      name: 'Brindle',
      kind: 'engine oil, four-stroke',
      grade: '10W-50',
      ratings: ['JASO MA2'],
      bottle: '1 L',
      stock: '3 L'
    })
  );
});
afterAll(() => book.close());

async function fastener(role: string, name: string, circuit: string): Promise<string> {
  const id = uuid();
  await addFastener(
    book.sql,
    book.team.id,
    book.personId,
    fastenerSchema.parse({
      id,
      machineId: book.machineId,
      role,
      circuit,
      name,
      quantity: 1,
      magnet: true,
      seal: 'crush washer',
      thread: 'M12x1.5'
    })
  );
  return id;
}
const start = (more: object = {}) =>
  startVisit(
    book.sql,
    book.team,
    book.personId,
    startSchema.parse({
      id: uuid(),
      machineId: book.machineId,
      jobs: [{ taskId: book.taskId }, { taskId: gearboxTask }],
      ...more
    }),
    NOW
  );
const entry = (e: object): NewEntry => entrySchema.parse({ id: uuid(), content: {}, ...e });
const write = (visitId: string, e: object) =>
  addEntry(book.sql, book.team.id, book.personId, visitId, entry(e));
const visitOf = async (id: string) => (await getVisit(book.sql, book.team.id, id))!;

/** Does whatever the visit still wants; `grade` is what the engine's magnet shows. */
async function finish(id: string, grade = 'grey paste or fuzz', more: object = {}): Promise<void> {
  for (let round = 0; round < 3; round++) {
    const v = await visitOf(id);
    for (const s of visitState(v.plan, v.entries).steps.filter((x) => x.called && !x.done)) {
      const { input } = s.step;
      if (input.type === 'close') {
        for (const itemKey of input.items) {
          const i = v.plan.items.find((x) => x.key === itemKey)!;
          const seal = { seal: sealSuggestion(i) };
          await write(
            id,
            i.kind === 'fastener'
              ? { itemKey, action: 'torqued', content: { value: 20, unit: 'N·m', ...seal } }
              : { itemKey, action: 'shut', content: seal }
          );
        }
        continue;
      }
      const engine = s.step.circuit === 'engine';
      const content = {
        drained: { ml: 900 },
        clearances: {},
        dressing: {},
        slack: { slack: { mm: 40, asWritten: '40' } },
        pour: { ml: 900 },
        debris: engine ? { grade, materials: [], ...more } : { grade: 'none', materials: [] },
        level: {
          level:
            input.type === 'level' && input.protocol.method === 'check screw'
              ? { method: 'check screw', flow: 'weeps' }
              : { method: 'sight glass', position: 0.6 }
        },
        oil: engine
          ? { oilId, oil: 'Brindle', oilGrade: '10W-50' }
          : { oilId: null, oil: 'From the tin', oilGrade: '', deviation: 'all there is' },
        open: { pointedAt: s.step.points[0] },
        choice: { answer: 'yes' },
        measure: { value: 1 },
        start: {},
        tick: {}
      }[input.type];
      await write(id, { stepKey: s.step.key, action: 'done', content });
    }
  }
}

describe('a visit of several jobs', () => {
  it('is one visit with a record for each, and takes the oil from the stores', async () => {
    const id = await start();
    expect((await visitOf(id)).plan.jobs.map((j) => j.key)).toEqual(['engine-oil', 'gearbox-check-screw']);
    expect(await start()).toBe(id);
    await finish(id);
    await closeVisit(book.sql, book.team, book.personId, id, new Date(NOW.getTime() + 90 * 60_000));
    const records = await book.sql`
      select t.name, r.content->'circuits'->0->>'circuit' as circuit, r.content->'circuits'->0->'oil'->>'name' as oil
      from service_record r join task t on t.id = r.task_id where r.visit_id = ${id} order by t.name`;
    expect(records).toEqual([
      { name: 'Engine oil', circuit: 'engine', oil: 'Brindle' },
      { name: 'Gearbox oil', circuit: 'gearbox', oil: 'From the tin' }
    ]);
    const { oils } = await readToolbox(book.sql, book.team.id);
    expect(oils.map((o) => o.stockMl)).toEqual([2100]);
    // Closed, it takes nothing any more: what it took is out of the stores.
    expect((await toolsBeside(book.sql, book.team.id, null)).claims).toEqual([]);
  });
  it('knows the next time what is inside, what the washer has served, and what went in', async () => {
    const id = await start();
    const { plan } = await visitOf(id);
    expect(plan.steps.find((s) => s.key === 'oil')!.input).toMatchObject({
      inside: { name: 'Brindle', grade: '10W-50' }
    });
    expect(plan.items.find((i) => i.fastenerId === drain)).toMatchObject({ sealUses: 1, sealMost: 1 });
    expect(plan.steps.find((s) => s.key === 'drained')!.input).toMatchObject({ pouredLastTimeMl: 900 });
    await giveUpVisit(book.sql, book.team.id, id, 'only a look');
  });
  it('refuses tasks of another machine, twice the same, jobs that are not there', async () => {
    expect(startSchema.safeParse({ id: uuid(), machineId: book.machineId, jobs: [] }).success).toBe(false);
    const twice = [{ taskId: book.taskId }, { taskId: book.taskId }];
    expect(startSchema.safeParse({ id: uuid(), machineId: book.machineId, jobs: twice }).success).toBe(false);
    await expect(start({ jobs: [{ taskId: uuid() }] })).rejects.toThrow(/not in this team/);
    await expect(start({ jobs: [{ taskId: book.taskId, template: 'nothing' }] })).rejects.toThrow(
      /not among/
    );
  });
  it('keeps an order somebody settled on', async () => {
    const id = await start({ order: ['write', 'gather'] });
    expect((await visitOf(id)).plan.steps.slice(0, 2).map((s) => s.key)).toEqual(['write', 'gather']);
    await giveUpVisit(book.sql, book.team.id, id, 'only a look');
  });
});

describe('what is deferred, and what came out with the oil', () => {
  it('keeps the machine from being ready until it is done, with what was done', async () => {
    const id = await start();
    await finish(id, 'flakes you can feel');
    await write(id, {
      itemKey: `drain-plug-${drain}`,
      action: 'deferred',
      content: { reason: 'thread pulled', waitsFor: 'a part to arrive', part: 'insert' }
    });
    await expect(giveUpVisit(book.sql, book.team.id, id, 'no')).rejects.toBeInstanceOf(Refusal);
    const level = (await visitOf(id)).plan.steps.find((s) => s.key === 'level')!;
    await write(id, {
      stepKey: level.key,
      action: 'done',
      content: { level: { method: 'sight glass', position: 0.5 } }
    });
    await closeVisit(book.sql, book.team, book.personId, id, NOW);
    const open =
      await book.sql`select f.id, f.what, f.severity, f.fastener_id is not null as fastener, r.waits_for, r.part from finding f
        left join reminder r on r.finding_id = f.id order by f.what`;
    expect(open.map(({ id: _, ...f }) => f)).toEqual([
      {
        what: 'Engine drain plug: finish it (thread pulled)',
        severity: 'park the machine',
        fastener: true,
        waits_for: 'a part to arrive',
        part: 'insert'
      },
      {
        what: 'Engine drain plug: flakes you can feel; find the source',
        severity: 'park the machine',
        fastener: true,
        waits_for: null,
        part: null
      }
    ]);
    const ready = async () => (await book.sql`select ready from machine_standing`)[0]!.ready;
    expect(await ready()).toBe(false);
    for (const f of open)
      await closeFinding(book.sql, book.team, book.personId, {
        how: 'done',
        findingId: f.id,
        word: 'insert fitted, 20 N·m, small wrench'
      });
    expect(await ready()).toBe(true);
    // What it waited for is over with it.
    expect(await book.sql`select done_word from reminder where done_at is not null`).toHaveLength(1);
  });
  it('a mechanic’s own verdict stands: nothing is proposed', async () => {
    await book.sql`delete from interval_proposal`;
    const id = await start();
    await finish(id, 'fine glitter', { verdict: 'carry on', overruled: 'new gears run in' });
    await closeVisit(book.sql, book.team, book.personId, id, NOW);
    expect(await book.sql`select 1 from interval_proposal`).toEqual([]);
  });
});

describe('at the bench', () => {
  it('a timer runs on the server’s clock, until it is switched off or the visit is over', async () => {
    const id = await start();
    await write(id, { stepKey: 'gather', action: 'timer', content: { label: 'solvent', seconds: 600 } });
    const [timer] = await listTimers(book.sql, book.team.id);
    expect(timer).toMatchObject({ label: 'solvent', plate: '7', stepKey: 'gather' });
    expect(Math.abs(Date.parse(timer!.endsAt) - Date.now() - 600_000)).toBeLessThan(10_000);
    await write(id, { stepKey: 'gather', action: 'timer off', content: { of: timer!.id } });
    expect(await listTimers(book.sql, book.team.id)).toEqual([]);
    await giveUpVisit(book.sql, book.team.id, id, 'only a look');
  });
  it('two devices write at once and none is lost; a torque in the wrong unit is not taken', async () => {
    const id = await start();
    await Promise.all(
      ['gather', 'meter', 'stand', 'oil@gearbox'].map((stepKey) =>
        write(id, {
          stepKey,
          action: 'done',
          content: stepKey.startsWith('oil') ? { oilId: null, oil: 'tin', deviation: 'all there is' } : {}
        })
      )
    );
    expect((await visitOf(id)).entries).toHaveLength(4);
    const torque = (value: number, unit: string) =>
      write(id, { itemKey: `drain-plug-${drain}`, action: 'torqued', content: { value, unit, seal: 'new' } });
    await expect(torque(200, 'lbf·ft')).rejects.toThrow(/proof stress/);
    await giveUpVisit(book.sql, book.team.id, id, 'only a look');
  });
});

describe('jobs as data', () => {
  const content = { ...BUILT_IN[0]!, title: 'Our own oil change' };
  const save = (from: number, c: typeof content | null = content) =>
    saveTemplate(book.sql, book.team.id, book.personId, {
      key: 'engine-oil',
      from,
      content: c,
      word: 'ours'
    });
  const own = BUILT_IN.find((t) => t.key === 'engine-oil')!.version;
  it('are saved as versions; a visit that was begun keeps its own', async () => {
    const id = await start();
    expect(await save(own)).toBe(own + 1);
    expect((await visitOf(id)).plan.jobs[0]).toMatchObject({
      version: own,
      title: 'Engine oil, screen and filter'
    });
    await giveUpVisit(book.sql, book.team.id, id, 'only a look');
    const next = await start();
    expect((await visitOf(next)).plan.jobs[0]).toMatchObject({
      version: own + 1,
      title: 'Our own oil change'
    });
    await giveUpVisit(book.sql, book.team.id, next, 'only a look');
  });
  it('two people who changed the same version: the second is told', async () => {
    await expect(save(own)).rejects.toThrow(/Somebody has changed/);
    expect(await save(own + 1, null)).toBe(own + 2);
    const back = (await readTemplates(book.sql, book.team.id)).find((t) => t.key === 'engine-oil')!;
    expect([back.version, back.own]).toEqual([own + 2, false]);
    expect((await listTemplateChanges(book.sql, book.team.id, 'engine-oil')).map((c) => c.back)).toEqual([
      true,
      false
    ]);
  });
  it('a task goes only by a job there is', async () => {
    const task = {
      id: uuid(),
      machineId: book.machineId,
      name: 'Odd',
      triggers: [byHours('5')],
      lastDone: 'not known'
    };
    await expect(
      addTask(book.sql, book.team, book.personId, taskSchema.parse({ ...task, job: 'nothing' }), NOW)
    ).rejects.toThrow(/not among the team/);
  });
});

describe('oil that visits at the bench will take', () => {
  it('is claimed by the open ones, of the can picked there or else the one that suits; never by the one that asks', async () => {
    const own = await openBook();
    const [sql, teamId] = [own.sql, own.team.id];
    const oil = (name: string, stock: string) => ({
      id: uuid(),
      name,
      kind: 'engine oil, four-stroke',
      grade: '10W-50',
      ratings: ['JASO MA2'],
      bottle: '1 L',
      stock
    });
    const [much, little] = [oil('Brindle', '5 L'), oil('Cairn', '2 L')];
    for (const o of [much, little]) await addOil(sql, teamId, own.personId, oilSchema.parse(o));
    const figure = { machineId: own.machineId, source: 'M', confidence: 'printed' };
    for (const more of [
      { key: 'engine oil without filter', typed: '900 ml' },
      { key: 'engine oil grade', typed: '10W-50' }
    ])
      await addFigure(
        sql,
        teamId,
        own.personId,
        figureSchema.parse({ id: uuid(), fastenerId: null, ...figure, ...more })
      );
    const claims = async (but: string | null) => (await toolsBeside(sql, teamId, but)).claims;
    expect(await claims(null)).toEqual([]);
    const id = uuid();
    await startVisit(
      sql,
      own.team,
      own.personId,
      startSchema.parse({ id, machineId: own.machineId, jobs: [{ taskId: own.taskId }] }),
      NOW
    );
    expect(await claims(id)).toEqual([]);
    expect(await claims(null)).toEqual([{ oilId: much.id, ml: 900, by: ['7'] }]);
    const step = (await getVisit(sql, teamId, id))!.plan.steps.find((x) => x.input.type === 'oil')!;
    await addEntry(
      sql,
      teamId,
      own.personId,
      id,
      entry({
        stepKey: step.key,
        action: 'done',
        content: { oilId: little.id, oil: 'Cairn', oilGrade: '10W-50' }
      })
    );
    expect(await claims(null)).toEqual([{ oilId: little.id, ml: 900, by: ['7'] }]);
    await own.close();
  });
});

describe('the sheet', () => {
  it('a torque that would stretch its bolt is asked about as it is written', async () => {
    const put = (typed: string, sure = false) =>
      addFigure(
        book.sql,
        book.team.id,
        book.personId,
        figureSchema.parse({
          id: uuid(),
          machineId: book.machineId,
          key: 'torque',
          fastenerId: drain,
          typed,
          source: 'M',
          confidence: 'printed',
          sure
        })
      );
    await expect(put('180 N·m')).rejects.toMatchObject({ more: { askSure: true } });
    await put('20 N·m');
  });
  it('points of the map and what a guard covers belong to this machine', async () => {
    const change = (c: object) => changeFastener(book.sql, book.team.id, fastenerChangeSchema.parse(c));
    await change({
      fastenerId: drain,
      at: { x: 0.4, y: 0.5 },
      lean: 'on the side stand',
      lengths: 'rear 45 mm',
      comesWith: 'spring',
      covers: [drain]
    });
    // What is nobody’s is not kept, and not passed over in silence.
    await expect(change({ fastenerId: drain, covers: [drain, uuid()] })).rejects.toMatchObject({
      errors: { covers: expect.stringContaining('not on this machine’s sheet') }
    });
    const f = (await listFasteners(book.sql, book.team.id, book.machineId)).find((x) => x.id === drain)!;
    expect([f.at, f.lean, f.covers]).toEqual([{ x: 0.4, y: 0.5 }, 'on the side stand', []]);
    expect([f.lengths, f.comesWith]).toEqual(['rear 45 mm', 'spring']);
    await change({ fastenerId: drain, at: null });
    await expect(change({ fastenerId: uuid(), note: 'x' })).rejects.toThrow(/not on a sheet/);
    expect(fastenerChangeSchema.safeParse({ fastenerId: drain, at: { x: 2, y: 0 } }).success).toBe(false);
  });
});

describe('two jobs about one circuit', () => {
  it('take its oil from the stores once', async () => {
    const filterTask = uuid();
    await addTask(
      book.sql,
      book.team,
      book.personId,
      taskSchema.parse({
        id: filterTask,
        machineId: book.machineId,
        name: 'Oil alone',
        job: 'engine-oil-only',
        triggers: [byHours('30')],
        lastDone: 'not known'
      }),
      NOW
    );
    const stock = async () => (await readToolbox(book.sql, book.team.id)).oils[0]!.stockMl;
    const before = await stock();
    const id = await start({ jobs: [{ taskId: book.taskId }, { taskId: filterTask }] });
    await finish(id);
    await closeVisit(book.sql, book.team, book.personId, id, new Date(NOW.getTime() + 90 * 60_000));
    const records = await book.sql`select id from service_record where visit_id = ${id}`;
    expect([records.length, before - (await stock())]).toEqual([2, 900]);
  });
});
