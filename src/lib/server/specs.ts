import type { FastenerChange, FastenerInput, FigureInput } from '../core/specs/form';
import { looksLikeWrongUnit, parseThread } from '../core/fasteners/stress';
import { parseQuantity } from '../core/quantity/parse';
import type { Quantity } from '../core/quantity/quantity';
import { parseRange } from '../core/quantity/range';
import { readGradeTable } from '../core/specs/changes';
import { figureKind, type Fastener, type Figure, type FigureKind, type Sheet } from '../core/specs/sheet';
import { implausible } from '../core/specs/plausible';
import type { Db, Tx } from './db';
import { refuse, Refusal } from './refusal';
import type { Write } from './write';

/** A figure with its place in history. */
export interface FigureRow extends Figure {
  supersedes: string | null;
  /** True when a later figure took its place. */
  superseded: boolean;
  by: string;
  on: Date;
  /** Plate of the sister machine it was copied from. */
  copiedFrom: string | null;
}

function quantityOf(r: Record<string, unknown>, end: '' | '_to' = ''): Quantity | null {
  return r.dimension === null || r[`base${end}`] === null
    ? null
    : ({ dimension: r.dimension, base: r[`base${end}`], value: r[`value${end}`], unit: r.unit } as Quantity);
}

/** Every figure of a machine's sheet, superseded ones too, the latest last. */
export async function listFigures(sql: Db, teamId: string, machineId: string): Promise<FigureRow[]> {
  const rows = await sql`
    select f.*, s.title, s.edition, p.name as by, m.plate as sister,
      exists (select 1 from spec_figure n where n.team_id = f.team_id and n.supersedes = f.id) as superseded
    from spec_figure f
    join spec_source s on s.team_id = f.team_id and s.id = f.source_id
    join person p on p.team_id = f.team_id and p.id = f.created_by
    left join machine m on m.team_id = f.team_id and m.id = f.copied_from
    where f.team_id = ${teamId} and f.machine_id = ${machineId} order by f.created_at, f.id`;
  return rows.map((r) => ({
    id: r.id,
    key: r.key,
    fastenerId: r.fastener_id,
    quantity: quantityOf(r),
    to: quantityOf(r, '_to'),
    text: r.text,
    source: r.edition ? `${r.title}, ${r.edition}` : r.title,
    page: r.page,
    confidence: r.confidence,
    variant: r.variant,
    supersedes: r.supersedes,
    superseded: r.superseded,
    by: r.by,
    on: r.created_at,
    copiedFrom: r.sister
  }));
}

export async function listFasteners(sql: Db, teamId: string, machineId: string): Promise<Fastener[]> {
  const rows = await sql`
    select id, circuit, role, name, place, quantity, magnet, seal, head, thread, pattern, note, at_x, at_y, lean, covers, oiled, adapter from fastener
    where team_id = ${teamId} and machine_id = ${machineId} order by position, name`;
  return rows.map(({ at_x, at_y, ...f }) => ({
    ...(f as Omit<Fastener, 'at'>),
    at: at_x === null ? null : { x: at_x, y: at_y }
  }));
}

/** The sheet in force. */
export async function readSheet(sql: Db, teamId: string, machineId: string): Promise<Sheet> {
  const [figures, fasteners] = [
    await listFigures(sql, teamId, machineId),
    await listFasteners(sql, teamId, machineId)
  ];
  return { figures: figures.filter((f) => !f.superseded), fasteners };
}

export async function addFastener({ tx, team, personId }: Write, f: FastenerInput): Promise<void> {
  const [other] =
    await tx`select id from fastener where team_id = ${team.id} and machine_id = ${f.machineId} and lower(name) = lower(${f.name}) and id <> ${f.id}`;
  if (other) refuse('name', 'This machine has one of that name. Two alike need two names.');
  await tx`
    insert into fastener (team_id, id, machine_id, circuit, role, name, place, quantity, magnet, seal, head, thread, pattern, note, lean, oiled, adapter, position, created_by)
    values (${team.id}, ${f.id}, ${f.machineId}, ${f.circuit}, ${f.role}, ${f.name}, ${f.place}, ${f.quantity}, ${f.magnet}, ${f.seal}, ${f.head}, ${f.thread}, ${f.pattern}, ${f.note}, ${f.lean}, ${f.oiled}, ${f.adapter},
      (select coalesce(max(position), 0) + 1 from fastener where team_id = ${team.id} and machine_id = ${f.machineId}), ${personId})`;
}

interface Reading {
  from: Quantity | null;
  to: Quantity | null;
  text: string | null;
}

