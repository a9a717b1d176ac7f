import createClient, { type Client } from 'openapi-fetch';
import { expect, open, test } from './app';
import type { paths } from './made/api-client';

type Api = Client<paths>;
type Commands = paths['/api/v1/commands']['post']['requestBody']['content']['application/json']['commands'];
type Command = Commands[number];
type OfKind<K extends Command['kind']> = Extract<Command, { kind: K }>;
type Visit = paths['/api/v1/visits/{id}']['get']['responses']['200']['content']['application/json'];
type Step = Visit['steps'][number];
type VisitEntry = OfKind<'visit.enter'>['body']['entry'];
const uuid = () => crypto.randomUUID();

/** Sends commands twice, as a program does that got no answer: what became of them is the same. */
async function write(api: Api, commands: Commands) {
  const [first, again] = [
    await api.POST('/api/v1/commands', { body: { commands } as never }),
    await api.POST('/api/v1/commands', { body: { commands } as never })
  ];
  expect(again.data).toEqual(first.data);
  for (const outcome of first.data!.outcomes)
    expect(outcome, JSON.stringify(commands)).toEqual({
      id: outcome.id,
      ok: true,
      data: outcome.ok ? outcome.data : null
    });
  return first.data!.outcomes as { id: string; ok: true; data: unknown }[];
}
const command = <K extends Command['kind']>(kind: K, body: OfKind<K>['body']): Command =>
  ({ id: uuid(), kind, at: new Date().toISOString(), body }) as Command;

/** What a program answers at a step: as the sheet has it. */
function answers(visit: Visit, step: Step): VisitEntry[] {
  const item = (itemKey: string, action: string, content: object) =>
    ({ id: uuid(), itemKey, action, content }) as VisitEntry;
  const done = (content: object = {}) =>
    ({ id: uuid(), stepKey: step.key, action: 'done', content }) as VisitEntry;
  const of = (key: string) => visit.items.find((i) => i.key === key)!;
  switch (step.asks) {
    case 'open':
      return [done({ pointedAt: of(step.items[0]!).fastenerId ?? undefined })];
    case 'close':
      return step.items.flatMap((key) => {
        const { kind, torque, seal } = of(key);
        const sealed = seal === 'none' ? {} : { seal: 'new' };
        if (kind !== 'fastener') return [item(key, 'shut', sealed)];
        return [
          item(key, 'by hand', {}),
          item(key, 'torqued', {
            value: torque!.from!.value,
            unit: torque!.from!.unit,
            instrument: 'A robot',
            ...sealed
          })
        ];
      });
    case 'drained':
      return [done({ ml: 640, asWritten: '640 ml' })];
    case 'pour':
      return [done({ ml: 640, asWritten: '640 ml', pour: 'poured in' })];
    case 'oil':
      return [done({ oilId: null, oil: 'Hollin Gear', oilGrade: '75W-80', deviation: 'what there was' })];
    case 'debris':
      return [done({ grade: 'none', materials: [], oilLook: 'as usual' })];
    case 'level':
      return [
        done({
          level: { method: 'check screw', flow: 'weeps' },
          remark: 'settled, by the clock of a program'
        })
      ];
    default:
      return [done()];
  }
}

