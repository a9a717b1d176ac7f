import { z } from 'zod';

/**
 * Documents that are kept in the book as JSON: plans, entries, records, templates, standings. Each has a codec beside its
 * noun: a Zod union on a version, the steps that bring an older one up, and what is written today. It runs where the row is
 * read, so that everything behind it knows one shape only.
 */

/** A schema for every field of a type: no longer compiles once the two drift apart. */
export type Shape<T> = { readonly [K in keyof T]-?: z.ZodType<T[K]> };

/** A kept document that none of its versions can read: the book was written by something else, or is damaged. */
export class UnreadableError extends Error {
  constructor(
    /** What it is: “a step of a visit”. */
    readonly document: string,
    readonly issues: readonly { path: string; message: string }[]
  ) {
    super(`${document} cannot be read: ${issues.map((i) => `${i.path || 'it'}: ${i.message}`).join('; ')}`);
    this.name = 'UnreadableError';
  }
}

/** Reads a kept document by its schema. @throws UnreadableError */
export function readStored<T>(document: string, schema: z.ZodType<T>, kept: unknown): T {
  const read = schema.safeParse(kept);
  if (read.success) return read.data;
  throw new UnreadableError(
    document,
    read.error.issues.slice(0, 5).map((i) => ({ path: i.path.join('.'), message: i.message }))
  );
}

/** A document of before there were versions gets the one that its shape tells; one that has a version keeps it. */
export function withVersion(
  kept: unknown,
  of: (document: Readonly<Record<string, unknown>>) => number
): unknown {
  if (kept === null || typeof kept !== 'object' || Array.isArray(kept)) return kept;
  const document = kept as Record<string, unknown>;
  return 'v' in document ? document : { ...document, v: of(document) };
}
