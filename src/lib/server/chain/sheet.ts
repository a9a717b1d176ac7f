import type { Row } from 'postgres';
import type { Reading, Stage } from '../../core/chain/check';
import { USUAL_DRIVE } from '../../core/chain/drive';
import { elongation } from '../../core/chain/elongation';
import { chainRules, type ChainSheet, type Part, type RanThrough } from '../../core/chain/sheet';
import { readDressing, readDrive, readLength, readLook } from '../../core/chain/stored';
import { totalAt, type Series } from '../../core/hours/series';
import { CONDITIONS } from '../../core/outing/outing';
import { keptRules } from '../../core/rules/stored';
import { figureKind } from '../../core/specs/kinds';
import type { Team } from '../../core/team/team';
import { dayOf } from '../../core/time/day';
import { loadBook } from '../book/load';
import type { Db } from '../base/db';
import { readRules } from '../rules/rules';
import { listFigures } from '../specs/sheet';

/** So much of the past is told and reckoned with: years of it, and no more as it grows. */
const CHECKS_KEPT = 100;
const ENTRIES_KEPT = 500;
const ms = (d: unknown): number => (d as Date).getTime();
const toHours = (c: number | null): number | null => (c === null ? null : c / 100);

/** The chain sheet of a machine: its drive, what was measured of it, and what the chain that is on ran through. */
export async function chainSheet(
  sql: Db,
  team: Pick<Team, 'id' | 'timeZone'>,
  machineId: string
): Promise<ChainSheet> {
  const [parts, drives, figures, house, checks, readings, entries] = await Promise.all([
    sql`
      select c.id, c.name, c.kind, f.place from fitting f join component c on c.team_id = f.team_id and c.id = f.component_id
      where f.team_id = ${team.id} and f.machine_id = ${machineId} and f.removed_at is null and c.kind in ('chain', 'sprockets')`,
    sql`select content from chain_drive where team_id = ${team.id} and machine_id = ${machineId}`,
    listFigures(sql, team.id, machineId),
    readRules(sql, team.id, machineId),
    sql`
      select c.*, p.name as by from chain_check c join person p on p.team_id = c.team_id and p.id = c.begun_by
      where c.team_id = ${team.id} and c.machine_id = ${machineId} and c.struck_at is null order by c.begun_at desc, c.id limit ${CHECKS_KEPT}`,
    sql`
      select r.*, p.name as by from (
        select team_id, id from chain_check where team_id = ${team.id} and machine_id = ${machineId} and struck_at is null
        order by begun_at desc, id limit ${CHECKS_KEPT}) c
      join chain_reading r on r.team_id = c.team_id and r.check_id = c.id join person p on p.team_id = r.team_id and p.id = r.by order by r.at, r.seq`,
    sql`
      select e.*, p.name as by from chain_entry e join person p on p.team_id = e.team_id and p.id = e.by
      where e.team_id = ${team.id} and (e.machine_id = ${machineId} or e.component_id in (
          select component_id from fitting where team_id = ${team.id} and machine_id = ${machineId} and removed_at is null and kind = 'chain'))
        and e.struck_at is null order by e.at desc, e.id limit ${ENTRIES_KEPT}`
  ]);
  const of = (kind: string, place: string): Part | null => {
    const p = parts.find((x) => x.kind === kind && x.place === place);
    return p ? { id: p.id, name: p.name } : null;
  };
  const chain = of('chain', '');
  const set = of('sprockets', '');
  const mine = entries.filter((e) => (e.component_id as string | null) === (chain?.id ?? null)).reverse();
  const owner = chain ? { machineId: null, componentId: chain.id } : { machineId, componentId: null };
  const ownerId = chain?.id ?? machineId;
  const moments = [...checks.map((c) => ms(c.begun_at)), ...mine.map((e) => ms(e.at))];
  const book = await loadBook(sql, team.id, {
    machineIds: chain ? [] : [machineId],
    componentIds: chain ? [chain.id] : [],
    moments: new Map([[ownerId, moments]])
  });
  const clock = book.clock(owner);
  const at = (series: Series | undefined, t: number) => (series ? totalAt(series, t) : null);
  const hoursAt = (t: number) => toHours(at(clock.hours, t));
  const groundAt = (ground: (typeof CONDITIONS)[number], t: number) =>
    (at(clock.strains[ground], t) ?? 0) / 100;
  const day = (d: unknown) => dayOf(d as Date, team.timeZone);
  const open = checks.find((c) => c.closed_at === null);
  const rules = chainRules({ ...house, ...(open ? keptRules.parse(open.rules) : {}) });
  const ofKind = (kind: string) => mine.filter((e) => e.kind === kind);
  const dressed = ofKind('dressing').at(-1);
  const ran = (from: number): RanThrough => {
    const [then, now] = [hoursAt(from), hoursAt(Infinity)];
    return {
      hours: then === null || now === null ? null : now - then,
      outings: (at(clock.outings, Infinity) ?? 0) - (at(clock.outings, from) ?? 0),
      grounds: CONDITIONS.flatMap((ground) => {
        const hours = groundAt(ground, Infinity) - groundAt(ground, from);
        return hours > 0 ? [{ ground, hours }] : [];
      })
    };
  };
  return {
    machineId,
    chain,
    front: of('sprockets', 'front') ?? set,
    rear: of('sprockets', 'rear') ?? set,
    drive: drives[0] ? readDrive(drives[0].content) : USUAL_DRIVE,
    known: drives.length > 0,
    figures: figures.filter((f) => !f.superseded && figureKind(f.key).section === 'Chain and final drive'),
    rules,
    check: open
      ? {
          id: open.id,
          begunAt: open.begun_at,
          by: open.by,
          readings: readingsOf(readings, open.id)
        }
      : null,
    past: checks
      .filter((c) => c.closed_at !== null)
      .map((c) => {
        const same = (c.component_id as string | null) === (chain?.id ?? null);
        return {
          id: c.id,
          day: day(c.begun_at),
          hours: same ? hoursAt(ms(c.begun_at)) : null,
          outings: same ? (at(clock.outings, ms(c.begun_at)) ?? 0) : 0,
          readings: readingsOf(readings, c.id),
          drive: readDrive(c.drive),
          by: c.by
        };
      }),
    lengths: ofKind('length').map((e) => {
      const kept = readLength(e.content);
      const hours = hoursAt(ms(e.at));
      return {
        ...kept,
        id: e.id,
        by: e.by,
        day: day(e.at),
        hours,
        outings: at(clock.outings, ms(e.at)) ?? 0,
        mud: groundAt('mud', ms(e.at)),
        sand: groundAt('sand', ms(e.at)),
        grown: elongation(kept.measured, kept.pitch, kept.pitches)
      };
    }),
    looks: ofKind('look')
      .map((e) => ({ ...readLook(e.content), id: e.id as string, day: day(e.at), by: e.by as string }))
      .reverse(),
    dressings: ofKind('dressing')
      .map((e) => ({
        ...readDressing(e.content),
        id: e.id as string,
        day: day(e.at),
        by: e.by as string,
        hours: hoursAt(ms(e.at))
      }))
      .reverse(),
    since: dressed ? ran(ms(dressed.at)) : null,
    hours: hoursAt(Infinity),
    outings: at(clock.outings, Infinity) ?? 0
  };
}

