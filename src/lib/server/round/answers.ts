import { totalAt } from '../../core/hours/series';
import type { Kind } from '../../core/machine/machine';
import { readAnswer, type Answer } from '../../core/round/answer';
import { afterHeld } from '../../core/round/after';
import { triedInWords } from '../../core/round/torque';
import type { Check, Held, List } from '../../core/round/check';
import type { RoundAnswerInput, RoundStrikeInput } from '../../core/round/form';
import { asked } from '../../core/round/lists';
import { roundStand, soonerOf, TORQUE_TASK, type Stand } from '../../core/round/stand';
import { writeAnswer } from '../../core/round/stored';
import { dayOf } from '../../core/time/day';
import { loadBook } from '../book/load';
import type { Tx } from '../base/db';
import { settleRound, unsettleRound } from './filters';
import { closeFinding } from '../finding/findings';
import { proposeFrom } from '../schedule/proposals';
import { recordOfCheck } from '../schedule/check-record';
import { readRules } from '../rules/rules';
import { refuse, Refusal } from '../base/refusal';
import { closeAfter, raiseAfter } from '../finding/reminders';
import { askable, checksFor, givenIn, type Askable } from './sheet';
import { heldMachine, type Write } from '../book/under-way';

/** The machine a round is of. @throws Refusal where the team has none such */
export async function machineOfRound(tx: Tx, teamId: string, roundId: string): Promise<string> {
  const [r] =
    await tx`select machine_id as id from machine_round where team_id = ${teamId} and id = ${roundId}`;
  return (r ?? refuse('', 'That round is not in this team.')).id as string;
}

/**
 * Writes down checks that were answered. The first begins a round; who checks the same machine from another device answers in the
 * round that stands open; the last one makes it done. What is wrong is a finding at once, and what is put right closes it.
 * @returns the round they went into
 */
export async function answerRound(w: Write, r: RoundAnswerInput): Promise<string> {
  const { tx, team, personId, at } = w;
  heldMachine(w, r.machineId, 'machineId');
  const [machine] = await tx`select kind from machine where team_id = ${team.id} and id = ${r.machineId}`;
  const kind = machine!.kind as Kind;
  const there = await answeredAlready(w, r);
  if (there) return there;
  const roundId = await roundFor(w, r);
  // What it was said to have none of, or what another kind has, may be looked at all the same.
  const may = await askable(tx, team.id, r.machineId, r.list, roundId);
  const read = readAll(r, may);
  const fresh: string[] = [];
  for (const { id, check, answer } of read) {
    const [made] = await tx`
      insert into round_answer (team_id, id, round_id, check_key, content, at, by)
      values (${team.id}, ${id}, ${roundId}, ${check.key}, ${tx.json(writeAnswer(answer) as never)}, ${at}, ${personId})
      on conflict do nothing returning id`;
    if (made) fresh.push(check.key);
  }
  const { checks } = await checksFor(tx, team.id, r.machineId, kind, r.list, may);
  const given = await givenIn(tx, team.id, roundId);
  // What it was just said to have none of is judged too: what was found wrong with it is over.
  const all = roundStand(asked(may.checks, kind, r.list), given, may.bands);
  const answered = { items: all.items.filter((i) => fresh.includes(i.check.key)) };
  await keepFindings(w, r.machineId, roundId, answered);
  await settleRound(w, r.machineId, roundId, answered);
  await proposeSooner(w, r.machineId, answered);
  await lookedAgain(w, r.machineId, roundId, answered);
  await keepStand(w, r.machineId, roundId, r.list, roundStand(checks, given, may.bands));
  return roundId;
}

/** The round that has every one of these answers: they come a second time. Null: something of them is new. */
async function answeredAlready({ tx, team }: Write, r: RoundAnswerInput): Promise<string | null> {
  const ids = r.answers.map((a) => a.id);
  const there = await tx`
    select id, round_id from round_answer where team_id = ${team.id} and id = any(${ids}::uuid[])`;
  return there.length === new Set(ids).size ? (there[0]!.round_id as string) : null;
}

