import { amountIn, distanceIn, hundredths, type Cell } from '../../core/exchange/csv';
import type { Measure } from '../../core/schedule/task';
import type { Team } from '../../core/team/team';
import type { Db } from '../base/db';
import type { DueFilter } from '../schedule/dues';

/** What a list is narrowed to, as the page that shows it has it in its address. */
export interface ListFilter {
  machine: string | null;
  severity: string | null;
  /** Of components. */
  kind: string | null;
  closed: boolean;
  due: DueFilter;
  /** When it is asked. */
  now: Date;
}
/** Whose eyes read it. */
export interface Reader {
  team: Team;
  units: 'metric' | 'imperial';
}
export type Row = Record<string, unknown>;
export interface Column {
  heading: string | ((r: Reader) => string);
  of: (row: Row, r: Reader) => Cell;
}
/** A list of the book as it leaves it. */
export interface ExchangeList {
  title: string;
  /** What a row of it is. */
  about: string;
  columns: readonly Column[];
  /** Its rows, a few hundred at a time, so that ten years of them need no more room than one. */
  rows: (sql: Db, reader: Reader, filter: ListFilter) => AsyncIterable<Row[]>;
}

export const text = (heading: string, key: string): Column => ({
  heading,
  of: (row) => {
    const v = row[key];
    return v === null || v === undefined ? null : Array.isArray(v) ? v.join(', ') : String(v);
  }
});
export const number = (heading: string, key: string): Column => ({
  heading,
  of: (row) => (row[key] === null ? null : Number(row[key]))
});
export const hours = (heading: string, key: string): Column => ({
  heading: `${heading} (h)`,
  of: (row) => hundredths(row[key] as number | null)
});
export const distance = (heading: string, key: string): Column => ({
  heading: ({ units }) => `${heading} (${units === 'metric' ? 'km' : 'mi'})`,
  of: (row, { units }) => distanceIn(row[key] as number | null, units)
});
/** Of a trigger, in what it is counted in. */
export const amount = (heading: string, key: string): Column => ({
  heading,
  of: (row, { units }) =>
    row['measure'] === null ? null : amountIn(row[key] as number | null, row['measure'] as Measure, units)
});
export const yes = (heading: string, key: string): Column => ({
  heading,
  of: (row) => (row[key] ? 'yes' : 'no')
});
