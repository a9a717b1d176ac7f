import { expect, open, test } from './app';

/** A morning out: 40 minutes at 10 m/s, 20 at the fence, 20 more; a point every five seconds. */
function morning(day: string): string {
  let lat = 50;
  const points: string[] = [];
  for (let s = 0; s <= 80 * 60; s += 5) {
    const stands = s > 40 * 60 && s <= 60 * 60;
    if (s > 0 && !stands) lat += 50 / 111_195.08;
    const at = new Date(Date.parse(`${day}T09:00:00Z`) + s * 1000).toISOString();
    points.push(`<trkpt lat="${lat}" lon="8"><time>${at}</time></trkpt>`);
  }
  return `<gpx version="1.1"><trk><trkseg>${points.join('')}</trkseg></trk></gpx>`;
}

test('a ride comes in from its track, with its hours estimated; the same file again is the same ride', async ({
  work: page,
  app
}) => {
  const day = new Date(Date.now() - 86_400_000).toISOString().slice(0, 10);
  const file = { name: 'morning.gpx', mimeType: 'application/gpx+xml', buffer: Buffer.from(morning(day)) };
  await open(page, '/outings');
  await page.getByRole('button', { name: 'A ride from its track' }).click();
  const form = page.getByRole('form', { name: 'A ride from its track' });
  await form.locator('input[type=file]').setInputFiles({ ...file, buffer: Buffer.from('no track') });
  await expect(form.getByText('There is no track with times in this file.')).toBeVisible();
  await form.locator('input[type=file]').setInputFiles(file);
  // An hour moved, 36 km; kept in tens of metres.
  await expect(form.getByRole('status')).toContainText(/1\.0 h moving,\s+36\.0 km/);
  await expect(form.getByText('20 min without moving, one stop, left out.')).toBeVisible();
  // Whose it is says which machine: of her two, the one that Ines rode last.
  await form.getByLabel('Rider').selectOption({ label: 'Ines Varrow' });
  const machine = await app.machineId('12');
  const [{ last }] = (await app.sql`
    select o.machine_id as last from outing o join person p on p.id = o.rider_id where p.name = 'Ines Varrow' order by o.day desc, o.id desc limit 1`) as unknown as [
    { last: string }
  ];
  await expect(form.getByLabel('Machine')).toHaveValue(last);
  await form.getByLabel('Machine').selectOption(machine);
  await form.getByRole('button', { name: 'Write it down' }).dblclick();
  await expect(page.getByText(/^12: 1\.0 h and 36\.0 km by its track/)).toBeVisible();
  const ridden = () => app.sql`
    select r.ridden, r.value, o.distance, p.name as rider from reading r join outing o on o.id = r.outing_id left join person p on p.id = o.rider_id
    where r.machine_id = ${machine} and o.day = ${day} and r.ridden = 100`;
  expect(await ridden()).toEqual([{ ridden: 100, value: null, distance: 3600, rider: 'Ines Varrow' }]);

  await page.getByRole('button', { name: 'A ride from its track' }).click();
  await form.locator('input[type=file]').setInputFiles(file);
  await form.getByLabel('Rider').selectOption({ label: 'Ines Varrow' });
  await form.getByLabel('Machine').selectOption(machine);
  await expect(form.getByText('12 stands in the book as ridden that day.')).toBeVisible();
  await form.getByRole('button', { name: 'Write it down' }).click();
  await expect(form).toBeHidden();
  expect(await ridden()).toHaveLength(1);
});

test('a track whose distance does not fit its hours is questioned as if it were typed', async ({
  work: page,
  app
}) => {
  const day = new Date(Date.now() - 2 * 86_400_000).toISOString().slice(0, 10);
  // Half an hour at 55 m/s, on a trailer: 99 km.
  const points = Array.from({ length: 361 }, (_, i) => {
    const at = new Date(Date.parse(`${day}T09:00:00Z`) + i * 5000).toISOString();
    return `<trkpt lat="${50 + (i * 275) / 111_195.08}" lon="8"><time>${at}</time></trkpt>`;
  });
  const gpx = `<gpx version="1.1"><trk><trkseg>${points.join('')}</trkseg></trk></gpx>`;
  await open(page, '/outings');
  await page.getByRole('button', { name: 'A ride from its track' }).click();
  const form = page.getByRole('form', { name: 'A ride from its track' });
  await form
    .locator('input[type=file]')
    .setInputFiles({ name: 'road.gpx', mimeType: 'application/gpx+xml', buffer: Buffer.from(gpx) });
  const machine = await app.machineId('12');
  await form.getByLabel('Machine').selectOption(machine);
  await form.getByRole('button', { name: 'Write it down' }).click();
  await expect(form.getByRole('alert')).toContainText('99 km in 0.5 h is 198 km/h');
  const far = () =>
    app.sql`select id from outing where machine_id = ${machine} and day = ${day} and distance = 9900`;
  expect(await far()).toHaveLength(0);
  await form.getByRole('button', { name: 'It is so, write it down' }).click();
  await expect(form).toBeHidden();
  expect(await far()).toHaveLength(1);
});
