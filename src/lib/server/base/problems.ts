import { Refusal } from './refusal';

/** What PostgreSQL tells of an error, as far as we look at it. */
interface DatabaseError {
  code: string;
  constraint_name?: string;
}
const isDatabaseError = (e: unknown): e is DatabaseError =>
  e instanceof Error && typeof (e as Partial<DatabaseError>).code === 'string';

/** Told apart from everything else: the database is away, and nothing of this write was kept. */
const AWAY = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ENOTFOUND',
  'ETIMEDOUT',
  'CONNECT_TIMEOUT',
  'CONNECTION_CLOSED',
  'CONNECTION_ENDED',
  'CONNECTION_DESTROYED',
  // Shutting down, starting up, killed, out of connections, disk or memory.
  '57P01',
  '57P02',
  '57P03',
  '53000',
  '53100',
  '53200',
  '53300',
  '25006',
  '58030',
  // Somebody else was in the way, time and again.
  '40P01',
  '40001',
  '57014',
  '55P03'
]);

/** Whether an error means that the database cannot be used now, and the same may be asked again in a moment. */
export function isAway(e: unknown): boolean {
  return isDatabaseError(e) && AWAY.has(e.code);
}
const AWAY_WORDS = 'The database does not answer. Nothing was written; try again in a moment.';
const FULL_WORDS =
  'The disk of the server is full. Nothing was written, what was written before is there; make room on it, and it goes on.';
const DISK_FULL = '53100';
/** Two writes in each other's way, or one that waited too long for another: the database is well. */
const BUSY = new Set(['40P01', '40001', '57014', '55P03']);
const BUSY_WORDS =
  'Others are writing at the same place just now. Nothing was written; try again in a moment.';
/** Whether it is away only for whoever asked: others were first. */
export const isBusy = (e: unknown): boolean => isDatabaseError(e) && BUSY.has(e.code);
/** What is said of an error for which {@link isAway} holds. */
export const awayWords = (e: unknown): string => {
  if (isBusy(e)) return BUSY_WORDS;
  return isDatabaseError(e) &&
    (e.code === DISK_FULL || /No space left/i.test((e as unknown as Error).message))
    ? FULL_WORDS
    : AWAY_WORDS;
};

/** A thing of which the team has one of a name, or of a place: which field is about it, and what to say. */
const ONCE: Record<string, readonly [field: string, words: string]> = {
  machine_plate: ['plate', 'Another machine of the team carries that.'],
  person_name: ['name', 'The team has someone of that name already.'],
  task_name: ['name', 'This machine has a task of that name.'],
  task_name_on_component: ['name', 'This component has a task of that name.'],
  component_serial: ['serial', 'Another component has that serial. Each is in the book once.'],
  fastener_name: ['name', 'This machine has one of that name. Two alike need two names.'],
  torque_wrench_name: ['name', 'There is one of that name. Two alike need two names.'],
  adapter_name: ['name', 'There is one of that name. Two alike need two names.'],
  oil_name: ['name', 'That oil is in the stores already; note its stock there.'],
  task_trigger_measure: ['triggers', 'That is counted above already.'],
  spec_figure_superseded_once: ['', 'A later figure has taken its place already.'],
  spec_figure_first_once: ['typed', 'Somebody has just written that figure. Open the page again.'],
  visit_one_open: ['', 'A visit stands open at this machine already.'],
  interval_proposal_open: ['', 'A shorter interval is proposed already.'],
  fitting_one_place: [
    'day',
    'The book has it somewhere else at that time already. It cannot be in two places at once.'
  ],
  fitting_one_on_machine: ['day', 'The book has another one in that place at that time already.'],
  fitting_one_in_host: ['day', 'The book has another one in that place at that time already.']
};

/** What a column points at, in words; where it points at nothing of this team, that is all anybody is told. */
const NAMED: Record<string, string> = {
  machine: 'machine',
  rider: 'person',
  owner: 'person',
  person: 'person',
  event: 'event',
  component: 'component',
  host: 'engine',
  task: 'task',
  of_task: 'task',
  trigger: 'interval',
  fastener: 'fastener',
  figure: 'figure',
  modification: 'modification',
  visit: 'visit',
  oil: 'oil',
  meter: 'meter',
  outing: 'outing'
};
const camel = (column: string) => column.replace(/_([a-z])/g, (_, c: string) => c.toUpperCase());

/**
 * What an error is to the person who wrote: a refusal as it is, and every refusal of the database that can be known, in words
 * and at its field. The one place where constraints become words.
 * @returns null for what is our own mistake
 */
export function refusalOf(e: unknown): Refusal | null {
  if (e instanceof Refusal) return e;
  if (!isDatabaseError(e)) return null;
  const name = e.constraint_name ?? '';
  switch (e.code) {
    case '23505':
    case '23P01': {
      const once = ONCE[name];
      return once
        ? new Refusal({ [once[0]]: once[1] })
        : new Refusal({
            '': 'That was written before, with other content. Open the page again to see what is there.'
          });
    }
    case '23503': {
      const column = /_team_id_(\w+?)_id_fkey$/.exec(name)?.[1] ?? '';
      const what = NAMED[column];
      return what
        ? new Refusal({ [camel(`${column}_id`)]: `That ${what} is not in this team.` })
        : new Refusal({ '': 'Something it names is not in this team.' });
    }
    case '23514':
    case '23502':
    case '22001':
    case '22003':
      return new Refusal({
        '': 'One of the figures or words is more than can be kept. Nothing was written.'
      });
    case '22P02':
    case '22P05':
    case '22021':
    case '22007':
    case '22008':
    case '22009':
      return new Refusal({ '': 'Something in it cannot be read. Nothing was written.' });
    default:
      return null;
  }
}
