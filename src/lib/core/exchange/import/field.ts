import { distanceTypedOrNone, hoursTypedOrNone } from '../../forms';
import { parseQuantity } from '../../quantity/parse';
import type { Day } from '../../time/day';
import { unguarded } from '../csv';
import { plainNumber, readDayCell, type Dialect } from './dialect';

/** What a cell of a column holds. `ridden`: time that no meter counted, whose unit the heading may say. */
export type FieldKind =
  | 'text'
  | 'machine'
  | 'person'
  | 'hours'
  | 'ridden'
  | 'distance'
  | 'number'
  | 'day'
  | 'words'
  | 'yes'
  | 'amount';

/** A column a list may have. */
export interface Field {
  key: string;
  kind: FieldKind;
  /** What people head it with; compared without signs and in lower case. */
  heads: RegExp;
  /** Without it there is no row. */
  needed?: boolean;
  /** It says which row it is, or is only told: a difference in it changes nothing. */
  told?: boolean;
}

/** No heading is longer; what is, need not be looked through. */
const LONGEST_HEAD = 80;
export const foldHead = (text: string): string =>
  text
    .slice(0, LONGEST_HEAD)
    .toLowerCase()
    .replace(/[([].*?[)\]]|[,/].*$/g, '')
    .replace(/[^\p{L}\p{N} ]/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim();

/** A unit that a heading names beside what its column holds: `Distance (mi)`, `Time, min`. */
export function unitOfHead(head: string): string | null {
  const said = /[(,/[]\s*([a-z]+)\.?\s*[)\]]?\s*$/i.exec(head.slice(0, LONGEST_HEAD));
  const unit = said?.[1]!.toLowerCase() ?? '';
  if (/^(min|mins|minutes?)$/.test(unit)) return 'min';
  if (/^(h|hrs?|hours?)$/.test(unit)) return 'h';
  if (/^(mi|miles?)$/.test(unit)) return 'mi';
  if (/^(km|kilomet(?:re|er)s?)$/.test(unit)) return 'km';
  return /^(miles?|mi)$/.test(foldHead(head))
    ? 'mi'
    : /^(minutes|mins?)\b/.test(foldHead(head))
      ? 'min'
      : null;
}

/**
 * Which column holds what, by its heading. Each field goes to the first column that claims it.
 * @returns for each column the key of its field, or null
 */
export function matchHeads(heads: readonly string[], fields: readonly Field[]): (string | null)[] {
  const taken = new Set<string>();
  return heads.map((head) => {
    const name = foldHead(unguarded(head));
    const field = fields.find((f) => !taken.has(f.key) && (f.key === name || f.heads.test(name)));
    if (!field || name === '') return null;
    taken.add(field.key);
    return field.key;
  });
}

/** What a cell says, in one spelling: alike where it means the same. Empty: it says nothing. */
export type Read = { ok: true; value: string } | { ok: false; message: string };
const yes = (value: string): Read => ({ ok: true, value });
const no = (message: string): Read => ({ ok: false, message });

/** So much of a cell is shown where it is refused. */
const shown = (cell: string) => `“${cell.slice(0, 40)}”`;

/**
 * Reads one cell.
 * @param unit as its heading says; null: it says none
 * @returns hours and kilometres as plain numbers of them, days as year-month-day, words of a list apart by commas in their order
 */
export function readCell(
  cell: string,
  field: Field,
  unit: string | null,
  dialect: Dialect,
  today: Day
): Read {
  const t = unguarded(cell).replace(/\s+/g, ' ').trim();
  if (t === '') return yes('');
  switch (field.kind) {
    case 'text':
    case 'machine':
    case 'person':
      return yes(t);
    case 'day': {
      const day = readDayCell(t, dialect.dates, today);
      return day
        ? yes(day)
        : no(
            `${shown(t)} is no day${dialect.dates === 'month first' ? ' with the month first' : ''}. Write it like ${today}.`
          );
    }
    case 'yes':
      if (/^(yes|y|true|1|x|✓)$/i.test(t)) return yes('yes');
      return /^(no|n|false|0|-)$/i.test(t) ? yes('no') : no(`${shown(t)}: yes or no?`);
    case 'words':
      return yes(
        [
          ...new Set(
            t
              .toLowerCase()
              .split(/[,;+/&]| and /)
              .map((w) => w.trim())
              .filter(Boolean)
          )
        ]
          .sort()
          .join(', ')
      );
    case 'number':
    case 'amount': {
      const plain = plainNumber(t, dialect.decimal);
      return /^[-+]?\d+(\.\d+)?$/.test(plain)
        ? yes(String(Number(plain)))
        : field.kind === 'amount'
          ? yes(plain)
          : no(`${shown(t)} is no number.`);
    }
    case 'hours': {
      const parsed = hoursTypedOrNone.safeParse(
        plainNumber(t, dialect.decimal) + (unit === 'min' && BARE.test(t) ? ' min' : '')
      );
      return parsed.success ? yes(String(parsed.data! / 100)) : no(parsed.error.issues[0]!.message);
    }
    case 'ridden':
      return readRidden(plainNumber(t, dialect.decimal), unit);
    case 'distance': {
      const plain = plainNumber(t, dialect.decimal);
      const parsed = distanceTypedOrNone.safeParse(unit === 'mi' && BARE.test(plain) ? `${plain} mi` : plain);
      return parsed.success ? yes(String(parsed.data! / 100)) : no(parsed.error.issues[0]!.message);
    }
  }
}

/** A figure without its unit. */
const BARE = /^[\d.,' ]+$/;
/** So many minutes and more are never hours of one ride. */
const LEAST_MINUTES = 13;

/** Time ridden, in hours: with its unit from the heading, else from the figure itself where that leaves no doubt. */
function readRidden(typed: string, unit: string | null): Read {
  if (/^\d+$/.test(typed) && unit === null && Number(typed) > 0 && Number(typed) < LEAST_MINUTES)
    return no(
      `Is ${typed} under time ridden minutes or hours? Write ${typed} min, or say the unit in the heading.`
    );
  const whole = unit === null && /^\d+$/.test(typed) ? 'min' : (unit ?? 'h');
  const parsed = parseQuantity(BARE.test(typed) ? `${typed} ${whole}` : typed.replace(/^\+/, ''), {
    dimension: 'time',
    unit: 'h'
  });
  return parsed.ok ? yes(String(Math.round(parsed.quantity.base / 36) / 100)) : no(parsed.problem.message);
}
