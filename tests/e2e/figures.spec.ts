import { expect, open, test } from './app';
import { Hand } from './hand';

test('a step measured by the machine’s own figure: outside its band it is a finding, put right it is closed', async ({
  work: page,
  app
}) => {
  const machine = await app.machineId('12');
  // The sheet first: a range, and a figure in words.
  await open(page, `/machines/${machine}/sheet`);
  await page
    .getByRole('button', { name: /^(Put in|Correct) Chain slack, total at the place named$/ })
    .click();
  const figure = page.getByRole('form', { name: 'Chain slack, total at the place named figure' });
  await figure.getByLabel('As printed').fill('two fingers');
  await figure.getByLabel('Manual, or who said so').fill('Workshop manual');
  await figure.getByRole('button', { name: 'Put it on the sheet' }).click();
  await expect(figure.getByText(/in words only, say so below/)).toBeVisible();
  await figure.getByLabel('As printed').fill('35–45 mm');
  await figure.getByRole('button', { name: 'Put it on the sheet' }).click();
  await expect(page.getByText('35–45 mm').first()).toBeVisible();
  // A job of the team's own that goes by it.
  await open(page, '/jobs/new');
  await page.getByLabel('Job', { exact: true }).fill('Chain look');
  await page.getByRole('button', { name: /^Do it/ }).click();
  const step = page.getByRole('listitem').filter({ has: page.getByLabel('Key, as other steps name it') });
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
  await page.getByLabel(/^Steps for Chain slack/).selectOption('Chain look');
  await page.getByRole('button', { name: 'Start the visit' }).click();
  const hand = new Hand(page);
  await hand.until('Measure the slack');
  await expect(hand.card).toContainText('35–45 mm');
  const write = async (typed: string) => {
    await hand.card.getByLabel('Measured, mm').fill(typed);
    await hand.press('Write');
  };
  await write('a lot');
  await expect(hand.card.getByRole('alert')).toContainText('Write a figure such as');
  await write('5 L');
  await expect(hand.card.getByRole('alert')).toContainText('measures volume');
  await write('2 in');
  await expect(hand.card).toContainText('Written: 2 in, outside its band');
  await write('45');
  await expect(hand.card).toContainText('Written: 45 mm, just at the end of its band');
  await hand.finish();
  await page.getByRole('button', { name: 'Close the visit' }).click();
  await expect(page).toHaveURL(/\/records\//);
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
  await expect(plug).toContainText('tight by feel');
  await expect
    .poll(async () =>
      (
        await app.sql`select content->>'reason' as reason from visit_entry where visit_id = ${visit} and action = 'by feel'`
      ).map((r) => r.reason)
    )
    .toEqual(['tighten securely']);
});
