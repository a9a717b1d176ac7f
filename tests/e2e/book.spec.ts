import { expect, open, test } from './app';

test('a meter goes dark, hours go on by time ridden, a new one takes over, a wrong reading is struck out', async ({
  work: page,
  app
}) => {
  const id = await app.machineId('27');
  await open(page, `/machines/${id}/meters`);
  await expect(
    page.getByRole('img', { name: /27 stands at 203\.1 h, by its meter\. 2 meters so far/ })
  ).toBeVisible();
  await page.getByRole('button', { name: 'Something happened to one' }).click();
  const form = page.getByRole('form', { name: 'Meter' });
  await form.getByRole('button', { name: 'Write it down' }).click();
  await expect(form.getByText('Pick what happened to it.')).toBeVisible();
  await form.getByLabel('What happened').selectOption('the hour meter is dead');
  await form.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByText(/dead since .*: hours from time ridden/)).toBeVisible();

  await page.getByRole('button', { name: 'Log hours', exact: true }).last().click();
  const log = page.getByRole('form', { name: 'Log hours' });
  await log.getByLabel('Time ridden').fill('1h30');
  await log.getByRole('button', { name: 'Log', exact: true }).click();
  await expect(page.getByRole('img', { name: /27 stands at 204\.6 h, estimated/ })).toBeVisible();

  await page.getByRole('button', { name: 'Something happened to one' }).click();
  await form.getByLabel('What happened').selectOption('the hour meter was replaced');
  await form.getByLabel('The old one showed, h').fill('3');
  await form.getByRole('button', { name: 'Write it down' }).click();
  await expect(form.getByText(/It already showed/)).toBeVisible();
  await form.getByLabel('The old one showed, h').fill('');
  await form.getByLabel('It started at, h').fill('0.2');
  await form.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByText('3 meters so far')).toBeVisible();
  await expect(page.getByRole('row', { name: /in use/ })).toContainText('0.2 h');

  await page.getByRole('button', { name: /^Strike out \+1\.5 h/ }).click();
  const strike = page.getByRole('form', { name: 'Strike out' });
  await strike.getByRole('button', { name: 'Strike it out' }).click();
  await expect(strike.getByText('Write why it is struck out.')).toBeVisible();
  await strike.getByLabel('Why it is wrong').fill('was the other bike');
  await strike.getByRole('button', { name: 'Strike it out' }).click();
  await expect(page.getByRole('img', { name: /27 stands at 203\.1 h/ })).toBeVisible();
  await expect(page.getByText('Struck out: was the other bike')).toBeVisible();
  expect(
    await app.sql`select change, last_value from meter where machine_id = ${id} order by fitted_at`
  ).toEqual([
    { change: 'replaced', last_value: expect.any(Number) },
    { change: 'replaced', last_value: null },
    { change: '', last_value: null }
  ]);
});

test('an outing nobody read a meter after is told of, and takes the machine’s usual hours, marked', async ({
  work: page,
  app
}) => {
  const id = await app.machineId('12');
  await open(page, `/machines/${id}`);
  await page
    .getByRole('banner')
    .getByRole('button', { name: /^Log hours/ })
    .click();
  const log = page.getByRole('form', { name: 'Log hours' });
  await log.getByRole('button', { name: 'How it was ridden' }).click();
  await log.getByLabel('Distance').fill('21 km');
  await log.getByRole('button', { name: 'Log', exact: true }).click();
  await expect(page.getByText('One outing since the last reading without hours')).toBeVisible();
  await page.getByRole('link', { name: 'take its usual hours' }).click();
  await expect(page.getByRole('region', { name: 'Outings without hours' })).toContainText(
    '21 km at its usual'
  );
  await page.getByRole('button', { name: /as estimated/ }).click();
  await expect(page.getByText('estimated from distance, no meter')).toBeVisible();
  const [r] =
    await app.sql`select ridden, estimated_from from reading where machine_id = ${id} and ridden is not null`;
  expect(r).toMatchObject({ estimated_from: 'distance' });
  expect(r!.ridden).toBeGreaterThan(50);
  expect(r!.ridden).toBeLessThan(200);
});

