import { expect, open, test } from './app';
import { Hand } from './hand';

test('a step measured by the machine’s own figure: outside its band it is a finding, put right it is closed', async ({
  work: page,
  app
}) => {
  const machine = await app.machineId('12');
  // The sheet first: a range, and a figure in words.
  await open(page, `/machines/${machine}/sheet`);
  await page.getByLabel('Manual, or who said so').fill('Workshop manual');
  const slack = page.getByLabel('Chain slack, total at the place named', { exact: true });
  await slack.fill('as its guide shows');
  await slack.press('Enter');
  await expect(page.getByText(/in words only, say so below/)).toBeVisible();
  await slack.fill('35–45 mm');
  // Reloaded in the middle of it, nothing is lost; taken, it is not typed any more.
  await page.reload();
  await expect(slack).toHaveValue('35–45 mm');
  await slack.press('Enter');
  await expect(page.getByRole('button', { name: /^Chain slack, total.*earlier figures$/ })).toHaveText(
    'page, 1 earlier'
  );
  // The page was one of the other manual.
  await expect(page.getByText('Workshop manual · printed')).toBeVisible();
  // A job of the team's own that goes by it.
  await open(page, '/jobs/new');
  await page.getByLabel('Job', { exact: true }).fill('Chain look');
  await page.getByRole('button', { name: /^Do it/ }).click();
  const step = page.getByRole('listitem').filter({ has: page.getByLabel('Minutes, hands on it') });
  await step.getByLabel('Title').fill('Measure the slack');
  await step.getByLabel('What it is').selectOption('measure');
  await step.getByLabel(/^\s*Its band/).selectOption('chain slack');
  await page.getByRole('button', { name: 'Save the job' }).click();
  await expect(page).toHaveURL(/\/jobs\/chain-look/);
  // At the bench.
  await open(page, `/machines/${machine}/visit`);
  await page.getByRole('button', { name: /that (is|are) clear for now/ }).click();
  for (const box of await page.getByRole('checkbox').all()) if (await box.isChecked()) await box.uncheck();
  await page.getByRole('checkbox', { name: /^Chain slack/ }).check();
  const steps = page.getByLabel(/^Steps for Chain slack/);
  await steps.selectOption('Chain look');
  // Only what fits this machine, which has no differentials; and the pick is kept for next time.
  await expect(steps.getByRole('option', { name: 'Differential oils' })).toHaveCount(0);
  await page.getByLabel('for this task from now on').check();
  await page.getByRole('button', { name: 'Start the visit' }).click();
  const hand = new Hand(page);
  await hand.until('Measure the slack');
  await expect(hand.card).toContainText('35–45 mm');
  const write = async (typed: string) => {
    await hand.card.getByLabel('Measured, mm').fill(typed);
    await hand.press('Write');
  };
  await hand.card.getByLabel('Measured, mm').fill('4');
  await hand.card.getByLabel(/^Remark/).fill('wheel on the ground');
  await page.reload();
  await expect(hand.card.getByLabel('Measured, mm')).toHaveValue('4');
  await expect(hand.card.getByLabel(/^Remark/)).toHaveValue('wheel on the ground');
  await write('a lot');
  await expect(hand.card.getByRole('alert')).toContainText('Write a figure such as');
  await write('5 L');
  await expect(hand.card.getByRole('alert')).toContainText('measures volume');
  await write('2 in');
  await expect(hand.card).toContainText('Written: 2 in, outside its band');
  await write('45');
  await expect(page.getByRole('status').filter({ hasText: 'Measure the slack' })).toContainText(
    '45 mm, just at the end of its band'
  );
  await hand.finish();
  await page.getByRole('button', { name: 'Close the visit' }).click();
  await expect(page).toHaveURL(/\/records\//);
  expect(
    await app.sql`select job from task where machine_id = ${machine} and name like 'Chain slack%'`
  ).toEqual([{ job: 'chain-look' }]);
  await expect(page.getByRole('row', { name: /Measure the slack/ })).toContainText(
    '2 in, then 45 mm, on the edge'
  );
  expect(
    await app.sql`select cause, what, closed_word from finding where machine_id = ${machine} or component_id is not null and visit_id is not null`
  ).toEqual([
    {
      cause: 'measure',
      what: 'Measure the slack: 2 in; wanted 35–45 mm',
      closed_word: 'At the bench: 45 mm.'
    }
  ]);
});

test('a torque that the maker gives in words: shown as such, by feel with those words, and no excuse for a wrong unit', async ({
  work: page,
  app
}) => {
  const visit = (await app.sql`select id from visit where closed_at is null`)[0]!.id;
  await app.sql`
    update opened_item set content = jsonb_set(content, '{torque}',
      '{"label": "Torque", "band": null, "words": "tighten securely", "source": "Manual", "unsure": false}')
    where visit_id = ${visit} and content->>'name' = 'Engine drain plug'`;
  await open(page, `/visits/${visit}`);
  await page.getByRole('button', { name: /to do Refit and torque engine drain/ }).click();
  const plug = page.getByRole('region', { name: 'Engine drain plug' });
  await expect(plug).toContainText('tighten securely');
  await plug.getByLabel('Wrench set to').fill('200 lbf·ft');
  await plug.getByRole('button', { name: 'Torqued', exact: true }).click();
  await expect(plug.getByRole('alert')).toContainText('it looks like the wrong unit');
  await plug.getByRole('button', { name: 'By feel' }).click();
  await expect(plug.getByLabel(/^Why by feel/)).toHaveValue('tighten securely');
  await plug.getByRole('button', { name: 'Tight by feel' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'tight by feel' })).toBeVisible();
  await expect
    .poll(async () =>
      (
        await app.sql`select content->>'reason' as reason from visit_entry where visit_id = ${visit} and action = 'by feel'`
      ).map((r) => r.reason)
    )
    .toEqual(['tighten securely']);
});

