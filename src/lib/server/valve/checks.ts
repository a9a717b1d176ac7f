import { isCold } from '../../core/valve/cold';
import type { MeasureInput, PlanChoiceInput, ShimReadInput } from '../../core/valve/form';
import { gaugeOf, isShimmed, valveName, valvesOf, type Valve } from '../../core/valve/head';
import { showUm } from '../../core/valve/limits';
import { disagree } from '../../core/valve/shim';
import type { HeadRow } from '../../core/valve/sheet';
import { oddSize } from '../../core/valve/stamp';
import { writeKeptPlan, writeMeasured } from '../../core/valve/stored';
import type { Scope } from '../book/hold';
import type { Tx } from '../base/db';
import { findOn } from '../finding/findings';
import { placeOfHead, useHead } from './heads';
import { refuse } from '../base/refusal';
import { readRules } from '../rules/rules';
import { ranBy } from './sheet';
import { idInBook } from '../base/visit-id';
import type { Write } from '../book/under-way';

/** A check as far as writing in it goes. */
export interface CheckRow {
  id: string;
  headId: string;
  machineId: string | null;
  visitId: string | null;
  closed: boolean;
  recordId: string | null;
}

/** What is held while a check is written in: its head's engine or machine. */
export async function placeOfCheck(tx: Tx, teamId: string, checkId: string): Promise<Scope> {
  const [c] = await tx`select head_id from valve_check where team_id = ${teamId} and id = ${checkId}`;
  if (!c) refuse('', 'That check is not in this team.');
  return placeOfHead(tx, teamId, c!.head_id);
}

export async function useCheck(tx: Tx, teamId: string, id: string): Promise<CheckRow> {
  const [c] = await tx`
    select id, head_id as "headId", machine_id as "machineId", visit_id as "visitId", closed_at is not null as closed, record_id as "recordId", struck_at is not null as struck
    from valve_check where team_id = ${teamId} and id = ${id} for no key update`;
  if (!c) refuse('', 'That check is not in this team.');
  if (c!.struck) refuse('', 'That check was struck out.');
  return c as unknown as CheckRow;
}
export async function useOpenCheck(tx: Tx, teamId: string, id: string): Promise<CheckRow> {
  const check = await useCheck(tx, teamId, id);
  if (check.closed) refuse('', 'That check is over. What is measured now belongs to a new one.');
  return check;
}

/** The machine a head is on now; null: on the shelf. */
export async function machineOfHead(tx: Tx, teamId: string, head: HeadRow): Promise<string | null> {
  if (head.machineId) return head.machineId;
  const [p] =
    await tx`select machine_id from placement where team_id = ${teamId} and component_id = ${head.componentId}`;
  return (p?.machine_id as string | undefined) ?? null;
}

export function useValve(head: Pick<HeadRow, 'layout'>, id: string, field: string): Valve {
  return valvesOf(head.layout).find((v) => v.id === id) ?? refuse(field, 'This head has no such valve.');
}

/**
 * Writes down what was measured. The first of it begins a check; who measures the same head from another device measures in
 * the check that stands open.
 * @returns the check it went into
 */
export async function measure(w: Write, m: MeasureInput): Promise<string> {
  const { tx, team, personId, at } = w;
  const head = await useHead(tx, team.id, m.headId);
  for (const [i, r] of m.readings.entries()) useValve(head, r.valve, `readings.${i}.valve`);
  const machineId = await machineOfHead(tx, team.id, head);
  const [open] = await tx`
    select id from valve_check where team_id = ${team.id} and head_id = ${head.id} and closed_at is null and struck_at is null`;
  const checkId = (open?.id as string | undefined) ?? m.checkId;
  if (!open) await begin(w, m, head, machineId);
  const found = await tx`
    select distinct valve from valve_reading where team_id = ${team.id} and check_id = ${checkId} and stage = 'found'`;
  const known = new Set([
    ...found.map((f) => f.valve as string),
    ...m.readings.filter((r) => r.stage === 'found').map((r) => r.valve)
  ]);
  for (const [i, r] of m.readings.entries()) {
    if (r.stage === 'left' && !known.has(r.valve))
      refuse(`readings.${i}.measured`, 'It was not measured as found: that comes first.');
    await tx`
      insert into valve_reading (team_id, id, check_id, valve, stage, content, at, by)
      values (${team.id}, ${r.id}, ${checkId}, ${r.valve}, ${r.stage}, ${tx.json(writeMeasured(r.measured) as never)}, ${at}, ${personId})`;
  }
  return checkId;
}

