import Papa from 'papaparse';
import { decodeText, MOST_ROWS, type Encoding } from '$lib/core/exchange/import/decode';
import { headingAt } from '$lib/core/exchange/import/lists';

/** Reads a file or what was pasted into cells, away from the screen. */
export type ImportRequest = { turn: number } & ({ bytes: ArrayBuffer } | { text: string });
export interface ReadTable {
  heads: string[];
  /** Whether it had headings at all. */
  headed: boolean;
  rows: { line: number; cells: string[] }[];
  /** How its letters were kept; null where it was pasted. */
  as: Encoding | null;
}
export type ImportAnswer = { turn: number; table: ReadTable } | { turn: number; failed: string };

function read(text: string, as: Encoding | null): ReadTable | string {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: false });
  const all = parsed.data
    .map((cells, i) => ({ line: i + 1, cells }))
    .filter(({ cells }) => cells.some((c) => c.trim() !== ''));
  if (all.length === 0) return 'There is nothing in it.';
  if (all.length > MOST_ROWS)
    return `${all.length.toLocaleString('en')} rows; at most ${MOST_ROWS.toLocaleString('en')} at once. Save it in parts.`;
  const width = Math.min(200, Math.max(...all.slice(0, 200).map((r) => r.cells.length)));
  if (width < 2) return 'That is one column only. Copy the cells from the spreadsheet, or save it as CSV.';
  const at = headingAt(all.map((r) => r.cells));
  const heads =
    at >= 0
      ? all[at]!.cells.slice(0, width).map((h) => h.slice(0, 200))
      : Array.from({ length: width }, (_, i) => `Column ${i + 1}`);
  const rows = all.slice(at + 1).map((r) => ({ ...r, cells: r.cells.slice(0, width) }));
  return rows.length === 0 ? 'There are headings in it, and no row.' : { heads, headed: at >= 0, rows, as };
}

addEventListener('message', ({ data }: MessageEvent<ImportRequest>) => {
  const decoded =
    'text' in data
      ? ({ ok: true, text: data.text, as: null } as const)
      : decodeText(new Uint8Array(data.bytes));
  const table = decoded.ok ? read(decoded.text, decoded.as) : decoded.message;
  postMessage(
    (typeof table === 'string'
      ? { turn: data.turn, failed: table }
      : { turn: data.turn, table }) satisfies ImportAnswer
  );
});
