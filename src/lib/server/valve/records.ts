import { valveName, valvesOf } from '../../core/valve/head';
import { pastChecks, type RecordedValve } from '../../core/valve/history';
import type { ShimAt, Stage } from '../../core/valve/check';
import { readHead, readMeasured } from '../../core/valve/stored';
import type { Db } from '../base/db';

/** The check of the valves that a record, or the visit it is from, was written with; empty where there was none. */
export async function checkOfRecord(
  sql: Db,
  teamId: string,
  record: { id: string; visitId: string | null }
): Promise<{ struck: string | null; valves: RecordedValve[] } | null> {
  const [c] = await sql`
    select c.id, c.head_id, c.closed_at, c.struck_reason, h.content from valve_check c join valve_head h on h.team_id = c.team_id and h.id = c.head_id
    where c.team_id = ${teamId} and c.closed_at is not null and (c.record_id = ${record.id} or c.visit_id = ${record.visitId}) limit 1`;
  if (!c) return null;
  const [readings, shims] = await Promise.all([
    sql`select valve, stage, content from valve_reading where team_id = ${teamId} and check_id = ${c.id} order by at, seq`,
    sql`
      select valve, stamp, measured, why, check_id as "checkId", at from valve_shim where team_id = ${teamId} and head_id = ${c.head_id} order by at, seq`
  ]);
  const [past] = pastChecks(
    [{ id: c.id, day: '', hours: null, at: (c.closed_at as Date).getTime() }],
    readings.map((r) => ({
      checkId: c.id as string,
      valve: r.valve as string,
      stage: r.stage as Stage,
      measured: readMeasured(r.content)
    })),
    shims.map((s) => ({ ...(s as unknown as ShimAt), at: (s.at as Date).getTime() }))
  );
  const { layout } = readHead(c.content);
  return {
    struck: c.struck_reason as string | null,
    valves: valvesOf(layout).map((v) => ({
      name: valveName(layout, v),
      found: past!.found[v.id] ?? null,
      left: past!.left[v.id] ?? null,
      shim: past!.shims[v.id] ?? null,
      fitted: past!.fitted[v.id] ?? null
    }))
  };
}
