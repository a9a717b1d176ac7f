import { ownerSheet, sinceDay, type OwnerFacts, type OwnerSheet } from '../../core/owner/sheet';
import type { Kind } from '../../core/machine/machine';
import { asked } from '../../core/round/lists';
import { figuresInWords } from '../../core/record/figures';
import { roundStand } from '../../core/round/stand';
import { nearestFirst, tasksDue } from '../../core/schedule/due';
import { leftInWords, likelyPhrase } from '../../core/schedule/words';
import type { Team } from '../../core/team/team';
import { addDays, dayOf, type Day } from '../../core/time/day';
import { machineNow } from '../../core/trail/lane';
import type { Db } from '../base/db';
import { listFindings } from '../finding/findings';
import { listRecords } from '../record/records';
import { readTeamChecks } from '../round/checks';
import { bandsOf, givenIn } from '../round/sheet';
import { readCalendar, readStandings } from '../trail/lanes';

/** A season's worth; what is older is in the records. */
const LOOKED_AT = 60;
const USUALLY_BACK = 90;
const PRESSING = ['past limit', 'past due'];

/** What the owner of a machine is told: what was done, found and advised since a day, and what comes next. */
export async function ownerSheetOf(
  sql: Db,
  team: Team,
  machine: { id: string; kind: Kind },
  asked: Day | null,
  now: Date
): Promise<OwnerSheet & { today: Day; hours: number | null }> {
  const today = dayOf(now, team.timeZone);
  const since = sinceDay(asked, today, addDays(today, -USUALLY_BACK));
  const [[standing], calendar, records, findings, rounds, photos] = await Promise.all([
    readStandings(sql, team, [machine.id]),
    readCalendar(sql, team.id, today),
    listRecords(sql, team.id, machine.id, null, LOOKED_AT),
    listFindings(sql, team.id, { machineId: machine.id }, LOOKED_AT),
    sql`
      select id, done_at from machine_round
      where team_id = ${team.id} and machine_id = ${machine.id} and list = 'ready' and struck_at is null and done_at is not null order by done_at desc limit 1`,
    sql`
      select x.id, x.taken_at, coalesce(f.what, s.content->>'title', '') as words from photo x
      left join finding f on f.team_id = x.team_id and f.id = x.finding_id
      left join visit_step s on s.team_id = x.team_id and s.visit_id = x.visit_id and s.key = x.step_key
      where x.team_id = ${team.id} and x.machine_id = ${machine.id} order by x.taken_at desc limit 20`
  ]);
  const nowOf = machineNow(standing!, calendar.of(machine.id), today);
  const facts: OwnerFacts = {
    today,
    since,
    records: records.map((r) => ({
      what: r.content?.title || r.task,
      part: r.part,
      day: r.doneOn,
      hours: r.hours,
      machineHours: r.machineHours,
      remark: r.remark,
      figures: r.content ? figuresInWords(r.content) : []
    })),
    findings: [
      // What is open goes where its component goes; what was closed was closed on this machine.
      ...standing!.findings.map((f) => ({ ...f, closed: null })),
      ...findings.flatMap((f) => (f.closed ? [{ ...f, closed: { ...f.closed, how: f.closedHow } }] : []))
    ],
    tasks: tasksDue(standing!.tasks, nowOf)
      .sort(nearestFirst)
      .map((d) => ({
        name: d.task.name,
        left: leftInWords(d),
        likely: likelyPhrase(d.likely, today),
        state: PRESSING.includes(d.state) ? 'pressing' : d.state === 'unknown' ? 'unknown' : 'coming'
      })),
    round: rounds[0]
      ? await roundOf(sql, team, machine, rounds[0] as unknown as { id: string; done_at: Date })
      : null,
    photos: photos.map((p) => ({
      id: p.id as string,
      words: p.words as string,
      day: dayOf(p.taken_at as Date, team.timeZone)
    }))
  };
  return { ...ownerSheet(facts), today, hours: standing!.total };
}

async function roundOf(
  sql: Db,
  team: Team,
  machine: { id: string; kind: Kind },
  round: { id: string; done_at: Date }
): Promise<OwnerFacts['round']> {
  const checks = asked((await readTeamChecks(sql, team.id)).checks, machine.kind, 'ready');
  const [given, bands] = await Promise.all([
    givenIn(sql, team.id, round.id),
    bandsOf(sql, team.id, machine.id, checks)
  ]);
  const stand = roundStand(checks, given, bands);
  return {
    day: dayOf(round.done_at, team.timeZone),
    checks: stand.items.length - stand.open.length,
    wrong: stand.wrong.length
  };
}
