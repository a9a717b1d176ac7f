import { createHash, randomBytes } from 'node:crypto';
import type { App } from './app';

/** Every view there is, with how it is come to; what is opened on a view by a key or a press follows it. */
export const VIEWS: Record<string, (app: App) => Promise<string>> = {
  trail: async () => '/',
  welcome: async () => '/welcome',
  team: async () => '/team',
  'who wrote what': async (app) => `/audit?machine=${await app.machineId('12')}`,
  'this server': async () => '/server',
  'sign-in': async () => '/sign-in',
  'your way in': async () => '/you',
  'what waits': async () => '/waiting',
  'your machines': async () => '/own',
  'an invitation': async (app) => `/join/${await invitation(app)}`,
  'an invitation that is over': async () => `/join/${'x'.repeat(43)}`,
  bench: async () => '/bench',
  outings: async () => '/outings',
  'race day': async () => '/outings/day',
  'new machine': async () => '/machines/new',
  machine: async (app) => `/machines/${await app.machineId('12')}`,
  'a task done': async (app) => `/machines/${await app.machineId('12')}?done=${await taskId(app)}`,
  'new task': async (app) => `/tasks/new?machine=${await app.machineId('12')}`,
  task: async (app) => `/tasks/${await taskId(app)}`,
  due: async () => '/due?state=pressing',
  components: async () => '/parts',
  'new component': async () => '/parts/new',
  component: async (app) => `/parts/${await engineId(app)}`,
  'a component swapped': async (app) => `/parts/${await engineId(app)}?do=swap`,
  'a component rebuilt': async (app) => `/parts/${await engineId(app)}?do=rebuild`,
  'house rules': async () => '/rules',
  meters: async (app) => `/machines/${await app.machineId('12')}/meters`,
  'spec sheet': async (app) => `/machines/${await app.machineId('12')}/sheet`,
  'before a visit': async (app) => `/machines/${await app.machineId('12')}/visit?task=${await taskId(app)}`,
  visit: async (app) => `/visits/${await visitId(app)}`,
  underside: async (app) => `/machines/${await app.machineId('12')}/underside`,
  'valve sheet': async (app) => `/machines/${await app.machineId('5')}/valves`,
  'valve sheet of a twin': async (app) => `/machines/${await app.machineId('70')}/valves`,
  'chain sheet': async (app) => `/machines/${await app.machineId('12')}/chain`,
  'chain sheet of a carrier': async (app) => `/machines/${await app.machineId('70')}/chain`,
  'chain sheet with nothing known': async (app) => `/machines/${await app.machineId('E1')}/chain`,
  'ready round': async (app) => `/machines/${await app.machineId('12')}/round`,
  'ready round that is done': async (app) => `/machines/${await app.machineId('33')}/round`,
  'after washing': async (app) => `/machines/${await app.machineId('84')}/round?list=washed`,
  'torque round': async (app) => `/machines/${await app.machineId('84')}/round?list=torque`,
  'owner’s sheet': async (app) => `/machines/${await app.machineId('27')}/owner`,
  board: async () => '/board',
  'board on a wall': async () => '/board?wall',
  findings: async () => '/findings',
  'findings that are closed': async () => '/findings?closed',
  stores: async () => '/stores',
  shims: async () => '/stores/shims',
  'valves of all engines': async () => '/valves',
  'in and out': async () => '/exchange',
  instruments: async () => '/instruments',
  stickers: async () => '/stickers',
  programs: async () => '/programs',
  jobs: async () => '/jobs',
  'what is checked': async () => '/rounds?kind=sport%20quad',
  job: async () => '/jobs/engine-oil-only',
  records: async () => '/records',
  record: async (app) =>
    `/records/${(await app.sql`select id from service_record where visit_id is not null limit 1`)[0]!.id}`,
  health: async () => '/health',
  'nothing there': async () => '/nothing'
};

const invitation = async (app: App): Promise<string> => {
  const code = randomBytes(32).toString('base64url');
  await app.sql`
    insert into invitation (team_id, id, hash, expires_at)
    select team_id, ${crypto.randomUUID()}, ${createHash('sha256').update(code).digest('hex')}, now() + interval '1 day' from person limit 1`;
  return code;
};
const taskId = async (app: App): Promise<string> =>
  (
    await app.sql`select t.id from task t join fitting f on f.component_id = t.component_id where f.machine_id = ${await app.machineId('12')} and t.job is not null`
  )[0]!.id;
const engineId = async (app: App): Promise<string> =>
  (
    await app.sql`select component_id as id from fitting where machine_id = ${await app.machineId('12')} and kind = 'engine'`
  )[0]!.id;
export const visitId = async (app: App): Promise<string> =>
  (await app.sql`select id from visit where closed_at is null`)[0]!.id;