async function begin(w: Write, m: MeasureInput, head: HeadRow, machineId: string | null): Promise<void> {
  const { tx, team, personId, at, now } = w;
  const [used] = await tx`select 1 from valve_check where team_id = ${team.id} and id = ${m.checkId}`;
  if (used) refuse('', 'That check is over. What is measured now belongs to a new one.');
  const rules = await readRules(tx, team.id, machineId);
  if (m.cold === 'by the book') {
    const ran = machineId && (await ranBy(tx, team.id, machineId));
    if (!ran || !isCold(ran.getTime(), now.getTime(), rules.coldAfterHours))
      refuse('cold', 'The book does not know that it is stone cold. Feel the cylinder, and say so.');
  }
  let visitId: string | null = null;
  if (m.visitId !== null) {
    const [v] = await tx`
      select id, machine_id from visit
      where team_id = ${team.id} and id = ${idInBook(tx, team.id, m.visitId)} and closed_at is null and given_up_at is null`;
    if (v?.machine_id !== machineId) refuse('', 'That visit is over, or at another machine.');
    visitId = v!.id as string;
  }
  await tx`
    insert into valve_check (team_id, id, head_id, machine_id, visit_id, cold, rules, begun_at, begun_by)
    values (${team.id}, ${m.checkId}, ${head.id}, ${machineId}, ${visitId}, ${m.cold}, ${tx.json(rules as never)}, ${at}, ${personId})`;
}

/** Writes down which shim sits in a valve. Stamp and micrometer that do not agree are a finding. */
export async function readShim(w: Write, s: ShimReadInput): Promise<void> {
  const { tx, team, personId, at } = w;
  const head = await useHead(tx, team.id, s.headId);
  const valve = useValve(head, s.valve, 'valve');
  if (!isShimmed(gaugeOf(head.layout, valve.side))) refuse('valve', 'It has a screw and no shim.');
  for (const field of ['stamp', 'measured'] as const) {
    const odd = s[field] === null ? null : oddSize(s[field], head.series);
    if (odd) refuse(field, odd);
  }
  if (s.checkId !== null) {
    const check = await useCheck(tx, team.id, s.checkId);
    if (check.headId !== head.id) refuse('', 'That check is of another head.');
  }
  await tx`
    insert into valve_shim (team_id, id, head_id, check_id, valve, stamp, measured, why, at, by)
    values (${team.id}, ${s.id}, ${head.id}, ${s.checkId}, ${s.valve}, ${s.stamp}, ${s.measured}, 'read', ${at}, ${personId})`;
  if (disagree(s))
    await find(w, head, {
      what: `${valveName(head.layout, valve)}: shim stamped ${showUm(s.stamp!)} measures ${showUm(s.measured!)}`,
      note: 'More than 0.010 mm apart: worn, or another shim than its stamp says. The micrometer counts.',
      severity: 'watch'
    });
}

/** A finding on the engine. */
export async function find(
  w: Write,
  head: HeadRow,
  f: { what: string; note: string; severity: string; visitId?: string | null }
): Promise<void> {
  await findOn(
    w,
    { machineId: await machineOfHead(w.tx, w.team.id, head), componentId: head.componentId },
    f
  );
}

/** Keeps the plan that was settled on, or none any more. */
export async function settlePlan({ tx, team }: Write, p: PlanChoiceInput): Promise<void> {
  const check = await useOpenCheck(tx, team.id, p.checkId);
  const head = await useHead(tx, team.id, check.headId);
  for (const [i, f] of (p.plan?.fits ?? []).entries()) useValve(head, f.valve, `plan.fits.${i}.valve`);
  await tx`
    update valve_check set plan = ${p.plan ? tx.json(writeKeptPlan(p.plan) as never) : null} where team_id = ${team.id} and id = ${check.id}`;
}