/** What is left of a round; with nothing left it is done, at the hours the machine stood at when the last answer was given. */
async function keepStand(
  w: Write,
  machineId: string,
  roundId: string,
  list: List,
  stand: Stand
): Promise<void> {
  const { tx, team, personId, at } = w;
  await tx`
    update machine_round set checks = ${stand.items.length}, checks_left = ${stand.open.length}, minutes_left = ${stand.minutesLeft}
    where team_id = ${team.id} and id = ${roundId}`;
  if (stand.open.length > 0) return;
  const book = await loadBook(tx, team.id, {
    machineIds: [machineId],
    componentIds: [],
    moments: new Map([[machineId, [at.getTime()]]])
  });
  const hours = totalAt(book.clock({ machineId, componentId: null }).hours, at.getTime());
  const [over] = await tx`
    update machine_round set done_at = ${at}, done_by = ${personId}, done_hours = ${hours === null ? null : Math.round(hours)}
    where team_id = ${team.id} and id = ${roundId} and done_at is null returning id`;
  if (over && list === 'torque') await countTorqueRound(w, machineId, stand);
}

/** Reads every answer by this machine's sheet. @throws Refusal with what is wrong, by field */
function readAll(
  r: RoundAnswerInput,
  { checks, bands, shown }: Askable
): { id: string; check: Check; answer: Answer }[] {
  const errors: Record<string, string> = {};
  const read = r.answers.flatMap((typed, i) => {
    const check = checks.find((c) => c.key === typed.check);
    if (!check) {
      errors[`answers.${i}.check`] = 'There is no such check.';
      return [];
    }
    const one = readAnswer(check, bands[check.key] ?? null, typed, shown[check.key]?.words ?? null);
    if (one.ok) return [{ id: typed.id, check, answer: one.answer }];
    for (const [field, message] of Object.entries(one.errors)) errors[`answers.${i}.${field}`] = message;
    return [];
  });
  if (Object.keys(errors).length > 0) throw new Refusal(errors);
  return read;
}

/** The round that answers go into: the one that stands open, the latest one put right, or a new one. */
async function roundFor({ tx, team, personId, at }: Write, r: RoundAnswerInput): Promise<string> {
  const [open] = await tx`
    select id from machine_round where team_id = ${team.id} and machine_id = ${r.machineId} and list = ${r.list} and done_at is null and struck_at is null`;
  if (open) return open.id as string;
  const [same] = await tx`
    select r.machine_id, r.list, r.struck_at, not exists (select 1 from machine_round l
        where l.team_id = r.team_id and l.machine_id = r.machine_id and l.list = r.list and l.struck_at is null and l.begun_at > r.begun_at) as latest
    from machine_round r where r.team_id = ${team.id} and r.id = ${r.roundId}`;
  if (same) {
    if (same.machine_id !== r.machineId || same.list !== r.list || same.struck_at || !same.latest)
      refuse('', 'That round is over. What is looked at now belongs to a new one.');
    return r.roundId;
  }
  await tx`
    insert into machine_round (team_id, id, machine_id, list, begun_at, begun_by)
    values (${team.id}, ${r.roundId}, ${r.machineId}, ${r.list}, ${at}, ${personId})`;
  return r.roundId;
}

/** Findings of what was answered just now: made, changed with the answer, or closed by it. */
async function keepFindings(
  w: Write,
  machineId: string,
  roundId: string,
  answered: Pick<Stand, 'items'>
): Promise<void> {
  const { tx, team, personId, now } = w;
  for (const { check, judged } of answered.items) {
    if (!judged) continue;
    const [mine] = await tx`
      select id from finding where team_id = ${team.id} and round_id = ${roundId} and check_key = ${check.key} and closed_at is null`;
    const f = judged.finding;
    if (!f) {
      if (mine)
        await closeFinding(w, { findingId: mine.id as string, word: `In the same round: ${judged.words}` });
      continue;
    }
    if (mine) {
      await tx`
        update finding set what = ${f.what}, note = ${f.note}, severity = ${f.severity} where team_id = ${team.id} and id = ${mine.id}`;
      if (f.closed) await closeFinding(w, { findingId: mine.id as string, word: f.closed });
      continue;
    }
    const today = dayOf(now, team.timeZone);
    const fastenerId = check.how === 'torque' ? check.fastener.id : null;
    // What stands open already from an earlier round is not written twice, nor what was put right in this one.
    await tx`
      insert into finding (team_id, id, machine_id, fastener_id, cause, what, note, severity, found_on, found_at, created_by, round_id, check_key,
        closed_on, closed_at, closed_by, closed_word)
      select ${team.id}, ${crypto.randomUUID()}, ${machineId}, ${fastenerId}, 'round', ${f.what}, ${f.note}, ${f.severity}, ${today}, ${now}, ${personId},
        ${roundId}, ${check.key}, ${f.closed ? today : null}, ${f.closed ? now : null}, ${f.closed ? personId : null}, ${f.closed ?? ''}
      where not exists (select 1 from finding where team_id = ${team.id} and machine_id = ${machineId} and check_key = ${check.key} and what = ${f.what}
        and (closed_at is null or round_id = ${roundId} and ${f.closed !== null}))`;
  }
}

