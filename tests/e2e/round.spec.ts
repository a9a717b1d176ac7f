import type { Page } from '@playwright/test';
import { expect, open, ready, test } from './app';
import { allWell, stand } from './walked';

const PHONE = { width: 390, height: 844 };
const station = (page: Page, name: string) => page.getByRole('region', { name });
const check = (page: Page, name: string) => page.getByRole('group', { name, exact: true });

test('a bike that is all well takes fifteen taps at most, and is on the board as ready', async ({
  work: page,
  app
}) => {
  await page.setViewportSize(PHONE);
  const machineId = await app.machineId('8');
  // It has no figures of its own: a number is typed, by nobody's guess.
  for (const [key, base] of [
    ['front tyre pressure', 90],
    ['rear tyre pressure', 90],
    ['chain slack', 40],
    ['clutch free play', 3],
    ['throttle free play', 3]
  ] as const) {
    const unit = key.endsWith('pressure') ? 'kPa' : 'mm';
    await app.sql`
      insert into spec_figure (team_id, id, machine_id, key, dimension, unit, value, value_to, base, base_to, source_id, page, confidence, created_by)
      select m.team_id, gen_random_uuid(), m.id, ${key}, ${unit === 'kPa' ? 'pressure' : 'length'}, ${unit}, ${base}, ${base + 2}, ${base}, ${base + 2},
        (select id from spec_source s where s.team_id = m.team_id limit 1), '', 'told', (select id from person p where p.team_id = m.team_id limit 1)
      from machine m where m.id = ${machineId}
        and not exists (select 1 from spec_figure f where f.machine_id = m.id and f.key = ${key})`;
  }
  // Whatever day it is: a round holds until the outing, and there is none.
  await app.sql`update event set called_off_at = now()`;
  await open(page, `/machines/${machineId}/round`);
  await page.getByRole('button', { name: 'Walk it again' }).click();
  const taps = await allWell(page);
  await expect(stand(page)).toContainText('All as it should be');
  expect(taps).toBeLessThanOrEqual(15);
  await expect
    .poll(
      async () =>
        await app.sql`select count(*)::int as n from machine_round where machine_id = ${machineId} and done_at is not null`
    )
    .toEqual([{ n: 2 }]);
  await page.getByRole('link', { name: 'Board' }).first().click();
  await expect(page.getByRole('row', { name: /Gill 125/ })).toContainText('ready');
  await expect(page.getByRole('row', { name: /Gill 125/ })).not.toContainText('not ready');
});