test('a remark offers what it names: a symptom is reported, damage becomes a finding of that day', async ({
  work: page,
  app
}) => {
  const id = await app.machineId('12');
  await open(page, `/machines/${id}`);
  await page
    .getByRole('banner')
    .getByRole('button', { name: /^Log hours/ })
    .click();
  const log = page.getByRole('form', { name: 'Log hours' });
  await log.getByLabel('Meter shows, h').fill('+1');
  await log.getByLabel('Remark').fill('hard to start warm, clutch lever bent');
  const named = log.getByRole('group', { name: 'From the remark' });
  await named.getByRole('button', { name: 'Report: hard to start' }).click();
  await named.getByRole('button', { name: 'Write a finding: Clutch lever bent' }).click();
  await expect(named).toContainText('Finding, fix now: Clutch lever bent');
  await expect(named.getByRole('button', { name: /Report/ })).toHaveCount(0);
  await log.getByRole('button', { name: 'Log', exact: true }).dblclick();
  await expect(log).toBeHidden();
  await expect
    .poll(
      () => app.sql`select what, severity from finding where machine_id = ${id} and what like 'Clutch lever%'`
    )
    .toEqual([{ what: 'Clutch lever bent', severity: 'fix now' }]);
  expect(
    await app.sql`select symptoms, remark from outing where machine_id = ${id} and remark like 'hard to start%'`
  ).toEqual([{ symptoms: ['hard to start'], remark: 'hard to start warm, clutch lever bent' }]);
});

test('a sheet: a superseded figure stays readable, a sister’s figures come unconfirmed, a change casts doubt', async ({
  work: page,
  app
}) => {
  const [fell, pippet] = [await app.machineId('12'), await app.machineId('61')];
  await open(page, `/machines/${fell}/sheet`);
  await expect(page.getByText('1st ed. · p. 28 · printed, superseded')).toBeHidden();
  await page.getByRole('button', { name: /^Engine oil, with filter: page/ }).click();
  await expect(page.locator('s').filter({ visible: true })).toHaveText('0.9 L');
  await expect(page.getByText('1st ed. · p. 28 · printed, superseded')).toBeVisible();
  await expect(page.getByLabel('Inlet valves, clearance cold', { exact: true })).toHaveValue('0.11–0.16 mm');
  await expect(page.getByText('0.00433–0.0063 in')).toBeVisible();
  await page.getByLabel('Manual, or who said so').fill('Owner’s handbook');
  const play = page.getByLabel('Clutch, free play at the lever', { exact: true });
  const write = async (typed: string) => {
    await play.fill(typed);
    await play.press('Tab');
  };
  await write('5–3 mm');
  await expect(page.getByText(/runs backwards/)).toBeVisible();
  await write('3–5 mm (0.12–0.40 in)');
  await expect(page.getByText(/5 mm is 0\.1969 in, not 0\.4 in/)).toBeVisible();
  await write('3–5 mm');
  await expect(page.getByText('0.1181–0.1969 in')).toBeVisible();
  await page.getByRole('button', { name: 'Something was changed' }).click();
  const change = page.getByRole('form', { name: 'Modification' });
  await change.getByLabel('What').selectOption('aftermarket clutch');
  await expect(change.getByText(/It marks as doubtful: clutch, free play/)).toBeVisible();
  await change.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByText(/May be wrong since “aftermarket clutch”/).first()).toBeVisible();
  const doubts = await page.getByText(/May be wrong since/).count();
  await page.getByRole('button', { name: 'Looked again: still right' }).first().click();
  await expect(page.getByText(/May be wrong since/)).toHaveCount(doubts - 1);

  await open(page, `/machines/${pippet}/sheet`);
  await expect(page.getByText(/to look up in the manual/)).toBeVisible();
  await page.getByRole('button', { name: 'Copy from a sister machine' }).click();
  const copy = page.getByRole('form', { name: 'Copy from a sister machine' });
  await copy.getByLabel('From').selectOption({ label: '12  Fell 250, four-stroke enduro' });
  const own = await page.getByLabel('Engine oil, grade and ratings', { exact: true }).inputValue();
  await copy.getByRole('button', { name: 'Bring its sheet over' }).click();
  await expect(page.getByText(/\d+ figures came over, unconfirmed; \d+ stood here already/)).toBeVisible();
  // What stood here stays.
  await expect(page.getByLabel('Engine oil, grade and ratings', { exact: true })).toHaveValue(own);
  await page.getByLabel('Manual, or who said so').fill('Pippet leaflet');
  await page.getByRole('button', { name: 'Front tyre, maker’s band: the same here' }).click();
  await expect(page.getByRole('button', { name: 'Front tyre, maker’s band: the same here' })).toBeHidden();
  expect(
    await app.sql`select confidence, base, base_to, supersedes is not null as later from spec_figure where machine_id = ${pippet} and key = 'front tyre pressure' order by created_at`
  ).toEqual([
    { confidence: 'unconfirmed', base: 80, base_to: 100, later: false },
    { confidence: 'printed', base: 80, base_to: 100, later: true }
  ]);
});

