import { expect, open, test } from './app';
import { Hand } from './hand';

test('a seat in the way: said once on the sheet, it comes off and goes back on by itself in every visit', async ({
  work: page,
  app
}) => {
  const machine = await app.machineId('12');
  await open(page, `/machines/${machine}/sheet`);
  const row = page.getByRole('group', { name: 'new fastener' }).first();
  await row.getByLabel('new fastener: name').fill('Left side panel');
  await page.keyboard.press('Tab');
  await expect(page.getByText(/^bodywork/)).toBeVisible();
  await page.getByRole('link', { name: 'say what is behind it' }).click();
  const behind = page.getByRole('group', { name: 'Behind left side panel' });
  await expect(behind).toContainText('in the way of nothing');
  await behind.getByRole('checkbox', { name: 'Oil filter cover' }).check();
  await expect(behind).toContainText('goes on again when they are shut');

  await open(page, `/machines/${machine}/visit`);
  await page.getByRole('checkbox', { name: /^Engine oil/ }).check();
  for (const other of ['Gearbox oil', 'Air filter'])
    await page.getByRole('checkbox', { name: other }).uncheck();
  await page.getByRole('button', { name: 'Start the visit' }).click();
  const hand = new Hand(page);
  await hand.until('Take off left side panel');
  await hand.press('Off');
  await expect(page.getByRole('region', { name: 'Open now' })).toContainText('Left side panel');
  await hand.until('Left side panel back on');
  // The engine has run without it, and nothing asked for a torque nobody has.
  await expect(hand.card).not.toContainText(/N·m|torque/i);
  const off = () => app.sql`
    select e.action from visit_entry e join visit_step s on s.visit_id = e.visit_id and s.key = e.step_key
    join visit v on v.id = e.visit_id
    where v.machine_id = ${machine} and v.closed_at is null and s.content ->> 'title' = 'Take off left side panel'`;
  await expect.poll(async () => (await off()).map((e) => e.action)).toEqual(['done']);
});
