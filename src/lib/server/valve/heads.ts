import type { GuideInput, HeadInput, SizesInput } from '../../core/valve/form';
import { valvesOf } from '../../core/valve/head';
import type { HeadRow } from '../../core/valve/sheet';
import { newHead, readHead, writeHead } from '../../core/valve/stored';
import type { Scope } from '../book/hold';
import type { Db, Tx } from '../base/db';
import { partOn } from '../component/fittings';
import { refuse } from '../base/refusal';
import { heldMachine, type Write } from '../book/under-way';

const rowOf = (r: Record<string, unknown>): HeadRow => ({
  ...readHead(r.content),
  id: r.id as string,
  machineId: r.machine_id as string | null,
  componentId: r.component_id as string | null,
  sheetMachineId: r.sheet_machine_id as string
});

/** The engine in a machine; null where none was named. */
export const engineIn = (sql: Db, teamId: string, machineId: string) =>
  partOn(sql, teamId, machineId, 'engine');

/** The head of the engine that is in a machine now; the machine's own where its engine was never named. */
export async function headIn(sql: Db, teamId: string, machineId: string): Promise<HeadRow | null> {
  const engine = await engineIn(sql, teamId, machineId);
  const [row] = engine
    ? await sql`select * from valve_head where team_id = ${teamId} and component_id = ${engine.id}`
    : await sql`select * from valve_head where team_id = ${teamId} and machine_id = ${machineId}`;
  return row ? rowOf(row) : null;
}

export async function getHead(sql: Db, teamId: string, id: string): Promise<HeadRow | null> {
  const [row] = await sql`select * from valve_head where team_id = ${teamId} and id = ${id}`;
  return row ? rowOf(row) : null;
}

/** A head that is written on. @throws Refusal where it is not in the team */
export async function useHead(tx: Db, teamId: string, id: string): Promise<HeadRow> {
  return (await getHead(tx, teamId, id)) ?? refuse('', 'That head is not in this team.');
}

/** What is held while a head is written on: its engine or its machine. Nothing counted changes. */
export async function placeOfHead(tx: Tx, teamId: string, headId: string): Promise<Scope> {
  const [h] =
    await tx`select machine_id, component_id from valve_head where team_id = ${teamId} and id = ${headId}`;
  if (!h) refuse('', 'That head is not in this team.');
  return {
    machines: h!.machine_id ? [h!.machine_id] : [],
    components: h!.component_id ? [h!.component_id] : [],
    counts: false
  };
}

/** Lays out the head of the engine in a machine, or anew. What was measured keeps its valves. */
export async function setHead(w: Write, h: HeadInput): Promise<string> {
  const { tx, team, personId } = w;
  heldMachine(w, h.machineId, 'machineId');
  const there = await headIn(tx, team.id, h.machineId);
  if (there) {
    const names = valvesOf(h.layout).map((v) => v.id);
    const [lost] = await tx`
      select r.valve from valve_reading r join valve_check c on c.team_id = r.team_id and c.id = r.check_id
      where c.team_id = ${team.id} and c.head_id = ${there.id} and not (r.valve = any(${names}))
      union select valve from valve_shim where team_id = ${team.id} and head_id = ${there.id} and not (valve = any(${names})) limit 1`;
    if (lost)
      refuse(
        'layout',
        'Valves that were measured would not be there any more. Another engine is another component: name it, and lay out its head.'
      );
    await save(tx, team.id, { ...there, layout: h.layout });
    return there.id;
  }
  const engine = await engineIn(tx, team.id, h.machineId);
  await tx`
    insert into valve_head (team_id, id, machine_id, component_id, sheet_machine_id, content, created_by)
    values (${team.id}, ${h.id}, ${engine ? null : h.machineId}, ${engine?.id ?? null}, ${h.machineId}, ${tx.json(writeHead(newHead(h.layout)) as never)}, ${personId})`;
  return h.id;
}

const save = (tx: Db, teamId: string, { id, layout, series, acrossUm, guide }: HeadRow) =>
  tx`update valve_head set content = ${tx.json(writeHead({ layout, series, acrossUm, guide }) as never)} where team_id = ${teamId} and id = ${id}`;

/** Says which shims fit a head, and how they are made. */
export async function setSizes({ tx, team }: Write, s: SizesInput): Promise<void> {
  await save(tx, team.id, { ...(await useHead(tx, team.id, s.headId)), series: s.sizes, acrossUm: s.across });
}

/** Writes down how top dead centre is found on this engine. */
export async function setGuide({ tx, team }: Write, { headId, ...guide }: GuideInput): Promise<void> {
  const head = await useHead(tx, team.id, headId);
  const all = guide.firing.length === 0 || guide.firing.length === head.layout.cylinders;
  if (!all) refuse('firing', `It has ${head.layout.cylinders} cylinders: each once.`);
  await save(tx, team.id, { ...head, guide });
}