test('a wrench is set by its own scale: the sheet’s value is turned into it, and kept as it was set', async ({
  work: page,
  app
}) => {
  const visit = (await app.sql`select id from visit where closed_at is null`)[0]!.id;
  await app.sql`update torque_wrench set unit = 'lbf·ft'`;
  await app.sql`
    update opened_item set content = jsonb_set(content, '{torque}',
      '{"label": "Torque", "band": {"from": {"dimension": "torque", "base": 20, "value": 20, "unit": "N·m"}, "to": {"dimension": "torque", "base": 20, "value": 20, "unit": "N·m"}}, "words": null, "source": "Manual", "unsure": false}')
    where visit_id = ${visit} and content->>'name' = 'Engine drain plug'`;
  await open(page, `/visits/${visit}`);
  await page.getByRole('button', { name: /to do Refit and torque engine drain/ }).click();
  const plug = page.getByRole('region', { name: 'Engine drain plug' });
  // 20 N·m / 1.355 818 = 14.75 lbf·ft.
  await expect(plug.getByLabel('Wrench set to')).toHaveValue('14.8 lbf·ft');
  await expect(plug).toContainText('The sheet says 20 N·m; the scale of Small click wrench is in lbf·ft.');
  await plug.getByLabel('with an adapter').check();
  await expect(plug.getByLabel('Torque at the bolt')).toHaveValue('20 N·m');
  await plug.getByLabel(/^or E, drive to bolt/).fill('42');
  await plug.getByLabel(/^L, drive to grip/).fill('210');
  await plug.getByLabel(/^Angle/).fill('0');
  // 20 × 210 / (210 + 42) = 16.67 N·m = 12.3 lbf·ft.
  await expect(plug).toContainText('Set the wrench to 12.3 lbf·ft 16.7 N·m');
  await plug.getByLabel('with an adapter').uncheck();
  await plug.getByLabel('Wrench set to').fill('14.5');
  await plug.getByRole('button', { name: 'Torqued', exact: true }).click();
  await expect(page.getByRole('status').filter({ hasText: 'torqued, 14.5 lbf·ft' })).toBeVisible();
  await expect
    .poll(async () =>
      (
        await app.sql`select content->>'value' as value, content->>'unit' as unit from visit_entry where visit_id = ${visit} and action = 'torqued' and item_key like 'drain%' order by seq desc limit 1`
      ).map((r) => `${r.value} ${r.unit}`)
    )
    .toEqual(['14.5 lbf·ft']);
});
