import type {
  ConfirmInput,
  CopySheetInput,
  ModificationInput,
  ModificationNoteInput
} from '../core/specs/form';
import { MODIFICATIONS, type Modification } from '../core/specs/changes';
import type { Figure, Sheet } from '../core/specs/sheet';
import type { Db } from './db';
import { refuseDay } from './moment';
import { refuse } from './refusal';
import { machineOfSheet, readSheet, sourceOf } from './specs';
import type { Write } from './write';

/**
 * Copies figures of one sheet to a sister machine, figure by figure and as unconfirmed: nobody has looked them up for that
 * machine. What that sheet holds already stays, and fasteners are matched by name.
 * @returns how many were copied, and how many were left because something stands there
 */
export async function copySheet(
  { tx, team, personId }: Write,
  c: CopySheetInput
): Promise<{ copied: number; left: number }> {
  if (c.fromMachineId === c.toMachineId) refuse('toMachineId', 'Pick another machine.');
  let copied = 0;
  for (const { id, figureId } of c.figures) {
    const [f] = await tx`
      select f.*, a.name as fastener from spec_figure f left join fastener a on a.team_id = f.team_id and a.id = f.fastener_id
      where f.team_id = ${team.id} and f.id = ${figureId} and f.machine_id = ${c.fromMachineId}`;
    if (!f) refuse('figures', 'That figure is not on that sheet.');
    let fastenerId: string | null = null;
    if (f!.fastener_id) {
      const [same] =
        await tx`select id from fastener where team_id = ${team.id} and machine_id = ${c.toMachineId} and lower(name) = lower(${f!.fastener})`;
      if (same) fastenerId = same.id;
      else {
        fastenerId = crypto.randomUUID();
        await tx`
          insert into fastener (team_id, id, machine_id, circuit, role, name, place, quantity, magnet, seal, head, thread, pattern, note, position, created_by)
          select team_id, ${fastenerId}, ${c.toMachineId}, circuit, role, name, '', quantity, magnet, seal, head, thread, pattern, '', position, ${personId}
          from fastener where team_id = ${team.id} and id = ${f!.fastener_id}`;
      }
    }
    const made = await tx`
      insert into spec_figure (team_id, id, machine_id, key, fastener_id, dimension, base, value, base_to, value_to, bound, unit, text, source_id, page, confidence, variant, copied_from, created_by)
      select team_id, ${id}, ${c.toMachineId}, key, ${fastenerId}, dimension, base, value, base_to, value_to, bound, unit, text, source_id, page, 'unconfirmed', '', ${c.fromMachineId}, ${personId}
      from spec_figure where team_id = ${team.id} and id = ${figureId}
        and not exists (select 1 from spec_figure t where t.team_id = ${team.id} and t.machine_id = ${c.toMachineId} and t.key = ${f!.key} and t.fastener_id is not distinct from ${fastenerId})
      on conflict do nothing returning id`;
    copied += made.length;
  }
  return { copied, left: c.figures.length - copied };
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

/** Figures in force on one sheet, with whether the other sheet holds such a figure already. */
export async function offeredFigures(
  sql: Db,
  teamId: string,
  fromMachineId: string,
  toMachineId: string
): Promise<(Figure & { fastener: string | null; taken: boolean })[]> {
  const [from, to] = [await readSheet(sql, teamId, fromMachineId), await readSheet(sql, teamId, toMachineId)];
  const nameIn = (sheet: Sheet, id: string | null) =>
    sheet.fasteners.find((f) => f.id === id)?.name.toLowerCase() ?? null;
  const there = new Set(to.figures.map((f) => `${f.key}/${nameIn(to, f.fastenerId)}`));
  return from.figures.map((f) => ({
    ...f,
    fastener: from.fasteners.find((x) => x.id === f.fastenerId)?.name ?? null,
    taken: there.has(`${f.key}/${nameIn(from, f.fastenerId)}`)
  }));
}
