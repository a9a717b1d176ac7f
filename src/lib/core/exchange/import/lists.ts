import { matchHeads } from './field';
import { components } from './lists/components';
import { findings } from './lists/findings';
import { outings, readings } from './lists/hours';
import { machines } from './lists/machines';
import { oils } from './lists/oils';
import { fasteners, figures } from './lists/sheet';
import { records, tasks } from './lists/tasks';
import type { ImportList } from './model';

/** The lists that may come into the book, in the order in which a new one is filled: each rests on those before it. */
export const IMPORT_LISTS = {
  machines,
  components,
  outings,
  readings,
  tasks,
  records,
  findings,
  fasteners,
  figures,
  oils
} as const satisfies Record<string, ImportList>;
export type ImportKey = keyof typeof IMPORT_LISTS;
export const IMPORT_KEYS = Object.keys(IMPORT_LISTS) as [ImportKey, ...ImportKey[]];

/**
 * Which list a file most likely is, by its headings: the one that knows the most of them, has all it needs, and asks for the
 * fewest that are not there.
 * @returns null where none has what it needs
 */
export function guessList(heads: readonly string[]): ImportKey | null {
  const scored = IMPORT_KEYS.map((key) => {
    const { fields } = IMPORT_LISTS[key] as ImportList;
    const matched = matchHeads(heads, fields).filter((m) => m !== null);
    const whole = fields.filter((f) => f.needed).every((f) => matched.includes(f.key));
    return { key, score: whole ? matched.length - fields.length / 100 : 0 };
  }).sort((a, b) => b.score - a.score);
  return scored[0]!.score >= 2 ? scored[0]!.key : null;
}

/** Titles and empty lines above a table are no more. */
const MOST_ABOVE = 12;

/**
 * Where the headings of a table stand: the first row that a list knows, else the first with two headings of any list, else
 * nowhere.
 * @returns its place from 0, or -1
 */
export function headingAt(rows: readonly (readonly string[])[]): number {
  const first = rows.slice(0, MOST_ABOVE);
  const known = first.findIndex((row) => guessList(row) !== null);
  if (known >= 0) return known;
  return first.findIndex((row) =>
    IMPORT_KEYS.some(
      (key) => matchHeads(row, (IMPORT_LISTS[key] as ImportList).fields).filter(Boolean).length >= 2
    )
  );
}
