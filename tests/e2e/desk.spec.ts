import { expect, open, test, type App } from './app';

/** A fleet too large for a screen, in the demo team. */
async function manyMachines(app: App, count: number): Promise<void> {
  const [{ team, person }] =
    (await app.sql`select t.id as team, p.id as person from team t join person p on p.team_id = t.id limit 1`) as unknown as [
      { team: string; person: string }
    ];
  await app.sql`insert into machine (team_id, id, plate, name, kind, in_service_on, created_by) select ${team}, gen_random_uuid(), 'x' || n, 'Extra ' || n, 'electric', current_date, ${person} from generate_series(1, ${count}::int) n`;
  await app.sql`insert into machine_standing (team_id, machine_id, estimated, recent, tasks, pegs) select team_id, id, false, '[]', '[]', '[]' from machine where plate like 'x%'`;
}

test('a fleet of two hundred: only the lanes near the screen are in the page, the others come as they are scrolled to', async ({
  work: page,
  app
}) => {
  await manyMachines(app, 200);
  await open(page, '/');
  expect(
    await page
      .getByRole('listitem')
      .filter({ has: page.getByRole('article') })
      .count()
  ).toBeLessThan(40);
  await page.evaluate(() => scrollTo(0, document.body.scrollHeight));
  const last = page.locator('li[aria-posinset="212"]');
  await expect(last.getByRole('article')).toBeVisible();
  await expect(last).toHaveAttribute('aria-setsize', '212');
  await page.evaluate(() => scrollTo(0, 0));
  await expect(page.getByRole('article').first()).toContainText('past limit');
});

