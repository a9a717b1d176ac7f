import {
  addFastener,
  addFigure,
  setRule,
  startVisit,
  addEntry,
  closeVisit,
  giveUpVisit
} from '../../../../tests/database/hands';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Book, NOW, openBook, uuid } from '../../../../tests/database/book';
import { fastenerSchema, figureSchema } from '../../core/specs/form';
import { entrySchema, type NewEntry } from '../../core/visit/entry';
import { closeProblems } from '../../core/visit/close';
import { startSchema } from '../../core/visit/form';
import { sealSuggestion } from '../../core/job/seal';
import { visitState } from '../../core/visit/state';
import { runCommands } from '../commands/run';
import { Refusal } from '../base/refusal';
import { ruleSchema } from '../../core/rules/form';
import { refreshStanding } from '../book/standing';
import { listFigures } from '../specs/sheet';
import { listOpenVisits } from './lists';
import { getVisit } from './visits';

let book: Book;
beforeAll(async () => {
  book = await openBook();
  const { sql, team, personId, machineId } = book;
  const plug = uuid();
  await addFastener(
    sql,
    team.id,
    personId,
    fastenerSchema.parse({
      id: plug,
      machineId,
      role: 'drain plug',
      circuit: 'engine',
      name: 'Engine drain plug',
      quantity: 1,
      magnet: true,
      seal: 'crush washer'
    })
  );
  const figure = (typed: string, key: string, fastenerId: string | null = null) =>
    addFigure(
      sql,
      team.id,
      personId,
      figureSchema.parse({
        id: uuid(),
        machineId,
        key,
        fastenerId,
        typed,
        source: 'Workshop manual',
        edition: '1st',
        page: '12',
        confidence: 'printed'
      })
    );
  await figure('16 lbf ft', 'torque', plug);
  await figure('1.15 qt', 'engine oil without filter');
  await figure('sight glass', 'oil level method');
});
afterAll(() => book.close());

const entry = (e: object): NewEntry => entrySchema.parse({ id: uuid(), content: {}, ...e });
const write = (visitId: string, e: NewEntry) =>
  addEntry(book.sql, book.team.id, book.personId, visitId, e, NOW);

/** Starts a visit as the page would. */
const start = (b: Book, more: object = {}) =>
  startVisit(
    b.sql,
    b.team,
    b.personId,
    startSchema.parse({ id: uuid(), machineId: b.machineId, jobs: [{ taskId: b.taskId }], ...more }),
    NOW
  );

/** Whatever a visit still wants, written as the sheet says. */
async function finish(visitId: string): Promise<void> {
  const visit = (await getVisit(book.sql, book.team.id, visitId))!;
  for (const { step } of visitState(visit.plan, visit.entries).steps.filter((s) => s.called && !s.done)) {
    const { input } = step;
    if (input.type === 'close') {
      for (const itemKey of input.items) {
        const item = visit.plan.items.find((i) => i.key === itemKey)!;
        await write(
          visitId,
          entry(
            item.kind === 'fastener'
              ? {
                  itemKey,
                  action: 'torqued',
                  content: { value: 16, unit: 'lbf·ft', seal: sealSuggestion(item) }
                }
              : { itemKey, action: 'shut', content: { seal: sealSuggestion(item) } }
          )
        );
      }
      continue;
    }
    const content = {
      drained: { ml: 1000 },
      clearances: {},
      dressing: {},
      slack: { slack: { mm: 40, asWritten: '40' } },
      pour: { ml: 1000 },
      debris: { grade: 'fine glitter', materials: [] },
      level: { level: { method: 'sight glass', position: 0.5 }, toppedUpMl: 80 },
      oil: { oilId: null, oil: 'Brindle Four', oilGrade: '10W-50', deviation: 'no rating on the can' },
      choice: { answer: 'yes' },
      measure: { value: 1 },
      start: {},
      tick: {},
      open: {}
    }[input.type];
    await write(visitId, entry({ stepKey: step.key, action: 'done', content }));
  }
}

