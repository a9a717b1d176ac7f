import { slackInWords } from '../../core/chain/slack-typed';
import type { FastenerChange, FastenerInput, FigureInput } from '../../core/specs/form';
import { looksLikeWrongUnit, parseThread } from '../../core/fasteners/stress';
import type { Quantity } from '../../core/quantity/quantity';
import { exactly, lowerEnd, parseBand, upperEnd, type Band, type ParsedBand } from '../../core/quantity/band';
import { readGradeTable } from '../../core/specs/changes';
import { storedQuantity } from '../../core/quantity/stored';
import { readStored } from '../../core/stored/stored';
import {
  FIGURE_KEYS,
  figureKind,
  type Fastener,
  type Figure,
  type FigureKind,
  type Sheet
} from '../../core/specs/sheet';
import { z } from 'zod';
import { implausible } from '../../core/specs/plausible';
import type { Db, Tx } from '../base/db';
import { refuse, Refusal } from '../base/refusal';
import type { Write } from '../book/under-way';

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

/** A figure's band as its columns have it; null where it is in words. */
function bandOf(r: Record<string, unknown>): Band | null {
  if (r.dimension === null) return null;
  const end = (base: unknown, value: unknown): Quantity =>
    readStored('a figure', storedQuantity, { dimension: r.dimension, base, value, unit: r.unit });
  const from = end(r.base, r.value);
  if (r.bound === 'at most') return { from: null, to: from };
  if (r.bound === 'at least') return { from, to: null };
  return r.base_to === null ? exactly(from) : { from, to: end(r.base_to, r.value_to) };
}
/** And the other way round: the columns of a band. */
function columnsOf(band: Band | null) {
  const bound = !band || (band.from && band.to) ? 'is' : band.from ? 'at least' : 'at most';
  const main = band && lowerEnd(band);
  const to = band && bound === 'is' && upperEnd(band).base > lowerEnd(band).base ? upperEnd(band) : null;
  return {
    dimension: main?.dimension ?? null,
    base: main?.base ?? null,
    value: main?.value ?? null,
    unit: main?.unit ?? null,
    base_to: to?.base ?? null,
    value_to: to?.value ?? null,
    bound
  };
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
    key: readStored('a figure', z.enum(FIGURE_KEYS), r.key),
    fastenerId: r.fastener_id,
    band: bandOf(r),
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
    select id, circuit, role, name, place, quantity, magnet, seal, head, thread, pattern, lengths, comes_with as "comesWith", note, at_x, at_y, lean, covers, oiled, adapter from fastener
    where team_id = ${teamId} and machine_id = ${machineId} and removed_at is null order by position, name`;
  return rows.map(({ at_x, at_y, ...f }) => ({
    ...(f as Omit<Fastener, 'at'>),
    at: at_x === null ? null : { x: at_x, y: at_y }
  }));
}

/** The sheet in force. */
export async function readSheet(sql: Db, teamId: string, machineId: string): Promise<Sheet> {
  const [figures, fasteners, lacks] = [
    await listFigures(sql, teamId, machineId),
    await listFasteners(sql, teamId, machineId),
    await sql`select role, circuit, name from fastener where team_id = ${teamId} and machine_id = ${machineId} and removed_at is not null`
  ];
  const there = new Set(fasteners.map((f) => f.id));
  return {
    figures: figures.filter((f) => !f.superseded && (f.fastenerId === null || there.has(f.fastenerId))),
    fasteners,
    lacks: lacks as unknown as NonNullable<Sheet['lacks']>
  };
}

/** What was taken off a sheet, the latest first: it can be put back. */
export async function listRemoved(
  sql: Db,
  teamId: string,
  machineId: string
): Promise<{ id: string; name: string; by: string; on: Date }[]> {
  return (await sql`
    select f.id, f.name, p.name as by, f.removed_at as on from fastener f join person p on p.team_id = f.team_id and p.id = f.removed_by
    where f.team_id = ${teamId} and f.machine_id = ${machineId} and f.removed_at is not null order by f.removed_at desc limit 50`) as unknown as {
    id: string;
    name: string;
    by: string;
    on: Date;
  }[];
}

/** Manuals and people that figures of the team come from: to be picked instead of typed again. */
export async function listSources(sql: Db, teamId: string): Promise<string[]> {
  const rows =
    await sql`select distinct title from spec_source where team_id = ${teamId} order by title limit 200`;
  return rows.map((r) => r.title as string);
}

/** Two alike need two names. */
async function refuseSameName(
  tx: Tx,
  teamId: string,
  f: { id: string; machineId: string; name: string }
): Promise<void> {
  const [other] =
    await tx`select id from fastener where team_id = ${teamId} and machine_id = ${f.machineId} and lower(name) = lower(${f.name}) and id <> ${f.id} and removed_at is null`;
  if (other) refuse('name', 'This machine has one of that name. Two alike need two names.');
}

export async function addFastener({ tx, team, personId }: Write, f: FastenerInput): Promise<void> {
  await refuseSameName(tx, team.id, f);
  await tx`
    insert into fastener (team_id, id, machine_id, circuit, role, name, place, quantity, magnet, seal, head, thread, pattern, lengths, comes_with, note, lean, oiled, adapter, position, created_by)
    values (${team.id}, ${f.id}, ${f.machineId}, ${f.circuit}, ${f.role}, ${f.name}, ${f.place}, ${f.quantity}, ${f.magnet}, ${f.seal}, ${f.head}, ${f.thread}, ${f.pattern}, ${f.lengths}, ${f.comesWith}, ${f.note}, ${f.lean}, ${f.oiled}, ${f.adapter},
      (select coalesce(max(position), 0) + 1 from fastener where team_id = ${team.id} and machine_id = ${f.machineId}), ${personId})`;
}

interface Reading {
  band: Band | null;
  text: string | null;
}
/** Longer than this and it is a story, not a figure. */
const MOST_WORDS = 80;

/** Reads a figure as its kind is printed; refuses what cannot be, and asks about what looks like a slip. */
function readFigure(kind: FigureKind, typed: string, sure: boolean): Reading {
  if (!kind.dimension) {
    if (kind.choices && !kind.choices.includes(typed)) refuse('typed', `One of: ${kind.choices.join(', ')}.`);
    if (kind.form === 'table') {
      const table = readGradeTable(typed);
      if (!table.ok) refuse('typed', table.message);
    }
    return { band: null, text: typed };
  }
  // As manuals tell it: in fingers, each way, pushed up only. Kept in its words, reckoned where it is used.
  if (kind.key === 'chain slack' && slackInWords(typed)) return { band: null, text: typed };
  const options = {
    dimension: kind.dimension,
    unit: kind.unit,
    ...(kind.signed && { allowNegative: true })
  };
  const parsed = parseBand(typed, options);
  if (!parsed.ok && asWords(typed, parsed)) {
    if (sure) return { band: null, text: typed };
    throw new Refusal(
      { typed: `${parsed.problem.message} If the manual gives it in words only, say so below.` },
      { askSure: true }
    );
  }
  if (!parsed.ok)
    throw new Refusal({ typed: parsed.problem.message }, { choices: parsed.problem.choices ?? [] });
  if (kind.whole && [parsed.band.from, parsed.band.to].some((q) => q && !Number.isInteger(q.value)))
    refuse('typed', `Whole ${kind.unit}: there is no half of one.`);
  const odd = implausible(kind, parsed.band);
  if (odd && !sure) throw new Refusal({ typed: odd }, { askSure: true });
  return { band: parsed.band, text: null };
}
/** Whether it may be words where a number usually stands: “tighten securely”, “a coin's thickness”, “two fingers”. */
const asWords = (typed: string, parsed: Extract<ParsedBand, { ok: false }>): boolean =>
  ['not a number', 'unknown unit'].includes(parsed.problem.kind) &&
  /\p{L}{3}/u.test(typed) &&
  typed.length <= MOST_WORDS;

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
  const kind = figureKind(f.key);
  const { band, text } = readFigure(kind, f.typed, f.sure);
  if (Boolean(kind.perFastener) !== (f.fastenerId !== null))
    refuse('typed', 'A torque belongs to a fastener, and nothing else does.');
  if (f.fastenerId && (await machineOfSheet(tx, team.id, 'fastener', f.fastenerId)) !== f.machineId)
    refuse('typed', 'That fastener is on another machine’s sheet.');
  if (band && f.fastenerId && !f.sure) await refuseSlip(tx, team.id, f.fastenerId, upperEnd(band));
  const [before] = await tx`
    select id from figure_in_force where team_id = ${team.id} and machine_id = ${f.machineId} and key = ${f.key} and fastener_id is not distinct from ${f.fastenerId}`;
  await tx`
    insert into spec_figure ${tx({
      team_id: team.id,
      id: f.id,
      machine_id: f.machineId,
      key: f.key,
      fastener_id: f.fastenerId,
      ...columnsOf(band),
      text,
      source_id: await sourceOf(tx, team.id, f.source, f.edition),
      page: f.page,
      confidence: f.confidence,
      variant: f.variant,
      supersedes: before?.id ?? null,
      created_by: personId
    })}`;
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

/** What of a fastener is one column of its own. */
const COLUMNS = [
  'name',
  'role',
  'circuit',
  'quantity',
  'place',
  'head',
  'thread',
  'pattern',
  'lengths',
  'comesWith',
  'note',
  'lean',
  'magnet',
  'seal',
  'oiled',
  'adapter'
] as const;

/** Corrects a fastener, its notes, its place on the map and what lies behind it. What is left out stays as it is. */
export async function changeFastener({ tx, team }: Write, c: FastenerChange): Promise<void> {
  const set: Record<string, unknown> = {};
  for (const field of COLUMNS)
    if (c[field] !== undefined) set[field === 'comesWith' ? 'comes_with' : field] = c[field];
  if (c.at !== undefined) Object.assign(set, { at_x: c.at?.x ?? null, at_y: c.at?.y ?? null });
  const [f] = await tx`select machine_id from fastener where team_id = ${team.id} and id = ${c.fastenerId}`;
  const machineId = f!.machine_id as string;
  if (c.name !== undefined) await refuseSameName(tx, team.id, { id: c.fastenerId, machineId, name: c.name });
  if (c.covers !== undefined) {
    const rows =
      await tx`select id from fastener where team_id = ${team.id} and machine_id = ${machineId} and id = any(${c.covers})`;
    if (rows.length !== new Set(c.covers).size)
      refuse('covers', 'Something that lies behind it is not on this machine’s sheet.');
    set.covers = rows.map((r) => r.id as string).filter((x) => x !== c.fastenerId);
  }
  if (Object.keys(set).length > 0)
    await tx`update fastener set ${tx(set as never)} where team_id = ${team.id} and id = ${c.fastenerId}`;
}

/** Takes a fastener off the sheet, or puts it back. Its figures and what was done at it stay readable. */
export async function removeFastener(
  { tx, team, personId, now }: Write,
  { fastenerId, removed }: { fastenerId: string; removed: boolean }
): Promise<void> {
  const [f] =
    await tx`select name, machine_id from fastener where team_id = ${team.id} and id = ${fastenerId}`;
  if (!removed)
    await refuseSameName(tx, team.id, { id: fastenerId, machineId: f!.machine_id, name: f!.name });
  await tx`
    update fastener set removed_at = ${removed ? now : null}, removed_by = ${removed ? personId : null}
    where team_id = ${team.id} and id = ${fastenerId} and (removed_at is null) = ${removed}`;
}
