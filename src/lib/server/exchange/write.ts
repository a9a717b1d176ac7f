import Papa from 'papaparse';
import { guarded } from '../../core/exchange/csv';
import type { Sql } from '../base/db';
import type { ExchangeList, ListFilter, Reader } from './columns';

/** So that a spreadsheet knows the letters for what they are; whatever reads CSV passes over it. */
const BOM = '\uFEFF';
const NEWLINE = '\r\n';

/** Rows as lines of CSV (RFC 4180): quoted where they must be, and nothing a spreadsheet would carry out. */
const linesOf = (rows: readonly (readonly string[])[]): string =>
  rows.length === 0 ? '' : Papa.unparse(rows as string[][], { newline: NEWLINE }) + NEWLINE;

/** A list as CSV, made while it is read: whoever leaves off in the middle, leaves nothing behind. */
export function csvOf(
  list: ExchangeList,
  sql: Sql,
  reader: Reader,
  filter: ListFilter
): ReadableStream<Uint8Array> {
  const encoder = new TextEncoder();
  const rows = list.rows(sql, reader, filter)[Symbol.asyncIterator]();
  const heading = list.columns.map((c) =>
    guarded(typeof c.heading === 'string' ? c.heading : c.heading(reader))
  );
  let begun = false;
  return new ReadableStream({
    async pull(stream) {
      if (!begun) {
        begun = true;
        stream.enqueue(encoder.encode(BOM + linesOf([heading])));
        return;
      }
      const next = await rows.next();
      if (next.done) return stream.close();
      stream.enqueue(
        encoder.encode(linesOf(next.value.map((row) => list.columns.map((c) => guarded(c.of(row, reader))))))
      );
    },
    cancel: async () => {
      await rows.return?.();
    }
  });
}
