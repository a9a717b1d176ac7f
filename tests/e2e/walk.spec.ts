import type { Page } from '@playwright/test';
import { expect, open, ready, test, type App } from './app';
import { Hand } from './hand';

const lane = (page: Page, plate: string) => page.getByRole('article', { name: new RegExp(`^${plate} `) });
const listed = (page: Page) => page.getByRole('region', { name: 'Open now' });

test.describe('a server that dies half-way', () => {
  test.use({ alone: true });

  test('from due to done: the fleet, hours in, an oil and screen change, the next one moved on', async ({
    work: page,
    app
  }) => {
    await open(page, '/');
    // The trail: what presses most stands on top, in words.
    await expect(page.getByRole('article').first()).toContainText('past limit');
    await expect(lane(page, '12')).toContainText(
      'Engine oil, screen and filter in 2.1 h, inside Harrow Edge Hare'
    );
    await expect(lane(page, '12')).toContainText('118.4 h');

    // One key, one reading; the lane moves and says what is due.
    await page.keyboard.press('l');
    const form = page.getByRole('form', { name: 'Log hours' });
    await form.getByLabel('Machine').selectOption({ label: '12  Fell 250' });
    await form.getByLabel('Meter shows, h').fill('121,0');
    await form.getByLabel('Remark').fill('dust');
    await form.getByRole('button', { name: 'Log', exact: true }).click();
    await expect(page.getByRole('status')).toContainText(
      '12 stands at 121.0 h. Now: Engine oil, screen and filter 0.5 h over, past due'
    );
    await expect(lane(page, '12')).toContainText('past due');
    const id = await app.machineId('12');
    expect(
      await app.sql`select value, remark from reading r where machine_id = ${id} order by read_at desc limit 1`
    ).toEqual([{ value: 12100, remark: 'dust' }]);

    // The machine: its tasks with what is left, its readings.
    await lane(page, '12').getByRole('link', { name: '12 Fell 250' }).click();
    await expect(page.getByRole('heading', { name: 'Fell 250' })).toBeVisible();
    const row = page.getByRole('row', { name: /Engine oil, screen and filter/ }).first();
    await expect(row).toContainText('0.5 h over');
    await expect(row).toContainText('123.5 h');
    await expect(page.getByRole('row', { name: /121\.0 h/ }).first()).toContainText('Jory Pell');

    // The stake starts the visit.
    await page
      .getByRole('group', { name: /Trail of/ })
      .getByRole('link', { name: /^Engine oil, screen and filter/ })
      .last()
      .click({ position: { x: 10, y: 8 } });
    await page.getByRole('checkbox', { name: 'Gearbox oil' }).uncheck();
    await page.getByRole('checkbox', { name: 'Air filter' }).uncheck();
    await page.getByRole('checkbox', { name: /^Chain slack and lube/ }).uncheck();
    await expect(page.getByText('Engine drain plug 22 N·m')).toBeVisible();
    await page.getByRole('button', { name: 'Start the visit' }).click();
    const hand = new Hand(page);
    await hand.at('Lay out tools, parts and oil');
    // By the sheet's table and the air of the weeks ahead.
    await expect(hand.card).toContainText('Brindle Four 10W-40');
    const next = hand.press;
    await hand.until('Take the guard off');
    await next('Off');
    await expect(listed(page)).toContainText('Skid plate');
    await hand.until('Read the magnet of engine drain plug');

    // Left half-way: a reload and a dead server lose nothing.
    await expect
      .poll(
        async () =>
          (
            await app.sql`select 1 from visit_entry e join visit v on v.id = e.visit_id where v.machine_id = ${id} and v.closed_at is null and e.action = 'done'`
          ).length
      )
      .toBeGreaterThanOrEqual(9);
    await app.stop();
    await app.start();
    await page.reload();
    await ready(page);
    await hand.at('Read the magnet of engine drain plug');
    await expect(listed(page)).toContainText('Open now: 3');
    await page.getByRole('button', { name: 'Close the visit' }).click();
    await expect(page.getByRole('alert').filter({ hasText: 'Not closed' })).toContainText(
      'Engine drain plug is off.'
    );

    await page.getByRole('radio', { name: 'fine glitter' }).click();
    await page.getByRole('button', { name: 'steel (magnetic)', exact: true }).click();
    await expect(page.getByText('More than last time')).toBeVisible();
    await next('Write');
    await hand.until('Tip it, then measure');
    await page.getByLabel(/^Drained/).fill('0.9 qt');
    await expect(page.getByText('852 ml = 0.9 US qt')).toBeVisible();
    await next('Write');

    // The drain plug: a value in the wrong unit is questioned, and nothing is written.
    await hand.until('Refit and torque engine drain plug');
    await next('In by hand');
    await expect(listed(page)).toContainText('only hand-tight');
    await page.getByLabel('Wrench set to').fill('22 lbf ft');
    await next('Torqued');
    await expect(page.getByRole('alert').filter({ hasText: 'lbf·ft taken for N·m' })).toBeVisible();
    await page.getByLabel('Wrench set to').fill('22');
    await next('Torqued');

    await hand.until('Pour the engine oil');
    await expect(page.getByText('870 ml').first()).toBeVisible();
    await page.getByLabel(/^Poured in/).fill('-5');
    await next('Write');
    await expect(page.getByText('Below zero makes no sense here')).toBeVisible();
    await page.getByLabel(/^Poured in/).fill('50 l');
    await next('Write');
    await expect(page.getByText('At most 20 L')).toBeVisible();
    await page.getByLabel(/^Poured in/).fill('870');
    await next('Write');
    // Writing goes on; what was written stands above the next step, and can be looked at again.
    const receipt = page.getByRole('status').filter({ hasText: 'Pour the engine oil' });
    await expect(receipt).toContainText('870 ml in it');
    await receipt.getByRole('button', { name: 'Look again' }).click();
    await expect(page.getByRole('table', { name: 'Pour ledger' })).toContainText('870 ml');
    await next('Next step');

    await hand.until('Read the engine level');
    const slider = page.getByRole('slider');
    await slider.fill('-0.1');
    await next('Write the level');
    await expect(page.getByRole('alert').filter({ hasText: 'its level wants 2:00' })).toContainText(
      'say why in the remark'
    );
    await page.getByLabel(/^Remark/).fill('stood while the rag was put away');
    await next('Write the level');
    await page.getByRole('button', { name: 'Close the visit' }).click();
    await expect(page.getByRole('alert').filter({ hasText: 'Not closed' })).toContainText(
      'below the low mark'
    );
    await slider.fill('0.6');
    await page.getByLabel(/^Topped up/).fill('60');
    await next('Write the level');
    await hand.finish();
    await expect(page.getByText('Nothing stands open')).toBeVisible();
    await page.getByRole('button', { name: 'Close the visit' }).dblclick();

    // The record, the count, the peg and the stake.
    await expect(page).toHaveURL(/\/records\//);
    await expect(page.getByText('at 121.0 h, by Jory Pell')).toBeVisible();
    await expect(page.getByRole('row', { name: 'Poured' })).toContainText('930 ml');
    const records =
      await app.sql`select hours, content from service_record where machine_id = ${id} order by done_at desc limit 2`;
    expect(records[0]).toMatchObject({
      hours: 12100,
      content: {
        circuits: [{ drainedMl: 851.7, pouredMl: 930, level: { position: 0.6 } }],
        rules: { holdBackPercent: 8 }
      }
    });
    expect(records[1]!.hours).toBeLessThan(12100);
    await page.goBack();
    await page.goto(`/machines/${id}`);
    await ready(page);
    await expect(page.getByRole('row', { name: /^Engine oil, screen and filter/ }).first()).toContainText(
      '15.0 h'
    );
    await expect(
      page.getByRole('link', { name: /^Engine oil, screen and filter.*done 0\.0 h ago/ })
    ).toBeVisible();
  });
});

test('a whole race day in one grid: good rows are kept, a doubtful one asks', async ({ work: page, app }) => {
  await open(page, '/');
  await page.keyboard.press('d');
  await expect(page.getByRole('heading', { name: 'A day’s hours, the whole fleet' })).toBeVisible();
  await page.getByLabel('5 meter shows').fill('48.1');
  await page.getByLabel('5 meter shows').press('Enter');
  await expect(page.getByLabel('8 meter shows')).toBeFocused();
  await page.keyboard.type('6.8');
  await page.getByLabel('8 remark').fill('fork weeps 🛠️');
  await page.getByLabel('E1 time ridden').fill('1h15');
  // How it was ridden, as short as it can be typed; what is not understood stays, with why.
  const ridden = page.getByLabel('E1 how it was ridden', { exact: true });
  await ridden.fill('16 mud lava');
  await page.getByRole('button', { name: 'Write down 3 rows' }).click();
  await expect(page.getByText('“lava” says nothing known here').first()).toBeVisible();
  await ridden.fill('16 mu 2x');
  await ridden.press('Enter');
  await expect(ridden).toHaveValue('16 km, mud, 2 crossings');
  await page.getByRole('button', { name: 'Write down 3 rows' }).click();
  await expect(page.getByText('2 written down. 1 asked about below.')).toBeVisible();
  await expect(page.getByText(/5 written down: 48\.1 h/)).toBeVisible();
  await expect(page.getByTestId('settle')).toContainText('The last reading was 64.2 h; 6.8 h is lower.');
  await expect(page.getByLabel('8 remark')).toHaveValue('fork weeps 🛠️');
  await page.getByLabel('8 meter shows').fill('68');
  await page.getByRole('button', { name: 'Write down 1 row' }).click();
  await expect(page.getByText(/8 written down: 68\.0 h\. Now: Gearbox oil/)).toBeVisible();
  const rows =
    await app.sql`select m.plate, r.value, r.ridden, o.kind, o.remark from outing o join reading r on r.id = o.id join machine m on m.id = o.machine_id where o.created_at > now() - interval '1 minute' and r.read_at > now() - interval '1 minute' order by m.plate`;
  expect(rows).toEqual([
    { plate: '5', value: 4810, ridden: null, kind: 'race', remark: '' },
    { plate: '8', value: 6800, ridden: null, kind: 'race', remark: 'fork weeps 🛠️' },
    { plate: 'E1', value: null, ridden: 125, kind: 'race', remark: '' }
  ]);
  expect(
    await app.sql`select o.conditions, o.crossings, o.distance from outing o join machine m on m.id = o.machine_id where m.plate = 'E1' order by o.created_at desc limit 1`
  ).toEqual([{ conditions: ['mud'], crossings: 2, distance: 1600 }]);
});

async function visitOf(app: App): Promise<string> {
  return (await app.sql`select id from visit where closed_at is null`)[0]!.id;
}

/** Steps that are done, as the bar shows them. */
const stepsDone = async (page: Page): Promise<number> =>
  Number(await page.getByRole('progressbar', { name: 'Steps done' }).getAttribute('value'));

test('two tabs on one visit: each sees the other’s ticks and none is lost', async ({
  work: page,
  app,
  context
}) => {
  const id = await visitOf(app);
  const other = await context.newPage();
  await open(page, `/visits/${id}`);
  const was = await stepsDone(page);
  const entries = (await app.sql`select 1 from visit_entry where visit_id = ${id}`).length;
  await open(other, `/visits/${id}`);
  await page.getByLabel(/^Drained/).fill('2000');
  await page.getByRole('button', { name: 'Write', exact: true }).click();
  await expect.poll(() => stepsDone(other)).toBe(was + 1);
  await other.getByRole('button', { name: /to do Clean it and write down/ }).click();
  await other.getByRole('button', { name: 'Done', exact: true }).click();
  await expect.poll(() => stepsDone(page)).toBe(was + 2);
  // Two windows of one device show at once what is still on its way.
  await expect
    .poll(async () => (await app.sql`select 1 from visit_entry where visit_id = ${id}`).length)
    .toBe(entries + 2);
});

test('a tick made without the server is kept, over a reload, and sent when it is back', async ({
  work: page,
  app
}) => {
  const id = await visitOf(app);
  await open(page, `/visits/${id}`);
  const was = await stepsDone(page);
  await page.route('**/api/commands', (route) => route.abort());
  await page.getByLabel(/^Drained/).fill('2.0 L');
  await page.getByRole('button', { name: 'Write', exact: true }).click();
  await expect(page.getByText('1 written here and kept')).toBeVisible();
  await expect.poll(() => stepsDone(page)).toBe(was + 1);
  await page.unroute('**/api/commands');
  await page.reload();
  await expect
    .poll(
      async () =>
        (
          await app.sql`select content->>'ml' as ml from visit_entry where visit_id = ${id} order by seq desc limit 1`
        )[0]!.ml
    )
    .toBe('2000');
  await expect.poll(() => stepsDone(page)).toBe(was + 1);
});

test('what the server fails over is set aside on the device, over a reload, and sent when it is well', async ({
  work: page,
  app
}) => {
  const id = await visitOf(app);
  await open(page, `/visits/${id}`);
  await page.route('**/api/commands', async (route) => {
    const { commands } = route.request().postDataJSON() as { commands: { id: string }[] };
    const outcomes = commands.map((c) => ({
      id: c.id,
      ok: false,
      errors: { '': 'Something went wrong on our side.' },
      more: { retry: true, fault: 'ab12' }
    }));
    await route.fulfill({ json: { ok: true, outcomes } });
  });
  await page.getByLabel(/^Drained/).fill('2.0 L');
  await page.getByRole('button', { name: 'Write', exact: true }).click();
  const aside = page.getByRole('region', { name: 'Not taken by the server' });
  await expect(aside).toContainText('Not in the book: one entry was not taken.');
  // It is known after a reload how often it failed: nobody waits for three more.
  await page.unroute('**/api/commands');
  await page.reload();
  await expect(aside).toContainText('Not in the book: one entry was not taken.');
  const before = await app.sql`select 1 from visit_entry where visit_id = ${id}`;
  await aside.getByRole('button', { name: 'Send again' }).click();
  await expect(aside).toHaveCount(0);
  await expect
    .poll(async () => (await app.sql`select 1 from visit_entry where visit_id = ${id}`).length)
    .toBe(before.length + 1);
  await page.reload();
  await expect(aside).toHaveCount(0);
});
