import type { Band } from '../../core/quantity/band';
import { quantity, type Quantity } from '../../core/quantity/quantity';
import { chainRules, wantedNow } from '../../core/chain/sheet';
import { USUAL_DRIVE } from '../../core/chain/drive';
import { foundInWords } from '../../core/fasteners/found';
import type { Kind } from '../../core/machine/machine';
import { gaugeOf, type Check, type List } from '../../core/round/check';
import { bandOfGauge } from '../../core/round/gauge';
import { asked, AS_IT_CAME } from '../../core/round/lists';
import type { RoundSheet } from '../../core/round/sheet';
import type { Given } from '../../core/round/stand';
import { readAnswerKept } from '../../core/round/stored';
import { torqueChecks } from '../../core/round/torque';
import { figureKind, figureOf, type Figure } from '../../core/specs/sheet';
import { driveOf } from '../chain/checks';
import type { Db } from '../base/db';
import { readTeamChecks } from './checks';
import { readRules } from '../rules/rules';
import { sparesOf } from './filters';
import { listFigures, readSheet } from '../specs/sheet';
import { readToolbox } from '../stores/stores';

/** Everything a list may ask of a machine, with what its sheet says of each. */
export interface Askable {
  checks: readonly Check[];
  bands: Record<string, Band | null>;
  /** By check, what the sheet says in words that is wanted while looking; null: it does not say. */
  shown: RoundSheet['shown'];
  missing: string[];
}
/**
 * What may be answered on a list of a machine, whatever kind it is now said to be.
 *
 * @param roundId the round that is answered: what it found loose itself is not “before”
 */
export async function askable(
  sql: Db,
  teamId: string,
  machineId: string,
  list: List,
  roundId: string | null
): Promise<Askable> {
  if (list !== 'torque') {
    const { checks } = await readTeamChecks(sql, teamId);
    // What a team does not check any more may still come in from a device that was away.
    const known = new Set(checks.map((c) => c.key));
    const all = [...checks, ...AS_IT_CAME.filter((c) => !known.has(c.key)).map((c) => ({ ...c, off: true }))];
    const figures = await currentFigures(sql, teamId, machineId);
    const bands = await bandsOf(sql, teamId, machineId, all, figures);
    return { checks: all, bands, shown: shownOf(all, figures), missing: [] };
  }
  const [sheet, loose] = await Promise.all([
    readSheet(sql, teamId, machineId),
    looseBefore(sql, teamId, machineId, roundId)
  ]);
  return { ...torqueChecks(sheet, loose), shown: {} };
}

const currentFigures = async (sql: Db, teamId: string, machineId: string): Promise<Figure[]> =>
  (await listFigures(sql, teamId, machineId)).filter((f) => !f.superseded);

function shownOf(checks: readonly Check[], figures: readonly Figure[]): RoundSheet['shown'] {
  const shown: RoundSheet['shown'] = {};
  for (const c of checks)
    if (c.how !== 'torque' && c.shows)
      shown[c.key] = {
        label: figureKind(c.shows).label,
        words: figureOf({ figures: [...figures], fasteners: [] }, c.shows)?.text ?? null
      };
  return shown;
}

/** How often each fastener of a machine was found loose: by the last word of an earlier round, or at the bench. */
async function looseBefore(
  sql: Db,
  teamId: string,
  machineId: string,
  roundId: string | null
): Promise<Record<string, number>> {
  const rows = await sql`
    select id, count(*)::int as n from (
      select check_key as id from (
        select distinct on (a.round_id, a.check_key) a.check_key, a.content->>'choice' as choice from round_answer a
        join machine_round r on r.team_id = a.team_id and r.id = a.round_id
        where a.team_id = ${teamId} and r.machine_id = ${machineId} and r.list = 'torque' and r.struck_at is null and r.id is distinct from ${roundId}
        order by a.round_id, a.check_key, a.at desc, a.seq desc) last
      where choice = 'loose'
      union all
      select fastener_id::text from finding
      where team_id = ${teamId} and machine_id = ${machineId} and cause = 'fastener' and fastener_id is not null
        and what like ${`%${foundInWords('', 'loose', false)}%`}
    ) found group by id`;
  return Object.fromEntries(rows.map((r) => [r.id as string, r.n as number]));
}

