import { z } from 'zod';
import { unitWas } from '../quantity/stored';
import { readStored, withVersion } from '../stored/stored';
import { entrySchema, type Entry } from './entry';

/** The row of an entry, as far as it is a document: what it is about stands in columns. */
export interface KeptEntry {
  id: string;
  seq: number;
  at: string;
  by: string;
  stepKey: string | null;
  itemKey: string | null;
  action: string;
  content: unknown;
  /** What its device knew when it wrote it; null: it did not say. */
  seen: string | null;
  after: string | null;
  /** The unit that its step measures in, as the step was kept; null where it measures nothing. */
  unit: string | null;
}

/** Version 1: a measured value was a bare number in its step's unit. Version 2: it carries the unit it was read in. */
export const keptContent = z.discriminatedUnion('v', [
  z.looseObject({ v: z.literal(1), value: z.number().optional() }),
  z.looseObject({ v: z.literal(2) })
]);

/** What was written in a visit, as it is kept. @throws UnreadableError */
export function readEntry(kept: KeptEntry): Entry {
  const { seq, at, by, unit, ...row } = kept;
  const document = readStored(
    'an entry of a visit',
    keptContent,
    withVersion(kept.content, () => 1)
  );
  const up: Record<string, unknown> = { ...document };
  if (document.v === 1 && document.value !== undefined)
    up.measured = { value: document.value, unit: unitWas(unit ?? '').unit };
  const entry = readStored('an entry of a visit', entrySchema, { ...row, content: up });
  return { ...entry, seq, at, by };
}
export const writeContent = (entry: { content: object }) => ({ v: 2, ...entry.content });
