import { z } from 'zod';

/** What a column of a team's file may hold. Dates, moments and ids are text in JSON. */
export const id = z.guid().describe('An id, UUID');
export const ids = z.array(id);
export const text = z.string();
export const texts = z.array(text);
export const int = z.int();
export const ints = z.array(int);
export const num = z.number();
export const flag = z.boolean();
export const day = z.iso.date().describe('A calendar day in the team’s time zone');
export const moment = z.iso.datetime({ offset: true }).describe('A moment, RFC 3339');
/** JSON whose inside is checked where it is read: what was sent with a command, what a task was before it was changed. */
export const json = z.json();

export const none = <T extends z.ZodType>(of: T) => of.nullable();

type JsonSchema = Record<string, unknown>;

/** A document from before there were versions has none: `v` may be left out. */
function versionMayLack(schema: JsonSchema): JsonSchema {
  const of = (s: JsonSchema): JsonSchema => ({
    ...s,
    ...(Array.isArray(s['required']) && { required: s['required'].filter((k) => k !== 'v') })
  });
  for (const key of ['anyOf', 'oneOf'] as const)
    // Without its version a document may fit two of them.
    if (Array.isArray(schema[key])) return { anyOf: (schema[key] as JsonSchema[]).map((s) => of(s)) };
  return of(schema);
}

/**
 * A document kept as JSON: taken as it is, in whatever version it was written, if its codec can read it.
 *
 * @param schema of all its versions, for the published description
 * @param read its codec; throws where none of them fits
 */
export function kept(schema: z.ZodType, read: (document: unknown) => unknown) {
  const { $schema: _, ...described } = z.toJSONSchema(schema, {
    io: 'input',
    unrepresentable: 'any',
    reused: 'inline'
  }) as JsonSchema;
  return z
    .unknown()
    .superRefine((document, ctx) => {
      try {
        read(document);
      } catch (e) {
        ctx.addIssue({ code: 'custom', message: e instanceof Error ? e.message : 'It cannot be read.' });
      }
    })
    .meta(versionMayLack(described));
}

/** A row: nothing in it that is not named. */
export const row = <T extends z.ZodRawShape>(shape: T) => z.strictObject(shape);
