import { readFile } from 'node:fs/promises';
import type { Page } from '@playwright/test';
import { expect, open, test } from './app';

/** What a link gives to take away, as lines. */
async function taken(page: Page, name: string): Promise<{ file: string; lines: string[] }> {
  const waiting = page.waitForEvent('download');
  await page.getByRole('link', { name, exact: true }).first().click();
  const download = await waiting;
  const text = await readFile(await download.path(), 'utf8');
  return {
    file: download.suggestedFilename(),
    lines: text
      .replace(/^\uFEFF/, '')
      .trim()
      .split('\r\n')
  };
}

test('a list leaves the book as it is narrowed on its page, and all of them from one page', async ({
  work: page,
  app
}) => {
  await open(page, '/findings?severity=watch');
  const findings = await taken(page, 'as CSV');
  expect(findings.file).toMatch(/^findings \d{4}-\d\d-\d\d\.csv$/);
  expect(findings.lines).toHaveLength(2);
  expect(findings.lines[0]).toMatch(/^plate,component,what,where,severity,found on,at \(h\),/);
  expect(findings.lines[1]).toContain('Right fork seal weeps');

  await open(page, `/machines/${await app.machineId('12')}/meters`);
  const readings = await taken(page, 'as CSV');
  const [{ n }] = (await app.sql`
    select count(*)::int as n from reading r join machine m on m.id = r.machine_id where m.plate = '12'`) as unknown as [
    { n: number }
  ];
  expect(readings.lines).toHaveLength(n + 1);

  // In miles for whoever reads in miles.
  await page.context().addCookies([{ name: 'ht_units', value: 'imperial', url: app.url }]);
  await page.keyboard.press('/');
  await page.getByRole('combobox', { name: /Find/ }).fill('In and out');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'In and out' })).toBeVisible();
  const machines = await taken(page, 'machines.csv');
  expect(machines.lines[0]).toContain('distance (mi)');
  expect(machines.lines).toHaveLength(13);
  expect((await page.request.get('/lists/secrets.csv')).status()).toBe(404);
  expect((await page.request.get('/lists/findings.csv?machine=nonsense')).status()).toBe(404);
});

test('a calendar is subscribed to by its address, of the team or of a machine; a new address ends the old one', async ({
  work: page,
  app
}) => {
  await open(page, '/outings');
  await page.getByRole('link', { name: 'In your own calendar' }).click();
  const box = page.getByRole('region', { name: 'Calendars' });
  await expect(box).toContainText('None yet.');
  const make = async (label: string) => {
    await box.getByLabel('Whose calendar').selectOption({ label });
    await box.getByRole('button', { name: 'Make a calendar' }).click();
  };
  await make('the team’s');
  await make('12 Fell 250');
  const address = (of: string) => box.getByLabel(`Address of the calendar of ${of}`);
  const old = await address('the team').inputValue();
  // As a calendar asks: with no cookie of ours.
  const read = async (url: string) => {
    const answer = await fetch(url);
    return { status: answer.status, kind: answer.headers.get('content-type'), text: await answer.text() };
  };
  const team = await read(old);
  expect(team).toMatchObject({ status: 200, kind: 'text/calendar; charset=utf-8' });
  expect(team.text).toContain('SUMMARY:Harrow Edge Hare');
  expect(team.text).toMatch(/SUMMARY:27: Valve clearances\\, past due/);
  const fell = await read(await address('12 Fell 250').inputValue());
  expect(fell.text).toContain('SUMMARY:12: ');
  expect(fell.text).not.toContain('SUMMARY:27: ');

  const ours = box.getByRole('group', { name: 'Calendar of the team' });
  await ours.getByRole('button', { name: 'New address' }).click();
  await expect(address('the team')).not.toHaveValue(old);
  expect((await read(old)).status).toBe(404);
  expect((await read(await address('the team').inputValue())).status).toBe(200);
  await ours.getByRole('button', { name: 'Stop it' }).click();
  await expect(ours).toBeHidden();
  expect(await app.sql`select count(*)::int as n from calendar_feed where withdrawn_at is null`).toEqual([
    { n: 1 }
  ]);
});