test('a round with two findings keeps a quad off the board until they are closed', async ({
  work: page,
  app
}) => {
  const machineId = await app.machineId('Q1');
  // It goes nowhere before: what is walked today holds until tomorrow.
  await app.sql`update event set called_off_at = now()`;
  const tomorrow = new Date(Date.now() + 86_400_000).toISOString().slice(0, 10);
  await open(page, '/outings');
  await page.getByRole('button', { name: 'Plan an outing' }).click();
  const plan = page.getByRole('form', { name: 'Plan an outing' });
  await plan.getByLabel('Name').fill('Fold Day');
  await plan.getByLabel('First day').fill(tomorrow);
  await plan.getByLabel('Hours each uses').fill('1');
  await plan.getByLabel('The whole fleet goes').uncheck();
  await plan.getByRole('button', { name: /^Q1 / }).click();
  await plan.getByRole('button', { name: 'Plan it' }).click();
  await expect(page.getByRole('row', { name: /Fold Day/ })).toBeVisible();
  const [event] = await app.sql`select id from event where name = 'Fold Day'`;

  await page.setViewportSize(PHONE);
  await open(page, `/machines/${machineId}/round`);
  await expect(stand(page)).toContainText('0 of');
  const brake = check(page, 'Front brake: disc, hose, fluid between its marks');
  await brake.getByRole('button', { name: /: wrong$/ }).click();
  await brake.getByLabel('What is wrong').fill('hose chafed');
  await brake.getByRole('button', { name: 'Write it down' }).click();
  const tyre = check(page, 'Front left tyre pressure');
  await tyre.getByRole('textbox', { name: 'Front left tyre pressure, as found' }).fill('400 kPa');
  await tyre.getByRole('button', { name: 'Found' }).click();
  await expect(tyre.getByRole('alert')).toContainText('more than there can be');
  await expect(tyre.getByRole('textbox', { name: 'Front left tyre pressure, as found' })).toHaveValue(
    '400 kPa'
  );
  await tyre.getByRole('textbox', { name: 'Front left tyre pressure, as found' }).fill('35 kPa');
  await tyre.getByRole('textbox', { name: 'Front left tyre pressure, as found' }).press('Enter');
  await check(page, 'Front right tyre pressure').getByRole('textbox').fill('35 kPa');
  await check(page, 'Front right tyre pressure').getByRole('button', { name: 'Found' }).click();
  await station(page, 'At the front')
    .getByRole('button', { name: /^All as it should be/ })
    .click();
  // Whoever stands elsewhere unfolds that side.
  const unfold = (name: string) =>
    station(page, name)
      .getByRole('button', { name: new RegExp(`^${name}`) })
      .click();
  await unfold('Under seat and tank');
  await check(page, 'Air filter').getByRole('button', { name: 'torn or unseated' }).click();
  const grease = check(page, 'Grease points');
  await grease.getByRole('textbox', { name: 'Grease points, pumps' }).fill('400');
  await grease.getByRole('button', { name: 'Pumps' }).click();
  await expect(grease.getByRole('alert')).toContainText('More than 60 pumps');
  await grease.getByRole('button', { name: '6', exact: true }).click();
  const rear = check(page, 'Rear left tyre pressure');
  const throttle = check(page, 'Throttle free play at the grip');
  await unfold('In the saddle');
  await throttle.getByRole('textbox').fill('4 mm');
  await throttle.getByRole('button', { name: 'Found' }).click();
  await page
    .getByRole('button', { name: /^All as it should be/ })
    .first()
    .click();
  await expect(rear).toBeVisible();
  await rear.getByRole('textbox').fill('35 kPa');
  await rear.getByRole('button', { name: 'Found' }).click();
  await check(page, 'Rear right tyre pressure').getByRole('textbox').fill('35 kPa');
  await check(page, 'Rear right tyre pressure').getByRole('button', { name: 'Found' }).click();
  await allWell(page);
  await expect(stand(page)).toContainText('2 things are wrong');

  await page.setViewportSize({ width: 1280, height: 800 });
  await open(page, `/board?outing=${event!.id}`);
  const row = page.getByRole('row', { name: /Q1/ });
  await expect(row).toContainText('not ready');
  await expect(row).toContainText('Front brake: hose chafed');
  await expect(row).toContainText('Air filter: torn or unseated');
  await row.getByRole('link', { name: /^2, park the machine/ }).click();
  for (const [what, word] of [
    ['Air filter: torn or unseated', 'New one in, box wiped'],
    ['Front brake: hose chafed', 'Hose replaced, bled, lever firm']
  ] as const) {
    const one = page.getByRole('group', { name: what });
    await one.getByRole('button', { name: 'Close it' }).click();
    await one.getByLabel(/What was done/).fill(word);
    await one.getByRole('button', { name: 'It is done' }).click();
    await expect(one).toBeHidden();
  }
  await open(page, `/board?outing=${event!.id}`);
  await expect(row).not.toContainText('not ready');
  await expect(page.getByText('1 of 1 ready')).toBeVisible();
  expect(
    await app.sql`select what, severity, closed_word from finding where machine_id = ${machineId} and cause = 'round' order by what`
  ).toEqual([
    {
      what: 'Air filter: torn or unseated',
      severity: 'park the machine',
      closed_word: 'New one in, box wiped'
    },
    {
      what: 'Front brake: hose chafed',
      severity: 'park the machine',
      closed_word: 'Hose replaced, bled, lever firm'
    }
  ]);
});