describe('a visit from due to done', () => {
  it('takes its figures from the sheet, in the unit as printed', async () => {
    const id = await start(book);
    const { plan } = (await getVisit(book.sql, book.team.id, id))!;
    expect(plan.items.find((i) => i.name === 'Engine drain plug')!.torque).toMatchObject({
      band: { from: { value: 16, unit: 'lbf·ft' }, to: { value: 16 } },
      source: 'Workshop manual, 1st · p. 12 · printed'
    });
    // Started twice is one visit.
    expect(await start(book)).toBe(id);
  });

  it('goes by the house rules in force when it begins, and keeps them', async () => {
    const other = await openBook();
    const set = (key: string, value: unknown) =>
      setRule(other.sql, other.team.id, other.personId, ruleSchema.parse({ id: uuid(), key, value }));
    await set('holdBackPercent', 20);
    const id = await start(other);
    await set('holdBackPercent', 0);
    expect((await getVisit(other.sql, other.team.id, id))!.rules).toMatchObject({
      holdBackPercent: 20,
      washers: 'new every time'
    });
    await other.close();
  });

  it('does not take a used machine for one in break-in because nothing is on record', async () => {
    const breakIn = async (fromNew: boolean): Promise<unknown> => {
      const other = await openBook();
      await other.sql`delete from service_record`;
      await other.sql`update task set from_new = ${fromNew}`;
      await refreshStanding(other.sql, other.team.id, other.machineId);
      const id = await start(other);
      const found = (await getVisit(other.sql, other.team.id, id))!.plan.steps.find(
        (s) => s.input.type === 'debris'
      )!.input;
      await other.close();
      return found;
    };
    expect(await breakIn(false)).toMatchObject({ breakIn: false });
    expect(await breakIn(true)).toMatchObject({ breakIn: true });
  });

  it('keeps every tick of two devices, and each once', async () => {
    const [{ id }] = (await book.sql`select id from visit`) as unknown as [{ id: string }];
    const a = entry({ stepKey: 'gather', action: 'done' });
    const b = entry({ stepKey: 'stand', action: 'done' });
    await Promise.all([write(id, a), write(id, b), write(id, a)]);
    expect(await book.sql`select step_key from visit_entry order by step_key`).toEqual([
      { step_key: 'gather' },
      { step_key: 'stand' }
    ]);
  });

  it('refuses to close while anything is open, with the list', async () => {
    const [{ id }] = (await book.sql`select id from visit`) as unknown as [{ id: string }];
    const drain = (await getVisit(book.sql, book.team.id, id))!.plan.steps.find(
      (s) => s.key.startsWith('drain-') && s.input.type === 'open'
    )!;
    const warm = { remark: 'warm from the ride' };
    await write(id, entry({ stepKey: drain.key, action: 'done', content: warm }));
    const e = await closeVisit(book.sql, book.team, book.personId, id, NOW).catch((x: unknown) => x);
    expect(e).toBeInstanceOf(Refusal);
    expect((e as Refusal).more.problems).toEqual(
      expect.arrayContaining([expect.objectContaining({ message: 'Engine drain plug is off.' })])
    );
    expect(await book.sql`select 1 from service_record where visit_id is not null`).toEqual([]);
    expect(await listOpenVisits(book.sql, book.team.id)).toMatchObject([
      { plate: '7', open: ['Engine drain plug'] }
    ]);
    await expect(giveUpVisit(book.sql, book.team.id, id, 'no oil')).rejects.toBeInstanceOf(Refusal);
  });

  it('closes once: record written, count restarted, stake moved', async () => {
    const [{ id }] = (await book.sql`select id from visit`) as unknown as [{ id: string }];
    await finish(id);
    const visit = (await getVisit(book.sql, book.team.id, id))!;
    expect(closeProblems(visit.plan, visitState(visit.plan, visit.entries))).toEqual([]);
    const later = new Date(NOW.getTime() + 40 * 60_000);
    const [one, two] = await Promise.all([
      closeVisit(book.sql, book.team, book.personId, id, later),
      closeVisit(book.sql, book.team, book.personId, id, later)
    ]);
    expect(one).toBe(two);
    const records =
      await book.sql`select hours, content->'circuits'->0->>'drainedMl' as drained, content->'circuits'->0->>'pouredMl' as poured, content->'rules'->>'holdBackPercent' as rule, content->>'minutes' as minutes from service_record where visit_id = ${id}`;
    expect(records).toEqual([{ hours: 3840, drained: '1000', poured: '1080', rule: '8', minutes: '40' }]);
    const [{ tasks, pegs }] = (await book.sql`select tasks, pegs from machine_standing`) as unknown as [
      { tasks: { counted: { hours: number } }[]; pegs: unknown[] }
    ];
    expect(tasks[0]!.counted.hours).toBe(3840);
    expect(pegs).toHaveLength(2);
    await expect(write(id, entry({ stepKey: 'gather', action: 'undone' }))).rejects.toThrow(/closed/);
  });

  it('what came out with the oil proposed a shorter interval, once, with where it was found', async () => {
    expect(await book.sql`select from_amount, to_amount, reason, decided from interval_proposal`).toEqual([
      {
        from_amount: 1500,
        to_amount: 1100,
        reason: expect.stringMatching(/fine glitter\. Glitter is not usual/),
        decided: null
      }
    ]);
  });

  it('shows the next visit what was found and what went in', async () => {
    const id = await start(book);
    const { plan } = (await getVisit(book.sql, book.team.id, id))!;
    expect(plan.steps.find((s) => s.input.type === 'drained')!.input).toMatchObject({
      pouredLastTimeMl: 1080
    });
    expect(plan.steps.find((s) => s.input.type === 'debris')!.input).toMatchObject({
      before: [{ grade: 'fine glitter' }]
    });
    await giveUpVisit(book.sql, book.team.id, id, 'started on the wrong machine');
    expect(await listOpenVisits(book.sql, book.team.id)).toEqual([]);
  });

  it('knows only its own team', async () => {
    await expect(
      startVisit(
        book.sql,
        { ...book.team, id: uuid() },
        book.personId,
        startSchema.parse({ id: uuid(), machineId: book.machineId, jobs: [{ taskId: book.taskId }] }),
        NOW
      )
    ).rejects.toThrow(/not in this team/);
    expect(await getVisit(book.sql, uuid(), uuid())).toBeNull();
  });
});

