import { dayOf } from '../../src/lib/core/time/day';
import { expect, open, ready, test } from './app';

test('the air of the weeks ahead: nobody says it for a team, it is typed once or read from a file', async ({
  work: page,
  app
}) => {
  const path = `/machines/${await app.machineId('5')}/visit`;
  await open(page, path);
  const air = page.getByLabel('Air until the next change');
  // This team is not the demo: no simulated station advises it.
  await expect(air).toHaveValue('');
  await expect(page.getByText('not said: no grade is picked by it')).toBeVisible();
  await air.fill('mild');
  await expect(page.getByText('Two temperatures, such as −5 to 15 °C.')).toBeVisible();
  await air.fill('-5 to 15');
  await expect(page.getByText('Two temperatures, such as −5 to 15 °C.')).toBeHidden();
  await page.reload();
  await ready(page);
  await expect(air).toHaveValue('-5 to 15');

  const file = page.getByLabel('from a file');
  const csv = (text: string) => ({ name: 'air.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await file.setInputFiles(csv('when,min\nx,1\n'));
  await expect(page.getByText('It wants three columns with headings: day, low, high.')).toBeVisible();
  await expect(air).toHaveValue('-5 to 15');
  const [{ zone }] = (await app.sql`select time_zone as zone from team`) as unknown as [{ zone: string }];
  const today = dayOf(new Date(), zone);
  await file.setInputFiles(csv(`day,low °F,high °F\n${today},23,59\n`));
  // 23 °F is −5 °C, 59 °F is 15 °C.
  await expect(page.getByText('1 day of air.csv')).toBeVisible();
  await expect(air).toHaveValue('-5 to 15 °C');
});
