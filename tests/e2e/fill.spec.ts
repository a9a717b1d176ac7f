import { onTheSheet } from './counted';
import { expect, open, test } from './app';

test('a fill that is not the sheet’s: the visit closes with a reason, and the record has it', async ({
  work: page,
  app
}) => {
  const machine = await app.machineId('12');
  // Nobody waits in a test; the question that asks about it is tried elsewhere.
  await app.sql`delete from spec_figure where machine_id = ${machine} and key = 'oil level settle time'`;
  const [{ id: task }] = (await app.sql`
    select id from task where name = 'Engine oil, screen and filter' and component_id in (select component_id from placement where machine_id = ${machine})`) as unknown as [
    { id: string }
  ];
  await open(page, `/machines/${machine}/visit?task=${task}&only`);
  await page.getByRole('button', { name: 'Start the visit' }).click();
  await page.getByText('The whole sheet').click();
  await onTheSheet(page);
  const [{ id }] = (await app.sql`
    select id from visit where machine_id = ${machine} and closed_at is null`) as unknown as [{ id: string }];
  // As if the jug had been misread: 600 of 950 went in.
  await app.sql`update visit_entry set content = jsonb_set(content, '{ml}', '600') where visit_id = ${id} and content->>'pour' is not null`;
  await page.setViewportSize({ width: 390, height: 844 });
  await page.reload();
  await page.getByRole('button', { name: 'Close the visit' }).click();
  const wants = page.getByRole('button', { name: /^600 ml of the 950 ml of engine oil are in it/ });
  await wants.click();
  await expect(page.getByLabel('Why it stays so')).toBeInViewport();
  await page.getByLabel('Why it stays so').fill('the sump was not drained whole');
  await page.getByRole('button', { name: 'Leave it this time' }).click();
  await expect(wants).toBeHidden();
  await page.getByRole('button', { name: 'Close the visit' }).click();
  await expect(page).toHaveURL(/\/records\//);
  await expect(page.getByText('the sump was not drained whole')).toBeVisible();
  const [kept] =
    await app.sql`select content->'passedOver' as over from service_record where visit_id = ${id}`;
  expect(kept!.over).toEqual([
    { name: '600 ml left in the engine', reason: 'the sump was not drained whole' }
  ]);
});
