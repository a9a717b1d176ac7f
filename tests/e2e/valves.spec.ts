import type { Page } from '@playwright/test';
import { showTenths } from '../../src/lib/core/hours/hours';
import { expect, open, test } from './app';
import { signedIn } from './sign-in';

const found = (page: Page, valve: string) => page.getByLabel(`${valve}, as found`);
const left = (page: Page, valve: string) => page.getByLabel(`${valve}, as left`);
const shim = (page: Page, valve: string) => page.getByLabel(`${valve}, shim as stamped`);
const row = (page: Page, valve: string) =>
  page.getByRole('row').filter({ has: page.getByRole('button', { name: valve, exact: true }) });
/** Typed and written: Enter writes and goes on. */
async function write(page: Page, field: ReturnType<Page['getByLabel']>, typed: string) {
  await field.fill(typed);
  await field.press('Enter');
  await expect(page.locator('[aria-invalid=true]')).toHaveCount(0);
}
/** What a valve's reading is in the book. */
const inBook = (page: Page, valve: string, says: string | RegExp) =>
  expect(row(page, valve)).toContainText(says);

test('a check finds two tight valves: one shim moves over, one is bought, a wrong as-left is explained and put right', async ({
  work: page,
  app
}) => {
  const id = await app.machineId('12');
  // An empty drawer, so that the plan has to move and to buy.
  await app.sql`delete from shim_movement`;
  await open(page, `/machines/${id}/valves`);
  for (const [valve, stamp] of [
    ['Inlet left', '190'],
    ['Inlet right', '182'],
    ['Exhaust left', '210'],
    ['Exhaust right', '205']
  ] as const)
    await write(page, shim(page, valve), stamp);
  // 182 in steps of 0.025 is 1.825.
  await expect(shim(page, 'Inlet right')).toHaveValue('1.825');
  for (const [valve, typed] of [
    ['Inlet left', '0.05-0.06'],
    ['Inlet right', '0.10-0.11'],
    ['Exhaust left', '0.20-0.22'],
    ['Exhaust right', '0.20-0.22']
  ] as const)
    await write(page, found(page, valve), typed);
  await inBook(page, 'Inlet left', 'too tight');
  await inBook(page, 'Inlet right', 'too tight');
  await inBook(page, 'Exhaust right', 'in');
  await expect(page.getByRole('button', { name: 'Inlet left: too tight, 0.05–0.06' })).toBeVisible();

  // 50 + 1900 − 1825 = 125 with the right one's shim; the right one gets 100 + 1825 − 1800 = 125.
  const plan = page.getByRole('region', { name: 'Shim plan' });
  await expect(plan.getByRole('radio').first()).toBeChecked();
  await expect(plan).toContainText('2 to change, 1 to buy');
  const goes = plan.getByRole('table', { name: 'What goes where' });
  await expect(goes.getByRole('row', { name: /Inlet left/ })).toContainText('1.825 mm');
  await expect(goes.getByRole('row', { name: /Inlet left/ })).toContainText('from IN right');
  await expect(goes.getByRole('row', { name: /Inlet right/ })).toContainText('0.125 to 0.135 mm');
  await expect(plan).toContainText('To buy: 1 × 1.80 mm');
  // Nothing bought: one of them stays out, and it is said by how much.
  await plan.getByRole('radio', { name: /Nothing bought/ }).check();
  await expect(plan).toContainText('Inlet right stays 0.085 mm too tight: it wants 1.765 mm to 1.815 mm');
  await plan.getByRole('radio', { name: /By the house rules/ }).check();
  await plan.getByRole('button', { name: 'Take this plan' }).click();

  const fit = page.getByRole('region', { name: 'Fitted' });
  await fit.getByLabel('Inlet left: what came out, by micrometer').fill('18.96');
  await fit.getByRole('button', { name: 'They are in' }).click();
  await expect(fit).toContainText('18.96 mm is no shim');
  await fit.getByLabel('Inlet left: what came out, by micrometer').fill('1.896');
  await fit.getByRole('button', { name: 'They are in' }).dblclick();
  await inBook(page, 'Inlet left', 'changed: measure again');
  await expect(page.getByRole('region', { name: 'Close the check' })).toContainText(
    'Inlet left was changed and not measured again.'
  );

  // 125 to 135 was predicted; 100 to 110 is what a shim one size thicker leaves.
  await write(page, left(page, 'Inlet left'), '0.10-0.11');
  await write(page, left(page, 'Inlet right'), '0.12-0.13');
  await page.getByRole('button', { name: 'Inlet left', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Inlet left' })).toContainText(
    'As a shim 0.025 mm thicker would leave'
  );
  await expect(page.getByRole('region', { name: 'Inlet left' })).toContainText('dirt under the shim');
  await write(page, left(page, 'Inlet left'), '0.12-0.13');
  await expect(page.getByRole('heading', { name: 'All well' })).toBeVisible();
  await page.getByRole('button', { name: 'Close the check' }).click();
  await expect(page.getByText('Written down; the next one is counted from here.')).toBeVisible();

  // The drawer, the wear and the trail know of it.
  expect(await app.sql`select stamp, measured, count, why from shim_movement`).toEqual([
    { stamp: 1900, measured: 1896, count: 1, why: 'taken out: IN left' }
  ]);
  const [kept] =
    await app.sql`select r.hours, r.next_within, r.remark from valve_check c join service_record r on r.id = c.record_id order by c.closed_at desc limit 1`;
  expect(kept).toMatchObject({
    hours: 11_840,
    remark: expect.stringMatching(
      /^4 valves measured: Inlet left .*; shims: Inlet left 1.90 mm → 1.825 mm, Inlet right 1.825 mm → 1.80 mm$/
    )
  });
  await expect(page.getByRole('region', { name: 'Wear' }).getByRole('row').nth(1)).toContainText(
    '1.90 → 1.825'
  );
  await open(page, '/stores/shims');
  await expect(page.getByRole('button', { name: '1.90 mm, measures 1.896 mm: 1' })).toBeVisible();
  await open(page, `/machines/${id}`);
  // Its wear would let it run longer than the book: never later than that.
  expect(kept!.next_within).toBeGreaterThan(4000);
  await expect(page.getByRole('row', { name: /^Valve clearances/ })).toContainText('40.0 h');
  // The one that closes up fast has a stake of its own, sooner than its book's 15 h.
  await open(page, `/machines/${await app.machineId('5')}`);
  const [wears] =
    await app.sql`select r.next_within from service_record r join task t on t.id = r.task_id join component c on c.id = t.component_id where c.name = 'Engine 250 MX' and r.next_within is not null`;
  await page.getByRole('button', { name: 'Why is Valve clearances due?' }).click();
  await expect(
    page.getByText(`by what was measured last time within ${showTenths(wears!.next_within)} h`)
  ).toBeVisible();
});

test('blade by blade: it is said which to try, and it stops asking when that is certain', async ({
  work: page,
  app
}) => {
  await open(page, `/machines/${await app.machineId('27')}/valves`);
  const panel = page.getByRole('region', { name: 'Inlet left' });
  const tries: string[] = [];
  for (let i = 0; i < 6 && (await panel.getByRole('button', { name: 'It goes' }).isVisible()); i++) {
    const blade = await panel.locator('p.text-6xl').innerText();
    tries.push(blade.split(' ')[0]!);
    // It has 0.132.
    await page.keyboard.press(Number(tries.at(-1)) <= 0.132 ? 'g' : 'd');
    await expect(panel.locator('p.text-6xl').getByText(tries.at(-1)!, { exact: false })).toBeHidden();
  }
  // It goes on to the next by itself.
  await expect(page.getByRole('region', { name: 'Inlet right' })).toBeVisible();
  await inBook(page, 'Inlet left', 'in');
  expect(tries.length).toBeLessThanOrEqual(3);
  expect(
    await app.sql`select count(*)::int as n from valve_reading r join valve_check c on c.id = r.check_id where c.closed_at is null`
  ).toEqual([{ n: tries.length }]);
});

test('a valve that is in and soon out is said, and any neighbour joins the plan by a tick', async ({
  work: page,
  app
}) => {
  await open(page, `/machines/${await app.machineId('27')}/valves`);
  for (const [valve, typed] of [
    ['Inlet left', '0.14-0.15'],
    ['Inlet right', '0.11-0.12'],
    ['Exhaust left', '0.20-0.22'],
    ['Exhaust right', '0.20-0.22']
  ] as const)
    await write(page, found(page, valve), typed);
  const plan = page.getByRole('region', { name: 'Shim plan' });
  await expect(plan).toContainText('Inlet right is in, and likely out before the next check');
  // The plan is there, with what it moves by itself: the neighbour joins that.
  await expect(plan.getByRole('checkbox', { name: 'Inlet right' })).toBeChecked();
  await plan.getByRole('checkbox', { name: 'Inlet left' }).check();
  const own = plan.getByRole('radio', { name: /Picked by hand/ });
  await expect(own).toBeChecked();
  const goes = plan.getByRole('table', { name: 'What goes where' });
  await expect(goes.getByRole('row', { name: /Exhaust left not touched/ })).toBeVisible();
  await expect(goes.getByRole('row', { name: /Inlet right/ })).toContainText('lasts about');
  await plan.getByRole('button', { name: 'Take this plan' }).click();
  await expect(own.locator('..')).toContainText('settled on');
  const kept = async () =>
    (
      await app.sql`select plan->'plan' as plan from valve_check where closed_at is null and plan is not null`
    ).map((c) => (c.plan as { choice: string }).choice);
  expect(await kept()).toEqual(['by hand']);
  await plan.getByRole('button', { name: 'drop the plan that was taken' }).click();
  await expect(own.locator('..')).not.toContainText('settled on');
  expect(await kept()).toEqual([]);
});

test('a twin with screws: set, read again after the nut, no shims asked for', async ({ work: page, app }) => {
  await open(page, `/machines/${await app.machineId('70')}/valves`);
  await expect(page.getByText('Shim, stamp')).toBeHidden();
  for (const [valve, typed] of [
    ['Cylinder 1, inlet', '0.05-0.06'],
    ['Cylinder 1, exhaust', '0.12-0.13'],
    ['Cylinder 2, inlet', '0.10-0.11'],
    ['Cylinder 2, exhaust', '0.11-0.12']
  ] as const)
    await write(page, found(page, valve), typed);
  await page.getByRole('button', { name: 'Cylinder 1, inlet', exact: true }).click();
  const panel = page.getByRole('region', { name: 'Cylinder 1, inlet' });
  await expect(panel).toContainText('Then read it again: tightening moves it.');
  await write(page, left(page, 'Cylinder 1, inlet'), '0.09-0.10');
  await expect(page.getByRole('heading', { name: 'All well' })).toBeVisible();
  await page.getByRole('button', { name: 'Close the check' }).click();
  await expect(page.getByText('Written down; the next one is counted from here.')).toBeVisible();
  expect(await app.sql`select remark from service_record order by created_at desc limit 1`).toEqual([
    { remark: expect.stringMatching(/^4 valves measured: .*; set: Cylinder 1, inlet$/) }
  ]);
});

test('an engine that is swapped takes its valve sheet along, with its history and its limits', async ({
  work: page,
  app
}) => {
  const [fell250, fell350] = [await app.machineId('12'), await app.machineId('27')];
  const engine = async (machineId: string) =>
    (
      await app.sql`select component_id as id from fitting where machine_id = ${machineId} and kind = 'engine' and removed_at is null`
    )[0]!.id as string;
  const [mine, other] = [await engine(fell250), await engine(fell350)];
  await open(page, `/machines/${fell250}/valves`);
  const checks = page.getByRole('region', { name: 'Wear' }).getByRole('table').getByRole('row');
  const history = await checks.allInnerTexts();
  await open(page, `/parts/${mine}?do=swap`);
  const form = page.getByRole('form', { name: /Swap/ });
  await form.getByLabel('With').selectOption(other);
  await form.getByRole('button', { name: 'Swap the two' }).click();
  await expect(page.getByText('27', { exact: true }).first()).toBeVisible();
  await open(page, `/machines/${fell350}/valves`);
  await expect(page.getByText('from the sheet of 12, where this engine’s figures stand')).toBeVisible();
  await expect(page.getByText('Engine 250-A')).toBeVisible();
  expect(await checks.allInnerTexts()).toEqual(history);
});

test('slips are caught at the field, and nothing typed is lost', async ({ work: page, app }) => {
  await open(page, `/machines/${await app.machineId('12')}/valves`);
  const field = found(page, 'Inlet left');
  for (const [typed, says] of [
    ['2.0', 'more than any valve has'],
    ['.005', 'thinner than any blade'],
    ['0.12-0.10', 'has to be thicker than the one that goes'],
    ['about right', 'Such as 0.12']
  ] as const) {
    await field.fill(typed);
    await field.press('Enter');
    await expect(row(page, 'Inlet left')).toContainText(says);
    await expect(field).toHaveValue(typed);
  }
  await page.reload();
  await expect(field).toHaveValue('about right');
  // Eight times the limit may be so, once somebody says it.
  await field.fill('1.2');
  await field.press('Enter');
  await row(page, 'Inlet left').getByRole('button', { name: 'It is so' }).click();
  await inBook(page, 'Inlet left', 'too loose');
  const stamp = shim(page, 'Inlet left');
  await stamp.fill('18.5');
  await stamp.press('Enter');
  await expect(row(page, 'Inlet left')).toContainText('is no shim');
  await write(page, stamp, '185');
  // In inches where the unit says so.
  await write(page, field, '.005 in');
  await expect
    .poll(() => app.sql`select content->'measured' as m from valve_reading order by seq desc limit 1`)
    .toEqual([{ m: { by: 'reading', at: 127 } }]);
  // Entered at the foot of the column, and the field left while it is on its way: one reading, and nothing is wrong.
  const last = found(page, 'Exhaust right');
  await last.fill('0.20');
  await last.press('Enter');
  await last.press('Tab');
  await expect
    .poll(
      () =>
        app.sql`select count(*)::int as n from valve_reading where valve = '1-exhaust-right' and at > now() - interval '1 hour'`
    )
    .toEqual([{ n: 1 }]);
  await expect(page.getByRole('alert')).toHaveCount(0);
});

test('an engine that ran an hour ago is measured once somebody says that it is cold; what was typed before is written then', async ({
  work: page,
  app
}) => {
  const id = await app.machineId('12');
  await app.sql`
    update count_step set at = now() - interval '1 hour'
    where machine_id = ${id} and at = (select max(at) from count_step where machine_id = ${id})`;
  await open(page, `/machines/${id}/valves`);
  await write(page, found(page, 'Inlet left'), '0.12-0.13');
  await expect(
    page.getByText('Clearances are measured stone cold. Feel the cylinder, and say so above.')
  ).toBeVisible();
  await write(page, found(page, 'Inlet right'), '0.11-0.12');
  expect(await app.sql`select 1 from valve_check where closed_at is null`).toHaveLength(0);
  await page.getByRole('checkbox', { name: /It is stone cold.*1 h ago/ }).check();
  await expect(page.getByText(/Being measured since/)).toBeVisible();
  expect(
    await app.sql`select r.valve, c.cold from valve_reading r join valve_check c on c.id = r.check_id where c.closed_at is null order by r.seq`
  ).toEqual([
    { valve: '1-inlet-left', cold: 'said' },
    { valve: '1-inlet-right', cold: 'said' }
  ]);
});

test('two people at one head from two devices measure in one check, and see where they do not agree', async ({
  work: page,
  app,
  browser
}) => {
  const path = `/machines/${await app.machineId('12')}/valves`;
  await open(page, path);
  const context = await browser.newContext({ baseURL: app.url });
  await context.addCookies([{ ...(await signedIn(app.sql, 'Anwen Skarrow')), url: app.url }]);
  const second = await context.newPage();
  await open(second, path);
  await write(page, found(page, 'Inlet left'), '0.12-0.13');
  await write(second, found(second, 'Inlet left'), '0.09-0.10');
  await second.getByRole('button', { name: 'Inlet left', exact: true }).click();
  await expect(second.getByRole('region', { name: 'Inlet left' })).toContainText(
    'Both cannot be: measure it once more.'
  );
  await write(second, found(second, 'Exhaust left'), '0.20-0.22');
  // Seen on the other device by itself.
  await expect(found(page, 'Exhaust left')).toHaveValue('0.20–0.22');
  expect(await app.sql`select count(*)::int as n from valve_check where closed_at is null`).toEqual([
    { n: 1 }
  ]);
  await context.close();
});

test('an engine nobody has laid out: a press for the head, its limits asked for once, and it is measured', async ({
  work: page,
  app
}) => {
  const id = await app.machineId('84');
  await app.sql`delete from valve_head where id in (select h.id from valve_head h join fitting f on f.component_id = h.component_id where f.machine_id = ${id})`;
  await app.sql`delete from spec_figure where machine_id = ${id} and key like '%valve clearance'`;
  await open(page, `/machines/${id}/valves`);
  await page.getByRole('radio', { name: 'Two valves, screw and lock-nut' }).check();
  await page.getByRole('button', { name: 'This is the head' }).click();
  const ask = page.getByRole('group', { name: /Inlet valves, clearance cold/ });
  await ask.getByLabel('Inlet valves, clearance cold', { exact: true }).fill('0.08-0.12 mm (0.003-0.008 in)');
  await ask.getByLabel('Manual, or who said so').fill('Owner’s handbook');
  await ask.getByRole('button', { name: 'Onto the sheet' }).click();
  // Inch and millimetres that do not say the same are not chosen from silently.
  await expect(page.getByText(/Check the page and enter the one you trust/)).toBeVisible();
  await ask.getByLabel('Inlet valves, clearance cold', { exact: true }).fill('0.08-0.12 mm');
  await ask.getByRole('button', { name: 'Onto the sheet' }).click();
  await expect(page.getByText('0.08 to 0.12 mm')).toBeVisible();
  await write(page, found(page, 'Exhaust'), '0.15');
  await inBook(page, 'Exhaust', 'limits unknown');
  await write(page, found(page, 'Inlet'), '0.07-0.08');
  await inBook(page, 'Inlet', 'too tight');
  await expect(page.getByRole('button', { name: 'Leave it as it is, with a reason' })).toBeHidden();
  await expect(page.getByRole('region', { name: 'Close the check' })).toContainText(
    'has no limits on the sheet'
  );
});

test('the drawer: a size counted, a list brought and taken out again, and wrong lines named', async ({
  work: page,
  app
}) => {
  await app.sql`delete from shim_movement`;
  await app.sql`delete from shim_level`;
  await open(page, '/stores/shims');
  await expect(page.getByText('Nothing in it yet.')).toBeVisible();
  await page.getByRole('button', { name: 'Another size' }).click();
  const form = page.getByRole('form', { name: 'Count a size' });
  await form.getByLabel('Came, went, or lies there').fill('three');
  await form.getByLabel('Stamp').fill('185');
  await form.getByRole('button', { name: 'Write it down' }).click();
  await expect(form).toContainText('Such as +2, −1, or 3');
  await form.getByLabel('Came, went, or lies there').fill('+3');
  await form.getByRole('button', { name: 'Write it down' }).dblclick();
  await page.getByRole('button', { name: '1.85 mm: 3' }).click();
  await page.getByLabel('To lie there at least').fill('5');
  await page.getByRole('button', { name: 'Keep so many' }).click();
  await expect(page.getByText('To order: 2 × 1.85 mm')).toBeVisible();
  await page.getByRole('button', { name: 'A whole list' }).click();
  const list = page.getByRole('form', { name: 'A list of shims' });
  await list
    .getByLabel('Pasted, or from a file')
    .fill('across_mm,stamp_mm,micrometer_mm,count\n8.2,1.75,,2\n8.2,17.5,,1');
  await list.getByRole('button', { name: 'This is what lies there' }).click();
  await expect(list).toContainText('Line 3: 17.50 mm is no shim');
  expect(await app.sql`select 1 from shim_movement`).toHaveLength(1);
  await list
    .getByLabel('Pasted, or from a file')
    .fill('across_mm,stamp_mm,micrometer_mm,count\n8.2,1.75,1.752,2\n,1.85,,1');
  await list.getByRole('button', { name: 'This is what lies there' }).click();
  await expect(page.getByRole('button', { name: '1.85 mm: 1, 5 wanted' })).toBeVisible();
  const csv = await page.request.get('/stores/shims.csv');
  expect(await csv.text()).toBe('across_mm,stamp_mm,micrometer_mm,count\r\n,1.85,,1\r\n8.2,1.75,1.752,2\r\n');
});

test('a valve check at the bench: a tight valve opens the gate, every small thing is counted in again, and the record has the numbers', async ({
  work: page,
  app
}) => {
  test.slow();
  const id = await app.machineId('5');
  const [task] =
    await app.sql`select t.id from task t join component c on c.id = t.component_id where c.name = 'Engine 250 MX' and t.name = 'Valve clearances'`;
  await open(page, `/machines/${id}/visit?task=${task!.id}`);
  for (const other of [/Engine oil/, /Air filter/])
    await page.getByRole('checkbox', { name: other }).first().uncheck();
  await page.getByRole('button', { name: 'Start the visit' }).click();
  await expect(page).toHaveURL(/visits/);
  const card = page.getByRole('article');
  /** Presses on until a step of that name. */
  const upTo = async (title: RegExp) => {
    for (let i = 0; i < 60; i++) {
      const heading = card.getByRole('heading', { level: 2 }).first();
      const now = await heading.innerText();
      if (title.test(now)) return;
      const shut = card.getByRole('button', { name: 'Back in' });
      const press = (await shut.count()) > 0 ? shut.first() : card.locator('button.go').first();
      const left = await shut.count();
      await press.click();
      await expect
        .poll(
          async () =>
            (await heading.innerText()) !== now ||
            (await shut.count()) < left ||
            (await card.locator('button.next').count()) > 0
        )
        .toBe(true);
    }
    throw new Error(`never came to ${title}`);
  };
  await upTo(/Measure every valve/);
  for (const [valve, typed] of [
    ['Inlet left', '0.12-0.13'],
    ['Inlet right', '0.08-0.09'],
    ['Exhaust left', '0.18-0.20'],
    ['Exhaust right', '0.18-0.20']
  ] as const)
    await write(page, found(page, valve), typed);
  await page.getByRole('radio', { name: /Only what is out/ }).check();
  await page.getByRole('button', { name: 'Take this plan' }).click();
  await card.getByRole('button', { name: 'Measured: 1 valve to put right' }).click();
  await upTo(/fit them/);
  await expect(
    page
      .getByRole('region', { name: /Open now/ })
      .or(page.getByText('Bucket and shim, inlet right'))
      .first()
  ).toBeVisible();
  await page.getByRole('region', { name: 'Fitted' }).getByRole('button', { name: 'They are in' }).click();
  await expect(page.getByRole('region', { name: 'What went where' })).toContainText('Inlet right');
  await card.getByRole('button', { name: 'They are in' }).click();
  await upTo(/Measure every valve again/);
  // As predicted: 80 + 1700 − 1650 = 130.
  await write(page, left(page, 'Inlet right'), '0.13-0.14');
  await card.getByRole('button', { name: 'All well' }).click();
  await upTo(/Clean it and write down/);
  await card.locator('button.go').first().click();
  await page.getByRole('button', { name: 'Close the visit' }).click();
  await expect(page).toHaveURL(/records/);
  const valves = page.getByRole('region', { name: 'Valves' });
  await expect(valves.getByRole('row', { name: /Inlet right/ })).toContainText('1.70 mm → 1.65 mm');
  await expect(valves.getByRole('row', { name: /Inlet right/ })).toContainText(
    '0.13 mm goes, 0.14 mm does not'
  );
  expect(
    await app.sql`select c.visit_id is not null as at_bench, c.closed_at is not null as closed, r.next_within > 0 as wears from valve_check c join service_record r on r.id = c.record_id order by c.begun_at desc limit 1`
  ).toEqual([{ at_bench: true, closed: true, wears: true }]);
});

test('without a signal it goes on: judged as it is said, and written by itself once the signal is back', async ({
  work: page,
  app,
  context
}) => {
  await open(page, `/machines/${await app.machineId('12')}/valves`);
  await context.setOffline(true);
  const panel = page.getByRole('region', { name: 'Inlet left' });
  for (let i = 0; i < 6 && (await panel.getByRole('button', { name: 'It goes' }).isVisible()); i++) {
    const blade = Number((await panel.locator('p.text-6xl').innerText()).split(' ')[0]);
    await page.keyboard.press(blade <= 0.13 ? 'g' : 'd');
    await expect(panel.locator('p.text-6xl').getByText(String(blade), { exact: false })).toBeHidden();
  }
  await expect(row(page, 'Inlet left').locator('.says')).toHaveText('in');
  await write(page, found(page, 'Exhaust left'), '0.20');
  await expect(
    page.getByText('Kept on this device. It goes by itself once the server answers.')
  ).toBeVisible();
  expect(await app.sql`select 1 from valve_check where closed_at is null`).toHaveLength(0);
  await context.setOffline(false);
  await expect(page.getByText(/Being measured since/)).toBeVisible();
  await expect(page.getByRole('alert')).toHaveCount(0);
  expect(
    await app.sql`select distinct r.valve from valve_reading r join valve_check c on c.id = r.check_id where c.closed_at is null order by r.valve`
  ).toEqual([{ valve: '1-exhaust-left' }, { valve: '1-inlet-left' }]);
});