/** Reads a figure as its kind is printed; refuses what cannot be, and asks about what looks like a slip. */
function readFigure(kind: FigureKind, typed: string, sure: boolean): Reading {
  if (!kind.dimension) {
    if (kind.choices && !kind.choices.includes(typed)) refuse('typed', `One of: ${kind.choices.join(', ')}.`);
    if (kind.form === 'table') {
      const table = readGradeTable(typed);
      if (!table.ok) refuse('typed', table.message);
    }
    return { from: null, to: null, text: typed };
  }
  const options = { dimension: kind.dimension, unit: kind.unit };
  const parsed = kind.range ? parseRange(typed, options) : single(typed, options);
  if (!parsed.ok)
    throw new Refusal({ typed: parsed.problem.message }, { choices: parsed.problem.choices ?? [] });
  const odd = implausible(kind, parsed.range);
  if (odd && !sure) throw new Refusal({ typed: odd }, { askSure: true });
  return { ...parsed.range, text: null };
}
function single(typed: string, options: Parameters<typeof parseQuantity>[1]): ReturnType<typeof parseRange> {
  const one = parseQuantity(typed, options);
  return one.ok ? { ok: true, range: { from: one.quantity, to: null } } : one;
}

export async function sourceOf(tx: Db, teamId: string, title: string, edition: string): Promise<string> {
  await tx`insert into spec_source (team_id, id, title, edition) values (${teamId}, ${crypto.randomUUID()}, ${title}, ${edition}) on conflict do nothing`;
  const [source] =
    await tx`select id from spec_source where team_id = ${teamId} and lower(title) = lower(${title}) and lower(edition) = lower(${edition})`;
  return source!.id as string;
}

/** Asks about a torque that would stretch its bolt: it looks like the wrong unit. */
async function refuseSlip(tx: Db, teamId: string, fastenerId: string, torque: Quantity): Promise<void> {
  const [f] = await tx`select thread, oiled from fastener where team_id = ${teamId} and id = ${fastenerId}`;
  const thread = parseThread(f?.thread ?? '');
  if (thread && looksLikeWrongUnit(torque.base, thread, f!.oiled))
    throw new Refusal(
      {
        typed: `That would pull an ${f!.thread} bolt past nine tenths of its proof stress. Is it the right unit?`
      },
      { askSure: true }
    );
}

/** Puts a figure on the sheet; what stood there before is superseded and stays readable. */
export async function addFigure({ tx, team, personId }: Write, f: FigureInput): Promise<void> {
  const kind = figureKind(f.key)!;
  const { from, to, text } = readFigure(kind, f.typed, f.sure);
  if (Boolean(kind.perFastener) !== (f.fastenerId !== null))
    refuse('typed', 'A torque belongs to a fastener, and nothing else does.');
  if (f.fastenerId && (await machineOfSheet(tx, team.id, 'fastener', f.fastenerId)) !== f.machineId)
    refuse('typed', 'That fastener is on another machine’s sheet.');
  if (from && f.fastenerId && !f.sure) await refuseSlip(tx, team.id, f.fastenerId, from);
  const [before] = await tx`
    select id from figure_in_force where team_id = ${team.id} and machine_id = ${f.machineId} and key = ${f.key} and fastener_id is not distinct from ${f.fastenerId}`;
  await tx`
    insert into spec_figure (team_id, id, machine_id, key, fastener_id, dimension, base, value, base_to, value_to, unit, text, source_id, page, confidence, variant, supersedes, created_by)
    values (${team.id}, ${f.id}, ${f.machineId}, ${f.key}, ${f.fastenerId}, ${from?.dimension ?? null}, ${from?.base ?? null}, ${from?.value ?? null},
      ${to?.base ?? null}, ${to?.value ?? null}, ${from?.unit ?? null}, ${text}, ${await sourceOf(tx, team.id, f.source, f.edition)}, ${f.page}, ${f.confidence}, ${f.variant}, ${before?.id ?? null}, ${personId})`;
}

/** The machine a fastener or a figure belongs to. @throws Refusal where the team has none such */
export async function machineOfSheet(
  tx: Tx,
  teamId: string,
  table: 'fastener' | 'spec_figure' | 'modification',
  id: string
): Promise<string> {
  const [row] = await tx`select machine_id from ${tx(table)} where team_id = ${teamId} and id = ${id}`;
  const what = { fastener: 'fastener', spec_figure: 'figure', modification: 'modification' }[table];
  return row ? (row.machine_id as string) : refuse('', `That ${what} is not on a sheet of this team.`);
}

/** Notes of a fastener, its place on the map and what lies behind it. What is left out stays as it is. */
export async function changeFastener({ tx, team }: Write, c: FastenerChange): Promise<void> {
  const set: Record<string, unknown> = {};
  for (const field of [
    'place',
    'head',
    'thread',
    'note',
    'lean',
    'magnet',
    'seal',
    'oiled',
    'adapter'
  ] as const)
    if (c[field] !== undefined) set[field] = c[field];
  if (c.at !== undefined) Object.assign(set, { at_x: c.at?.x ?? null, at_y: c.at?.y ?? null });
  const [f] = await tx`select machine_id from fastener where team_id = ${team.id} and id = ${c.fastenerId}`;
  if (c.covers !== undefined) {
    const rows =
      await tx`select id from fastener where team_id = ${team.id} and machine_id = ${f!.machine_id} and id = any(${c.covers})`;
    set.covers = rows.map((r) => r.id as string).filter((x) => x !== c.fastenerId);
  }
  if (Object.keys(set).length > 0)
    await tx`update fastener set ${tx(set as never)} where team_id = ${team.id} and id = ${c.fastenerId}`;
}
