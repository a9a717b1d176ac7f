import type {
  ConfirmInput,
  CopySheetInput,
  ModificationInput,
  ModificationNoteInput
} from '../../core/specs/form';
import { MODIFICATIONS, type Modification } from '../../core/specs/changes';
import type { Db } from '../base/db';
import { refuseDay } from '../base/moment';
import { refuse } from '../base/refusal';
import { listFasteners, machineOfSheet, readSheet, sourceOf } from './sheet';
import type { Write } from '../book/under-way';

/**
 * Brings a sister machine's whole sheet over: its fasteners with their places and what lies behind what, and every figure in
 * force, as unconfirmed: nobody has looked it up for this machine. What this sheet holds already stays; fasteners are matched by
 * name.
 * @returns how many figures came over, and how many were left because something stands there
 */
export async function copySheet(
  { tx, team, personId }: Write,
  c: CopySheetInput
): Promise<{ copied: number; left: number }> {
  if (c.fromMachineId === c.toMachineId) refuse('fromMachineId', 'Pick another machine.');
  const from = await readSheet(tx, team.id, c.fromMachineId);
  if (from.figures.length + from.fasteners.length === 0) refuse('fromMachineId', 'Its sheet is empty.');
  const there = await listFasteners(tx, team.id, c.toMachineId);
  /** By the id a fastener has over there: its id here. */
  const here = new Map<string, string>();
  const fresh = from.fasteners.filter((f) => {
    const same = there.find((t) => t.name.toLowerCase() === f.name.toLowerCase());
    here.set(f.id, same?.id ?? crypto.randomUUID());
    return !same;
  });
  for (const f of fresh)
    await tx`
      insert into fastener (team_id, id, machine_id, circuit, role, name, place, quantity, magnet, seal, head, thread, pattern, lengths, comes_with, note, at_x, at_y, lean, oiled, adapter, position, created_by)
      select team_id, ${here.get(f.id)!}, ${c.toMachineId}, circuit, role, name, place, quantity, magnet, seal, head, thread, pattern, lengths, comes_with, note, at_x, at_y, lean, oiled, adapter, position, ${personId}
      from fastener where team_id = ${team.id} and id = ${f.id}`;
  for (const f of fresh.filter((x) => x.covers.length > 0)) {
    const covers = f.covers.flatMap((id) => here.get(id) ?? []);
    await tx`update fastener set covers = ${covers} where team_id = ${team.id} and id = ${here.get(f.id)!}`;
  }
  let copied = 0;
  for (const f of from.figures) {
    const fastenerId = f.fastenerId === null ? null : here.get(f.fastenerId)!;
    const made = await tx`
      insert into spec_figure (team_id, id, machine_id, key, fastener_id, dimension, base, value, base_to, value_to, bound, unit, text, source_id, page, confidence, variant, copied_from, created_by)
      select team_id, ${crypto.randomUUID()}, ${c.toMachineId}, key, ${fastenerId}, dimension, base, value, base_to, value_to, bound, unit, text, source_id, page, 'unconfirmed', '', ${c.fromMachineId}, ${personId}
      from spec_figure where team_id = ${team.id} and id = ${f.id}
        and not exists (select 1 from spec_figure t where t.team_id = ${team.id} and t.machine_id = ${c.toMachineId} and t.key = ${f.key} and t.fastener_id is not distinct from ${fastenerId})
      returning id`;
    copied += made.length;
  }
  return { copied, left: from.figures.length - copied };
}

/** An unconfirmed figure looked up for this machine and found the same: a new figure with its own source takes its place. */
export async function confirmFigure({ tx, team, personId }: Write, c: ConfirmInput): Promise<void> {
  const [later] =
    await tx`select id from spec_figure where team_id = ${team.id} and supersedes = ${c.figureId}`;
  if (later) {
    if (later.id !== c.id) refuse('', 'A later figure has taken its place already.');
    return;
  }
  await tx`
    insert into spec_figure (team_id, id, machine_id, key, fastener_id, dimension, base, value, base_to, value_to, bound, unit, text, source_id, page, confidence, variant, supersedes, created_by)
    select team_id, ${c.id}, machine_id, key, fastener_id, dimension, base, value, base_to, value_to, bound, unit, text, ${await sourceOf(tx, team.id, c.source, c.edition)}, ${c.page},
      ${c.confidence}, variant, id, ${personId}
    from spec_figure where team_id = ${team.id} and id = ${c.figureId}`;
}

export async function addModification(
  { tx, team, personId, now }: Write,
  m: ModificationInput
): Promise<void> {
  refuseDay(m.day, team.timeZone, now);
  await tx`
    insert into modification (team_id, id, machine_id, what, words, done_on, created_by)
    values (${team.id}, ${m.id}, ${m.machineId}, ${m.what}, ${m.words}, ${m.day}, ${personId})`;
}

/** A figure looked at again since a modification, or the modification taken back. */
export async function noteModification(
  { tx, team, personId }: Write,
  n: ModificationNoteInput
): Promise<void> {
  const [m] =
    await tx`select machine_id, done_on from modification where team_id = ${team.id} and id = ${n.modificationId}`;
  if (n.figureId && (await machineOfSheet(tx, team.id, 'spec_figure', n.figureId)) !== m!.machine_id)
    refuse('figureId', 'That figure is on another machine’s sheet.');
  if (n.figureId)
    await tx`insert into figure_check (team_id, figure_id, modification_id, checked_by) values (${team.id}, ${n.figureId}, ${n.modificationId}, ${personId}) on conflict do nothing`;
  if (n.undoneOn) {
    if (n.undoneOn < m!.done_on) refuse('undoneOn', 'It was not on yet then.');
    await tx`update modification set undone_on = ${n.undoneOn} where team_id = ${team.id} and id = ${n.modificationId} and undone_on is null`;
  }
}

/** What was changed on a machine, the latest first. */
export async function listModifications(
  sql: Db,
  teamId: string,
  machineId: string
): Promise<(Modification & { by: string; why: string })[]> {
  const rows = await sql`
    select m.id, m.what, m.words, m.done_on as day, m.undone_on as undone, p.name as by,
      array(select figure_id from figure_check c where c.team_id = m.team_id and c.modification_id = m.id) as checked
    from modification m join person p on p.team_id = m.team_id and p.id = m.created_by
    where m.team_id = ${teamId} and m.machine_id = ${machineId} order by m.done_on desc, m.created_at desc limit 100`;
  return rows.map((m) => ({
    ...(m as unknown as Modification & { by: string }),
    why: MODIFICATIONS[m.what]?.why ?? ''
  }));
}