test('the machine’s trail zooms and moves, by keys and by buttons, and a peg opens its record', async ({
  work: page,
  app
}) => {
  await open(page, `/machines/${await app.machineId('12')}`);
  const marks = page.getByRole('group', { name: /Trail of/ });
  await expect(marks).toContainText('+25');
  await page.keyboard.press('+');
  await expect(marks).not.toContainText('+25');
  await page.getByRole('button', { name: 'Wider' }).click();
  await page.getByRole('button', { name: 'Wider' }).click();
  await expect(marks).toContainText('+50');
  await page.keyboard.press('ArrowLeft');
  await expect(marks).toContainText('-30');
  await page.getByRole('button', { name: 'now', exact: true }).click();
  await expect(marks).toContainText('+25');
  // Drawn along by the hand: what was ahead comes nearer, and the peg under the hand is not pressed.
  const peg = page.getByRole('link', { name: /done .* h ago/ }).last();
  const at = (await peg.boundingBox())!;
  await page.mouse.move(at.x + 5, at.y + 5);
  await page.mouse.down();
  await page.mouse.move(at.x + 405, at.y + 5, { steps: 4 });
  await page.mouse.up();
  await expect(marks).not.toContainText('+25');
  await expect(page).toHaveURL(/\/machines\//);
  // The wheel scrolls the page; with Ctrl it comes closer, about where the hand is.
  await page.getByRole('button', { name: 'now', exact: true }).click();
  const box = (await marks.boundingBox())!;
  await page.mouse.move(box.x + box.width * 0.3, box.y + 20);
  await page.mouse.wheel(0, -40);
  await expect(marks).toContainText('+25');
  await page.evaluate(() => scrollTo(0, 0));
  await page.keyboard.down('Control');
  await page.mouse.wheel(0, -40);
  await page.keyboard.up('Control');
  await expect(marks).not.toContainText('+25');
  await expect(marks).toContainText('now');
  // A narrower page shows the same hours.
  await page.getByRole('button', { name: 'now', exact: true }).click();
  await page.setViewportSize({ width: 820, height: 800 });
  await expect(marks).toContainText('+25');
  await expect(marks).toContainText('-10');
  await page
    .getByRole('link', { name: /done .* h ago/ })
    .last()
    .focus();
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/records\//);
});

test('two fingers bring the machine’s trail closer; one goes on with the page', async ({
  work: page,
  app
}) => {
  const fingers = await page.context().newCDPSession(page);
  await fingers.send('Emulation.setTouchEmulationEnabled', { enabled: true, maxTouchPoints: 2 });
  await page.setViewportSize({ width: 390, height: 844 });
  await open(page, `/machines/${await app.machineId('12')}`);
  const trail = page.getByRole('group', { name: /Trail of/ });
  await expect(trail).toContainText('+25');
  await trail.scrollIntoViewIfNeeded();
  const box = (await trail.boundingBox())!;
  const y = box.y + 30;
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', ...xs: number[]) =>
    fingers.send('Input.dispatchTouchEvent', { type, touchPoints: xs.map((x, id) => ({ x, y, id })) });
  await touch('touchStart', 200);
  await touch('touchMove', 100);
  await touch('touchEnd');
  await expect(trail).toContainText('+25');
  await touch('touchStart', 180, 220);
  await touch('touchMove', 120, 280);
  await touch('touchMove', 60, 340);
  await touch('touchEnd');
  await expect(trail).not.toContainText('+25');
});

test('planning a weekend, calling it off and taking that back', async ({ work: page, app }) => {
  await open(page, '/outings');
  await page.getByRole('button', { name: 'Plan an outing' }).click();
  const form = page.getByRole('form', { name: 'Plan an outing' });
  await form.getByRole('button', { name: 'Plan it' }).click();
  await expect(form.getByText('Write what it is called.')).toBeVisible();
  await form.getByLabel('Name').fill('Night Loop');
  await form.getByLabel('First day').fill('2099-05-09');
  await form.getByLabel('Last day').fill('2099-05-08');
  await form.getByLabel('Hours each uses').fill('1h30');
  await form.getByLabel('The whole fleet goes').uncheck();
  await form.getByRole('button', { name: '33 Gill 300' }).click();
  await form.getByRole('button', { name: 'Plan it' }).click();
  await expect(form.getByText('It ends before it begins.')).toBeVisible();
  await form.getByLabel('Last day').fill('');
  await form.getByRole('button', { name: 'Plan it' }).click();
  const row = page.getByRole('row', { name: /Night Loop/ });
  await expect(row).toContainText('1.5 h');
  await expect(row).toContainText('33');
  await row.getByRole('button', { name: 'Call off' }).click();
  await expect(row).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(row).toBeVisible();
  expect(await app.sql`select hours_each, called_off_at from event where name = 'Night Loop'`).toEqual([
    { hours_each: 150, called_off_at: null }
  ]);

  // One more goes, for longer, and the team leaves the evening before: changed in place.
  await row.getByRole('button', { name: 'Change' }).click();
  const change = page.getByRole('form', { name: 'Change Night Loop' });
  await expect(change.getByLabel('Hours each uses')).toHaveValue('1.5');
  await change.getByLabel('Leaves on').fill('2099-05-10');
  await change.getByRole('button', { name: '27 Fell 350' }).click();
  await change.getByText('Some ride more there, or less').click();
  await change.getByLabel('Hours of 27 Fell 350').fill('2h30');
  await change.getByRole('button', { name: 'Save it' }).click();
  await expect(change.getByText('the first day or before')).toBeVisible();
  await change.getByLabel('Leaves on').fill('2099-05-08');
  await change.getByRole('button', { name: 'Save it' }).click();
  await expect(change).toBeHidden();
  await expect(row).toContainText('27: 2.5 h');
  await expect(row).toContainText('leaves');
  expect(
    await app.sql`
      select m.plate, em.hours, e.leaves_on, e.hours_each from event e join event_machine em on em.event_id = e.id join machine m on m.id = em.machine_id
      where e.name = 'Night Loop' order by m.plate`
  ).toEqual([
    { plate: '27', hours: 250, leaves_on: '2099-05-08', hours_each: 150 },
    { plate: '33', hours: null, leaves_on: '2099-05-08', hours_each: 150 }
  ]);
});

test('people, units and light are chosen on the device and stay', async ({ work: page, app }) => {
  await open(page, '/team');
  const form = page.getByRole('form', { name: 'Add someone' });
  await form.getByLabel('Name').fill('Jory Pell');
  await form.getByRole('button', { name: 'Add' }).click();
  await expect(page.getByText('The team has someone of that name already.')).toBeVisible();
  await form.getByLabel('Name').fill('Ottilie Marsh');
  await form.getByRole('button', { name: 'Add' }).click();
  await expect(page.getByRole('row', { name: /Ottilie Marsh/ })).toBeVisible();
  await page.getByLabel('imperial').check();
  await page.getByLabel('Theme').selectOption('dark');
  await open(page, `/machines/${await app.machineId('12')}/sheet`);
  await expect(page.locator('html')).toHaveClass('dark');
  await expect(page.getByText('16.2 lbf·ft').first()).toBeVisible();
  await expect(page.getByLabel('Engine drain plug: torque')).toHaveValue('22 N·m');
  expect(await app.sql`select role from person where name = 'Ottilie Marsh'`).toEqual([{ role: 'mechanic' }]);
});

test('a figure corrected: the old one stays, struck through; a slip and a contradiction are asked about', async ({
  work: page,
  app
}) => {
  const id = await app.machineId('41');
  await open(page, `/machines/${id}/sheet`);
  const oil = page.getByLabel('Engine oil, with filter', { exact: true });
  const write = async (typed: string) => {
    await oil.fill(typed);
    await oil.press('Tab');
  };
  // The manual is asked for where it was not named, and what was typed stays.
  await write('1.2 qt (1.5 L)');
  await expect(page.getByText('Which manual, or who said so?')).toBeVisible();
  await page.getByLabel('Manual, or who said so').last().fill('Workshop manual');
  await page.keyboard.press('Tab');
  await expect(page.getByText(/1\.2 US qt is 1\.14 L, not 1\.5 L/)).toBeVisible();
  await expect(oil).toHaveValue('1.2 qt (1.5 L)');
  await write('12 ml');
  await expect(page.getByText(/very little/)).toBeVisible();
  // Emptied is no figure: what stood there stands again.
  await write('');
  await expect(oil).toHaveValue('1.15 US qt');
  await write('1.2 qt (1.14 L)');
  await expect(oil).toHaveValue('1.2 US qt');
  await page.getByRole('button', { name: 'Engine oil, with filter: page' }).click();
  await expect(page.locator('s')).toHaveText('1.15 US qt');
  expect(
    await app.sql`select value, unit, supersedes is not null as later from spec_figure where machine_id = ${id} and key = 'engine oil with filter' order by created_at`
  ).toEqual([
    { value: 1.15, unit: 'US qt', later: false },
    { value: 1.2, unit: 'US qt', later: true }
  ]);
});

test('a visit on a phone: by feel with a reason, a step left out, an undo, and giving up only when all is shut', async ({
  work: page,
  app
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const [{ id }] = (await app.sql`select id from visit where closed_at is null`) as unknown as [
    { id: string }
  ];
  await open(page, `/visits/${id}`);
  await expect(page.getByText('Give the visit up')).toBeHidden();
  await page.getByRole('button', { name: 'Leave it out' }).click();
  await page.getByLabel('Why is it left out?').fill('jug cracked');
  await page.getByRole('button', { name: 'Leave it out' }).click();
  for (const name of ['Engine drain plug', 'Frame drain plug', 'Oil filter cover', 'Skid plate']) {
    // The guard goes on after the look for leaks, or somebody says why there was none.
    if (name === 'Skid plate') {
      await page.getByRole('button', { name: /to do Look for leaks/ }).click();
      await page.getByRole('button', { name: 'Leave it out' }).click();
      await page.getByLabel('Why is it left out?').fill('given up before the oil was in');
      await page.getByRole('button', { name: 'Leave it out' }).click();
    }
    await page.getByRole('button', { name: 'What stands open' }).click();
    await page.getByRole('button', { name: new RegExp(`^${name}`) }).click();
    const box = page.getByRole('region', { name });
    await expect(box).toBeInViewport();
    await box.getByRole('button', { name: 'By feel' }).click();
    await box.getByLabel(/Why by feel/).fill('wrench away for calibration');
    await box.getByRole('button', { name: 'Tight by feel' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'tight by feel' })).toBeVisible();
  }
  await page.getByRole('button', { name: /Open oil filler cap/ }).click();
  await page.getByRole('button', { name: 'Undo this step' }).click();
  await expect(page.getByText('Nothing stands open')).toBeVisible();
  await page.getByRole('button', { name: /Give the visit up/ }).click();
  await page.getByLabel('Why is it given up?').fill('waiting for oil');
  await page.getByRole('button', { name: 'Give it up' }).click();
  await expect(page).toHaveURL(/\/machines\//);
  expect(await app.sql`select given_up_reason, closed_at from visit where id = ${id}`).toEqual([
    { given_up_reason: 'waiting for oil', closed_at: null }
  ]);
  expect(
    await app.sql`select content->>'reason' as reason from visit_entry where visit_id = ${id} and action = 'left out' order by seq`
  ).toEqual([{ reason: 'jug cracked' }, { reason: 'given up before the oil was in' }]);
  await open(page, `/visits/${id}`);
  await expect(page.getByText('This visit was given up before the work was done.')).toBeVisible();
});

test('the board says every reason: what is folded past the third opens in its line', async ({
  work: page
}) => {
  await open(page, '/board');
  const more = page.getByRole('button', { name: /^and \d+ more of 41$/ });
  const row = page.getByRole('row').filter({ has: page.locator('.plate', { hasText: /^41$/ }) });
  await expect(row.locator('.reason')).toHaveCount(3);
  const folded = Number(/\d+/.exec((await more.textContent())!)![0]);
  await more.click();
  await expect(row.locator('.reason')).toHaveCount(3 + folded);
  await expect(more).toBeHidden();
});
