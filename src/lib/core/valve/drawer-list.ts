import { drawerPasteSchema, type DrawerPasteInput } from './drawer';
import { errorsByField } from '../forms';

/** The columns of a list of shims, as it is written and read. */
export const COLUMNS = ['across_mm', 'stamp_mm', 'micrometer_mm', 'count'] as const;

/** A list as it is read: rows to be sent, or what is wrong with which line. */
export type DrawerList =
  | { ok: true; rows: DrawerPasteInput['rows']; body: Record<string, string>[] }
  | { ok: false; problems: { line: number; message: string }[] };

/**
 * Reads a list of shims, a row each: how far across, stamp, micrometer, how many lie there. With or without its heading.
 * @param cells as a spreadsheet has them
 */
export function readList(cells: readonly (readonly string[])[]): DrawerList {
  const full = cells
    .map((row, i) => ({ line: i + 1, row: row.map((c) => c.trim()) }))
    .filter(({ row }) => row.some((c) => c !== ''));
  const first = full[0];
  const heading =
    first && first.row.some((c) => /[a-z]{3}/i.test(c)) ? first.row.map((c) => c.toLowerCase()) : null;
  const at = (what: RegExp, place: number) => (heading ? heading.findIndex((h) => what.test(h)) : place);
  const place = {
    across: at(/across|diam/, 0),
    stamp: at(/stamp|size/, 1),
    measured: at(/micro|measur/, 2),
    now: at(/count|how many|pieces/, 3)
  };
  const body = (heading ? full.slice(1) : full).map(({ line, row }) => ({
    line,
    row: Object.fromEntries(Object.entries(place).map(([k, p]) => [k, p < 0 ? '' : (row[p] ?? '')]))
  }));
  if (body.length === 0) return { ok: false, problems: [{ line: 1, message: 'There is no row in it.' }] };
  const problems: { line: number; message: string }[] = [];
  const rows: DrawerPasteInput['rows'] = [];
  for (const { line, row } of body) {
    const parsed = drawerPasteSchema.shape.rows.element.safeParse(row);
    if (parsed.success) rows.push(parsed.data);
    else problems.push({ line, message: Object.values(errorsByField(parsed.error))[0]! });
  }
  return problems.length > 0 ? { ok: false, problems } : { ok: true, rows, body: body.map((b) => b.row) };
}
