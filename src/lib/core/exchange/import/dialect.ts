import { isDay, type Day } from '../../time/day';
import { dayFromNumber } from '../../time/day';
import { readDay } from '../../time/read';

export const DECIMALS = ['.', ','] as const;
export type Decimal = (typeof DECIMALS)[number];
export const DATE_ORDERS = ['day first', 'month first'] as const;
export type DateOrder = (typeof DATE_ORDERS)[number];

/** How a file writes numbers and days. */
export interface Dialect {
  decimal: Decimal;
  dates: DateOrder;
}
/** The same as found out from its cells; `sure`: something in it leaves no other reading. */
export interface Detected<T> {
  is: T;
  sure: boolean;
  /** A cell that says so, or the one that leaves it open. */
  by: string | null;
}

/** One way or the other: by the first cell that leaves no choice, the majority where they do not agree. */
function weigh<T>(votes: readonly { for: T; by: string }[], otherwise: T, open: string | null): Detected<T> {
  const first = votes[0];
  if (!first) return { is: otherwise, sure: open === null, by: open };
  const count = (t: T) => votes.filter((v) => v.for === t).length;
  const best = votes.find((v) => count(v.for) * 2 > votes.length) ?? first;
  return { is: best.for, sure: count(best.for) === votes.length, by: best.by };
}

/** A decimal fraction that cannot be thousands: not three digits after the sign, or a nought alone before it. */
const FRACTION = /(?:^|[^\d.,])(?:0([.,])\d+|\d+([.,])(?:\d{1,2}|\d{4,}))(?![\d.,])/;
/** Thousands with one sign, the fraction with the other. */
const BOTH = /\d([.,])\d{3}([.,])\d+/;
const OPEN = /(?:^|[^\d.,])[1-9]\d{0,2}([.,])\d{3}(?![\d.,])/;

/** Which sign parts the whole from the fraction, from cells that hold numbers. Where none says so: the point. */
export function detectDecimal(cells: readonly string[]): Detected<Decimal> {
  const votes: { for: Decimal; by: string }[] = [];
  let open: string | null = null;
  for (const cell of cells) {
    const both = BOTH.exec(cell);
    const sign =
      both && both[1] !== both[2] ? both[2] : (FRACTION.exec(cell)?.[1] ?? FRACTION.exec(cell)?.[2]);
    if (sign) votes.push({ for: sign as Decimal, by: cell });
    else if (OPEN.test(cell)) open ??= cell;
  }
  return weigh<Decimal>(votes, '.', open);
}

const NUMERIC = /^(\d{1,2})[-/. ]+(\d{1,2})[-/. ]+(\d{4}|\d{2})(?:[T ,].*)?$/i;

/** Whether the day or the month comes first, from cells that hold days. Where none says so: the day. */
export function detectDates(cells: readonly string[]): Detected<DateOrder> {
  const votes: { for: DateOrder; by: string }[] = [];
  let open: string | null = null;
  for (const cell of cells) {
    const said = NUMERIC.exec(cell.trim());
    if (!said) continue;
    const [a, b] = [Number(said[1]), Number(said[2])];
    if (a > 12 && b <= 12) votes.push({ for: 'day first', by: cell });
    else if (b > 12 && a <= 12) votes.push({ for: 'month first', by: cell });
    else if (a !== b) open ??= cell;
  }
  return weigh<DateOrder>(votes, 'day first', open);
}

/** Numbers within a cell, with whatever parts their thousands. */
const DIGITS = /\d[\d.,' \u00a0\u202f]*\d|\d/g;

/**
 * A cell with its numbers as the rest of the product reads them: no thousands parted, a point for the decimal sign. Words and
 * units in it stay. A sign that cannot part thousands where it stands is a decimal sign, whatever the file's own is.
 */
export function plainNumber(cell: string, decimal: Decimal): string {
  const other = decimal === '.' ? ',' : '.';
  return cell.replace(DIGITS, (run) => {
    const grouped = new RegExp(
      `^\\d{1,3}(?:([${other}' \\u00a0\\u202f])\\d{3})(?:\\1\\d{3})*(\\${decimal}\\d*)?$`
    ).exec(run);
    if (grouped) return run.replaceAll(grouped[1]!, '').replace(decimal, '.');
    return /^\d+[.,]\d+$/.test(run) ? run.replace(',', '.') : run;
  });
}

/** Day 1 of the count of days that spreadsheets keep was the last of 1899; a sheet saved without formats shows it bare. */
const SERIAL_ZERO = -25_569;
const SERIAL = /^\d{5}(?:\.\d+)?$/;

/**
 * A day as a cell has it: year first, in words, in the file's own order, or as the bare count of days of a spreadsheet. The
 * time of day, where there is one, is left.
 * @returns null where it is none; a day and month that only fit the other way round are none
 */
export function readDayCell(cell: string, dates: DateOrder, today: Day): Day | null {
  const t = cell.trim();
  if (SERIAL.test(t)) return dayFromNumber(Math.floor(Number(t)) + SERIAL_ZERO);
  const said = NUMERIC.exec(t);
  if (said) {
    const [a, b] = [said[1]!.padStart(2, '0'), said[2]!.padStart(2, '0')];
    const year = said[3]!.length === 2 ? `20${said[3]}` : said[3]!;
    const day = dates === 'day first' ? `${year}-${b}-${a}` : `${year}-${a}-${b}`;
    return isDay(day) ? day : null;
  }
  return readDay(t, today);
}