test('a program with a key does a whole visit, through a client made from the description', async ({
  work: page,
  app
}) => {
  test.setTimeout(120_000);
  await open(page, '/programs');
  await page.getByLabel('What it is for').fill('');
  await page.getByRole('button', { name: 'Make a key of mine' }).click();
  await expect(page.getByText('What is it for? A word or two, to know it by.')).toBeVisible();
  await page.getByLabel('What it is for').fill('the robot');
  await page.getByRole('button', { name: 'Make a key of mine' }).click();
  const key = (await page.getByTestId('key').textContent())!;
  expect(key).toMatch(/^ht_[\w-]{43}$/);
  // It stands nowhere in the book: not with the key, not in what was sent.
  expect(await app.sql`select 1 from command where body::text like ${`%${key}%`}`).toHaveLength(0);
  await page.getByRole('button', { name: 'Look through it here' }).click();
  await expect(page.getByTestId('browse')).toContainText('What falls due on a machine');

  const api = createClient<paths>({ baseUrl: app.url, headers: { authorization: `Bearer ${key}` } });
  const { data: machines } = await api.GET('/api/v1/machines');
  const machine = machines!.find((m) => m.plate === '12')!;
  expect(machine).toMatchObject({ name: 'Fell 250', hours: 118.4, visitId: null });
  const at = { params: { path: { id: machine.id } } };
  const { data: due } = await api.GET('/api/v1/machines/{id}/due', at);
  const task = due!.find((d) => d.name === 'Gearbox oil')!;
  expect(task.state).toBe('due before the next outing');

  // Bad input is answered in words, by field; nothing of it is kept.
  const nonsense = command('reading.log', {
    id: uuid(),
    machineId: machine.id,
    typed: 'lots',
    day: '2026-02-31'
  });
  const bad = await api.POST('/api/v1/commands', { body: { commands: [nonsense] } as never });
  expect(bad.data!.outcomes[0]).toMatchObject({ ok: false, errors: { day: expect.any(String) } });

  const start = command('visit.start', {
    id: uuid(),
    machineId: machine.id,
    jobs: [{ taskId: task.taskId, template: null, keep: false }],
    findings: [],
    engine: 'cold',
    order: null
  });
  const [started] = await write(api, [start]);
  const visitId = started!.data as string;
  const path = { params: { path: { id: visitId } } };
  for (let n = 0; n < 60; n++) {
    const { data: visit } = await api.GET('/api/v1/visits/{id}', path);
    const step = visit!.steps.find((s) => s.called && !s.done);
    if (!step) break;
    await write(
      api,
      answers(visit!, step).map((entry) => command('visit.enter', { visitId, entry }))
    );
  }
  await write(api, [command('visit.close', { visitId })]);
  const { data: records } = await api.GET('/api/v1/records', { params: { query: { machine: machine.id } } });
  const record = records!.find((r) => r.visitId === visitId)!;
  expect(record).toMatchObject({ task: 'Gearbox oil', hours: 118.4 });
  const { data: whole } = await api.GET('/api/v1/records/{id}', { params: { path: { id: record.id } } });
  expect(JSON.stringify(whole!.job)).toContain('A robot');
  expect(
    await app.sql`select count(*)::int as n, min(p.name) as by from command c join person p on p.id = c.person_id where c.kind = 'visit.close' and c.body->>'visitId' = ${visitId}`
  ).toEqual([{ n: 1, by: 'Jory Pell' }]);

  // Nothing of another team, nothing of nobody; what is not described is refused.
  expect((await api.GET('/api/v1/visits/{id}', { params: { path: { id: uuid() } } })).response.status).toBe(
    404
  );
  expect(
    (
      await page.request.get('/api/v1/readings?machine=12', { headers: { authorization: `Bearer ${key}` } })
    ).status()
  ).toBe(400);
  expect(
    (
      await page.request.get('/api/v1/machines', { headers: { authorization: 'Bearer ht_nonsense' } })
    ).status()
  ).toBe(401);

  // Its person leaves: the key opens nothing; is back: it does again; withdrawn: never again.
  const [{ id: jory }] = (await app.sql`select id from person where name = 'Jory Pell'`) as unknown as [
    { id: string }
  ];
  await app.sql`update person set left_at = now() where id = ${jory}`;
  expect((await api.GET('/api/v1/team')).response.status).toBe(401);
  await app.sql`update person set left_at = null where id = ${jory}`;
  expect((await api.GET('/api/v1/team')).data).toMatchObject({ you: jory });
  await page.getByRole('button', { name: 'Withdraw the robot' }).click();
  await expect(page.getByText('None yet.')).toBeVisible();
  expect((await api.GET('/api/v1/team')).response.status).toBe(401);
});

test('somebody leaves and comes back; who is working cannot send themselves away', async ({
  work: page,
  app
}) => {
  await open(page, '/team');
  await expect(page.getByRole('button', { name: 'Jory Pell left' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Kit Lorne left' }).click();
  await expect(page.getByRole('button', { name: 'Kit Lorne is back' })).toBeVisible();
  expect(await app.sql`select left_at is not null as gone from person where name = 'Kit Lorne'`).toEqual([
    { gone: true }
  ]);
  await page.getByRole('button', { name: 'Kit Lorne is back' }).click();
  await expect(page.getByRole('button', { name: 'Kit Lorne left' })).toBeVisible();

  // Gone for good, what is kept about them with them; what they rode stays.
  const rode = () => app.sql`
    select count(*)::int as n from outing o join person p on p.id = o.rider_id where p.name in ('Kit Lorne', 'Somebody who left')`;
  const before = await rode();
  await page.getByRole('button', { name: 'Kit Lorne left' }).click();
  await page.getByRole('button', { name: 'Remove what is kept about Kit Lorne' }).click();
  const form = page.getByRole('form', { name: 'What is kept about Kit Lorne' });
  await expect(form).toContainText('This cannot be taken back.');
  await form.getByRole('button', { name: 'Remove it for good' }).dblclick();
  await expect(
    page.getByText('What was kept about Kit Lorne is removed: in the book they are “Somebody who left”.')
  ).toBeVisible();
  await expect(page.getByRole('cell', { name: 'Kit Lorne' })).toHaveCount(0);
  expect(
    await app.sql`select name, role, forgotten_at is not null as gone from person where name in ('Kit Lorne', 'Somebody who left')`
  ).toEqual([{ name: 'Somebody who left', role: 'rider', gone: true }]);
  expect(await rode()).toEqual(before);
});
