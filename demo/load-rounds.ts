import { readAnswer, untyped, type TypedAnswer } from '../src/lib/core/round/answer';
import { judgeAnswer } from '../src/lib/core/round/judge';
import { AS_IT_CAME, checksOf } from '../src/lib/core/round/lists';
import { writeAnswer } from '../src/lib/core/round/stored';
import { addDays, type Day } from '../src/lib/core/time/day';
import type { Db } from '../src/lib/server/base/db';
import { bandsOf } from '../src/lib/server/round/sheet';
import { at, DEMO_TEAM_ID, person, uid } from './ids';
import type { DemoMachine } from './machine';
import { MACHINES } from './machines';

const team_id = DEMO_TEAM_ID;

interface DemoRound {
  machine: string;
  ago: number;
  by: string;
  /** So many of its checks have an answer; without it all of them, and it is done. */
  answered?: number;
  /** It was ridden since: so many hundredths of an hour ago. */
  riddenSince?: number;
  /** What was not simply as it should be, by check. */
  but?: Record<string, Partial<TypedAnswer>>;
  /** With what its findings were closed; without it they stand open. */
  closed?: string;
}
const PIN = { said: 'wrong', note: 'footpeg pin loose', severity: 'fix now' } as const;
const ROUNDS: DemoRound[] = [
  {
    machine: 'gill300',
    ago: 41,
    by: 'jory',
    riddenSince: 900,
    but: { 'left-side': PIN },
    closed: 'Pin driven home.'
  },
  {
    machine: 'gill300',
    ago: 20,
    by: 'anwen',
    riddenSince: 420,
    but: { 'left-side': PIN },
    closed: 'New split pin.'
  },
  {
    machine: 'gill300',
    ago: 1,
    by: 'jory',
    but: { 'left-side': PIN, 'front-tyre': { found: '70', set: '90' } }
  },
  { machine: 'gill125', ago: 1, by: 'anwen' },
  { machine: 'rake250', ago: 0, by: 'jory' },
  { machine: 'scree450', ago: 6, by: 'jory', riddenSince: 260 },
  { machine: 'fell250', ago: 0, by: 'jory', answered: 9 }
];

/** A number that a check takes: the middle of its band, or something a gauge may show where the sheet has none. */
function usualNumber(key: string, bands: Awaited<ReturnType<typeof bandsOf>>): string {
  const band = bands[key];
  const [from, to] = [band?.from ?? band?.to, band?.to ?? band?.from];
  if (from && to) return `${Math.round((from.value + to.value) / 2)} ${from.unit}`;
  return key.includes('tyre') ? '85 kPa' : key === 'chain-slack' ? '40 mm' : '3 mm';
}

/** Rounds of the demo: done and held, done and ridden since, begun, and one that finds the same for the third time. */
export async function loadRounds(tx: Db, today: Day, now: Date): Promise<string[]> {
  for (const [n, r] of ROUNDS.entries()) {
    const machine = MACHINES.find((m) => m.slug === r.machine)!;
    const day = addDays(today, -r.ago);
    // Loaded early in the morning, today's were walked a moment ago.
    const begun = new Date(Math.min(at(day, 20 + n).getTime(), now.getTime() - (60 - n) * 60_000));
    await loadRound(tx, r, machine, uid(`${r.machine}/round/${n}`), begun, day);
  }
  return [...new Set(ROUNDS.map((r) => r.machine))];
}

async function loadRound(
  tx: Db,
  r: DemoRound,
  m: DemoMachine,
  id: string,
  begun: Date,
  found_on: Day
): Promise<void> {
  const machine_id = uid(m.slug);
  const by = person(r.by);
  const checks = checksOf(m.kind, 'ready');
  const bands = await bandsOf(tx, team_id, machine_id, AS_IT_CAME);
  const [standing] =
    await tx`select total from machine_standing where team_id = ${team_id} and machine_id = ${machine_id}`;
  const done = r.answered === undefined;
  const left = checks.slice(r.answered ?? checks.length);
  const done_hours = standing!.total === null ? null : (standing!.total as number) - (r.riddenSince ?? 0);
  const at = (minute: number) => new Date(begun.getTime() + minute * 60_000);
  await tx`insert into machine_round ${tx({ team_id, id, machine_id, list: 'ready', begun_at: begun, begun_by: by, checks: checks.length, checks_left: left.length, minutes_left: left.reduce((sum, c) => sum + c.minutes, 0), ...(done && { done_at: at(9), done_by: by, done_hours }) })}`;
  for (const [i, check] of checks.slice(0, r.answered ?? checks.length).entries()) {
    const typed: TypedAnswer = {
      ...untyped(check.key),
      found: check.how === 'measure' ? usualNumber(check.key, bands) : '',
      choice: check.how === 'choose' ? check.choices[0]!.word : '',
      count: check.how === 'count' ? '6' : '',
      ...r.but?.[check.key]
    };
    const read = readAnswer(check, bands[check.key] ?? null, typed);
    if (!read.ok) throw new Error(`${m.slug} ${check.key}: ${JSON.stringify(read.errors)}`);
    await tx`insert into round_answer ${tx({ team_id, id: uid(`${id}/${check.key}`), round_id: id, check_key: check.key, content: tx.json(writeAnswer(read.answer) as never) as never, at: at(i / 3), by })}`;
    const { finding } = judgeAnswer(check, read.answer, bands[check.key] ?? null);
    if (!finding) continue;
    const closed = r.closed && {
      closed_on: found_on,
      closed_at: at(30),
      closed_by: by,
      closed_word: r.closed
    };
    await tx`insert into finding ${tx({ team_id, id: uid(`${id}/finding/${check.key}`), machine_id, cause: 'round', what: finding.what, severity: finding.severity, note: finding.note, found_on, found_at: at(i / 3), created_by: by, round_id: id, check_key: check.key, ...closed })}`;
  }
}