test('outings are taken in from a calendar file: what is new is picked, the same file again brings nothing', async ({
  work: page,
  app
}) => {
  const day = (n: number) =>
    new Date(Date.now() + n * 86_400_000).toISOString().slice(0, 10).replaceAll('-', '');
  const event = (uid: string, ...lines: string[]) => ['BEGIN:VEVENT', `UID:${uid}`, ...lines, 'END:VEVENT'];
  const text = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//club//season//EN',
    ...event(
      '1@club',
      'SUMMARY:Round 4\\, Coldbeck',
      `DTSTART;VALUE=DATE:${day(30)}`,
      `DTEND;VALUE=DATE:${day(32)}`
    ),
    ...event('2@club', 'SUMMARY:Winter training', `DTSTART:${day(40)}T100000Z`, `DTEND:${day(40)}T150000Z`),
    ...event('3@club', 'SUMMARY:Prize giving', `DTSTART;VALUE=DATE:${day(50)}`),
    ...event('4@club', 'SUMMARY:Round 3', `DTSTART;VALUE=DATE:${day(-30)}`),
    'END:VCALENDAR'
  ].join('\r\n');
  await open(page, '/outings');
  const bring = async (name: string, content: string) => {
    await page.getByRole('button', { name: 'Take in a calendar file' }).click();
    await page
      .getByLabel('Calendar file (.ics)')
      .setInputFiles({ name, mimeType: 'text/calendar', buffer: Buffer.from(content) });
  };
  const form = page.getByRole('form', { name: 'Take in a calendar file' });
  await bring('notes.txt', 'Coldbeck on the 3rd');
  await expect(form.getByRole('alert')).toContainText('That is no calendar file');
  await page
    .getByLabel('Calendar file (.ics)')
    .setInputFiles({ name: 'season.ics', mimeType: 'text/calendar', buffer: Buffer.from(text) });
  await expect(form).toContainText('Left out: 1 over.');
  await form.getByRole('group', { name: 'Prize giving' }).getByRole('checkbox').uncheck();
  await expect(form.getByLabel('What Winter training is')).toHaveValue('practice');
  await form.getByRole('button', { name: 'Plan these 2' }).click();
  await expect(form.getByRole('alert')).toBeVisible();
  await form.getByLabel('Hours each machine uses').fill('2.5');
  await form.getByRole('button', { name: 'Plan these 2' }).click();
  await expect(page.getByText('2 outings are planned.')).toBeVisible();
  await expect(page.getByRole('row', { name: /Round 4, Coldbeck/ })).toContainText('2.5');
  const planned = () =>
    app.sql`select name, kind, last_day - first_day as nights from event where name in ('Round 4, Coldbeck', 'Winter training', 'Prize giving', 'Round 3') order by name`;
  expect(await planned()).toEqual([
    { name: 'Round 4, Coldbeck', kind: 'race', nights: 1 },
    { name: 'Winter training', kind: 'practice', nights: 0 }
  ]);
  await bring('season.ics', text);
  await expect(form).toContainText('Left out: 2 planned already, 1 over.');
  await expect(form.getByRole('button', { name: 'Plan this one' })).toBeVisible();
  await form.getByRole('button', { name: 'Leave' }).click();
  expect(await planned()).toHaveLength(2);
});

test('a whole team leaves as one file, and comes in again as a copy that stands the same', async ({
  work: page,
  app
}) => {
  await open(page, '/exchange');
  const waiting = page.waitForEvent('download');
  await page.getByRole('link', { name: /, as one file$/ }).click();
  const download = await waiting;
  expect(download.suggestedFilename()).toMatch(/^[\w -]+ \d{4}-\d\d-\d\d\.zip$/);
  const path = await download.path();

  const panel = page.getByTestId('take-team');
  await panel
    .locator('input[type=file]')
    .setInputFiles({ name: 'notes.zip', mimeType: 'application/zip', buffer: Buffer.from('no zip') });
  await expect(panel.getByText('This is no zip file, or a broken one.')).toBeVisible();
  await panel.locator('input[type=file]').setInputFiles(path);
  await expect(panel.getByText(/is on this server already.*12 machines/)).toBeVisible();
  await panel.getByLabel('Beside it, as a copy called').fill('');
  await panel.getByRole('button', { name: 'Take in as a copy' }).click();
  await expect(panel.getByText(/what the team is called/)).toBeVisible();
  await panel.getByLabel('Beside it, as a copy called').fill('Winter quarters');
  await panel.getByRole('button', { name: 'Take in as a copy' }).dblclick();
  await expect(
    panel.getByText('Winter quarters is a team on this server now, with 12 machines.')
  ).toBeVisible();

  const standings = (team: string) => app.sql`
    select m.plate, s.total, s.dues, s.findings, s.ready from machine_standing s join machine m on m.team_id = s.team_id and m.id = s.machine_id
    join team t on t.id = s.team_id where t.name = ${team} or (${team} = '' and t.is_demo) order by m.plate`;
  expect([...(await standings('Winter quarters'))]).toEqual([...(await standings(''))]);
  // Nobody can come into it yet: whoever sits at the server says who they are.
  await panel.getByRole('link', { name: 'Come into Winter quarters' }).click();
  const first = page.getByRole('form', { name: 'First into Winter quarters' });
  await first.getByLabel('You are').selectOption({ label: 'Anwen Skarrow, mechanic' });
  await first.getByLabel('Passphrase').fill('moss kettle quiet ferry');
  await first.getByRole('button', { name: 'Go in' }).click();
  await expect(page.getByRole('link', { name: /^12 / }).first()).toBeVisible();
});
