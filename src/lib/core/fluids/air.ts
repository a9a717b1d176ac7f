import { addDays, type Day } from '../time/day';
import { readDay } from '../time/read';

/** Air the machine will be ridden in until the next change, °C. */
export interface Air {
  from: number;
  to: number;
}

/** So many days ahead oil is chosen for. */
export const AIR_DAYS = 28;

const COLDEST = -60;
const HOTTEST = 70;
const celsius = (n: number, unit: string | undefined): number =>
  unit?.toUpperCase() === 'F' ? Math.round(((n - 32) * 5) / 9) : n;
const sane = ({ from, to }: Air): boolean => from >= COLDEST && to <= HOTTEST;

/** Air temperatures as people type them: `-5 to 15`, `-5..15 °C`, `23 °F to 60 °F`. Null where it cannot be read. */
export function parseAir(text: string): Air | null {
  const m =
    /^\s*([-−]?\d{1,3})\s*°?\s*([CF])?\s*(?:to|\.\.|–|—|,|-)\s*([-−]?\d{1,3})\s*°?\s*([CF])?\s*$/i.exec(text);
  if (!m) return null;
  const unit = m[4] ?? m[2];
  const [a, b] = [m[1]!, m[3]!].map((t) => celsius(Number(t.replace('−', '-')), unit)) as [number, number];
  const air = { from: Math.min(a, b), to: Math.max(a, b) };
  return sane(air) ? air : null;
}

export const showAir = (a: Air): string => `${a.from} to ${a.to} °C`;

const DAY = /^(day|date|time|valid|forecast day)/;
const LOW = /low|min|night|tn\b/;
const HIGH = /high|max|tx\b|^(air )?temp/;

export type AirRead = { ok: true; air: Air; days: number } | { ok: false; message: string };

/**
 * The air of the days ahead out of a table with a heading: a column of days, one of lows or nights, one of highs or maxima;
 * Fahrenheit where a heading says F. Any weather service's file of days will do.
 *
 * @param rows cells as they were read, the heading first
 * @param from the first day that counts; `days` of them do
 */
export function readAirTable(rows: readonly (readonly string[])[], from: Day, days = AIR_DAYS): AirRead {
  const no = (message: string): AirRead => ({ ok: false, message });
  const heads = (rows[0] ?? []).map((h) => h.trim().toLowerCase());
  const day = heads.findIndex((h) => DAY.test(h));
  const low = heads.findIndex((h) => LOW.test(h));
  const high = heads.findIndex((h, i) => i !== low && HIGH.test(h));
  if (day < 0 || low < 0 || high < 0) return no('It wants three columns with headings: day, low, high.');
  const last = addDays(from, days);
  const read = (cell: string | undefined, head: string): number | null => {
    const m = /^\s*([-−]?\d{1,3}(?:[.,]\d+)?)\s*°?\s*([CF])?\s*$/i.exec(cell ?? '');
    if (!m) return null;
    const unit = m[2] ?? (/\bf\b|°f|fahrenheit/.test(head) ? 'F' : 'C');
    return celsius(Number(m[1]!.replace('−', '-').replace(',', '.')), unit);
  };
  let [coldest, warmest] = [Infinity, -Infinity];
  let counted = 0;
  for (const [i, row] of rows.slice(1).entries()) {
    if (row.every((c) => c.trim() === '')) continue;
    const on = readDay(row[day] ?? '', last);
    const [a, b] = [read(row[low], heads[low]!), read(row[high], heads[high]!)];
    if (!on || a === null || b === null)
      return no(`Row ${i + 2} cannot be read: a day, a low and a high, such as ${from}, -2, 9.`);
    if (on < from || on >= last) continue;
    counted += 1;
    coldest = Math.min(coldest, a);
    warmest = Math.max(warmest, b);
  }
  if (counted === 0) return no(`It has no day from ${from} on.`);
  const whole = { from: Math.floor(coldest), to: Math.ceil(warmest) };
  if (!sane(whole) || whole.from > whole.to)
    return no('Those are no temperatures of air. Is it Fahrenheit? Then head the columns °F.');
  return { ok: true, air: whole, days: counted };
}
