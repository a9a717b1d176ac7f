import type { Db } from '../base/db';

export interface AuditRow {
  seq: number;
  kind: string;
  by: string;
  device: string;
  /** When it was done, by the device’s clock; and when it reached the server. */
  at: Date;
  receivedAt: Date;
  /** How far the device’s clock was ahead when it sent it, s; null: it did not say. */
  clockAheadS: number | null;
  /** When a name was taken out of it; null: it is as it was sent. */
  forgottenAt: Date | null;
  machines: string[];
  body: unknown;
}
export interface AuditFilter {
  machineId: string | null;
  personId: string | null;
  /** Those before this one; null: from the latest. */
  before: number | null;
}
const PAGE = 50;

/** Commands as they were carried out, the latest first, a page at a time: of a team, of a machine, of a person. */
export async function listAudit(
  sql: Db,
  teamId: string,
  { machineId, personId, before }: AuditFilter
): Promise<{ rows: AuditRow[]; older: number | null }> {
  const rows = (await sql`
    select c.seq::float as seq, c.kind, p.name as by, c.device, c.at, c.received_at as "receivedAt", c.clock_ahead_s as "clockAheadS", c.forgotten_at as "forgottenAt", c.body,
      coalesce((select array_agg(m.plate order by m.plate) from machine m where m.team_id = c.team_id and m.id = any(c.machines)), '{}') as machines
    from command c join person p on p.team_id = c.team_id and p.id = c.person_id
    where c.team_id = ${teamId}
      ${machineId === null ? sql`` : sql`and c.machines @> array[${machineId}::uuid]`}
      ${personId === null ? sql`` : sql`and c.person_id = ${personId}`}
      ${before === null ? sql`` : sql`and c.seq < ${before}`}
    order by c.seq desc limit ${PAGE + 1}`) as unknown as AuditRow[];
  const page = rows.slice(0, PAGE);
  return { rows: page, older: rows.length > PAGE ? page.at(-1)!.seq : null };
}
