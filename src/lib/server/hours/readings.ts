import { z } from 'zod';
import type { Logged, RowAnswer } from '../../core/schedule/logged';
import { errorsByField, id } from '../../core/forms';
import { afterEntry, decideReading, type Around } from '../../core/hours/entry';
import { readingSchema, type ReadingInput } from '../../core/hours/form';
import { showHours } from '../../core/hours/hours';
import { readingInWords } from '../../core/hours/words';
import type { Lane } from '../../core/trail/lane';
import { loadAround, writeEntries, type Taken } from './reading-rows';
import { allOver, type Tx } from '../base/db';
import { refuseDay } from '../base/moment';
import { writeOutings } from './outings';
import { refusalOf } from '../base/problems';
import { Refusal } from '../base/refusal';
import { becameDue, lanesOf } from '../trail/lanes';
import { heldMachine, type Write } from '../book/under-way';

type One = { w: Write; input: ReadingInput };

/**
 * Writes down readings of one machine, or time ridden, and the outings they came from: each by itself, in the order given. A
 * doubtful one is refused with its doubts until it is settled; a settlement is carried out with it: the wrong earlier one
 * struck out, the new meter begun.
 *
 * @returns for each what is said of it, the same for all; or why it is refused, with `more.doubts` when it wants settling
 */
export async function logReadings(list: readonly One[]): Promise<((() => Promise<Logged>) | Refusal)[]> {
  const { w, input } = list[0]!;
  // Begun first, so that it sees the book as it was; waited for with the rest.
  const [[before = null], refusals] = await allOver([
    lanesOf(w.tx, w.team, [input.machineId], w.now),
    takeEach(list)
  ]);
  let said: Promise<Logged> | null = null;
  return refusals.map((refusal) => refusal ?? (() => (said ??= logged(w, input.machineId, before))));
}

/** What readings of one machine brought: its running hours, and what has become due. Asked once the standing is made anew. */
async function logged(w: Write, machineId: string, before: Lane | null): Promise<Logged> {
  const [after] = await lanesOf(w.tx, w.team, [machineId], w.now);
  return {
    machineId,
    plate: heldMachine(w, machineId).plate,
    total: after?.total === null || after === undefined ? 'not known' : `${showHours(after.total)} h`,
    due: after ? becameDue(before, after) : []
  };
}

/** The machines of pasted rows that are the team's; rows of others are refused each by itself. */
export async function machinesOfRows(tx: Tx, teamId: string, rows: readonly unknown[]): Promise<string[]> {
  const named = rows.flatMap((row) => {
    const parsed = z.object({ machineId: id }).safeParse(row);
    return parsed.success ? [parsed.data.machineId] : [];
  });
  const there =
    await tx`select id from machine where team_id = ${teamId} and id = any(${[...new Set(named)]})`;
  return there.map((m) => m.id as string);
}

/**
 * Writes down many readings at once, as pasted or imported: each is taken or refused by itself, under the same rules as one,
 * in the order they were ridden. A row that is in the book already is taken as it is.
 * @returns what became of each row, in the order given
 */
export async function pasteReadings(w: Write, { rows }: { rows: readonly unknown[] }): Promise<RowAnswer[]> {
  const answers: RowAnswer[] = rows.map(() => ({ ok: true }));
  const good: { at: number; input: ReadingInput }[] = [];
  for (const [at, row] of rows.entries()) {
    const parsed = readingSchema.safeParse(row);
    if (parsed.success) good.push({ at, input: parsed.data });
    else answers[at] = { ok: false, errors: errorsByField(parsed.error), more: {} };
  }
  const known = await w.tx`
    select id from reading where team_id = ${w.team.id} and id = any(${good.map((g) => g.input.id)})
    union select id from outing where team_id = ${w.team.id} and id = any(${good.map((g) => g.input.id)})`;
  const there = new Set(known.map((k) => k.id as string));
  good.sort((a, b) => (a.input.day < b.input.day ? -1 : a.input.day > b.input.day ? 1 : a.at - b.at));
  const fresh = good.filter(({ input }) => !there.has(input.id) && there.add(input.id));
  const refusals = await takeEach(fresh.map(({ input }) => ({ w, input })));
  for (const [i, refusal] of refusals.entries())
    if (refusal) answers[fresh[i]!.at] = { ok: false, errors: refusal.errors, more: refusal.more };
  return answers;
}

/** Writes a mere reading within another write; what is odd about it is said at that form's own field. */
export async function writeReading(w: Write, input: ReadingInput, field: string): Promise<void> {
  const [refusal] = await takeEach([{ w, input }]);
  if (!refusal) return;
  throw refusal.errors.typed ? new Refusal({ [field]: refusal.errors.typed }) : refusal;
}

/**
 * Takes or refuses each, in the order given, and writes down all that are taken. Where the database refuses one of them (a
 * rider who is not there), they are written one by one, so that it takes nothing back of the others.
 */
async function takeEach(list: readonly One[]): Promise<(Refusal | null)[]> {
  if (list.length === 0) return [];
  const { tx, team, now } = list[0]!.w;
  const around = await loadAround(
    tx,
    team,
    list.map((one) => one.input),
    now
  );
  const taken: (Taken & { w: Write })[] = [];
  const refusals = list.map(({ w, input }): Refusal | null => {
    const decided = decide(w, input, around.get(input.machineId)!);
    if (decided instanceof Refusal) return decided;
    around.set(input.machineId, afterEntry(around.get(input.machineId)!, decided.entry));
    taken.push({ ...decided, w });
    return null;
  });
  if (taken.length === 0) return refusals;
  const error = await written(taken);
  if (!error) return refusals;
  if (list.length === 1) return [error];
  const each: (Refusal | null)[] = [];
  for (const one of list) each.push(...(await takeEach([one])));
  return each;
}

function decide(w: Write, input: ReadingInput, around: Around): Taken | Refusal {
  try {
    heldMachine(w, input.machineId, 'machineId');
    refuseDay(input.day, w.team.timeZone, w.now);
  } catch (e) {
    if (e instanceof Refusal) return e;
    throw e;
  }
  const decision = decideReading(input, around, w.now, () => crypto.randomUUID());
  if (decision.ok) return { input, entry: decision.entry, personId: w.personId };
  const { field, message, more } = readingInWords(decision.problem);
  return new Refusal({ [field]: message }, more);
}

/** Writes all of them. @returns what the database has against it; nothing of them is then written */
async function written(taken: readonly (Taken & { w: Write })[]): Promise<Refusal | null> {
  const { tx, team } = taken[0]!.w;
  try {
    await tx.savepoint(async (all) => {
      // In this order, without waiting in between: what a reading came from is there before it.
      await allOver([writeOutings(all, team, taken), writeEntries(all, team.id, taken)]);
    });
    return null;
  } catch (e) {
    const refusal = refusalOf(e);
    if (!refusal) throw e;
    return refusal;
  }
}
