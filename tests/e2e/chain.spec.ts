import type { Page } from '@playwright/test';
import { expect, open, test } from './app';
import { Hand } from './hand';

const field = (page: Page, name: string) => page.getByLabel(name, { exact: true });
/** Typed, and the hand goes on. */
async function write(page: Page, name: string, typed: string) {
  await field(page, name).fill(typed);
  await field(page, name).press('Enter');
}

test('found slack, both adjusters turned by flats, led by what tightening does, read with the axle tight', async ({
  work: page,
  app
}) => {
  const id = await app.machineId('12');
  await open(page, `/machines/${id}/chain`);
  await expect(page.getByText('36 to 42 mm')).toBeVisible();
  await field(page, 'As found: left mark').fill('10.5');
  await field(page, 'As found: right mark').fill('10.5');
  await write(page, 'As found: tightest place', '56');
  const sheet = page.getByRole('region', { name: 'Measure and adjust' });
  await expect(sheet).toContainText('too slack');
  await expect(sheet).toContainText(/Both adjusters out \d flats, then read again\./);
  // Four a time is what tightening took on this machine.
  await expect(sheet).toContainText(
    /tightening the axle takes [34](\.5)? mm on this machine, and 39 mm are wanted/
  );
  await write(page, 'Adjusted: tightest place', '43');
  await expect(sheet).toContainText('Read it once more with the axle tight');
  await expect(sheet.getByRole('button', { name: /close/ })).toHaveCount(0);
  await write(page, 'Axle tight: tightest place', '1 1/2 in');
  await expect(sheet).toContainText('It is right, and stays so with the axle tight.');
  await sheet.getByRole('button', { name: 'Nuts tight, pedal right, wheel free: close' }).dblclick();
  await expect(page.getByText('Written down; the next one is counted from here.')).toBeVisible();

  const [check] =
    await app.sql`select c.id, r.remark, r.hours from chain_check c join service_record r on r.id = c.record_id where c.machine_id = ${id} order by c.closed_at desc limit 1`;
  expect(check).toMatchObject({
    remark: 'Chain slack: found 56 mm, adjusted to 43 mm, axle tight 38 mm',
    hours: 11_840
  });
  const read =
    await app.sql`select stage, slack_mm, typed from chain_reading where check_id = ${check!.id} order by seq`;
  expect(read.at(-1)).toMatchObject({ stage: 'tight', slack_mm: '38.1', typed: '1 1/2 in' });
  expect(await app.sql`select 1 from finding where what like 'After the chain%'`).toEqual([]);
  const past = page.getByRole('region', { name: 'Every check' }).getByRole('row').nth(1);
  await expect(past).toContainText('56 mm');
  await expect(past).toContainText('38 mm');
  await open(page, `/machines/${id}`);
  await expect(page.getByRole('row', { name: /^Chain slack and lube/ })).toContainText('10.0 h');
});

test('the arm through its travel, the probe along the run, by keys; where it is measured is kept', async ({
  work: page,
  app
}) => {
  const id = await app.machineId('12');
  await open(page, `/machines/${id}/chain`);
  const arm = page.getByRole('slider', { name: 'The swingarm' });
  await expect(arm).toHaveAttribute('aria-valuetext', /^-19°, 37\.5 mm/);
  await arm.press('End');
  await expect(arm).toHaveAttribute('aria-valuetext', /^8°, \d+(\.5)? mm/);
  const seen = page.getByRole('region', { name: 'Seen over its travel' });
  await expect(seen).toContainText('less than the 8 mm the house wants');
  await expect(seen).toContainText('Two fingers (32 mm) would be');
  const probe = page.getByRole('slider', { name: 'Where along the run slack is measured' });
  await probe.press('ArrowRight');
  await probe.press('ArrowRight');
  await expect(page.getByText('44 % of the run behind the front sprocket, on the stand')).toBeVisible();
  await expect
    .poll(
      async () =>
        (await app.sql`select content->'drive'->>'at' as at from chain_drive where machine_id = ${id}`)[0]!.at
    )
    .toBe('0.44');
});