test('without the server a round goes on, is kept over a reload, and is there once', async ({
  work: page,
  app
}) => {
  const machineId = await app.machineId('27');
  await open(page, `/machines/${machineId}/round`);
  await page.route('**/api/commands', (route) => route.abort());
  const front = station(page, 'At the front');
  await front.getByRole('button', { name: /^All as it should be/ }).click();
  await expect(stand(page)).toContainText('4 not with the server yet');
  await page.reload();
  await ready(page);
  await expect(stand(page)).toContainText('4 of');
  expect(await app.sql`select 1 from machine_round where machine_id = ${machineId}`).toEqual([]);
  // The answer to what got through is lost: it goes again, and is taken once.
  await page.unroute('**/api/commands');
  await page.route(
    '**/api/commands',
    async (route) => {
      await route.fetch();
      await route.abort();
    },
    { times: 1 }
  );
  await station(page, 'Left side')
    .getByRole('button', { name: /^All as it should be/ })
    .click();
  await expect(stand(page)).toContainText('not with the server yet');
  await expect(stand(page)).not.toContainText('not with the server yet', { timeout: 30_000 });
  expect(
    await app.sql`select count(*)::int as n, count(distinct check_key)::int as checks from round_answer a join machine_round r on r.id = a.round_id where r.machine_id = ${machineId}`
  ).toEqual([{ n: 7, checks: 7 }]);
});

test('who leaves the page before it is sent has it sent from the next', async ({ work: page, app }) => {
  const machineId = await app.machineId('27');
  await open(page, `/machines/${machineId}/round`);
  await page.route('**/api/commands', (route) => route.abort());
  await station(page, 'At the front')
    .getByRole('button', { name: /^All as it should be/ })
    .click();
  await expect(stand(page)).toContainText('4 not with the server yet');
  await page.unroute('**/api/commands');
  await open(page, '/board');
  await expect(page.getByRole('row', { name: /Fell 350/ })).toContainText('22 of 26 left');
  await open(page, `/machines/${machineId}/round`);
  await expect(stand(page)).toContainText('4 of 26');
  await expect(stand(page)).not.toContainText('not with the server yet');
});

test('two people walk one machine: what one has looked at the other need not', async ({
  work: page,
  app,
  context
}) => {
  const machineId = await app.machineId('27');
  await open(page, `/machines/${machineId}/round`);
  const other = await context.newPage();
  await open(other, `/machines/${machineId}/round`);
  await station(page, 'At the front')
    .getByRole('button', { name: /^All as it should be/ })
    .click();
  await station(other, 'Left side')
    .getByRole('button', { name: /^All as it should be/ })
    .click();
  for (const p of [page, other]) await expect(stand(p)).toContainText('7 of', { timeout: 30_000 });
  // Two windows of one device show at once what is still on its way.
  await expect
    .poll(
      async () =>
        await app.sql`select count(distinct r.id)::int as rounds, count(*)::int as answers from machine_round r join round_answer a on a.round_id = r.id where r.machine_id = ${machineId}`
    )
    .toEqual([{ rounds: 1, answers: 7 }]);
});

