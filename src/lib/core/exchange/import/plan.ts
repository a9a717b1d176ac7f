import { COMMANDS } from '../../command/commands';
import { errorsByField } from '../../forms';
import { matchHeads, readCell, unitOfHead, type Field } from './field';
import type { Dialect } from './dialect';
import { machineNamed, personNamed } from './refs';
import { refusing, Unknown } from './refusal';
import type { Draft, ImportList, Made, Refs, Row, There, Verdict } from './model';

export interface File {
  columns: readonly (string | null)[];
  heads: readonly string[];
  rows: readonly { line: number; cells: readonly string[] }[];
  dialect: Dialect;
}

/** A row read; or what is wrong with which cell. */
export function readRow(
  list: ImportList,
  { columns, heads }: Pick<File, 'columns' | 'heads'>,
  cells: readonly string[],
  dialect: Dialect,
  refs: Refs
): Row | string {
  const row: Record<string, string> = {};
  const problems: string[] = [];
  for (const field of list.fields) {
    const at = columns.indexOf(field.key);
    const read =
      at < 0
        ? ({ ok: true, value: '' } as const)
        : readCell(cells[at] ?? '', field, unitOfHead(heads[at] ?? ''), dialect, refs.today);
    if (!read.ok) problems.push(`${field.key}: ${read.message}`);
    else row[field.key] = wholeName(field, read.value, refs);
  }
  if (problems.length > 0) return problems.join(' ');
  try {
    const refined = list.refine?.(row) ?? row;
    const missing = list.fields.find((f) => f.needed && !refined[f.key]);
    return missing ? `No ${missing.key} in this row.` : refined;
  } catch (e) {
    if (e instanceof Unknown) return e.message;
    throw e;
  }
}

/** A machine by its plate and somebody by the whole name, however the file calls them; what names nobody is left as it is. */
function wholeName({ kind }: Field, said: string, refs: Refs): string {
  if (said === '' || (kind !== 'machine' && kind !== 'person')) return said;
  try {
    if (kind === 'machine') return machineNamed(refs, said).plate;
    const id = personNamed(refs, said);
    return refs.people.find((p) => p.id === id)!.name;
  } catch (e) {
    if (e instanceof Unknown) return said;
    throw e;
  }
}

/** Rows of the book, by what they are. @param heads as the list leaves the book */
export function thereOf(
  list: ImportList,
  heads: readonly string[],
  rows: readonly { cells: readonly string[]; raw: Record<string, unknown> }[],
  refs: Refs
): Map<string, There[]> {
  const columns = matchHeads(heads, list.fields);
  const there = new Map<string, There[]>();
  for (const { cells, raw } of rows) {
    const row = readRow(list, { columns, heads }, cells, { decimal: '.', dates: 'day first' }, refs);
    if (typeof row === 'string') continue;
    const key = keyIn(list, row, refs);
    if (key.problem !== undefined) continue;
    const known = there.get(key.key);
    const last = known?.at(-1);
    if (list.together && last)
      known!.splice(-1, 1, { ...last, rows: [...last.rows, { ...row, ...idOf(raw) }] });
    else there.set(key.key, [...(known ?? []), { rows: [{ ...row, ...idOf(raw) }], raw }]);
  }
  if (list.together) for (const [one] of there.values()) (one!.rows as Row[]).sort(inOrder(list.together));
  return there;
}
const inOrder = (field: string) => (a: Row, b: Row) => (a[field] ?? '').localeCompare(b[field] ?? '');
/** Of a part of what it belongs to. */
const idOf = (raw: Record<string, unknown>): Row =>
  typeof raw['part_id'] === 'string' ? { '#': raw['part_id'] } : {};

function keyIn(
  list: ImportList,
  row: Row,
  refs: Refs
): { key: string; problem?: undefined } | { problem: string } {
  try {
    return { key: list.keyOf(row, refs) };
  } catch (e) {
    if (e instanceof Unknown) return { problem: e.message };
    throw e;
  }
}

/** Two distances that only differ by having been turned into miles and back, km. */
const CRUMB = 0.021;
const alike = (kind: Field['kind'], a: string, b: string): boolean =>
  (kind === 'distance' || kind === 'amount') && a !== '' && b !== ''
    ? Math.abs(Number(a) - Number(b)) <= CRUMB
    : ['text', 'machine', 'person'].includes(kind)
      ? a.toLowerCase() === b.toLowerCase()
      : a === b;
/** The fields in which a file says something, and otherwise than the book. What it does not say stands. */
function differences(list: ImportList, file: readonly Row[], book: readonly Row[]): string[] {
  return list.fields
    .filter(
      (f) =>
        !f.told &&
        file.some((row, i) => {
          const [says, is] = [row[f.key] ?? '', book[i]?.[f.key] ?? ''];
          return says !== '' && (is === '' || !alike(f.kind, says, is));
        })
    )
    .map((f) => f.key);
}

