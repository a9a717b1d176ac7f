import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Book, NOW, openBook, uuid } from './book';

/** What the schema holds of components, triggers, calls and figures, whatever a module above it does. */
let book: Book;
let team: string;
let by: string;
let machine: string;
let meter: string;
beforeAll(async () => {
  book = await openBook();
  team = book.team.id;
  by = book.personId;
  machine = book.machineId;
  meter = (await book.sql`select id from meter`)[0]!.id;
});
afterAll(() => book.close());

const insert = (table: string, row: Record<string, unknown>) =>
  book.sql`insert into ${book.sql(table)} ${book.sql({ team_id: team, id: uuid(), ...row })}`;
const refused = (table: string, row: Record<string, unknown>, constraint: RegExp) =>
  expect(insert(table, row)).rejects.toMatchObject({ constraint_name: expect.stringMatching(constraint) });

describe('what came with components, triggers and calls', () => {
  const component = (more: object = {}) => ({ kind: 'engine', name: 'Engine', created_by: by, ...more });
  const add = async (table: string, row: Record<string, unknown>): Promise<string> => {
    const id = uuid();
    await insert(table, { id, ...row });
    return id;
  };
  it('a component is of a known kind, and a serial is there once', async () => {
    await refused('component', component({ kind: 'flux capacitor' }), /kind/);
    await refused('component', component({ brought: -1 }), /brought/);
    await add('component', component({ serial: 'ABC 1' }));
    await refused('component', component({ serial: 'abc 1' }), /component_serial/);
  });
  it('a fitting has one host, ends after it begins, and a chain sits in no engine', async () => {
    const engine = await add('component', component());
    const chain = await add('component', component({ kind: 'chain' }));
    const fitting = (more: object) => ({
      component_id: engine,
      kind: 'engine',
      fitted_at: '2026-01-02',
      created_by: by,
      ...more
    });
    await refused('fitting', fitting({}), /fitting_check/);
    await refused('fitting', fitting({ machine_id: machine, host_id: engine }), /fitting_check/);
    await refused(
      'fitting',
      fitting({ machine_id: machine, removed_at: '2026-01-01', removed_by: by }),
      /fitting_/
    );
    await refused('fitting', fitting({ machine_id: machine, removed_at: '2026-02-01' }), /fitting_check/);
    await refused('fitting', fitting({ machine_id: machine, kind: 'chain' }), /fkey/);
    await refused(
      'fitting',
      { ...fitting({ host_id: engine }), component_id: chain, kind: 'chain' },
      /fitting_check/
    );
  });
  it('two spans of one component, or two of a kind in one place, never overlap; hand in hand they may', async () => {
    const [a, b] = [await add('component', component()), await add('component', component())];
    const span = (c: string, from: string, to: string | null, more: object = {}) => ({
      component_id: c,
      kind: 'engine',
      machine_id: machine,
      fitted_at: from,
      removed_at: to,
      created_by: by,
      ...(to && { removed_by: by }),
      ...more
    });
    await add('fitting', span(a!, '2025-01-01', '2025-02-01'));
    await add('fitting', span(b!, '2025-02-01', '2025-03-01'));
    await refused('fitting', span(b!, '2025-01-15', '2025-01-20'), /fitting_one_on_machine/);
    await refused('fitting', span(a!, '2025-01-31', null, { place: 'rear' }), /fitting_one_place/);
    await add('fitting', span(a!, '2025-03-01', null));
    await refused('fitting', span(b!, '2025-04-01', null), /fitting_one_on_machine/);
  });
  it('a task belongs to a machine or to a component', async () => {
    await refused('task', { name: 'Nobody’s', created_by: by }, /task_owner/);
    const c = await add('component', component());
    await refused(
      'task',
      { name: 'Both', machine_id: machine, component_id: c, created_by: by },
      /task_owner/
    );
  });
  it('a trigger counts another task or a measure, never itself, and is shortened only below the book', async () => {
    const [a, b] = [
      await add('task', { machine_id: machine, name: 'Trigger a', created_by: by }),
      await add('task', { machine_id: machine, name: 'Trigger b', created_by: by })
    ];
    const trigger = (more: object) => ({ task_id: a, measure: 'hours', interval_amount: 1000, ...more });
    await refused('task_trigger', trigger({ measure: 'times' }), /task_trigger_of/);
    await refused('task_trigger', trigger({ of_task_id: b }), /task_trigger_of/);
    await refused('task_trigger', trigger({ measure: 'times', of_task_id: a }), /not_of_itself/);
    await refused('task_trigger', trigger({ measure: 'moons' }), /measure/);
    await refused('task_trigger', trigger({ shortened_to: 1000 }), /shorter/);
    await refused('task_trigger', trigger({ shortened_to: 0 }), /shortened_to/);
    const id = await add('task_trigger', trigger({ shortened_to: 900 }));
    await refused('task_trigger', trigger({}), /task_trigger_measure/);
    const proposal = (more: object) => ({
      task_id: a,
      trigger_id: id,
      from_amount: 900,
      to_amount: 600,
      reason: 'seen',
      created_by: by,
      ...more
    });
    await refused('interval_proposal', proposal({ to_amount: 900 }), /interval_proposal_check/);
    await refused(
      'interval_proposal',
      proposal({ decided: 'dismissed', decided_at: NOW, decided_by: by }),
      /interval_proposal_check/
    );
    await add('interval_proposal', proposal({}));
    await refused('interval_proposal', proposal({}), /interval_proposal_open/);
  });
  it('a call is dropped by somebody with a word; an outing’s conditions are known ones', async () => {
    await refused(
      'machine_call',
      {
        machine_id: machine,
        kind: 'symptom',
        what: 'smokes',
        called_on: '2026-01-01',
        created_by: by,
        dropped_at: NOW,
        dropped_by: by,
        dropped_word: ' '
      },
      /machine_call_check/
    );
    await refused(
      'outing',
      { machine_id: machine, day: '2026-01-01', kind: 'race', created_by: by, conditions: ['lava'] },
      /conditions/
    );
    await refused(
      'outing',
      { machine_id: machine, day: '2026-01-01', kind: 'parade', created_by: by },
      /outing_kind/
    );
    await refused(
      'reading',
      {
        machine_id: machine,
        meter_id: meter,
        read_at: NOW,
        value: 5,
        estimated_from: 'distance',
        created_by: by
      },
      /reading_estimate/
    );
  });
  it('a range does not run backwards', () =>
    refused(
      'spec_figure',
      {
        machine_id: machine,
        key: 'chain slack',
        dimension: 'length',
        base: 40,
        value: 40,
        unit: 'mm',
        base_to: 30,
        value_to: 30,
        source_id: uuid(),
        confidence: 'printed',
        created_by: by
      },
      /spec_figure_range/
    ));
});
