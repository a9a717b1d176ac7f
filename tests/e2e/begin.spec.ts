import type { Page } from '@playwright/test';
import { expect, open, ready, test, TEMPLATE } from './app';
import { counted, onTheSheet } from './counted';
import { Hand } from './hand';

/** Types a figure and goes on by Tab, as one does with the manual in the other hand. */
async function put(page: Page, label: string, value: string): Promise<void> {
  const field = page.getByLabel(label, { exact: true });
  await field.fill(value);
  await field.press('Tab');
}

test.describe('who begins with nothing', () => {
  test.use({ template: TEMPLATE });

  test('an empty team to its first closed gearbox-oil change, all figures from the manual; then a sister: presses and fields', async ({
    work: page,
    app
  }) => {
    await open(page, '/');
    const now = await counted(page);
    await open(page, '/');
    await page.getByLabel('Team or workshop').fill('Nether Fold Racing');
    await page.getByLabel('Your name').fill('Bea Thornley');
    await page.getByLabel('A passphrase').fill('moss kettle quiet ferry');
    await page.getByRole('button', { name: 'Begin with an empty book' }).click();
    await page.getByRole('link', { name: 'Add the first machine' }).click();
    await ready(page);
    await page.getByLabel('Number').fill('41');
    await page.getByLabel('Name').fill('Garth 125');
    await page.getByLabel('What it is').selectOption('two-stroke motocross');
    await page.getByLabel('The meter shows now, h').fill('12.4');
    await page.getByLabel('Gearbox oil, every').fill('20');
    await page.getByRole('button', { name: 'Add the machine' }).click();

    // One page, in the order a manual prints it; the manual is named once.
    await expect(page).toHaveURL(/\/sheet$/);
    await page.getByLabel('Manual, or who said so').fill('Garth 125 handbook');
    await put(page, 'Gearbox oil, at a change', '650 ml');
    await put(page, 'Gearbox oil, grade and ratings', '75W-80');
    await page
      .getByLabel('Gearbox level, how it is read', { exact: true })
      .selectOption('measured quantity only');
    await put(page, 'Gearbox drain plug: torque', '20 N·m');
    await put(page, 'Gearbox drain plug: size', '13 mm');
    await page.getByLabel('Gearbox drain plug: seal').selectOption('crush washer');
    await page.getByRole('button', { name: 'Gearbox filler cap: it has one' }).click();
    await expect
      .poll(
        async () =>
          (await app.sql`select name, role, circuit, head, seal from fastener order by position`) as unknown
      )
      .toEqual([
        {
          name: 'Gearbox drain plug',
          role: 'drain plug',
          circuit: 'gearbox',
          head: '13 mm',
          seal: 'crush washer'
        },
        { name: 'Gearbox filler cap', role: 'filler cap', circuit: 'gearbox', head: '', seal: 'none' }
      ]);
    await expect
      .poll(
        async () =>
          (await app.sql`
            select f.key, coalesce(f.text, f.value || ' ' || f.unit) as as_printed, s.title
            from spec_figure f join spec_source s on s.id = f.source_id order by f.key`) as unknown
      )
      .toEqual(
        [
          ['gearbox level method', 'measured quantity only'],
          ['gearbox oil', '650 ml'],
          ['gearbox oil grade', '75W-80'],
          ['torque', '20 N·m']
        ].map(([key, as_printed]) => ({ key, as_printed, title: 'Garth 125 handbook' }))
      );

    await page.getByRole('link', { name: 'To the bench' }).click();
    // Nothing is due: nothing is ticked before one has said what one came for.
    await expect(page.getByRole('checkbox', { checked: true })).toHaveCount(0);
    await page.getByRole('checkbox', { name: 'Gearbox oil' }).click();
    await page.getByRole('button', { name: 'Start the visit' }).click();
    await page.getByText('The whole sheet').click();
    await onTheSheet(page, '650');
    await page.getByRole('button', { name: 'Close the visit' }).click();
    await expect(page).toHaveURL(/\/records\//);
    const first = await now();
    expect(
      await app.sql`select hours, content->'circuits'->0->>'pouredMl' as ml from service_record`
    ).toEqual([{ hours: 1240, ml: '650' }]);

    // A sister: her tasks and her whole sheet in one press, every figure to be confirmed.
    await open(page, '/');
    const before = await now();
    await page.getByRole('link', { name: 'Add a machine' }).click();
    await ready(page);
    await page.getByLabel('Like one we have').selectOption('41  Garth 125');
    await expect(page.getByText(/Comes over: 4 tasks/)).toBeVisible();
    await page.getByLabel('Number').fill('42');
    await page.getByLabel('Name').fill('Garth 125');
    await page.getByLabel('The meter shows now, h').fill('3');
    await page.getByRole('button', { name: 'Add the machine' }).click();
    await expect(page.getByText('4 unconfirmed')).toBeVisible();
    // Walked down with the manual: Enter says that it is so.
    const oil = page.getByLabel('Gearbox oil, at a change', { exact: true });
    // Each machine's own manual is named: a figure is not put down to another's by a press of Tab.
    await page.getByLabel('Manual, or who said so').fill('Garth 125 handbook, later print');
    await oil.focus();
    for (const value of ['650 ml', '75W-80', 'measured quantity only', '20 N·m']) {
      await expect(page.locator('[data-figure="unconfirmed"]:focus')).toHaveValue(value);
      await page.keyboard.press('Enter');
    }
    await expect(page.getByText(/unconfirmed$/)).toHaveCount(0);
    const sister = await now();
    expect(
      await app.sql`select m.plate, t.name, g.interval_amount from machine m join task t on t.machine_id = m.id left join task_trigger g on g.task_id = t.id where t.name = 'Gearbox oil' order by 1`
    ).toEqual([
      { plate: '41', name: 'Gearbox oil', interval_amount: 2000 },
      { plate: '42', name: 'Gearbox oil', interval_amount: 2000 }
    ]);
    // One more figure, with the page open and the manual named: the value, and Tab.
    await put(page, 'Coolant', '1.1 L');
    await expect(page.getByText('1.16 US qt')).toBeVisible();
    const figure = await now();
    console.log(
      `COUNTED one figure onto the sheet: ${figure.clicks - sister.clicks} presses, ${figure.fields - sister.fields} fields\n` +
        `COUNTED empty team to the first closed gearbox-oil change: ${first.clicks} presses, ${first.fields} fields\n` +
        `COUNTED second machine of the same type: ${sister.clicks - before.clicks} presses, ${sister.fields - before.fields} fields`
    );
    expect([figure.clicks - sister.clicks, figure.fields - sister.fields]).toEqual([0, 1]);
    expect(first.clicks).toBeLessThanOrEqual(35);
    expect(first.fields).toBeLessThanOrEqual(20);
    expect(sister.clicks - before.clicks).toBeLessThanOrEqual(12);
  });

  test('a visit with an almost empty sheet asks at its steps, once, and the sheet has it; unknown stays possible', async ({
    work: page,
    app
  }) => {
    await open(page, '/');
    await page.setViewportSize({ width: 390, height: 844 });
    await page.getByLabel('Team or workshop').fill('Nether Fold Racing');
    await page.getByLabel('Your name').fill('Bea Thornley');
    await page.getByLabel('A passphrase').fill('moss kettle quiet ferry');
    await page.getByRole('button', { name: 'Begin with an empty book' }).click();
    await page.getByRole('link', { name: 'Add the first machine' }).click();
    await ready(page);
    await page.getByLabel('Number').fill('41');
    await page.getByLabel('Name').fill('Garth 125');
    await page.getByLabel('What it is').selectOption('two-stroke motocross');
    await page.getByLabel('The meter shows now, h').fill('12.4');
    await page.getByRole('button', { name: 'Add the machine' }).click();
    await page.getByRole('link', { name: 'To the bench' }).click();
    await expect(page).toHaveURL(/\/visit$/);
    await expect(page.getByRole('button', { name: 'Start the visit' })).toBeDisabled();
    await page.getByRole('checkbox', { name: 'Gearbox oil' }).click();
    // A look at the sheet, and back: what was ticked still is.
    await page.getByRole('link', { name: 'or more of it on the spec sheet' }).click();
    await expect(page).toHaveURL(/\/sheet/);
    await page.goBack();
    await expect(page.getByRole('checkbox', { name: 'Gearbox oil' })).toBeChecked();
    // What every gearbox has is laid out nameless; a screw it may not have is not.
    await page.getByRole('button', { name: 'Gearbox drain plug: it has one' }).click();
    await expect(page.getByRole('button', { name: 'Gearbox drain plug: it has one' })).toBeHidden();
    await page.getByRole('button', { name: 'Start the visit' }).click();

    const hand = new Hand(page);
    await hand.until('Refit and torque');
    const ask = page.getByRole('group', { name: 'Gearbox drain plug: torque, not on the sheet' });
    await ask.getByLabel('Gearbox drain plug: torque', { exact: true }).fill('200 N·m');
    await ask.getByLabel('Gearbox drain plug: washer or ring').selectOption('crush washer');
    await ask.getByRole('button', { name: 'Onto the sheet' }).click();
    await page.getByLabel('Manual, or who said so').last().fill('Garth 125 handbook');
    await page.keyboard.press('Tab');
    // No thread is noted, so nothing tells that it is much; corrected, it is one figure after another.
    await expect(hand.card.getByText('200 N·m', { exact: true })).toBeVisible();
    await expect(ask).toBeHidden();
    await hand.press('Torqued');
    await hand.until('Pour the gearbox oil');
    const amount = page.getByRole('group', { name: 'Gearbox oil, at a change, not on the sheet' });
    await expect(amount.getByText('from Garth 125 handbook')).toBeVisible();
    await amount.getByLabel('Gearbox oil, at a change', { exact: true }).fill('650 ml');
    await page.keyboard.press('Enter');
    await expect(hand.card.getByText('600 ml', { exact: true })).toBeVisible();
    await hand.card.getByLabel(/^Poured in/).fill('650');
    await hand.press('Write');
    // How the level is read nobody knows: it is picked for this once.
    await hand.until('Read the gearbox level');
    await hand.card.getByLabel('How it is read, for this once').selectOption('measured quantity only');
    await hand.press('Write the level');
    await hand.finish();
    await page.getByRole('button', { name: 'Close the visit' }).click();
    await expect(page).toHaveURL(/\/records\//);
    expect(await app.sql`select name, quantity, seal from fastener where role = 'drain plug'`).toEqual([
      { name: 'Gearbox drain plug', quantity: 1, seal: 'crush washer' }
    ]);
    expect(await app.sql`select key, value, unit from spec_figure order by key desc`).toEqual([
      { key: 'torque', value: 200, unit: 'N·m' },
      { key: 'gearbox oil', value: 650, unit: 'ml' }
    ]);
  });
});