/**
 * What taking a file would do, row by row: nothing is written. The same file again, once it was taken, is the same throughout;
 * so is whatever was taken of it before it was stopped.
 */
export function planImport(
  list: ImportList,
  file: File,
  there: ReadonlyMap<string, readonly There[]>,
  refs: Refs
): Verdict[] {
  const verdicts: Verdict[] = [];
  const groups = new Map<string, { key: string; lines: number[]; rows: Row[] }>();
  for (const { line, cells } of file.rows) {
    const row = readRow(list, file, cells, file.dialect, refs);
    const key = typeof row === 'string' ? { problem: row } : keyIn(list, row, refs);
    if (typeof row === 'string' || key.problem !== undefined) {
      verdicts.push({ lines: [line], what: 'refused', why: key.problem ?? (row as string), drafts: [] });
      continue;
    }
    const group = list.together ? groups.get(key.key) : undefined;
    if (group) {
      group.lines.push(line);
      group.rows.push(row);
    } else
      groups.set(list.together ? key.key : `${key.key}\n${line}`, {
        key: key.key,
        lines: [line],
        rows: [row]
      });
  }
  if (list.together) for (const g of groups.values()) g.rows.sort(inOrder(list.together));
  const seen = new Map<string, { line: number; rows: readonly Row[]; times: number }>();
  for (const { key, lines, rows } of groups.values()) {
    const before = seen.get(key);
    const nth = before?.times ?? 0;
    seen.set(key, { line: before?.line ?? lines[0]!, rows: before?.rows ?? rows, times: nth + 1 });
    const same = before !== undefined && differences(list, rows, before.rows).length === 0;
    const both =
      before !== undefined &&
      (list.many === undefined || (same && !list.many(rows[0]!) && !there.get(key)?.[nth]));
    if (both) {
      verdicts.push({
        lines,
        what: same ? 'same' : 'refused',
        why: same
          ? `As row ${before.line}.`
          : `Row ${before.line} says otherwise of the same. Leave one of them.`,
        drafts: []
      });
      continue;
    }
    const known = there.get(key)?.[nth];
    const other = known ? null : (list.otherwise?.(rows[0]!) ?? null);
    const found = other && there.get(list.keyOf(other, refs))?.[nth];
    verdicts.push(
      judge(list, { key, lines, rows: found ? [other] : rows, nth }, known ?? found ?? undefined, refs)
    );
  }
  return verdicts.sort((a, b) => a.lines[0]! - b.lines[0]!);
}

function judge(
  list: ImportList,
  { key, lines, rows, nth }: { key: string; lines: readonly number[]; rows: readonly Row[]; nth: number },
  there: There | undefined,
  refs: Refs
): Verdict {
  const differs = there ? differences(list, rows, there.rows) : [];
  const more = there && list.together && rows.length !== there.rows.length;
  if (there && differs.length === 0 && !more) return { lines, what: 'same', why: '', drafts: [] };
  let made: Made;
  try {
    made = there ? list.change(rows, there, differs, refs) : list.make(rows, refs, nth);
  } catch (e) {
    if (!(e instanceof Unknown)) throw e;
    made = refusing(e.message);
  }
  if (!made.ok) return { lines, what: 'refused', why: made.problem, drafts: [] };
  if (made.drafts.length === 0) return { lines, what: 'same', why: made.word ?? '', drafts: [] };
  const drafts: Draft[] = [];
  for (const d of made.drafts) {
    const parsed = COMMANDS[d.kind].safeParse(d.body);
    if (!parsed.success)
      return {
        lines,
        what: 'refused',
        why: Object.entries(errorsByField(parsed.error))
          .map(([field, words]) =>
            list.fields.some((f) => f.key === field)
              ? `${field[0]!.toUpperCase()}${field.slice(1)}: ${words}`
              : words
          )
          .join(' '),
        drafts: []
      };
    const id = refs.idOf(
      there !== undefined || !list.lasting,
      'command',
      d.kind,
      key,
      String(nth),
      JSON.stringify(d.body)
    );
    drafts.push({ ...d, id, ...(drafts[0] && { after: drafts[0].id }) });
  }
  const says = there
    ? differs
        .map(
          (f) =>
            `${f}: ${there.rows.map((r) => r[f] || '–').join(' · ')} → ${rows.map((r) => r[f] || '–').join(' · ')}`
        )
        .join('; ')
    : '';
  const why = [says, made.word, made.doubt].filter(Boolean).join('. ');
  return { lines, what: made.doubt ? 'doubtful' : there ? 'changed' : 'new', why, drafts };
}
