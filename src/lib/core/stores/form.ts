import { z } from 'zod';
import { bad, day, id, name } from '../forms';
import { SCALES } from '../fasteners/wrench';
import { ADDITIVES, OIL_KINDS, RATINGS } from '../fluids/can';
import { parseQuantity } from '../quantity/parse';
import type { UnitName } from '../quantity/units';
import { filterSchema, filterWashedSchema } from './filters';
import { parseStock, STOCK_WHY, type StockNote } from './stock';

const typed = (dimension: 'torque' | 'length' | 'volume', unit: UnitName, what: string) =>
  z
    .string({ error: what })
    .max(200, 'At most 200 characters.')
    .transform((text, ctx): number => {
      const parsed = parseQuantity(text, { dimension, unit });
      if (!parsed.ok) return bad(ctx, parsed.problem.kind === 'empty' ? what : parsed.problem.message);
      return parsed.quantity.base;
    });

/** A torque wrench as it is put down: the ends of its scale in one unit, as printed on it. */
export const wrenchSchema = z
  .object({
    id,
    name: name('what you call it', 60),
    unit: z.enum(SCALES),
    low: z.string({ error: 'Where does its scale begin?' }).trim().max(200),
    high: z.string({ error: 'Where does its scale end?' }).trim().max(200),
    length: z.string().trim().max(200).default(''),
    calibratedUntil: z.union([day, z.literal('')]).default('')
  })
  .transform((w, ctx) => {
    const end = (field: 'low' | 'high', what: string): number => {
      const parsed = parseQuantity(w[field], { dimension: 'torque', unit: w.unit });
      if (parsed.ok) return parsed.quantity.base;
      ctx.addIssue({
        code: 'custom',
        path: [field],
        message: parsed.problem.kind === 'empty' ? what : parsed.problem.message
      });
      return Number.NaN;
    };
    const lowNm = end('low', 'Where does its scale begin?');
    const highNm = end('high', 'Where does its scale end?');
    if (lowNm >= highNm)
      ctx.addIssue({
        code: 'custom',
        path: ['high'],
        message: 'The range is upside down: the end is not above the beginning.'
      });
    if (highNm > 2000)
      ctx.addIssue({ code: 'custom', path: ['high'], message: 'No hand turns that. Is it the right unit?' });
    let lengthMm: number | null = null;
    if (w.length !== '') {
      const parsed = parseQuantity(w.length, { dimension: 'length', unit: 'mm' });
      if (!parsed.ok) ctx.addIssue({ code: 'custom', path: ['length'], message: parsed.problem.message });
      else if (parsed.quantity.base < 20 || parsed.quantity.base > 2000)
        ctx.addIssue({
          code: 'custom',
          path: ['length'],
          message: 'From 20 mm to 2 m: drive centre to the middle of the grip.'
        });
      else lengthMm = parsed.quantity.base;
    }
    return {
      id: w.id,
      name: w.name,
      unit: w.unit,
      lowNm,
      highNm,
      lengthMm,
      calibratedUntil: w.calibratedUntil || null
    };
  });
export type WrenchInput = z.infer<typeof wrenchSchema>;

export const adapterSchema = z.object({
  id,
  name: name('what you call it', 60),
  length: typed('length', 'mm', 'Drive centre to bolt centre, such as 45 mm.').refine(
    (mm) => mm >= 1 && mm <= 500,
    'From 1 to 500 mm: drive centre to bolt centre.'
  )
});
export type AdapterInput = z.infer<typeof adapterSchema>;

const bottle = typed('volume', 'L', 'How much does a bottle hold? Such as 1 L.').refine(
  (ml) => ml >= 50 && ml <= 250_000,
  'From 50 ml to 250 L.'
);
export const oilSchema = z.object({
  id,
  name: name('what it says on the can', 60),
  kind: z.enum(OIL_KINDS, { error: 'What is it made for?' }),
  grade: name('its grade, such as 10W-50', 40),
  ratings: z.array(z.enum(RATINGS)).max(RATINGS.length).default([]),
  additives: z.array(z.enum(ADDITIVES)).max(ADDITIVES.length).default([]),
  bottle,
  /** What there is of it now; empty: none. */
  stock: z
    .string()
    .trim()
    .max(200, 'At most 200 characters.')
    .default('')
    .transform((text, ctx): number => {
      if (text === '') return 0;
      const parsed = parseQuantity(text, { dimension: 'volume', unit: 'L' });
      if (!parsed.ok) return bad(ctx, parsed.problem.message);
      return parsed.quantity.base > 1_000_000 ? bad(ctx, 'At most 1,000 L.') : parsed.quantity.base;
    })
});
export type OilInput = z.infer<typeof oilSchema>;

/** What came in, what went, or what is there by a look. */
export const stockSchema = z
  .object({
    id,
    oilId: id,
    now: z
      .string({ error: 'Such as +2 bottles, −0.5 L, or 3 L.' })
      .max(200, 'At most 200 characters.')
      .transform((text, ctx): StockNote => {
        const parsed = parseStock(text);
        return parsed.ok ? parsed.note : bad(ctx, parsed.message);
      }),
    /** Empty: as usual. */
    why: z.string().trim().max(200, 'At most 200 characters.').default('')
  })
  .transform((s) => ({ ...s, why: s.why || STOCK_WHY[s.now.what] }));
export type StockInput = z.infer<typeof stockSchema>;
/** Something taken out of use. */
export const retireSchema = z.object({ id, what: z.enum(['wrench', 'adapter', 'oil', 'blades', 'filters']) });
export type RetireInput = z.infer<typeof retireSchema>;

/** What is sent, by the kind of its command: the form and the server check alike. */
export const bodies = {
  'wrench.add': wrenchSchema,
  'adapter.add': adapterSchema,
  'oil.add': oilSchema,
  'oil.stock': stockSchema,
  'filter.keep': filterSchema,
  'filter.washed': filterWashedSchema,
  'store.retire': retireSchema
};