/** What the sheet says of each check that is measured. */
export async function bandsOf(
  sql: Db,
  teamId: string,
  machineId: string,
  checks: readonly Check[],
  known: readonly Figure[] | null = null
): Promise<Record<string, Band | null>> {
  const measured = checks.flatMap((c) => {
    const gauge = gaugeOf(c);
    return gauge ? [{ key: c.key, gauge }] : [];
  });
  if (measured.length === 0) return {};
  const figures = [...(known ?? (await currentFigures(sql, teamId, machineId)))];
  const bands: Record<string, Band | null> = {};
  const sheet = { figures, fasteners: [] };
  for (const { key, gauge } of measured)
    bands[key] = bandOfGauge(gauge, gauge.figure ? (figureOf(sheet, gauge.figure)?.band ?? null) : null);
  const slack = measured.filter((m) => m.gauge.figure === 'chain slack');
  if (slack.length > 0) {
    // However its manual tells it, half-way up or in fingers: the chain sheet turns it into a total.
    const drive = (await driveOf(sql, teamId, machineId)) ?? USUAL_DRIVE;
    const wanted = wantedNow({ figures, drive, rules: chainRules(await readRules(sql, teamId, machineId)) });
    const mm = (n: number | null) => (n === null ? null : quantity(Number(n.toFixed(1)), 'mm'));
    for (const { key } of slack) bands[key] = wanted && { from: mm(wanted.lo), to: mm(wanted.hi) };
  }
  return bands;
}

export async function givenIn(sql: Db, teamId: string, roundId: string): Promise<Given[]> {
  const rows = await sql`
    select a.id, a.content, a.at, p.name as by from round_answer a join person p on p.team_id = a.team_id and p.id = a.by
    where a.team_id = ${teamId} and a.round_id = ${roundId} order by a.at, a.seq`;
  return rows.map((r) => ({
    ...readAnswerKept(r.content),
    id: r.id as string,
    by: r.by as string,
    at: (r.at as Date).getTime()
  }));
}

/** What of it a machine of a kind is asked for, without what it was last said to have none of. */
export async function checksFor(
  sql: Db,
  teamId: string,
  machineId: string,
  kind: Kind,
  list: List,
  { checks }: Pick<Askable, 'checks'>
): Promise<{ checks: Check[]; none: Check[]; last: Record<string, Quantity> }> {
  const latest = await sql`
    select distinct on (a.check_key) a.check_key, a.content from round_answer a
    join machine_round r on r.team_id = a.team_id and r.id = a.round_id
    where a.team_id = ${teamId} and r.machine_id = ${machineId} and r.struck_at is null
      and r.id in (select id from machine_round where team_id = ${teamId} and machine_id = ${machineId} and struck_at is null order by begun_at desc limit 20)
    order by a.check_key, a.at desc, a.seq desc`;
  const said = new Map(latest.map((r) => [r.check_key as string, readAnswerKept(r.content)]));
  const all = asked(checks, kind, list);
  const isNone = (c: Check) => said.get(c.key)?.said === 'none';
  const last: Record<string, Quantity> = {};
  for (const [key, a] of said) {
    const q = a.set ?? a.found;
    if (q) last[key] = q;
  }
  return { checks: all.filter((c) => !isNone(c)), none: all.filter(isNone), last };
}

/** The round of a machine: the one that stands open, or else the latest. */
export async function roundSheet(
  sql: Db,
  teamId: string,
  machine: { id: string; kind: Kind },
  list: List
): Promise<RoundSheet> {
  const [[round], open] = await Promise.all([
    sql`
      select r.id, r.begun_at as "begunAt", r.done_at as "doneAt", r.done_hours as "doneHours", p.name as by
      from machine_round r join person p on p.team_id = r.team_id and p.id = r.begun_by
      where r.team_id = ${teamId} and r.machine_id = ${machine.id} and r.list = ${list} and r.struck_at is null
      order by r.done_at is not null, r.done_at desc limit 1`,
    sql`
      select id, check_key as check, what, round_id as "roundId" from finding
      where team_id = ${teamId} and machine_id = ${machine.id} and check_key is not null and closed_at is null order by found_at desc`
  ]);
  const may = await askable(sql, teamId, machine.id, list, (round?.id as string | undefined) ?? null);
  const [{ checks, none, last }, answers, box, spares] = await Promise.all([
    checksFor(sql, teamId, machine.id, machine.kind, list, may),
    round ? givenIn(sql, teamId, round.id as string) : [],
    list === 'torque' ? readToolbox(sql, teamId) : null,
    list === 'torque' ? null : sparesOf(sql, teamId, machine.id)
  ]);
  const bands = Object.fromEntries([...checks, ...none].map((c) => [c.key, may.bands[c.key] ?? null]));
  return {
    machineId: machine.id,
    kind: machine.kind,
    list,
    round: (round as unknown as RoundSheet['round']) ?? null,
    checks,
    bands,
    shown: may.shown,
    spares,
    answers,
    last,
    none,
    open: open as unknown as RoundSheet['open'],
    torque: box && { wrenches: [...box.wrenches], adapters: [...box.adapters], missing: may.missing }
  };
}
