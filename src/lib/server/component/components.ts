import type { ComponentInput, MoveInput, RebuildInput, SwapInput } from '../../core/component/form';
import { readingSchema } from '../../core/hours/form';
import { showHours } from '../../core/hours/hours';
import { momentOn } from '../../core/time/moment';
import type { Team } from '../../core/team/team';
import { rebuildTasks } from './pages';
import type { Db } from '../base/db';
import {
  close,
  useComponent,
  machineOfPlace,
  occupant,
  open,
  openFitting,
  refusePlace,
  type Component,
  type OpenFitting
} from './fittings';
import { afterNewWheel } from './after-wheel';
import { takeOverChain, takeOverHead } from './take-over';
import { hoursBy } from '../machine/machines';
import { refuseDay } from '../base/moment';
import { writeReading } from '../hours/readings';
import { refuse } from '../base/refusal';
import { machineOf } from '../schedule/tasks';
import type { Write } from '../book/under-way';

/** The meter read at the moment of a move, if somebody looked; it belongs to what comes off. */
async function readAtMove(
  w: Write,
  machineId: string,
  reading: number | null,
  day: string,
  field: string
): Promise<void> {
  if (reading === null) return;
  if ((await hoursBy(w.tx, w.team.id, machineId)) !== 'hour meter')
    refuse(field, 'It has no working meter to read. Leave this empty.');
  const input = readingSchema.parse({
    id: crypto.randomUUID(),
    machineId,
    typed: showHours(reading),
    day,
    remark: ''
  });
  await writeReading(w, input, field);
}

/** The moment of a move on a day: after everything read on that day, so that the day's riding belongs to what comes off. */
async function momentOfMove(
  tx: Db,
  team: Team,
  machineIds: readonly string[],
  day: string,
  now: Date
): Promise<Date> {
  const at = momentOn(day, team.timeZone, now);
  const [last] = await tx`
    select max(read_at) as at from reading where team_id = ${team.id} and machine_id = any(${machineIds as string[]}) and read_at between ${at} and ${new Date(at.getTime() + 3_600_000)}`;
  return last?.at && last.at > at && last.at <= now ? last.at : at;
}

/**
 * Brings a component into the book: on a machine, in an engine, or on the shelf.
 * @param fittedAt the moment it was put on, where that is known better than by its day
 */
export async function addComponent(w: Write, c: ComponentInput, fittedAt?: Date): Promise<void> {
  const { tx, team, personId, now } = w;
  await refusePlace(tx, team.id, c, c);
  if (c.serial) {
    const [other] =
      await tx`select name from component where team_id = ${team.id} and kind = ${c.kind} and lower(serial) = lower(${c.serial})`;
    if (other) refuse('serial', `“${other.name}” has that serial. Each is in the book once.`);
  }
  await tx`
    insert into component (team_id, id, kind, name, serial, brought, brought_known, brought_distance, from_new, note, total, created_at, created_by)
    values (${team.id}, ${c.id}, ${c.kind}, ${c.name}, ${c.serial}, ${c.brought ?? 0}, ${c.fromNew || c.brought !== null}, ${c.broughtDistance ?? 0}, ${c.fromNew}, ${c.note}, ${c.brought ?? 0}, ${now}, ${personId})`;
  if (c.machineId ?? c.hostId) {
    refuseDay(c.fittedOn, team.timeZone, now, 'fittedOn');
    if (await occupant(tx, team.id, c.kind, c))
      refuse(
        'machineId',
        `There is ${/^[aeiou]/.test(c.kind) ? 'an' : 'a'} ${c.kind} in the book there already. Take that off first, or put this one on the shelf and fit it from there.`
      );
    const at = fittedAt ?? momentOn(c.fittedOn, team.timeZone, now);
    await open(tx, team.id, personId, {
      ...c,
      id: crypto.randomUUID(),
      componentId: c.id,
      at,
      reason: ''
    });
    if (c.fromNew) await afterNewWheel(w, { ...c, day: c.fittedOn });
    // The engine that was there all along has a name now; a new one is another.
    if (c.kind === 'engine' && c.machineId && !c.fromNew) await takeOverHead(tx, team.id, c.machineId, c.id);
    if (c.kind === 'chain' && c.machineId && !c.fromNew)
      await takeOverChain(tx, team.id, c.machineId, c.id, at);
  }
}

/**
 * Fits a component somewhere else, or puts it on the shelf. What stood in that place goes on the shelf. One transaction; both
 * machines are right afterwards.
 */
