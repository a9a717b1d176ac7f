import { parseQuantity } from '../quantity/parse';

/** What somebody says of a stock: that so much is there, came in, or went. One of `ml` and `bottles` is a number. */
export interface StockNote {
  what: 'there' | 'came' | 'went';
  ml: number | null;
  bottles: number | null;
}

/** More of one oil than any paddock holds, ml: a slip. */
const MOST_ML = 1_000_000;
const MOST_BOTTLES = 1000;
const BOTTLES = /^(\d+(?:[.,]\d+)?)\s*(?:bottles?|cans?|×|x)?$/i;
const NAMED = /^\d+(?:[.,]\d+)?\s*(?:bottles?|cans?)$/i;

/**
 * Reads "+2" (bottles that came in), "+1.5 L", "-0.5 L" (spilled, lent), "3 L" or "4 bottles" (what is there). A bare number
 * after a sign is bottles, as they are bought; without one it is litres, as it is counted.
 */
export function parseStock(text: string): { ok: true; note: StockNote } | { ok: false; message: string } {
  const [, sign = '', rest = ''] = /^([+−-]?)\s*(.*)$/s.exec(text.trim())!;
  const what = sign === '' ? 'there' : sign === '+' ? 'came' : 'went';
  if (sign !== '' && /^[+−-]/.test(rest))
    return { ok: false, message: 'One sign: + came in, − went. Such as +2 bottles.' };
  if (NAMED.test(rest) || (sign !== '' && BOTTLES.test(rest))) {
    const bottles = Number(BOTTLES.exec(rest)![1]!.replace(',', '.'));
    if (bottles > MOST_BOTTLES) return { ok: false, message: `At most ${MOST_BOTTLES} bottles.` };
    if (sign !== '' && bottles === 0) return { ok: false, message: 'That changes nothing.' };
    return { ok: true, note: { what, ml: null, bottles } };
  }
  const parsed = parseQuantity(rest, { dimension: 'volume', unit: 'L' });
  if (!parsed.ok)
    return {
      ok: false,
      message:
        parsed.problem.kind === 'empty' ? 'Such as +2 bottles, −0.5 L, or 3 L.' : parsed.problem.message
    };
  const ml = parsed.quantity.base;
  if (ml < 0 || ml > MOST_ML) return { ok: false, message: 'From nothing to 1,000 L.' };
  if (sign !== '' && ml === 0) return { ok: false, message: 'That changes nothing.' };
  return { ok: true, note: { what, ml, bottles: null } };
}

/** Why a stock differs, where nobody said. */
export const STOCK_WHY: Record<StockNote['what'], string> = {
  there: 'counted',
  came: 'bought',
  went: 'spilled or lent'
};

/** What is written down where the book had counted less than nothing: more was poured than ever came in. */
export const UNCOUNTED = 'more was poured than was counted in';

/**
 * What to write down so that the book says what there is. A book below nothing cannot be right: what comes in is counted from
 * nothing, and the difference is written as what it is.
 * @param bookMl what there is by the book, ml
 * @param bottleMl what a bottle holds, ml
 * @returns movements in ml, none where nothing changes; null where more would go than there is
 */
export function movementsOf(
  note: StockNote,
  bookMl: number,
  bottleMl: number,
  why: string
): { ml: number; why: string }[] | null {
  const ml = note.ml ?? note.bottles! * bottleMl;
  if (note.what === 'there') return Math.abs(ml - bookMl) < 0.5 ? [] : [{ ml: ml - bookMl, why }];
  if (note.what === 'went') return ml - bookMl > 0.5 ? null : [{ ml: -ml, why }];
  const came = { ml, why };
  return bookMl < 0 ? [{ ml: -bookMl, why: UNCOUNTED }, came] : [came];
}

/** What the book will say once that is written, ml; null where more would go than there is. */
export function stockAfter(note: StockNote, bookMl: number, bottleMl: number): number | null {
  const moved = movementsOf(note, bookMl, bottleMl, '');
  return moved && bookMl + moved.reduce((sum, m) => sum + m.ml, 0);
}