/** Figures with a decimal come as text. */
const num = (v: unknown): number | null => (v === null ? null : Number(v));
export function readingsOf(rows: readonly Row[], checkId: string): Reading[] {
  return rows
    .filter((r) => r.check_id === checkId)
    .map((r) => ({
      id: r.id,
      stage: r.stage as Stage,
      slack: Number(r.slack_mm),
      slackest: num(r.slackest_mm),
      left: num(r.left_mark),
      right: num(r.right_mark),
      typed: r.typed,
      by: r.by
    }));
}

/** The slack that a record, or the visit it is from, was written with; null where there was none. */
export async function slackOfRecord(
  sql: Db,
  teamId: string,
  record: { id: string; visitId: string | null }
): Promise<{ struck: string | null; readings: Reading[] } | null> {
  const [c] = await sql`
    select id, struck_reason from chain_check
    where team_id = ${teamId} and closed_at is not null and (record_id = ${record.id} or visit_id = ${record.visitId}) limit 1`;
  if (!c) return null;
  const rows = await sql`
    select r.*, p.name as by from chain_reading r join person p on p.team_id = r.team_id and p.id = r.by
    where r.team_id = ${teamId} and r.check_id = ${c.id} order by r.at, r.seq`;
  return { struck: c.struck_reason as string | null, readings: readingsOf(rows, c.id) };
}
