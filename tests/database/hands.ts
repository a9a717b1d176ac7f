import { v5 } from 'uuid';
import type { Input, Kind } from '../../src/lib/core/command/commands';
import type { Team } from '../../src/lib/core/team/team';
import { carryOut } from '../../src/lib/server/commands/run';
import { foundByCommand } from '../../src/lib/server/founding/command';
import type { Sql } from '../../src/lib/server/base/db';
import { refusalOf } from '../../src/lib/server/base/problems';
import { Refusal } from '../../src/lib/server/base/refusal';
import { getTeam } from '../../src/lib/server/team/teams';
import type { RowAnswer } from '../../src/lib/core/schedule/logged';
import type { Entry, NewEntry } from '../../src/lib/core/visit/entry';
import { uploadPhoto } from '../../src/lib/server/photo/photos';
import { readEntries } from '../../src/lib/server/visit/visits';

/**
 * Writes as the tests do them: through the same commands as everything else, with bodies that have been checked already. Sent
 * twice alike they are one command, as from a device that got no answer.
 */
const SPACE = '5f9a4d0e-6a0b-4c53-9d0e-7a3f3f1b2c11';
type TeamKind = Exclude<Kind, 'team.found'>;
export async function command<K extends TeamKind>(
  sql: Sql,
  team: Team | string,
  personId: string,
  kind: K,
  input: Input<K>,
  now = new Date(),
  id = v5(`${kind} ${JSON.stringify(input)}`, SPACE),
  at = now
): Promise<unknown> {
  const of = typeof team === 'string' ? (await getTeam(sql, team))! : team;
  const from = { team: of, person: { id: personId, role: 'chief mechanic' as const }, device: 'a test' };
  try {
    return await carryOut(sql, from, { id, kind, at: at.toISOString(), body: input }, input, input, now);
  } catch (e) {
    throw refusalOf(e) ?? e;
  }
}

/** A hand for one kind of command: the book, whose it is, what is written, and when. */
const hand =
  <K extends TeamKind, R = void>(kind: K) =>
  (sql: Sql, team: Team | string, personId: string, input: Input<K>, now?: Date): Promise<R> =>
    command(sql, team, personId, kind, input, now) as Promise<R>;

export const addPerson = hand('person.add');
export const setRule = hand('rule.set');
export const addMachine = hand('machine.add');
export const strikeReading = hand('reading.strike');
export const logDistance = hand('odometer.log');
export const changeMeter = hand('meter.change');
export const addEvent = hand('event.plan');
export const addComponent = hand('component.add');
export const moveComponent = hand('component.move');
export const swapComponents = hand('component.swap');
export const rebuild = hand('component.rebuild');
export const addTask = hand('task.add');
export const changeTask = hand('task.change');
export const recordDone = hand<'task.done', string | null>('task.done');
export const decide = hand('proposal.decide');
export const backToBook = hand('proposal.back-to-book');
export const addCall = hand('call.report');
export const addFinding = hand('finding.add');
export const closeFinding = hand('finding.close');
export const regrade = hand('finding.regrade');
export const addReminder = hand('reminder.add');
export const noteReminder = hand('reminder.note');
export const addFastener = hand('fastener.add');
export const addFigure = hand('figure.add');
export const confirmFigure = hand('figure.confirm');
export const copySheet = hand<'sheet.copy', { copied: number; left: number }>('sheet.copy');
export const addModification = hand('modification.add');
export const noteModification = hand('modification.note');
export const addWrench = hand('wrench.add');
export const addAdapter = hand('adapter.add');
export const addOil = hand('oil.add');
export const noteStock = hand('oil.stock');
export const correct = hand('record.correct');
export const saveTemplate = (sql: Sql, team: string, personId: string, input: Input<'job.save'>) =>
  command(sql, team, personId, 'job.save', input, undefined, crypto.randomUUID()) as Promise<number>;
export const startVisit = hand<'visit.start', string>('visit.start');

/** Sets up a team, as its founder does. */
export async function createTeam(sql: Sql, input: Input<'team.found'>): Promise<Team> {
  const c = {
    id: v5(JSON.stringify(input), SPACE),
    kind: 'team.found' as const,
    at: new Date().toISOString(),
    after: null
  };
  const { outcome } = await foundByCommand(sql, { ...c, body: input }, 'a test');
  if (!outcome.ok) throw new Refusal(outcome.errors, outcome.more);
  return (await getTeam(sql, input.id))!;
}

/** Somebody of the team, for what the tests do without saying who. */
const anyone = async (sql: Sql, teamId: string): Promise<string> =>
  (await sql`select id from person where team_id = ${teamId} order by created_at limit 1`)[0]!.id as string;

export const retireTask = (sql: Sql, team: Team, personId: string, taskId: string, word: string) =>
  command(sql, team, personId, 'task.retire', { taskId, word });
export const estimateOuting = (sql: Sql, teamId: string, personId: string, outingId: string) =>
  command(sql, teamId, personId, 'outing.estimate', { outingId });
export const scrap = (
  sql: Sql,
  teamId: string,
  personId: string,
  componentId: string,
  reason: string,
  now: Date
) => command(sql, teamId, personId, 'component.scrap', { componentId, reason }, now);
export const callOff = async (sql: Sql, teamId: string, eventId: string, off: boolean) =>
  command(
    sql,
    teamId,
    await anyone(sql, teamId),
    'event.call-off',
    { eventId, off },
    undefined,
    crypto.randomUUID()
  );
export const retire = async (sql: Sql, teamId: string, input: Input<'store.retire'>) =>
  command(sql, teamId, await anyone(sql, teamId), 'store.retire', input);
export const dropCall = (sql: Sql, teamId: string, personId: string, callId: string, word: string) =>
  command(sql, teamId, personId, 'call.drop', { callId, word });
export const changeFastener = async (sql: Sql, teamId: string, input: Input<'fastener.change'>) =>
  command(sql, teamId, await anyone(sql, teamId), 'fastener.change', input, undefined, crypto.randomUUID());
export const logReadings = (
  sql: Sql,
  team: Team,
  personId: string,
  rows: readonly unknown[],
  now: Date
): Promise<RowAnswer[]> =>
  command(sql, team, personId, 'reading.paste', { rows: [...rows] }, now, crypto.randomUUID()) as Promise<
    RowAnswer[]
  >;

/** Writes an entry, and brings back everything the visit's log then holds. */
export async function addEntry(
  sql: Sql,
  teamId: string,
  personId: string,
  visitId: string,
  entry: NewEntry,
  now?: Date
): Promise<Entry[]> {
  await command(sql, teamId, personId, 'visit.enter', { visitId, entry }, now, entry.id);
  return readEntries(sql, teamId, visitId);
}
export const closeVisit = (sql: Sql, team: Team, personId: string, visitId: string, now?: Date) =>
  command(sql, team, personId, 'visit.close', { visitId }, now, crypto.randomUUID()) as Promise<string>;
export const giveUpVisit = async (sql: Sql, teamId: string, visitId: string, reason: string) =>
  command(
    sql,
    teamId,
    await anyone(sql, teamId),
    'visit.give-up',
    { visitId, reason },
    undefined,
    crypto.randomUUID()
  );
export async function addPhoto(
  sql: Sql,
  teamId: string,
  personId: string,
  p: { id: string; visitId: string; stepKey: string },
  sent: Uint8Array
): Promise<void> {
  await uploadPhoto(sql, teamId, personId, p.id, async () => sent);
  const { id: photoId, visitId, stepKey } = p;
  await command(sql, teamId, personId, 'photo.attach', { photoId, visitId, stepKey });
}