test('of a machine of which nothing is known it says what can be said, and asks for what tells most', async ({
  work: page,
  app
}) => {
  const id = await app.machineId('E1');
  await open(page, `/machines/${id}/chain`);
  await expect(page.getByText('Not to scale: front sprocket is not known')).toBeVisible();
  await write(page, 'As found: tightest place', '500');
  await expect(page.getByText('500 mm is more than hangs on any machine (200 mm).')).toBeVisible();
  await expect(field(page, 'As found: tightest place')).toHaveValue('500');
  await write(page, 'As found: tightest place', '3 fingers');
  await expect(page.getByText('what is wanted is not known')).toBeVisible();
  await expect
    .poll(
      async () =>
        app.sql`select slack_mm, typed from chain_reading r join chain_check c on c.id = r.check_id where c.machine_id = ${id}`
    )
    .toEqual([{ slack_mm: '48.0', typed: '3 fingers' }]);
  // As its manual tells it, kept in its words.
  const asked = page.getByRole('group', { name: 'Chain slack, total at the place named, not on the sheet' });
  await asked.getByRole('textbox').first().fill('two fingers');
  await asked.getByLabel('Manual, or who said so').fill('Owner’s leaflet');
  await asked.getByLabel('Manual, or who said so').press('Tab');
  await expect(page.getByText('“two fingers”')).toBeVisible();
  await expect(page.getByText('27 to 37 mm')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Measure and adjust' })).toContainText('too slack');
  await expect(page.getByText('A flat at a time on both sides, and read again.')).toBeVisible();
  expect(
    await app.sql`select text from spec_figure where machine_id = ${id} and key = 'chain slack'`
  ).toEqual([{ text: 'two fingers' }]);
});

test('whoever goes on before the book has answered is left where they are', async ({ work: page, app }) => {
  const id = await app.machineId('E1');
  await open(page, `/machines/${id}/chain`);
  let answer = () => {};
  const held = new Promise<void>((done) => (answer = done));
  await page.route('**/api/commands', async (route) => {
    await held;
    await route.continue();
  });
  await write(page, 'As found: tightest place', '50');
  const manual = field(page, 'Manual, or who said so').first();
  await manual.pressSequentially('Owner’s ');
  const written = page.waitForResponse('**/api/commands');
  answer();
  await written;
  await expect(page.getByText('begun by Jory Pell')).toBeVisible();
  await page.keyboard.type('leaflet');
  await expect(manual).toHaveValue('Owner’s leaflet');
  // Left alone, the hand is led on.
  await write(page, 'As found: tightest place', '52');
  await expect(field(page, 'Adjusted: tightest place')).toBeFocused();
});

test('a carrier that turns: asked once how it is, then told by its angle and mark', async ({
  work: page,
  app
}) => {
  const id = await app.machineId('5');
  await open(page, `/machines/${id}/chain`);
  await page.getByRole('button', { name: 'how it is measured and adjusted here' }).click();
  const form = page.getByRole('form', { name: 'The drive' });
  await form.getByText('eccentric carrier').click();
  await form.getByLabel('From mark to mark, degrees').fill('0');
  await form.getByLabel('Angle at mark 0, degrees').fill('110');
  await form.getByLabel('Axle off the carrier’s middle, mm').fill('1/2 in');
  await form.getByLabel('Links').fill('113');
  await form.getByRole('button', { name: 'This is how it is' }).click();
  await expect(form.getByText('From one mark to the next is not nothing.')).toBeVisible();
  await expect(form.getByText('An odd number of links takes a half link.')).toBeVisible();
  await form.getByLabel('From mark to mark, degrees').fill('-10');
  await form.getByLabel('Links').fill('114');
  await form.getByRole('button', { name: 'This is how it is' }).click();
  await expect(form).toHaveCount(0);
  expect(
    await app.sql`select content->'drive'->'adjuster' as a from chain_drive where machine_id = ${id}`
  ).toEqual([
    { a: { kind: 'eccentric carrier', back: 'out', perMark: -10, lastMark: null, offset: 12.7, zero: 110 } }
  ]);
  await field(page, 'As found: mark').fill('5');
  await write(page, 'As found: tightest place', '70');
  await expect(page.getByText(/Carrier \d+° back, to mark 5\.\d, then read again\./)).toBeVisible();
});

test('measured over its pitches, looked at, worn out, and all three replaced in one action', async ({
  work: page,
  app
}) => {
  const id = await app.machineId('12');
  await open(page, `/machines/${id}/chain`);
  const wear = page.getByRole('region', { name: 'Wear' });
  await expect(wear).toContainText(/Likely worn out in \d+ to \d+ h/);
  await expect(wear).toContainText(/In ten hours: clean ground 0\.\d+ %, mud 0\.\d+ %/);
  const measured = wear.getByLabel('from pin to pin');
  await measured.fill('303');
  await wear.getByRole('button', { name: 'Write it down' }).click();
  await expect(wear).toContainText('303 mm are about 19 pitches');
  await expect(measured).toHaveValue('303');
  await measured.fill('322.6');
  await expect(wear).toContainText('1.61 % longer than new: worn out');
  await wear.getByRole('button', { name: 'Write it down' }).click();
  await expect(wear).toContainText('Replace the chain, the front sprocket, the rear sprocket.');
  await wear.getByRole('button', { name: 'How it looks now' }).click();
  const look = page.getByRole('form', { name: 'How it looks' });
  await look
    .getByRole('radiogroup', { name: 'Teeth of the rear sprocket' })
    .getByRole('radio', { name: 'hooked' })
    .check();
  await look.getByText('clip, wrong way round').click();
  await look.getByRole('button', { name: 'Write it down' }).click();
  await expect(look).toHaveCount(0);
  expect(
    (
      await app.sql`select what from finding where closed_at is null and (what like 'Teeth%' or what like 'Clip%') order by what`
    ).map((f) => f.what)
  ).toEqual([
    'Clip of the joining link sits the wrong way round: its closed end leads',
    'Teeth of the rear sprocket hooked'
  ]);
  await wear.getByRole('button', { name: 'Something new goes on' }).click();
  const form = page.getByRole('form', { name: 'New on it' });
  await form.getByLabel('Links').fill('113');
  await form.getByRole('button', { name: 'They are on' }).click();
  await expect(form).toContainText('An odd number of links takes a half link');
  await form.getByLabel('Links').fill('114');
  await form.getByRole('button', { name: 'They are on' }).click();
  await expect(page.getByText('They are on, and count from nought.')).toBeVisible();
  await expect(wear).toContainText('Never measured over its pitches yet.');
  const on =
    await app.sql`select c.kind, f.place, c.name from fitting f join component c on c.id = f.component_id where f.machine_id = ${id} and f.removed_at is null and c.kind in ('chain', 'sprockets') order by c.kind, f.place`;
  expect(on).toEqual([
    { kind: 'chain', place: '', name: 'Chain, 114 links' },
    { kind: 'sprockets', place: 'front', name: 'Front sprocket, 13' },
    { kind: 'sprockets', place: 'rear', name: 'Rear sprocket, 50' }
  ]);
  expect(
    await app.sql`select count(*)::int as n from component where scrapped_at is not null and kind in ('chain', 'sprockets')`
  ).toEqual([{ n: 2 }]);
});

test('other sprockets: axle, links and speed; half a tooth is no tooth', async ({ work: page, app }) => {
  await open(page, `/machines/${await app.machineId('12')}/chain`);
  const gearing = page.getByRole('region', { name: 'Gearing' });
  await expect(gearing).toContainText('13 : 50');
  const two = gearing.getByRole('row', { name: /^13 : 52/ });
  await expect(two).toContainText('4.00');
  await expect(two).toContainText('+4.0 %, shorter');
  await expect(two).toContainText(/axle 8\.\d mm forward, fits/);
  await gearing.getByLabel('Rear teeth to try').fill('50.5');
  await expect(gearing.getByRole('alert')).toHaveText('The rear sprocket has 20 to 90 whole teeth.');
  await gearing.getByLabel('Rear teeth to try').fill('60');
  await expect(gearing.getByRole('row', { name: /^13 : 60/ })).toContainText(/ahead of its slot, too short/);
  await expect(gearing.getByRole('row', { name: /^13 : 60/ })).toContainText(/\d+( or \d+)* links/);
});

test('cleaned and dressed is one press, and says what it ran through since', async ({ work: page, app }) => {
  const id = await app.machineId('12');
  await open(page, `/machines/${id}/chain`);
  const care = page.getByRole('region', { name: 'Cleaning and dressing' });
  await expect(care).toContainText(/Since then \d outings?, \d+\.\d h/);
  await care.getByRole('button', { name: 'Cleaned and waxed' }).dblclick();
  await expect(care).toContainText('It has not run since.');
  expect(
    await app.sql`select content->>'dressing' as dressing from chain_entry where machine_id = ${id} and kind = 'dressing' order by at desc limit 2`
  ).toEqual([{ dressing: 'wax' }, { dressing: 'wax' }]);
  const [n] =
    await app.sql`select count(*)::int as n from chain_entry where machine_id = ${id} and kind = 'dressing' and at > now() - interval '1 minute'`;
  expect(n).toEqual({ n: 1 });
});

test('at the bench the axle is opened only where the slack is wrong, and the record has the three numbers', async ({
  work: page,
  app
}) => {
  const id = await app.machineId('5');
  const [task] = await app.sql`select id from task where machine_id = ${id} and job = 'chain'`;
  await open(page, `/machines/${id}/visit?task=${task!.id}`);
  for (const name of await page
    .getByRole('checkbox', { checked: true })
    .evaluateAll((all) =>
      all.map((e) => e.getAttribute('aria-label') ?? e.closest('label')?.textContent?.trim() ?? '')
    ))
    if (!name.includes('Chain')) await page.getByRole('checkbox', { name }).first().uncheck();
  await page.getByRole('button', { name: /^Start/ }).click();
  await page.waitForURL(/visits/);
  const hand = new Hand(page);
  await hand.until('Slack as found');
  await hand.card.getByLabel('Read at the tightest place, mm').fill('70');
  await hand.press('Write');
  await hand.until('Adjust, both sides alike');
  await expect(hand.card).toContainText(/notch(es)? back/);
  await hand.card.getByLabel('Read at the tightest place, mm').fill('55');
  await hand.press('Write');
  await expect(page.getByText('Open now: 1')).toBeVisible();
  await hand.until('Tighten rear axle nut');
  await hand.card.getByLabel('Wrench set to').fill('90 N·m');
  await hand.press('Torqued');
  await hand.until('Slack with the axle tight');
  await hand.card.getByLabel('Read at the tightest place, mm').fill('58');
  await hand.press('Write');
  await hand.finish();
  await page.getByRole('button', { name: 'Close the visit' }).click();
  await expect(page).toHaveURL(/records/);
  const slack = page.getByRole('region', { name: 'Chain slack' });
  for (const mm of ['70 mm', '55 mm', '58 mm']) await expect(slack).toContainText(mm);
  expect(
    await app.sql`select stage, slack_mm from chain_reading r join chain_check c on c.id = r.check_id where c.visit_id is not null order by r.seq`
  ).toEqual([
    { stage: 'found', slack_mm: '70.0' },
    { stage: 'adjusted', slack_mm: '55.0' },
    { stage: 'tight', slack_mm: '58.0' }
  ]);
});

test.describe('while the server is away', () => {
  test.use({ alone: true });
  test('what is read goes on being judged, stays over a reload, and is written when it is back', async ({
    work: page,
    app
  }) => {
    const id = await app.machineId('12');
    await open(page, `/machines/${id}/chain`);
    await app.stop();
    await write(page, 'As found: tightest place', '56');
    await expect(
      page.getByText('Kept on this device. It goes by itself once the server answers.')
    ).toBeVisible();
    await expect(page.getByText(/Both adjusters out \d flats/)).toBeVisible();
    // The page goes before the server is back: it is the next one that sends, not both at once.
    await page.goto('about:blank');
    await app.start();
    await open(page, `/machines/${id}/chain`);
    await expect(field(page, 'As found: tightest place')).toHaveValue(/^56/);
    await expect
      .poll(
        async () =>
          (
            await app.sql`select slack_mm from chain_reading r join chain_check c on c.id = r.check_id where c.closed_at is null`
          ).length
      )
      .toBe(1);
  });
});
