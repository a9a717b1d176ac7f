import { command, addMachine, addTask, createTeam } from './hands';
import { machineSchema } from '../../src/lib/core/machine/form';
import { taskSchema } from '../../src/lib/core/schedule/form';
import { readingSchema, type ReadingForm } from '../../src/lib/core/hours/form';
import { connect, type Sql } from '../../src/lib/server/base/db';
import type { Logged } from '../../src/lib/core/schedule/logged';
import type { Team } from '../../src/lib/core/team/team';
import { borrowedDatabase } from './cluster';

export const NOW = new Date('2026-06-10T18:00:00Z');
export const TODAY = '2026-06-10';
/** So many hours later. */
export const at = (hours: number) => new Date(NOW.getTime() + hours * 3_600_000);
export const uuid = () => crypto.randomUUID();

/** A trigger by hours, as a form sends it. */
export const byHours = (every: string, more: object = {}) => ({
  id: uuid(),
  measure: 'hours',
  every,
  ...more
});

/** A small team with one machine, in a database of its own: what most database tests begin with. */
export class Book {
  constructor(
    readonly sql: Sql,
    readonly team: Team,
    readonly personId: string,
    readonly machineId: string,
    readonly taskId: string,
    /** Where its database is. */
    readonly url: string,
    readonly close: () => Promise<void>
  ) {}

  /** Logs a reading as the form would send it. */
  log(typed: string, more: Partial<ReadingForm> = {}, now = NOW): Promise<Logged> {
    const input = readingSchema.parse({ id: uuid(), machineId: this.machineId, typed, day: TODAY, ...more });
    return command(this.sql, this.team, this.personId, 'reading.log', input, now) as Promise<Logged>;
  }

  async standing() {
    const [row] = await this
      .sql`select total, estimated from machine_standing where team_id = ${this.team.id} and machine_id = ${this.machineId}`;
    return row as { total: number | null; estimated: boolean };
  }
}

export async function openBook({
  meter = 'hour meter',
  reading = '38.4'
}: { meter?: 'hour meter' | 'reckoned'; reading?: string } = {}): Promise<Book> {
  const database = await borrowedDatabase();
  const sql = connect(database.url, 4);
  const personId = uuid();
  const team = await createTeam(sql, {
    id: uuid(),
    name: 'Lower Barn Workshop',
    timeZone: 'Europe/London',
    you: { id: personId, name: 'Wren Oddie', role: 'mechanic' }
  });
  const machineId = uuid();
  const taskId = uuid();
  const earlier = new Date(NOW.getTime() - 10 * 86_400_000);
  await addMachine(
    sql,
    team,
    personId,
    machineSchema.parse({
      id: machineId,
      plate: '7',
      name: 'Barrow 250',
      kind: 'four-stroke enduro',
      meter,
      reading,
      tasks: []
    }),
    earlier
  );
  await addTask(
    sql,
    team,
    personId,
    taskSchema.parse({
      id: taskId,
      machineId,
      name: 'Engine oil',
      job: 'engine-oil',
      triggers: [byHours('15', { limit: '18' })],
      lastDone: 'done',
      lastDoneDay: '2026-05-01',
      lastDoneHours: '25'
    }),
    earlier
  );
  return new Book(sql, team, personId, machineId, taskId, database.url, async () => {
    await sql.end();
    await database.giveBack();
  });
}