/** What was to be looked at again after an outing is done by its answer; what had moved is asked for once more. */
async function lookedAgain(
  w: Write,
  machineId: string,
  roundId: string,
  answered: Pick<Stand, 'items'>
): Promise<void> {
  for (const { check, answer, judged } of answered.items) {
    if (!answer || !judged || answer.said === 'none' || answer.said === 'passed over') continue;
    const of = check.how === 'torque' ? { fastenerId: check.fastener.id } : { check: check.key };
    await closeAfter(w, machineId, of, `In a round: ${judged.words}`);
    if (check.how === 'torque')
      await raiseAfter(
        w,
        machineId,
        afterHeld(check.title, check.fastener.id, answer.choice as Held),
        roundId
      );
  }
}

/** A torque round that is over is its task done, where the machine has one. */
async function countTorqueRound(w: Write, machineId: string, stand: Stand): Promise<void> {
  const { tx, team } = w;
  const remark = triedInWords(stand);
  // Passed over from the first to the last, nothing was done.
  if (remark === null) return;
  const [task] = await tx`
    select id from task where team_id = ${team.id} and machine_id = ${machineId} and retired_at is null and starts_with(lower(name), ${TORQUE_TASK.toLowerCase()})
    order by created_at, id limit 1`;
  if (!task) return;
  await recordOfCheck(w, task.id as string, {
    machineId,
    components: [],
    notMine: '',
    remark,
    rules: await readRules(tx, team.id, machineId),
    within: null
  });
}

/** What was dirty or dry proposes its task more often: on the machine or what is fitted to it, once at a time. */
async function proposeSooner(w: Write, machineId: string, stand: Pick<Stand, 'items'>): Promise<void> {
  const { tx, team, personId } = w;
  for (const { task, reason } of soonerOf(stand)) {
    const tasks = await tx`
      select id from task where team_id = ${team.id} and retired_at is null and starts_with(lower(name), ${task.toLowerCase()})
        and (machine_id = ${machineId} or component_id in (select component_id from placement where team_id = ${team.id} and machine_id = ${machineId}))
      order by created_at, id limit 1`;
    if (tasks[0]) await proposeFrom(tx, team.id, personId, tasks[0].id as string, null, reason);
  }
}

/** A round that does not count: it stays in the book, struck out, and what it found is over. */
export async function strikeRound(w: Write, s: RoundStrikeInput): Promise<void> {
  const { tx, team, personId, now } = w;
  const [r] = await tx`
    update machine_round set struck_at = ${now}, struck_by = ${personId}, struck_reason = ${s.reason}
    where team_id = ${team.id} and id = ${s.roundId} and struck_at is null returning done_at, machine_id`;
  // Only a round that was wrong takes its findings along; one that was merely left found what it found.
  if (!r || r.done_at === null) return;
  await unsettleRound(w, r.machine_id as string, s.roundId);
  // What it asked to be looked at again, it does not any more.
  await tx`
    update reminder set done_at = ${now}, done_by = ${personId}, done_word = ${`Struck out: ${s.reason}`}
    where team_id = ${team.id} and round_id = ${s.roundId} and done_at is null`;
  const found = await tx`
    select id from finding where team_id = ${team.id} and round_id = ${s.roundId} and closed_at is null`;
  for (const f of found)
    await closeFinding(w, { findingId: f.id as string, word: `Struck out: ${s.reason}` });
}
