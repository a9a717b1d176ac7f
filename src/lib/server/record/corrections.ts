import type { z } from 'zod';
import {
  afterCorrection,
  amountIn,
  corrected,
  keptAmount,
  keptSeal,
  sealCorrected,
  sealIn,
  type AmountCorrection,
  type SealCorrection,
  type Correction,
  type correctionSchema
} from '../../core/record/correction';
import { readRecord, writeRecord } from '../../core/record/stored';
import type { Scope } from '../book/hold';
import type { Db, Tx } from '../base/db';
import { refuse } from '../base/refusal';
import type { Write } from '../book/under-way';

/** The machine a record belongs to is held, so that two corrections come one after the other. Nothing counted changes. */
export async function placeOfRecord(tx: Tx, teamId: string, id: string): Promise<Scope> {
  const [r] = await tx`select machine_id from service_record where team_id = ${teamId} and id = ${id}`;
  if (!r) refuse('', 'That record is not in this team.');
  return { machines: r!.machine_id ? [r!.machine_id as string] : [], counts: false };
}

/**
 * Puts a record right: the words stay beside it, and an amount is changed in every record of that visit that has it, since
 * the next drain is held against it. What went in or not is put right in the stores too.
 */
export async function correct(w: Write, c: z.output<typeof correctionSchema>): Promise<void> {
  const { tx, team, personId } = w;
  const rows = await tx`
    select r.id, r.content, r.visit_id, m.plate from service_record r
    left join machine m on m.team_id = r.team_id and m.id = r.machine_id
    where r.team_id = ${team.id} and (r.id = ${c.recordId}
      or r.visit_id = (select visit_id from service_record where team_id = ${team.id} and id = ${c.recordId}))
    order by r.id for no key update of r`;
  const amount = c.amount && amountOf(rows, c.recordId, c.amount);
  const seal = c.seal && sealOf(rows, c.seal);
  for (const r of rows) {
    if (r.content === null) continue;
    const record = readRecord(r.content);
    const now = seal ? sealCorrected(record, seal) : record;
    const right =
      amount && amountIn(now, amount.circuit, amount.what) !== undefined ? corrected(now, amount) : now;
    if (right !== record)
      await tx`
        update service_record set content = ${tx.json(writeRecord(right) as never)}
        where team_id = ${team.id} and id = ${r.id}`;
  }
  if (amount) {
    if (amount.what === 'poured') await follow(tx, team.id, rows, amount);
    const oil = oilOf(rows, amount.circuit);
    const more = amount.now - (amount.was ?? 0);
    if (amount.what === 'poured' && oil && more !== 0)
      await tx`
        insert into oil_movement (team_id, id, oil_id, ml, why, visit_id, by)
        select ${team.id}, ${crypto.randomUUID()}, id, ${-more}, ${`corrected: into ${rows[0]!.plate}, ${amount.circuit}`}, ${rows[0]!.visit_id}, ${personId}
        from oil where team_id = ${team.id} and id = ${oil}`;
  }
  await tx`
    insert into record_correction (team_id, id, record_id, words, amount, seal, created_at, created_by)
    values (${team.id}, ${c.id}, ${c.recordId}, ${c.words}, ${amount ? tx.json(amount as never) : null}, ${seal ? tx.json(seal as never) : null}, ${w.at}, ${personId})`;
}

/** The change after hangs on what went in: its record of what was used is put right with it. */
async function follow(tx: Tx, teamId: string, rows: Kept, amount: AmountCorrection): Promise<void> {
  const ids = rows.map((r) => r.id as string);
  const later = await tx`
    select n.id, n.content from service_record r
    cross join lateral (
      select n.id, n.content from service_record n
      where n.team_id = r.team_id and n.task_id = r.task_id and n.content is not null and not (n.id = any(${ids}))
        and (n.done_at, n.created_at, n.id) > (r.done_at, r.created_at, r.id)
      order by n.done_at, n.created_at, n.id limit 1) n
    where r.team_id = ${teamId} and r.id = any(${ids})`;
  for (const n of later)
    await tx`
      update service_record set content = ${tx.json(writeRecord(afterCorrection(readRecord(n.content), amount)) as never)}
      where team_id = ${teamId} and id = ${n.id}`;
}

type Kept = readonly { readonly [column: string]: unknown }[];

function amountOf(
  rows: Kept,
  recordId: string,
  amount: NonNullable<z.output<typeof correctionSchema>['amount']>
) {
  const own = rows.find((r) => r.id === recordId);
  const of = (r: Kept[number] | undefined) =>
    r?.content == null ? undefined : amountIn(readRecord(r.content), amount.circuit, amount.what);
  const was = of(own) ?? rows.map(of).find((x) => x !== undefined);
  if (was === undefined) return refuse('amount.circuit', 'That oil is not in this record.');
  if (was === amount.now) return refuse('amount.now', 'It says that already.');
  return { ...amount, was };
}

/** The washer or ring as the records of the visit have it. */
function sealOf(rows: Kept, { fastenerId, now }: Pick<SealCorrection, 'fastenerId' | 'now'>): SealCorrection {
  const there = rows
    .flatMap((r) => (r.content == null ? [] : [sealIn(readRecord(r.content), fastenerId)]))
    .find((f) => f !== undefined);
  if (!there) return refuse('seal.fastenerId', 'That one is not in this record.');
  if (there.seal === now) return refuse('seal.now', 'It says that already.');
  return { fastenerId, name: there.name, was: there.seal, now };
}

function oilOf(rows: Kept, circuit: string): string | null {
  for (const r of rows) {
    const id =
      r.content == null ? null : readRecord(r.content).circuits.find((c) => c.circuit === circuit)?.oil?.id;
    if (id) return id;
  }
  return null;
}

/** What was put right in a record and in the others of its visit, the first correction first. */
export async function correctionsOf(
  sql: Db,
  teamId: string,
  record: { id: string; visitId: string | null }
): Promise<Correction[]> {
  const rows = await sql`
    select c.id, c.words, c.amount, c.seal, c.created_at as at, p.name as by from record_correction c
    join service_record r on r.team_id = c.team_id and r.id = c.record_id
    join person p on p.team_id = c.team_id and p.id = c.created_by
    where c.team_id = ${teamId} and (r.id = ${record.id} or r.visit_id = ${record.visitId}) order by c.created_at, c.id`;
  return rows.map((r) => ({
    ...(r as unknown as Correction),
    amount: keptAmount.parse(r.amount),
    seal: keptSeal.parse(r.seal)
  }));
}