export async function moveComponent(w: Write, m: MoveInput): Promise<void> {
  const { tx, team, personId, now } = w;
  const c = await useComponent(tx, team.id, m.componentId);
  refuseDay(m.day, team.timeZone, now);
  await refusePlace(tx, team.id, c, m);
  const from = await openFitting(tx, team.id, c.id);
  const toPlace = m.machineId !== null || m.hostId !== null;
  if (from && toPlace && from.machineId === m.machineId && from.hostId === m.hostId && from.place === m.place)
    refuse('machineId', 'That is where it is.');
  if (!from && !toPlace) return;
  const machines = [
    from ? await machineOfPlace(tx, team.id, from) : null,
    await machineOfPlace(tx, team.id, m)
  ].filter((x): x is string => x !== null);
  const read = toPlace ? machines.at(-1) : machines[0];
  if (read) await readAtMove(w, read, m.reading, m.day, 'reading');
  const at = await momentOfMove(tx, team, machines, m.day, now);
  if (from) await close(w, from, at, m.reason);
  if (toPlace) {
    const other = await occupant(tx, team.id, c.kind, m);
    if (other) await close(w, other, at, m.reason);
    await open(tx, team.id, personId, {
      id: m.id,
      componentId: c.id,
      kind: c.kind,
      machineId: m.machineId,
      hostId: m.hostId,
      place: m.place,
      at,
      reason: m.reason
    });
    await afterNewWheel(w, { ...m, kind: c.kind });
  }
}

/** Two components of a kind change places between two machines, in one action. */
export async function swapComponents(w: Write, s: SwapInput): Promise<void> {
  const { tx, team, personId, now } = w;
  const a = await useComponent(tx, team.id, s.componentId);
  const b = await useComponent(tx, team.id, s.withId, 'withId');
  if (a.kind !== b.kind) refuse('withId', `A ${a.kind} cannot change places with a ${b.kind}.`);
  refuseDay(s.day, team.timeZone, now);
  const [fa, fb] = [await openFitting(tx, team.id, a.id), await openFitting(tx, team.id, b.id)];
  if (!fa || !fb) refuse(fa ? 'withId' : '', 'It is on the shelf. Fit it instead of swapping it.');
  const [ma, mb] = [await machineOfPlace(tx, team.id, fa!), await machineOfPlace(tx, team.id, fb!)];
  const machines = [ma, mb].filter((x): x is string => x !== null);
  if (ma) await readAtMove(w, ma, s.reading, s.day, 'reading');
  if (mb) await readAtMove(w, mb, s.withReading, s.day, 'withReading');
  const at = await momentOfMove(tx, team, machines, s.day, now);
  await close(w, fa!, at, s.reason);
  await close(w, fb!, at, s.reason);
  const to = (id: string, c: Component, f: OpenFitting) =>
    open(tx, team.id, personId, {
      id,
      componentId: c.id,
      kind: c.kind,
      machineId: f.machineId,
      hostId: f.hostId,
      place: f.place,
      at,
      reason: s.reason
    });
  await to(s.id, a, fb!);
  await to(crypto.randomUUID(), b, fa!);
  for (const f of [fa!, fb!]) await afterNewWheel(w, { ...f, kind: a.kind, day: s.day });
}

/** A rebuild: restarts the counts it is said to restart, with break-in. The component's own hours go on. */
export async function rebuild(w: Write, r: RebuildInput): Promise<void> {
  const { tx, team, personId, now } = w;
  const { kind } = await useComponent(tx, team.id, r.componentId);
  refuseDay(r.day, team.timeZone, now);
  const machineId = await machineOf(tx, team.id, r.componentId);
  const at = await momentOfMove(tx, team, machineId ? [machineId] : [], r.day, now);
  await tx`
    insert into rebuild (team_id, id, component_id, rebuilt_on, rebuilt_at, remark, created_by)
    values (${team.id}, ${r.id}, ${r.componentId}, ${r.day}, ${at}, ${r.remark}, ${personId})`;
  const on = await openFitting(tx, team.id, r.componentId);
  if (on) await afterNewWheel(w, { ...on, kind, day: r.day });
  // Only what it may restart: its own tasks, and those of what it sits in or of what sits in it.
  const may = new Set((await rebuildTasks(tx, team.id, r.componentId)).map((t) => t.id));
  if (r.taskIds.some((id) => !may.has(id)))
    refuse('taskIds', 'One of those tasks is not this component’s to restart.');
  await tx`
    insert into rebuild_task (team_id, rebuild_id, task_id)
    select team_id, ${r.id}, id from task where team_id = ${team.id} and id = any(${r.taskIds}) and retired_at is null`;
}

/** Scrapped: it comes off where it is and goes nowhere again; its history stays. */
export async function scrap(
  { tx, team, personId, now }: Write,
  { componentId, reason }: { componentId: string; reason: string }
): Promise<void> {
  const [c] = await tx`select scrapped_at from component where team_id = ${team.id} and id = ${componentId}`;
  if (!c) refuse('', 'That component is not in this team.');
  if (c!.scrapped_at) return;
  const from = await openFitting(tx, team.id, componentId);
  if (from) await close({ tx, team, personId }, from, now, reason);
  await tx`update component set scrapped_at = ${now}, scrapped_reason = ${reason} where team_id = ${team.id} and id = ${componentId}`;
}