describe('entries that waited on a device', () => {
  it('are judged and stamped by when they were written, not by when they came in', async () => {
    const other = await openBook();
    const of = (typed: string, key: string) =>
      addFigure(
        other.sql,
        other.team.id,
        other.personId,
        figureSchema.parse({
          id: uuid(),
          machineId: other.machineId,
          key,
          typed,
          source: 'Workshop manual',
          edition: '1st',
          page: '12',
          confidence: 'printed'
        })
      );
    await of('sight glass', 'oil level method');
    await of('3 min', 'oil level settle time');
    const visitId = await start(other);
    const { plan } = (await getVisit(other.sql, other.team.id, visitId))!;
    const key = (type: string) => plan.steps.find((s) => s.input.type === type)!.key;
    const from = {
      team: other.team,
      person: { id: other.personId, role: 'mechanic' as const },
      device: 'tablet'
    };
    const came = new Date(NOW.getTime() + 60 * 60_000);
    /** Both wrote in the field, the level so many seconds after the run; they come in at once, an hour on. */
    const level = { level: { method: 'sight glass', position: 0.5 } };
    const sent = async (list: [type: string, seconds: number, content: object][]) =>
      runCommands(
        other.sql,
        from,
        list.map(([type, seconds, content]) => {
          const e = entry({ stepKey: key(type), action: 'done', content });
          const at = new Date(NOW.getTime() + seconds * 1000).toISOString();
          return { id: e.id, kind: 'visit.enter' as const, at, body: { visitId, entry: e }, after: null };
        }),
        () => came,
        (e) => String(e)
      );
    const pour = { ml: 1000, remark: 'through the dipstick hole' };
    expect(await sent([['pour', 0, pour]])).toMatchObject([{ ok: true }]);
    expect(
      await sent([
        ['start', 0, {}],
        ['level', 60, level]
      ])
    ).toMatchObject([
      { ok: true },
      { ok: false, more: { problem: { kind: 'still settling', waited: 60, wanted: 180 } } }
    ]);
    expect(await sent([['level', 180, level]])).toMatchObject([{ ok: true }]);
    const entries = (await getVisit(other.sql, other.team.id, visitId))!.entries;
    expect(entries.map((e) => Date.parse(e.at) - NOW.getTime())).toEqual([0, 0, 180_000]);
    await other.close();
  });
  it('a plug taken off before the visit was closed, and told of after, parks the machine', async () => {
    const id = await start(book);
    await finish(id);
    const { plan } = (await getVisit(book.sql, book.team.id, id))!;
    const plug = plan.items.find((i) => i.role === 'drain plug')!;
    await closeVisit(book.sql, book.team, book.personId, id, new Date(NOW.getTime() + 10 * 60_000));
    const off = entry({ itemKey: plug.key, action: 'off' });
    for (let twice = 0; twice < 2; twice++)
      await expect(
        addEntry(book.sql, book.team.id, book.personId, id, off, new Date(NOW.getTime() + 5 * 60_000))
      ).rejects.toThrow(/closed/);
    const found =
      await book.sql`select what, severity from finding where visit_id = ${id} and cause = 'seen'`;
    expect(found).toEqual([
      {
        what: 'Engine drain plug: taken off before the visit was closed, as a device without a signal has it. Is it on, and tight?',
        severity: 'park the machine'
      }
    ]);
    // Whoever looks at the board sees it at once.
    const ready = async () =>
      (await book.sql`select ready from machine_standing where machine_id = ${book.machineId}`)[0]!.ready;
    expect(await ready()).toBe(false);
    const later = entry({ itemKey: plug.key, action: 'off' });
    await expect(
      addEntry(book.sql, book.team.id, book.personId, id, later, new Date(NOW.getTime() + 20 * 60_000))
    ).rejects.toThrow(/closed/);
    expect(await book.sql`select 1 from finding where visit_id = ${id} and cause = 'seen'`).toHaveLength(1);
    await book.sql`update finding set closed_at = found_at, closed_on = found_on, closed_by = created_by, closed_word = 'it is' where visit_id = ${id} and cause = 'seen'`;
  });
  it('a torque written before a plug came off again, and told of after, leaves it off', async () => {
    const id = await start(book);
    const { plan } = (await getVisit(book.sql, book.team.id, id))!;
    const plug = plan.items.find((i) => i.role === 'drain plug')!;
    const when = (minutes: number) => new Date(NOW.getTime() + minutes * 60_000);
    const put = (minutes: number, e: NewEntry) =>
      addEntry(book.sql, book.team.id, book.personId, id, e, when(minutes));
    const off = entry({ itemKey: plug.key, action: 'off' });
    await put(10, off);
    await put(
      5,
      entry({
        itemKey: plug.key,
        action: 'torqued',
        content: { value: 16, unit: 'lbf·ft', seal: 'new' },
        seen: off.id
      })
    );
    const visit = (await getVisit(book.sql, book.team.id, id))!;
    // Written upon the off, it comes after it whatever its clock said.
    expect(visitState(visit.plan, visit.entries).items.find((i) => i.item.key === plug.key)!.stand).toBe(
      'torqued'
    );
    await put(20, entry({ itemKey: plug.key, action: 'off' }));
    await put(
      15,
      entry({ itemKey: plug.key, action: 'torqued', content: { value: 16, unit: 'lbf·ft', seal: 'new' } })
    );
    const now = (await getVisit(book.sql, book.team.id, id))!;
    expect(visitState(now.plan, now.entries).open.map((i) => i.item.key)).toEqual([plug.key]);
    expect(closeProblems(now.plan, visitState(now.plan, now.entries))[0]!.key).toBe(plug.key);
    await put(
      30,
      entry({ itemKey: plug.key, action: 'torqued', content: { value: 16, unit: 'lbf·ft', seal: 'new' } })
    );
    await giveUpVisit(book.sql, book.team.id, id, 'a test');
  });
  it('a visit closed by a clock that is behind is over when the last of it is written, and what it leaves is of then', async () => {
    const id = await start(book);
    const { plan } = (await getVisit(book.sql, book.team.id, id))!;
    const plug = plan.items.find((i) => i.kind === 'fastener')!;
    await write(id, entry({ itemKey: plug.key, action: 'found', content: { how: 'loose' } }));
    await finish(id);
    await closeVisit(book.sql, book.team, book.personId, id, new Date(NOW.getTime() - 50 * 60 * 60_000));
    const [visit] = await book.sql`select started_at, closed_at from visit where id = ${id}`;
    expect(visit).toEqual({ started_at: NOW, closed_at: NOW });
    const left = await book.sql`select found_at from finding where visit_id = ${id}`;
    expect(left).toEqual([{ found_at: NOW }]);
  });
});

