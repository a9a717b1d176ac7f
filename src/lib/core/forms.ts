/**
 * The pieces forms are made of. A form's schema is used twice: where it is typed and where it is taken, so that both say
 * the same.
 */
import { z } from 'zod';
import { centihours, MOST_CENTIHOURS, type Centihours } from './hours/hours';
import { parseQuantity } from './quantity/parse';
import { isDay } from './time/day';

/** What something is known by. A form has it from a list: what is no id there was not picked. */
export const id = z.uuid({ error: 'Pick one.' });

/** Of rows that are read one by one later, so that each is refused by itself: what each of them is. */
export const ROW_OF = new WeakMap<z.core.$ZodType, z.core.$ZodType>();
/** A row that is read later. */
export function rowOf(schema: z.core.$ZodType): z.ZodUnknown {
  const row = z.unknown();
  ROW_OF.set(row, schema);
  return row;
}

/** Longer than any figure anybody types; what is longer is not read at all. */
const LONGEST_FIGURE = 200;
const figureTyped = (error?: string) =>
  z.string(error === undefined ? {} : { error }).max(LONGEST_FIGURE, `At most ${LONGEST_FIGURE} characters.`);

/** A name that has to be there: at least one character of it can be seen. */
export const name = (what: string, max: number) =>
  z
    .string({ error: `Write ${what}.` })
    .max(max + LONGEST_FIGURE, `At most ${max} characters.`)
    .trim()
    .min(1, `Write ${what}.`)
    .max(max, `At most ${max} characters.`)
    .regex(/[\p{L}\p{N}\p{P}\p{S}]/u, `Write ${what}.`);

/** Some of a closed list, each once. */
export const someOf = <const T extends readonly [string, ...string[]]>(list: T) =>
  z
    .array(z.enum(list))
    .max(list.length, `At most ${list.length}.`)
    .transform((picked) => [...new Set(picked)])
    .default([]);

/** A number, or the text of one as a field holds it. Nothing else is one: not an empty field, not yes or no. */
export const numberTyped = (error: string) =>
  z.union(
    [
      z.number(),
      z
        .string()
        .max(40)
        .trim()
        .regex(/^[-+]?\d+([.,]\d+)?$/)
        .transform((text) => Number(text.replace(',', '.')))
    ],
    { error }
  );

/** Free words: long enough for any story, short enough for a page. */
export const remark = z
  .string()
  .max(20_000, 'At most 10,000 characters.')
  .trim()
  .max(10_000, 'At most 10,000 characters.')
  .default('');

/** No machine in the book is older, and nobody plans further ahead. */
const FIRST_DAY = '1950-01-01';
const LAST_DAY = '2199-12-31';
export const day = z
  .string({ error: 'Pick a day.' })
  .refine(
    (text) => isDay(text) && text >= FIRST_DAY && text <= LAST_DAY,
    'Pick a day, year-month-day, from 1950 to 2199.'
  );

/** Refuses with a message, from inside a transform. */
export function bad(ctx: z.RefinementCtx, message: string): never {
  ctx.addIssue({ code: 'custom', message });
  return z.NEVER;
}

/** Hours as people type them (`38.4`, `38,4`, `2h30`) turned into hundredths. */
export const hoursTyped = figureTyped('Write the hours, such as 38.4.').transform((text, ctx): Centihours => {
  const parsed = parseQuantity(text, { dimension: 'time', unit: 'h' });
  if (!parsed.ok)
    return bad(
      ctx,
      parsed.problem.kind === 'empty' ? 'Write the hours, such as 38.4.' : parsed.problem.message
    );
  const c = centihours(parsed.quantity.base / 3600);
  if (c > MOST_CENTIHOURS) return bad(ctx, 'No hour meter goes that far. Write the hours, such as 38.4.');
  return c;
});

/** The same, or nothing. */
export const hoursTypedOrNone = figureTyped()
  .default('')
  .transform((text, ctx): Centihours | null => {
    if (text.trim() === '') return null;
    const parsed = hoursTyped.safeParse(text);
    return parsed.success ? parsed.data : bad(ctx, parsed.error.issues[0]!.message);
  });

/** An interval: hours, more than nothing. */
export const intervalTyped = hoursTyped
  .refine((c) => c > 0, 'More than nothing.')
  .refine((c) => c <= 1_000_000, 'At most 10,000 h.');
export const intervalTypedOrNone = hoursTypedOrNone.refine((c) => c === null || c > 0, 'More than nothing.');

/** Whole days, or nothing. */
export const daysTypedOrNone = figureTyped()
  .default('')
  .transform((text, ctx): number | null => {
    if (text.trim() === '') return null;
    if (!/^\d{1,5}$/.test(text.trim()) || Number(text) < 1) return bad(ctx, 'Whole days, such as 365.');
    return Number(text);
  });

/** A count of whole things, or nothing. */
export const countTypedOrNone = (most: number) =>
  figureTyped()
    .default('')
    .transform((text, ctx): number | null => {
      if (text.trim() === '') return null;
      if (!/^\d{1,5}$/.test(text.trim()) || Number(text) > most)
        return bad(ctx, `A whole number, at most ${most}.`);
      return Number(text);
    });

/** A distance as people type it (`34`, `34 km`, `21 mi`), in hundredths of a kilometre, or nothing. */
export const distanceTypedOrNone = figureTyped()
  .default('')
  .transform((text, ctx): number | null => {
    if (text.trim() === '') return null;
    const parsed = parseQuantity(text, { dimension: 'distance', unit: 'km' });
    if (!parsed.ok) return bad(ctx, parsed.problem.message);
    const c = Math.round(parsed.quantity.base / 10);
    if (c > MOST_CENTIHOURS) return bad(ctx, 'No odometer goes that far. Write the distance, such as 34 km.');
    return c;
  });

/** Errors by field, in the order a form would show them: the first of each. */
export function errorsByField(error: z.ZodError): Record<string, string> {
  const errors: Record<string, string> = {};
  for (const issue of error.issues) errors[issue.path.join('.')] ??= issue.message;
  return errors;
}
