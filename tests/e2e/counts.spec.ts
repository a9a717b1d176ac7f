import { counted, onTheSheet, writtenDown } from './counted';
import { expect, open, test } from './app';
import { Hand } from './hand';

test('a repeat of oil, screen and filter on a known machine, all well: presses and fields, step by step and on the sheet', async ({
  work: page,
  app
}) => {
  const id = await app.machineId('12');
  // Nobody waits in a test; the question that asks about it is tried elsewhere.
  await app.sql`delete from spec_figure where machine_id = ${id} and key = 'oil level settle time'`;
  const now = await counted(page);
  const task = (
    await app.sql`select id from task where name = 'Engine oil, screen and filter' and component_id in (select component_id from placement where machine_id = ${id})`
  )[0]!.id;
  const rows: string[] = [];
  for (const [how, work] of [
    ['step by step', () => new Hand(page).finish()],
    ['on the sheet', () => onTheSheet(page)],
    ['written down', () => writtenDown(page)]
  ] as const) {
    const before = await now();
    // From the stake on the trail: one press.
    await open(page, `/machines/${id}/visit?task=${task}`);
    for (const name of ['Gearbox oil', 'Air filter']) await page.getByRole('checkbox', { name }).uncheck();
    const forgotten = page.getByRole('region', { name: 'Forgotten last time' });
    if (how === 'on the sheet') await expect(forgotten).toContainText('8 mm socket');
    await page.getByRole('button', { name: 'Start the visit' }).click();
    // Chosen once on a device, and kept.
    const sheet = page.getByRole('radio', { name: 'The whole sheet' });
    await expect(sheet).toBeAttached();
    if (how === 'on the sheet') await page.getByText('The whole sheet').click();
    if (how === 'written down') await page.getByText('Write it down', { exact: true }).click();
    await work();
    if (how !== 'written down') await page.getByRole('button', { name: 'Close the visit' }).click();
    await expect(page).toHaveURL(/\/records\//);
    const after = await now();
    // Of the first, it is known afterwards that a socket was not laid out.
    if (how === 'step by step')
      await app.sql`
        insert into visit_entry (team_id, id, visit_id, action, content, by)
        select team_id, gen_random_uuid(), id, 'fetched', '{"v": 2, "what": "8 mm socket"}', started_by from visit
        where machine_id = ${id} and closed_at is not null order by closed_at desc limit 1`;
    const chosen = how === 'step by step' ? 0 : 1;
    const [clicks, fields] = [1 + after.clicks - before.clicks - chosen, after.fields - before.fields];
    rows.push(`COUNTED repeat visit, ${how}: ${clicks} presses, ${fields} fields`);
    if (how === 'on the sheet') {
      expect(clicks, after.pressed.slice(before.pressed.length).join('; ')).toBeLessThanOrEqual(26);
      expect(fields).toBeLessThanOrEqual(2);
    }
    if (how === 'written down') {
      expect(clicks).toBeLessThanOrEqual(14);
      expect(fields).toBeLessThanOrEqual(4);
    }
  }
  console.log(rows.join('\n'));
  const records = await app.sql`
    select content from service_record where task_id = ${task} and visit_id is not null order by done_at desc limit 3`;
  expect(records.map((r) => [r.content.circuits[0].pouredMl, r.content.afterwards])).toEqual([
    [900, true],
    [900, false],
    [900, false]
  ]);
});

test('on a phone a step’s heading and its main button are on one screen, whatever step it is', async ({
  work: page,
  app
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const [{ id }] = (await app.sql`select id from visit where closed_at is null`) as unknown as [
    { id: string }
  ];
  await open(page, `/visits/${id}`);
  const header = (await page.getByRole('banner').boundingBox())!;
  expect(header.height).toBeLessThanOrEqual(56);
  const steps = page.getByRole('button', { name: /^\d+ (to do|done)/ });
  await expect(steps).toHaveCount(26);
  const far: string[] = [];
  for (let k = 0; k < (await steps.count()); k++) {
    await steps.nth(k).click();
    const card = page.getByRole('article', { name: `Step ${k + 1} of` });
    const heading = card.getByRole('heading').first();
    await expect(heading).toBeInViewport();
    const main = card.locator('.next, .go').filter({ visible: true });
    if ((await main.count()) === 0) continue;
    const box = (await main.first().boundingBox())!;
    if (box.y + box.height > 844)
      far.push(`${await heading.textContent()}: ${Math.round(box.y + box.height)} px`);
  }
  expect(far).toEqual([]);
});

test('on the whole sheet what is odd is said, what is refused is refused, and the record is the same', async ({
  work: page,
  app
}) => {
  const [{ id }] = (await app.sql`select id from visit where closed_at is null`) as unknown as [
    { id: string }
  ];
  await open(page, `/visits/${id}`);
  await page.getByText('The whole sheet').click();
  const line = (title: string) =>
    page.getByRole('list', { name: 'The sheet' }).getByRole('listitem').filter({ hasText: title });
  await line('Tip it, then measure').getByLabel('Drained').fill('0.5 qt');
  await page.keyboard.press('Enter');
  // 1,990 ml went in last time; half a quart is 473.
  await expect(line('Tip it, then measure').getByRole('status')).toContainText('1517 ml less came out');
  await line('Pour the engine oil').getByLabel('Poured in').fill('1930');
  await page.keyboard.press('Enter');
  await expect(line('Pour the engine oil').getByRole('alert')).toContainText(
    'Not yet: Engine drain plug is off'
  );
  await line('Refit and torque engine drain')
    .getByRole('button', { name: /^Torqued, 24 N·m, new/ })
    .click();
  await expect(line('Refit and torque engine drain')).toContainText('torqued, 24 N·m');
  await expect(page.getByRole('region', { name: 'Open now' })).not.toContainText('Engine drain plug');
  await expect
    .poll(async () =>
      (
        await app.sql`select action, content->>'value' as value from visit_entry where visit_id = ${id} order by seq desc limit 2`
      ).map((e) => `${e.action} ${e.value ?? ''}`.trim())
    )
    .toEqual(['torqued 24', 'done']);
  // Chosen once, it is there again.
  await page.reload();
  await expect(page.getByRole('list', { name: 'The sheet' })).toBeVisible();
  // What was not laid out is said in one line, wherever one stands.
  const fetched = page.getByRole('region', { name: 'Had to be fetched' });
  await fetched.getByRole('button', { name: 'Something was missing' }).click();
  await page.keyboard.type('long 8 mm socket');
  await page.reload();
  await expect(fetched.getByLabel('What was not laid out')).toHaveValue('long 8 mm socket');
  await fetched.getByLabel('What was not laid out').press('Enter');
  await expect(fetched).toContainText('Had to be fetched: 1');
  await expect
    .poll(async () => app.sql`select content->>'what' as what from visit_entry where action = 'fetched'`)
    .toEqual([{ what: 'long 8 mm socket' }]);
  // What is being written down is there again after a reload, and after a look at the steps.
  await page.getByText('Write it down', { exact: true }).click();
  const form = page.getByRole('form', { name: 'Write it down' });
  await form.getByLabel('Poured in').fill('25 L');
  await form.getByLabel('Remarks').fill('rain all day');
  await page.reload();
  await expect(form.getByLabel('Remarks')).toHaveValue('rain all day');
  await page.getByText('Step by step').click();
  await page.getByText('Write it down', { exact: true }).click();
  await expect(form.getByLabel('Poured in')).toHaveValue('25 L');
  await form.getByRole('button', { name: 'Write it down and close' }).click();
  await expect(form.getByText('At most 20 L: is it the right unit?')).toBeVisible();
  expect(
    await app.sql`select count(*)::int as n from visit_entry where content->>'afterwards' = 'true'`
  ).toEqual([{ n: 0 }]);
});