test('a house rule is changed with a word; the record of before keeps the one that was in force', async ({
  work: page,
  app
}) => {
  const id = await app.machineId('12');
  const write = async () => {
    await open(page, `/machines/${id}`);
    await page
      .getByRole('row', { name: /^Brake fluid/ })
      .getByRole('link', { name: 'Write down as done' })
      .click();
    const form = page.getByRole('form', { name: 'Write down as done' });
    await form.getByLabel('Why now, if early').fill('was open');
    await form.getByRole('button', { name: 'Write it down' }).click();
    await expect(form).toBeHidden();
  };
  await write();
  await open(page, '/rules');
  await page.getByRole('button', { name: 'Change: Kept back from the first pour' }).click();
  const form = page.getByRole('form', { name: 'Kept back from the first pour' });
  await form.getByLabel(/Kept back from the first pour/).fill('80');
  await form.getByRole('button', { name: 'Set it' }).click();
  await expect(form.getByText('A whole number from 0 to 50.')).toBeVisible();
  await form.getByLabel(/Kept back from the first pour/).fill('12');
  await form.getByLabel('Why, in a word').fill('glass reads slowly');
  await form.getByRole('button', { name: 'Set it' }).click();
  await expect(
    page
      .getByText('Jory Pell, 23 Nov: glass reads slowly')
      .or(page.getByText(/Jory Pell, .*: glass reads slowly/))
      .first()
  ).toBeVisible();
  // What no house decides and no sheet gives is there with its reason, and whose it is.
  const judged = page.getByRole('region', { name: 'What the program judges by' });
  await judged.getByText('Oil', { exact: false }).first().click();
  await expect(
    judged.getByRole('row', { name: /Less than this of what went in last time came out/ })
  ).toContainText(/70 %.*ours/);
  await write();
  const [latest, before] =
    await app.sql`select id from service_record where machine_id = ${id} and reason = 'was open' order by created_at desc`;
  await open(page, `/records/${latest!.id}`);
  await expect(page.getByRole('region', { name: 'House rules in force' })).toContainText('12 %');
  await open(page, `/records/${before!.id}`);
  await expect(page.getByRole('region', { name: 'House rules in force' })).toContainText('8 %');

  // By the riding for the whole team: the air filter of 12 has no sensitivity, that of 27 has its own rule already.
  await open(page, '/rules');
  await page.getByRole('button', { name: 'Change: The next is counted' }).click();
  const anchoring = page.getByRole('form', { name: 'The next is counted' });
  await anchoring.getByLabel('from due').check();
  await anchoring.getByRole('button', { name: 'Set it' }).click();
  await expect(anchoring).toBeHidden();
  expect(await app.sql`select key, value from house_rule order by seq desc limit 2`).toEqual([
    { key: 'anchoring', value: 'from due' },
    { key: 'holdBackPercent', value: 12 }
  ]);
});

test('a meter that reads again keeps what was ridden while it was dark', async ({ work: page, app }) => {
  const id = await app.machineId('27');
  await open(page, `/machines/${id}/meters`);
  const happened = page.getByRole('button', { name: 'Something happened to one' });
  const form = page.getByRole('form', { name: 'Meter' });
  await happened.click();
  await form.getByLabel('What happened').selectOption('the hour meter is dead');
  await form.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByText(/dead since .*: hours from time ridden/)).toBeVisible();
  const log = page.getByRole('form', { name: 'Log hours' });
  for (const ridden of ['1h30', '0h45']) {
    await page.getByRole('button', { name: 'Log hours', exact: true }).last().click();
    await log.getByLabel('Time ridden').fill(ridden);
    await log.getByRole('button', { name: 'Log', exact: true }).click();
    await expect(log).toBeHidden();
  }
  // 203.1 + 1.5 + 0.75.
  await expect(page.getByRole('img', { name: /27 stands at 205\.35 h, estimated/ })).toBeVisible();
  const [meter] = await app.sql`
    select m.id, l.value from meter m cross join lateral (
      select r.value from reading r where r.meter_id = m.id and r.value is not null order by read_at desc limit 1) l
    where m.machine_id = ${id} and m.removed_at is null and m.counts = 'hours'`;
  const shows = (Number(meter!.value) / 100).toFixed(2);
  await happened.click();
  await form.getByLabel('What happened').selectOption('the hour meter reads again');
  await form.getByLabel('It shows now, h').fill(shows);
  await form.getByLabel('While it was dark it').selectOption('stood still');
  await form.getByRole('button', { name: 'Write it down' }).click();
  // It shows what it did: what was ridden meanwhile is on top of that, and the book goes by the meter again.
  await expect(page.getByRole('img', { name: /27 stands at 205\.35 h, by its meter/ })).toBeVisible();
  expect(
    await app.sql`select counted, until is null as open from meter_dead where meter_id = ${meter!.id}`
  ).toEqual([{ counted: false, open: false }]);
});
