import { readFile } from 'node:fs/promises';
import Papa from 'papaparse';
import { expect, open, test } from './app';

const iso = (ago: number) => new Date(Date.now() - ago * 86_400_000).toISOString().slice(0, 10);
const dotted = (ago: number) => iso(ago).split('-').reverse().join('.');

test('a season from a spreadsheet with ten kinds of mistakes: good rows written, the rest given back with reasons', async ({
  work: page,
  app
}) => {
  await open(page, '/exchange');
  const box = page.getByRole('region', { name: 'From a spreadsheet' });
  const lines = [
    'Season;;;;;;;',
    '',
    'Plate;Date;Meter;Km;Rider;Ground;Symptoms;Weather station',
    // Decimal commas, words split, names looked up.
    `12;${dotted(0)};119,6;26,5;Ines;mud, water;clutch slips;wet`,
    `Murmur;${dotted(0)};1h15;;Kit Lorne;dust;;`,
    // Ten kinds of mistakes: a machine that is not there, no day, a day that is none, one ahead, no hours, lower than the
    // last, somebody unknown, a condition and a symptom that are none, far more than the clock; and a row twice.
    `99;${dotted(0)};12;;;;;`,
    `12;yesterday-ish;12;;;;;`,
    `12;31.02.2026;12;;;;;`,
    `12;31.12.2199;12;;;;;`,
    `33;${dotted(0)};lots;;;;;`,
    `84;${dotted(0)};4,5;;;;;`,
    `12;${dotted(0)};120;;Nobody Here;;;`,
    `12;${dotted(0)};120;;;lava;;`,
    `12;${dotted(0)};120;;;;sings;`,
    `33;${dotted(0)};999;;;;;=1+1`,
    `12;${dotted(0)};119,6;26,5;Ines;mud, water;clutch slips;wet`,
    '"; drop table reading; --'
  ];
  await box.getByLabel('or a CSV file').setInputFiles({
    name: 'season.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(lines.join('\r\n'), 'latin1')
  });
  await expect(box.getByLabel('These are')).toHaveValue('outings');
  await expect(box.getByLabel('Decimals')).toHaveValue(',');
  await expect(box.getByLabel('Column Plate')).toHaveValue('plate');
  await expect(box.getByLabel('Column Weather station').locator('option:checked')).toHaveText('leave out');
  await box.getByLabel('Column Weather station').selectOption('remark');
  const kinds = box.getByRole('group', { name: 'Rows' });
  await expect(kinds.getByRole('button')).toHaveText([
    '2 new',
    '1 doubtful',
    '10 refused',
    '1 in the book already'
  ]);
  await kinds.getByRole('button', { name: 'refused' }).click();
  for (const why of [
    'No machine “99” in this team.',
    '“yesterday-ish” is no day',
    '“31.02.2026” is no day',
    '2199-12-31 has not come yet.',
    'Write a figure such as',
    '4.5 h is lower',
    'Nobody called “Nobody Here”',
    '“lava” is no condition',
    '“sings” is no symptom'
  ])
    await expect(box.getByRole('row').filter({ hasText: why })).toHaveCount(1);
  // Nothing is written by looking at it.
  expect(await app.sql`select 1 from outing where day = ${iso(0)}`).toEqual([]);

  await box.getByRole('button', { name: 'Write down 2 rows' }).click();
  await expect(box.getByText('2 written down.')).toBeVisible();
  expect(
    await app.sql`select m.plate, r.value, r.ridden, o.conditions, o.distance, o.symptoms, o.remark from outing o join machine m on m.id = o.machine_id join reading r on r.id = o.id where o.day = ${iso(0)} order by m.plate`
  ).toEqual([
    {
      plate: '12',
      value: 11960,
      ridden: null,
      conditions: ['mud', 'water'],
      distance: 2650,
      symptoms: ['clutch slips'],
      remark: 'wet'
    },
    { plate: 'E1', value: null, ridden: 125, conditions: ['dust'], distance: null, symptoms: [], remark: '' }
  ]);

  const download = page.waitForEvent('download');
  await box.getByRole('button', { name: 'Save the rest with the reasons' }).click();
  const rest = (await readFile(await (await download).path(), 'utf8')).replace(/^\uFEFF/, '');
  const back = Papa.parse<Record<string, string>>(rest, { header: true, skipEmptyLines: true }).data;
  expect(back).toHaveLength(11);
  expect(back[0]).toMatchObject({ Plate: '99', 'why not': 'No machine “99” in this team.' });
  // Nothing a spreadsheet would carry out.
  expect(back.find((r) => r['Meter'] === '999')!['Weather station']).toBe("'=1+1");

  // The same file again changes nothing.
  await box.getByRole('button', { name: 'Another file' }).click();
  await box.getByRole('textbox').fill(lines.join('\n'));
  await box.getByRole('button', { name: 'Read it' }).click();
  await expect(kinds.getByRole('button')).toHaveText(['1 doubtful', '10 refused', '3 in the book already']);
  await expect(box.getByText('Nothing of it is new.')).toBeVisible();
  // What is doubted goes in where somebody says it is right.
  await box.getByRole('checkbox', { name: 'Row 15 is right' }).check();
  await box.getByRole('button', { name: 'Write down 1 row', exact: true }).click();
  await expect(box.getByText('1 written down.')).toBeVisible();
  expect(
    await app.sql`select r.settled, r.value from reading r join machine m on m.id = r.machine_id where m.plate = '33' and r.value = 99900`
  ).toEqual([{ settled: 'reading is right', value: 99900 }]);
  // The symptom calls its task, whatever the hours say.
  await open(page, '/due');
  await expect(page.getByRole('row', { name: /Clutch plates/ })).toContainText('called: clutch slips');
});