test('a finding from anywhere is a line and a press; found for the third time it says so', async ({
  work: page,
  app
}) => {
  await open(page, `/machines/${await app.machineId('61')}`);
  await page.keyboard.press('f');
  const form = page.getByRole('form', { name: 'Write down a finding' });
  await form.getByLabel('What is wrong').fill('Left radiator bent');
  await form.getByRole('button', { name: 'fork and steering' }).click();
  await form.getByRole('button', { name: 'watch' }).click();
  await expect(page.getByText('Written down on 61: Left radiator bent')).toBeVisible();
  expect(await app.sql`select severity, place from finding where what = 'Left radiator bent'`).toEqual([
    { severity: 'watch', place: 'fork and steering' }
  ]);
  // At the bench it is about the machine that stands there.
  const [visit] = await app.sql`select id, machine_id from visit where closed_at is null`;
  await open(page, `/visits/${visit!.id}`);
  await page.keyboard.press('f');
  await expect(form.getByLabel('Machine')).toHaveValue(visit!.machine_id);
  await form.getByLabel('What is wrong').fill('Seat bolt gone');
  await form.getByRole('button', { name: 'tell the owner' }).click();
  await expect(page.getByText(/^Written down on \d+: Seat bolt gone/)).toBeVisible();
  await open(page, '/findings');
  const pin = page.getByRole('group', { name: 'Left side: footpeg pin loose' });
  await expect(pin).toContainText('for the third time');
  await expect(pin).toContainText('Look for the cause');
  // It waits for a part, and is no longer what keeps it off by itself.
  await pin.getByRole('button', { name: 'It waits for a part' }).click();
  await pin.getByLabel('Which part').fill('footpeg bracket');
  await pin.getByRole('button', { name: 'It waits', exact: true }).click();
  await expect(pin).toContainText('waits for a part to arrive (footpeg bracket)');
  expect(await app.sql`select part from reminder where words = 'Left side: footpeg pin loose'`).toEqual([
    { part: 'footpeg bracket' }
  ]);
});

test('the board on a wall shows what is written as it is written', async ({ work: page, app }) => {
  await app.sql`update event set called_off_at = now()`;
  await open(page, '/board?wall');
  const row = page.getByRole('row', { name: /Gill 125/ });
  await expect(row).not.toContainText('not ready');
  await expect(page.getByRole('navigation', { name: 'Places' })).toBeHidden();
  const now = new Date().toISOString();
  const id = crypto.randomUUID();
  const body = {
    id,
    machineId: await app.machineId('8'),
    componentId: null,
    what: 'Tank leaks',
    place: '',
    note: '',
    severity: 'park the machine'
  };
  const sent = await page.request.post('/api/commands', {
    data: {
      device: '',
      sent: now,
      commands: [{ id: crypto.randomUUID(), kind: 'finding.add', at: now, body }]
    }
  });
  expect((await sent.json()).outcomes[0]).toMatchObject({ ok: true });
  await expect(row).toContainText('Tank leaks');
  await expect(row).toContainText('not ready');
});

test('a torque round finds one bolt loose the second time: it is not tightened once more and forgotten', async ({
  work: page,
  app
}) => {
  await page.setViewportSize(PHONE);
  const machineId = await app.machineId('84');
  await open(page, `/machines/${machineId}/round?list=torque`);
  const walk = async () => {
    const pinch = check(page, 'Axle carrier pinch bolts, 4 of them');
    for (const left = stand(page).getByText(/^\d+ of \d+$/); (await left.count()) > 0;) {
      const before = await left.textContent();
      if (await pinch.getByRole('button', { name: 'loose', exact: true }).isVisible()) {
        await expect(pinch).toContainText('54 N·m');
        await expect(pinch).toContainText('1 · 3 · 2 · 4');
        await pinch.getByRole('button', { name: 'loose', exact: true }).click();
        await pinch.getByRole('button', { name: 'a flat', exact: true }).click();
      } else await page.locator('.check').getByRole('button', { name: 'held', exact: true }).first().click();
      await expect(stand(page)).not.toContainText(before!);
    }
    await expect(stand(page)).toContainText('One thing is wrong');
  };
  await walk();
  const found = () =>
    app.sql`select what, note, severity, closed_word from finding where machine_id = ${machineId} and cause = 'round' order by found_at`;
  const once = {
    what: 'Axle carrier pinch bolts, 4 of them: found loose',
    note: 'a flat',
    severity: 'watch',
    closed_word: 'Tightened in the round: 54 N·m.'
  };
  await expect.poll(found).toEqual([once]);
  await page.getByRole('button', { name: 'Walk it again' }).click();
  await walk();
  const again = 'Axle carrier pinch bolts, 4 of them: found loose again: thread-lock, or find the cause';
  await expect
    .poll(found)
    .toEqual([once, { what: again, note: 'a flat', severity: 'fix now', closed_word: '' }]);
  await open(page, '/findings');
  await expect(page.getByRole('group', { name: again })).toContainText('for the second time');
});
