import Papa from 'papaparse';
import { errorsByField } from '$lib/core/forms';
import { readingSchema } from '$lib/core/hours/form';
import {
  checkRow,
  isHeading,
  matchColumns,
  type PasteContext,
  type PasteField
} from '$lib/core/outing/paste';

/** Reads what was pasted or dropped, away from the screen. */
export type PasteRequest =
  { type: 'read'; text: string } | { type: 'check'; columns: (PasteField | null)[]; context: PasteContext };

export interface BadRow {
  /** Line of the spreadsheet, from 1. */
  line: number;
  cells: string[];
  problem: string;
}
export interface GoodRow {
  line: number;
  cells: string[];
  /** As the race-day form sends it, with its id. */
  body: Record<string, unknown>;
}
export type PasteAnswer =
  | { type: 'read'; heads: string[]; columns: (PasteField | null)[]; sample: string[][]; rows: number }
  | { type: 'progress'; done: number; of: number }
  | { type: 'checked'; good: GoodRow[]; bad: BadRow[] }
  | { type: 'failed'; message: string };

/** More than any season of any team; past it, it is another file that was dropped here. */
const MOST_ROWS = 200_000;
const CHUNK = 2000;

let rows: string[][] = [];
let first = 1;

const post = (answer: PasteAnswer) => postMessage(answer);

function read(text: string): void {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const all = parsed.data.filter((r) => Array.isArray(r));
  if (all.length === 0) return post({ type: 'failed', message: 'There is nothing in it.' });
  if (all.length > MOST_ROWS)
    return post({
      type: 'failed',
      message: `${all.length.toLocaleString('en')} rows; at most ${MOST_ROWS.toLocaleString('en')} at once.`
    });
  const width = Math.max(...all.slice(0, 200).map((r) => r.length));
  if (width < 2)
    return post({
      type: 'failed',
      message: 'That is one column only. Copy the cells from the spreadsheet, or save it as CSV.'
    });
  const headed = isHeading(all[0]!);
  const heads = headed ? all[0]! : Array.from({ length: width }, (_, i) => `Column ${i + 1}`);
  rows = headed ? all.slice(1) : all;
  first = headed ? 2 : 1;
  post({ type: 'read', heads, columns: matchColumns(heads), sample: rows.slice(0, 5), rows: rows.length });
}

function check(columns: (PasteField | null)[], context: PasteContext): void {
  const good: GoodRow[] = [];
  const bad: BadRow[] = [];
  for (const [i, cells] of rows.entries()) {
    if (i % CHUNK === 0) post({ type: 'progress', done: i, of: rows.length });
    const line = i + first;
    const checked = checkRow(cells, columns, context);
    if (!checked.ok) {
      bad.push({ line, cells, problem: checked.problem });
      continue;
    }
    const body = { ...checked.row, id: crypto.randomUUID() };
    const parsed = readingSchema.safeParse(body);
    if (parsed.success) good.push({ line, cells, body });
    else bad.push({ line, cells, problem: Object.values(errorsByField(parsed.error)).join(' ') });
  }
  post({ type: 'checked', good, bad });
}

addEventListener('message', ({ data }: MessageEvent<PasteRequest>) => {
  if (data.type === 'read') read(data.text);
  else check(data.columns, data.context);
});
