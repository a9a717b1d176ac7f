import { expect, open, test } from './app';

const day = (ago: number) => new Date(Date.now() - ago * 86_400_000).toISOString().slice(0, 10);

test('a race day pasted from a spreadsheet: columns matched, good rows kept, bad ones explained', async ({
  work: page,
  app
}) => {
  await open(page, '/outings/day');
  await page.getByRole('button', { name: 'Paste from a spreadsheet' }).click();
  const box = page.getByRole('region', { name: 'Paste from a spreadsheet' });
  const rows = [
    'Plate\tDate\tMeter\tKm\tRider\tGround\tSymptoms\tWeather station',
    `12\t${day(0)}\t119.6\t26\tInes\tmud, water\tclutch slips\twet`,
    `Murmur\t${day(0)}\t1h15\t\tKit Lorne\tdust\t\t`,
    `99\t${day(0)}\t12\t\t\t\t\t`,
    `12\tyesterday-ish\t12\t\t\t\t\t`,
    `33\t${day(0)}\tlots\t\t\t\t\t`,
    `84\t${day(0)}\t4.5\t\t\t\t\t`,
    '"; drop table reading; --'
  ];
  await box.getByRole('textbox').fill(rows.join('\n'));
  await box.getByRole('button', { name: 'Read it' }).click();
  await expect(box.getByLabel('Column Plate')).toHaveValue('machine');
  await expect(box.getByLabel('Column Meter')).toHaveValue('hours');
  await expect(box.getByLabel('Column Weather station').locator('option:checked')).toHaveText('leave out');
  await box.getByLabel('Column Weather station').selectOption('remark');
  await box.getByRole('button', { name: 'Check the rows' }).click();
  await expect(box.getByText('3 good. 4 to put right.')).toBeVisible();
  await expect(box.getByText('No machine “99” in this team.')).toBeVisible();
  await expect(box.getByText(/“yesterday-ish” is no day/)).toBeVisible();
  await expect(box.getByText(/Write a figure such as/)).toBeVisible();
  await box.getByRole('button', { name: 'Write down 3 rows' }).click();
  await expect(box.getByText('2 written down.')).toBeVisible();
  // What only the book knows is odd comes back from the server.
  await expect(box.getByRole('row', { name: /^7 84/ })).toContainText('4.5 h is lower');
  expect(
    await app.sql`select m.plate, r.value, r.ridden, o.conditions, o.distance, o.symptoms, o.remark from outing o join machine m on m.id = o.machine_id join reading r on r.id = o.id where o.day = ${day(0)} order by m.plate`
  ).toEqual([
    {
      plate: '12',
      value: 11960,
      ridden: null,
      conditions: ['mud', 'water'],
      distance: 2600,
      symptoms: ['clutch slips'],
      remark: 'wet'
    },
    { plate: 'E1', value: null, ridden: 125, conditions: ['dust'], distance: null, symptoms: [], remark: '' }
  ]);
  // The symptom calls its task, whatever the hours say.
  await open(page, '/due');
  await expect(page.getByRole('row', { name: /Clutch plates/ })).toContainText('called: clutch slips');
});

test('fifty thousand rows: read and checked with progress, stopped in the middle, what was written stays', async ({
  work: page,
  app
}) => {
  test.setTimeout(120_000);
  await open(page, '/outings/day');
  await page.getByRole('button', { name: 'Paste from a spreadsheet' }).click();
  const box = page.getByRole('region', { name: 'Paste from a spreadsheet' });
  const lines = ['plate,date,minutes,remark'];
  for (let i = 0; i < 50_000; i++)
    lines.push(`${i % 10 === 9 ? 'ghost' : 'E1'},${day(2000 + (i % 1500))},12,row ${i}`);
  await box
    .getByLabel('or a CSV file')
    .setInputFiles({ name: 'years.csv', mimeType: 'text/csv', buffer: Buffer.from(lines.join('\n')) });
  await expect(box.getByText('50,000 rows. What does each column hold?')).toBeVisible();
  await box.getByRole('button', { name: 'Check the rows' }).click();
  await expect(box.getByText('45,000 good. 5,000 to put right.')).toBeVisible({ timeout: 30_000 });
  await expect(box.getByText('The first 50 are shown.')).toBeVisible();
  await box.getByRole('button', { name: 'Write down 45,000 rows' }).click();
  await expect(box.getByText(/Writing down: [1-9][\d,]* of 45,000 rows/)).toBeVisible({ timeout: 60_000 });
  await box.getByRole('button', { name: 'Stop' }).click();
  await expect(box.getByText('Stopped. What was written stays.')).toBeVisible({ timeout: 60_000 });
  const [{ n }] =
    (await app.sql`select count(*)::int as n from outing where remark like 'row %'`) as unknown as [
      { n: number }
    ];
  expect(n).toBeGreaterThan(0);
  expect(n).toBeLessThan(45_000);
  await expect(box.getByText(`${n.toLocaleString('en')} written down.`)).toBeVisible();
});

test('garbage is refused in words', async ({ work: page }) => {
  await open(page, '/outings/day');
  await page.getByRole('button', { name: 'Paste from a spreadsheet' }).click();
  const box = page.getByRole('region', { name: 'Paste from a spreadsheet' });
  await box.getByRole('textbox').fill('hello there');
  await box.getByRole('button', { name: 'Read it' }).click();
  await expect(box.getByText('That is one column only.')).toBeVisible();
  await box.getByRole('textbox').fill('a\tb\nc\td');
  await box.getByRole('button', { name: 'Read it' }).click();
  await expect(box.getByText('Say which column names the machine.')).toBeVisible();
  await expect(box.getByRole('button', { name: 'Check the rows' })).toBeDisabled();
});
