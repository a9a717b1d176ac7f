import { randomBytes } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { LISTS } from '../../src/lib/server/exchange/lists';
import { expect, looking, type App } from './app';
import { keyOf } from './sign-in';
import { visitId } from './views';

const one = async (app: App, query: Promise<readonly Record<string, unknown>[]>) =>
  String((await query)[0]!['id']);
const m12 = (app: App) => app.machineId('12');
const recordId = (app: App) =>
  one(app, app.sql`select id from service_record where visit_id is not null limit 1`);

/** A good question to every address that answers with something other than a page. */
const QUESTIONS: Record<string, (app: App) => Promise<string[]> | string[]> = {
  '/api/along': () => ['/api/along'],
  '/api/timers': () => ['/api/timers'],
  '/api/machines': () => ['/api/machines', '/api/machines?q=fell'],
  '/api/live': () => ['/api/live'],
  '/api/photos/[id=id]': async (app) => [
    `/api/photos/${await photo(app)}`,
    `/api/photos/${await photo(app)}?small`
  ],
  '/api/visits/[id=id]/entries': async (app) => [`/api/visits/${await visitId(app)}/entries?after=0`],
  '/api/v1/openapi.json': () => ['/api/v1/openapi.json'],
  '/api/v1/line': () => ['/api/v1/line'],
  '/api/v1/team': () => ['/api/v1/team'],
  '/api/v1/machines': () => ['/api/v1/machines'],
  '/api/v1/machines/[id=id]/due': async (app) => [`/api/v1/machines/${await m12(app)}/due`],
  '/api/v1/readings': async (app) => ['/api/v1/readings', `/api/v1/readings?machine=${await m12(app)}`],
  '/api/v1/findings': async (app) => ['/api/v1/findings', `/api/v1/findings?machine=${await m12(app)}`],
  '/api/v1/records': async (app) => ['/api/v1/records', `/api/v1/records?machine=${await m12(app)}`],
  '/api/v1/records/[id=id]': async (app) => [`/api/v1/records/${await recordId(app)}`],
  '/api/v1/visits/[id=id]': async (app) => [`/api/v1/visits/${await visitId(app)}`],
  '/lists/[list].csv': async (app) => [
    ...Object.keys(LISTS).map((list) => `/lists/${list}.csv`),
    `/lists/readings.csv?machine=${await m12(app)}`
  ],
  '/stores/shims.csv': () => ['/stores/shims.csv'],
  '/exchange/team.schema.json': () => ['/exchange/team.schema.json'],
  '/exchange/team.zip': () => ['/exchange/team.zip'],
  '/you/data.json': () => ['/you/data.json'],
  '/calendar/[secret].ics': async (app) => [`/calendar/${await feed(app)}.ics`],
  '/board.pdf': () => ['/board.pdf', '/board.pdf?paper=letter'],
  '/machines/[id=id]/card.pdf': async (app) => [
    `/machines/${await m12(app)}/card.pdf?task=${await taskOf(app)}`
  ],
  '/machines/[id=id]/owner.pdf': async (app) => [`/machines/${await m12(app)}/owner.pdf`],
  '/machines/[id=id]/round.pdf': async (app) =>
    Promise.all(
      ['', '?list=washed', '?list=torque'].map(async (l) => `/machines/${await m12(app)}/round.pdf${l}`)
    ),
  '/machines/[id=id]/shims.pdf': async (app) => [`/machines/${await app.machineId('5')}/shims.pdf`],
  '/records/[id=id]/record.pdf': async (app) => [`/records/${await recordId(app)}/record.pdf`],
  '/visits/[id=id]/card.pdf': async (app) => [`/visits/${await visitId(app)}/card.pdf`],
  '/stickers/labels.pdf': () => ['/stickers/labels.pdf?sheet=a4-24&kind=machine'],
  '/s/[letter]/[id=id]': async (app) => [`/s/m/${await m12(app)}`]
};

const taskOf = (app: App) =>
  one(
    app,
    app.sql`select t.id from task t join fitting f on f.component_id = t.component_id join machine m on m.id = f.machine_id where m.plate = '12' and t.job is not null limit 1`
  );
async function feed(app: App): Promise<string> {
  const secret = randomBytes(32).toString('base64url');
  await app.sql`
    insert into calendar_feed (team_id, id, secret, created_by) select team_id, ${crypto.randomUUID()}, ${secret}, id from person limit 1`;
  return secret;
}
async function photo(app: App): Promise<string> {
  const id = crypto.randomUUID();
  const jpeg = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#884422' } })
    .jpeg()
    .toBuffer();
  await app.sql`
    insert into photo (team_id, id, machine_id, finding_id, width, height, jpeg, small, taken_by)
    select f.team_id, ${id}, f.machine_id, f.id, 40, 30, ${jpeg}, ${jpeg}, p.id from finding f join person p on p.team_id = f.team_id where f.machine_id is not null limit 1`;
  return id;
}

/** Every address that answers a question by itself, as the folder of routes has it. */
function addresses(folder = 'src/routes', at = ''): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((e) => {
    const path = join(folder, e.name);
    if (e.isDirectory()) return addresses(path, `${at}/${e.name}`);
    return e.name === '+server.ts' && /export (const GET|\{ GET)/.test(readFileSync(path, 'utf8'))
      ? [at]
      : [];
  });
}

looking('every address is asked a good question, and answers it', async ({ app, page }) => {
  expect(Object.keys(QUESTIONS).sort()).toEqual(addresses().sort());
  const cookie = (await page.context().cookies(app.url)).map((c) => `${c.name}=${c.value}`).join('; ');
  const key = await keyOf(app.sql, 'Jory Pell');
  const wrong: unknown[] = [];
  for (const [address, questions] of Object.entries(QUESTIONS))
    for (const question of await questions(app)) {
      const ways: Record<string, string>[] = [{ cookie }];
      if (address.startsWith('/api/v1/')) ways.push({ authorization: `Bearer ${key}` });
      for (const headers of ways) {
        // Lines stay open: their answer has begun by then.
        const asked = new AbortController();
        const answer = await fetch(`${app.url}${question}`, {
          headers,
          redirect: 'manual',
          signal: asked.signal
        });
        const good = address.startsWith('/s/') ? 303 : 200;
        if (answer.status !== good)
          wrong.push([question, answer.status, (await answer.text()).slice(0, 200)]);
        else if (address === '/api/live' || address === '/api/v1/line') asked.abort();
        else
          expect([question, (await answer.arrayBuffer()).byteLength > 0 || good === 303]).toEqual([
            question,
            true
          ]);
      }
    }
  expect(wrong).toEqual([]);
});
