import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import sharp from 'sharp';
import { expect, open, test } from './app';

test('the owner’s sheet: what was done, found and advised on one page, with the picture, and the same as a PDF', async ({
  work: page,
  app
}) => {
  const machineId = await app.machineId('27');
  const picture = await sharp({ create: { width: 80, height: 60, channels: 3, background: '#963' } })
    .png()
    .toBuffer();
  // A finding in passing, with its photo.
  await open(page, `/machines/${machineId}`);
  await page.keyboard.press('f');
  const form = page.getByRole('form', { name: 'Write down a finding' });
  await form.getByLabel('What is wrong').fill('Rear brake hose chafed');
  await form
    .getByLabel('Photo of it')
    .setInputFiles({ name: 'hose.png', mimeType: 'image/png', buffer: picture });
  await form.getByRole('button', { name: 'tell the owner' }).click();
  await expect(form).toBeHidden();
  const hose = page.getByRole('group', { name: 'Rear brake hose chafed' });
  await expect(hose.getByRole('img', { name: 'Photo of: Rear brake hose chafed' })).toBeVisible();
  // What is no picture is refused in words.
  await hose
    .getByLabel('Photo of: Rear brake hose chafed')
    .last()
    .setInputFiles({ name: 'x.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await expect(hose.getByRole('alert')).toContainText('Not a photo');
  expect(await app.sql`select count(*)::int as n from photo where machine_id = ${machineId}`).toEqual([
    { n: 1 }
  ]);

  await page.getByRole('link', { name: 'Owner’s sheet' }).click();
  const advised = page.getByRole('region', { name: 'Advised' });
  await expect(advised).toContainText('Rear brake hose chafed. For you to decide.'.slice(0, 22));
  await expect(advised).toContainText('For you to decide.');
  await expect(page.getByRole('region', { name: /^Done since/ })).toContainText(' h');
  await expect(page.getByRole('figure')).toContainText('Rear brake hose chafed');

  const href = (await page.getByRole('link', { name: 'PDF, A4' }).getAttribute('href'))!;
  const answer = await page.request.get(href);
  expect(answer.headers()['content-type']).toBe('application/pdf');
  const bytes = await answer.body();
  const pdf = await getDocument({ data: new Uint8Array(bytes) }).promise;
  expect(pdf.numPages).toBe(1);
  const { items } = await (await pdf.getPage(1)).getTextContent();
  const text = items
    .map((i) => ('str' in i ? i.str : ''))
    .join(' ')
    .replace(/\s+/g, ' ');
  for (const words of ['Fell 350', 'Rear brake hose chafed.', 'For you to decide.', 'Next due'])
    expect(text).toContain(words);
  expect(bytes.toString('latin1')).toContain('/Subtype /Image');
  // No prices, and nothing of a machine of another team.
  expect(text).not.toMatch(/[$€£]|price/i);
  expect((await page.request.get(`/machines/${crypto.randomUUID()}/owner.pdf`)).status()).toBe(404);
  // From a later day on there is less.
  await page.getByRole('textbox', { name: 'Since' }).fill(new Date().toISOString().slice(0, 10));
  await expect(page.getByRole('region', { name: /^Done since/ })).toContainText(
    'Nothing was done in that time.'
  );
  await expect(advised).toContainText('Rear brake hose chafed');
});
