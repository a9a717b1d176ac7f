import { expect, open, test } from './app';
import { Hand } from './hand';

test('what somebody did is in the record: which filter with its number, how long it ran; a washer that was the old one is put right', async ({
  work: page,
  app
}) => {
  test.slow();
  const machine = await app.machineId('12');
  const [task] =
    await app.sql`select t.id from task t join component c on c.id = t.component_id where t.job = 'engine-oil' and c.name = 'Engine 250-A'`;
  await open(page, `/machines/${machine}/visit?task=${task!.id}&only`);
  await page.getByRole('button', { name: 'Start the visit' }).click();
  await expect(page).toHaveURL(/visits\//);
  const hand = new Hand(page);
  await hand.until('New filter in');
  await page.getByLabel('number on it').fill('PF-12');
  await hand.press('Back in, seated');
  await hand.until('Run the engine');
  // As long as the sheet has it, unless somebody says otherwise; no number is asked about at its field.
  await expect(page.getByLabel('Ran, min')).toHaveValue('3');
  await page.getByLabel('Ran, min').fill('a while');
  await hand.press('It has run');
  await expect(page.getByText('Minutes, such as 3; at most two hours.')).toBeVisible();
  await page.getByLabel('Ran, min').fill('4,5');
  await hand.press('It has run');
  await hand.finish();
  await page.getByRole('button', { name: 'Close the visit' }).click();
  await expect(page).toHaveURL(/records\//);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Engine oil, screen and filter');
  const put = page.getByRole('table', { name: 'Put in and run' });
  await expect(put.getByRole('row', { name: 'Oil filter new, PF-12' })).toBeVisible();
  await expect(put.getByRole('row', { name: 'Engine run 4.5 min' })).toBeVisible();
  await page.getByText('steps, as they were done').click();
  await expect(
    page.getByText('new, PF-12. Spring, small ring, a smear of clean oil on the rings.')
  ).toBeVisible();

  // The house rule had a new washer; there was none in the drawer.
  await page.getByRole('button', { name: 'Correct something in it' }).click();
  const form = page.getByRole('form', { name: 'Correct this record' });
  await form.getByLabel('What is wrong').selectOption({ label: 'Engine drain plug: washer or ring' });
  await expect(form.getByLabel('It was')).toHaveValue('again');
  await form.getByLabel('Why').fill('none in the drawer');
  await form.getByRole('button', { name: 'Correct it' }).click();
  await expect(page.getByRole('region', { name: 'Corrections' })).toContainText(
    /Engine drain plug, washer or ring: new the old one again\. none in the drawer/
  );
  expect(
    await app.sql`
      select f->>'seal' as seal, r.content->'fitted' as fitted, r.content->'ranSeconds' as ran
      from service_record r cross join lateral jsonb_array_elements(r.content->'fasteners') f
      where r.task_id = ${task!.id} and f->>'name' = 'Engine drain plug' order by r.created_at desc limit 1`
  ).toEqual([{ seal: 'again', fitted: [{ name: 'Oil filter', which: 'new', number: 'PF-12' }], ran: 270 }]);
});
