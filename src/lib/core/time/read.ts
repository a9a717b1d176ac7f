import { isDay, type Day } from './day';

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

/**
 * A day as spreadsheets and people write it: `2026-11-21`, `21.11.2026`, `21/11/2026`, `21 Nov 2026`, `21 Nov`. Day and
 * month the other way round (`11/21/2026`) only where nothing else is possible.
 *
 * @param today for days without a year: the latest such day that is not ahead of it
 */
export function readDay(text: string, today: Day): Day | null {
  const t = text
    .trim()
    .toLowerCase()
    .replace(/^(mon|tue|wed|thu|fri|sat|sun)[a-z]*,?\s+/, '');
  const iso = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})(?:[t ].*)?$/.exec(t);
  const make = (y: number, m: number, d: number): Day | null => {
    const day = `${y}-${String(m).padStart(2, '0')}-${String(d).padStart(2, '0')}`;
    return isDay(day) ? day : null;
  };
  if (iso) return make(Number(iso[1]), Number(iso[2]), Number(iso[3]));
  const full = (y: string) => (y.length === 2 ? 2000 + Number(y) : Number(y));
  const year = (month: number, date: number, said: string | undefined): Day | null => {
    if (said) return make(full(said), month, date);
    const thisYear = Number(today.slice(0, 4));
    const day = make(thisYear, month, date);
    return day && day <= today ? day : make(thisYear - 1, month, date);
  };
  const num = /^(\d{1,2})[-/. ]+(\d{1,2})(?:[-/. ]+(\d{2}|\d{4}))?\.?$/.exec(t);
  if (num) {
    const [a, b] = [Number(num[1]), Number(num[2])];
    return year(b, a, num[3]) ?? (b > 12 ? year(a, b, num[3]) : null);
  }
  const named = /^(\d{1,2})\.?[- ]+([a-z]{3})[a-z]*\.?(?:,?[- ]+(\d{2}|\d{4}))?$/.exec(t);
  if (named && MONTHS.includes(named[2]!))
    return year(MONTHS.indexOf(named[2]!) + 1, Number(named[1]), named[3]);
  const other = /^([a-z]{3})[a-z]*\.?\s+(\d{1,2})(?:st|nd|rd|th)?(?:,?\s+(\d{4}))?$/.exec(t);
  if (other && MONTHS.includes(other[1]!))
    return year(MONTHS.indexOf(other[1]!) + 1, Number(other[2]), other[3]);
  return null;
}