describe('spec figures', () => {
  const put = (typed: string, more: object = {}) =>
    addFigure(
      book.sql,
      book.team.id,
      book.personId,
      figureSchema.parse({
        id: uuid(),
        machineId: book.machineId,
        key: 'engine oil without filter',
        typed,
        source: 'Workshop manual',
        edition: '2nd',
        page: '9',
        confidence: 'printed',
        ...more
      })
    );

  it('supersede one another, and both stay', async () => {
    await put('1.2 qt');
    const figures = (await listFigures(book.sql, book.team.id, book.machineId)).filter(
      (f) => f.key === 'engine oil without filter'
    );
    expect(figures.map((f) => [f.band!.from!.value, f.superseded, f.source])).toEqual([
      [1.15, true, 'Workshop manual, 1st'],
      [1.2, false, 'Workshop manual, 2nd']
    ]);
  });
  it('ask about ounces, contradictions and what looks like a slip', async () => {
    await expect(put('32 oz')).rejects.toMatchObject({
      more: { choices: [{ unit: 'US fl oz' }, { unit: 'imp fl oz' }] }
    });
    await expect(put('1.15 qt (1.3 l)')).rejects.toThrow(/not 1.3 L/);
    await expect(put('12 ml')).rejects.toMatchObject({ more: { askSure: true } });
    await put('150 ml', { sure: true });
  });
  it('take only words the sheet knows', async () => {
    await expect(put('by eye', { key: 'oil level method' })).rejects.toThrow(/One of/);
    await expect(put('20 N·m', { key: 'torque' })).rejects.toThrow(/belongs to a fastener/);
  });
});