test(
  'ten thousand rows: looked through, written with progress, stopped in the middle, gone on with from there',
  { tag: '@fault' },
  async ({ work: page, app }) => {
    test.setTimeout(120_000);
    await open(page, '/outings/day');
    await page.getByRole('button', { name: 'Paste from a spreadsheet' }).click();
    const box = page.getByRole('region', { name: 'From a spreadsheet' });
    const lines = ['plate,date,minutes,remark'];
    for (let i = 0; i < 10_000; i++)
      lines.push(`${i % 10 === 9 ? 'ghost' : 'E1'},${iso(2000 + (i % 1500))},${12 + (i % 7)},row ${i}`);
    const pick = () =>
      box
        .getByLabel('or a CSV file')
        .setInputFiles({ name: 'years.csv', mimeType: 'text/csv', buffer: Buffer.from(lines.join('\n')) });
    await pick();
    const kinds = box.getByRole('group', { name: 'Rows' });
    await expect(kinds.getByRole('button')).toHaveText(['9,000 new', '1,000 refused'], { timeout: 30_000 });
    await box.getByRole('button', { name: 'Write down 9,000 rows' }).click();
    await expect(box.getByText(/Writing down: [1-9][\d,]* of 9,000/)).toBeVisible({ timeout: 60_000 });
    await box.getByRole('button', { name: 'Stop' }).click();
    await expect(box.getByText('Stopped. What was written stays.')).toBeVisible({ timeout: 60_000 });
    const count = async () =>
      (
        (await app.sql`select count(*)::int as n from outing where remark like 'row %'`) as unknown as [
          { n: number }
        ]
      )[0].n;
    const n = await count();
    expect(n).toBeGreaterThan(0);
    expect(n).toBeLessThan(9000);
    await expect(box.getByText(`${n.toLocaleString('en')} written down.`)).toBeVisible();
    // Another day, the same file: it goes on from where it was.
    await page.reload();
    await page.getByRole('button', { name: 'Paste from a spreadsheet' }).click();
    await pick();
    await expect(kinds.getByRole('button')).toHaveText(
      [
        `${(9000 - n).toLocaleString('en')} new`,
        '1,000 refused',
        `${n.toLocaleString('en')} in the book already`
      ],
      { timeout: 30_000 }
    );
  }
);

test('garbage is refused in words, and a whole team’s machines come in on an empty page', async ({
  work: page,
  app
}) => {
  await open(page, '/exchange');
  const box = page.getByRole('region', { name: 'From a spreadsheet' });
  const read = async (text: string) => {
    await box.getByRole('textbox').fill(text);
    await box.getByRole('button', { name: 'Read it' }).click();
  };
  await read('hello there');
  await expect(box.getByText('That is one column only.')).toBeVisible();
  await read('a\tb\nc\td');
  await expect(box.getByText('Say which column holds the plate.')).toBeVisible();
  await box.getByRole('button', { name: 'Another file' }).click();
  await box.getByLabel('or a CSV file').setInputFiles({
    name: 'team.xlsx',
    mimeType: 'application/octet-stream',
    buffer: Buffer.from([0x50, 0x4b, 3, 4, 0, 0])
  });
  await expect(box.getByText('That is a whole workbook, or a zip.')).toBeVisible();
  await read('Number\tBike\tType\tRider\tHours\n501\tFell\tdual-sport\tInes\t12.5\n12\tOther name\t\t\t');
  await expect(box.getByLabel('These are')).toHaveValue('machines');
  const kinds = box.getByRole('group', { name: 'Rows' });
  await expect(kinds.getByRole('button')).toHaveText(['1 new', '1 refused']);
  await box.getByRole('button', { name: 'Write down 1 row', exact: true }).click();
  await expect(box.getByText('1 written down.')).toBeVisible();
  expect(
    await app.sql`select m.name, m.kind, s.total from machine m join machine_standing s on s.machine_id = m.id where m.plate = '501'`
  ).toEqual([{ name: 'Fell', kind: 'dual-sport', total: 1250 }]);

  // It came without hours. A sheet that may be either is asked about, once.
  await box.getByRole('button', { name: 'Another file' }).click();
  await read('Number\tBike\tType\n502\tTarn\tdual-sport');
  await box.getByRole('button', { name: 'Write down 1 row', exact: true }).click();
  await expect(box.getByText('1 written down.')).toBeVisible();
  await box.getByRole('button', { name: 'Another file' }).click();
  await read(`plate\tday\thours\n502\t${iso(3)}\t11.5\n502\t${iso(1)}\t13`);
  const question = box.getByRole('alert').filter({ hasText: 'What are the hours in this sheet?' });
  await expect(question).toBeVisible();
  await expect(kinds.getByRole('button')).toHaveText(['2 refused']);
  await question.getByRole('button', { name: 'Time ridden' }).click();
  await expect(box.getByLabel('Column hours')).toHaveValue('ridden');
  await expect(question).toBeHidden();
  await box.getByLabel('Column hours').selectOption('hours');
  await question.getByRole('button', { name: 'What the meter showed' }).click();
  await expect(box.getByText('Its hours are taken as what the meter showed.')).toBeVisible();
  await box.getByRole('button', { name: 'Write down 2 rows' }).click();
  await expect(box.getByText('2 written down.')).toBeVisible();
  expect(
    await app.sql`select s.total from machine m join machine_standing s on s.machine_id = m.id where m.plate = '502'`
  ).toEqual([{ total: 1300 }]);
});
