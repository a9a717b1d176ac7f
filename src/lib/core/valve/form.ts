import { z } from 'zod';
import { bad, id, name, remark } from '../forms';
import { SEVERITIES } from '../finding/finding';
import { STAGES } from './check';
import { MOST_CLEARANCE, impossible, type Measured } from './clearance';
import { EXHAUST_TO, GAUGES, MOST_CYLINDERS, MOST_EXHAUSTS, MOST_INLETS, ROWS, type Layout } from './head';
import { readBlades, THICKEST_SHIM, THINNEST_SHIM } from './stamp';
import { showUm, type ClearanceUnit } from './limits';
import type { Series } from './shim';
import { drawerPasteSchema, drawerSchema, levelSchema } from './drawer';
import { acrossTyped, known, shimUm } from './shim-typed';

const whole = (most: number, what: string) =>
  z.number({ error: what }).int(what).min(1, what).max(most, what);

export const layoutShape = {
  cylinders: whole(MOST_CYLINDERS, `One to ${MOST_CYLINDERS} cylinders.`),
  row: z.enum(ROWS, { error: 'How do the cylinders stand?' }),
  exhaustTo: z.enum(EXHAUST_TO, { error: 'Which way does the exhaust point?' }),
  inlets: whole(MOST_INLETS, `One to ${MOST_INLETS} inlet valves a cylinder.`),
  exhausts: whole(MOST_EXHAUSTS, `One or ${MOST_EXHAUSTS} exhaust valves a cylinder.`),
  inletGauge: z.enum(GAUGES, { error: 'Where does the gauge go at the inlet?' }),
  exhaustGauge: z.enum(GAUGES, { error: 'Where does the gauge go at the exhaust?' })
};
/** One cylinder stands in no row: what was picked for more of them before is not kept. */
export const layoutSchema: z.ZodType<Layout> = z
  .object(layoutShape)
  .transform((l) => (l.cylinders === 1 ? { ...l, row: 'side by side' as const } : l));

/** The head of the engine that is in a machine now: laid out, or laid out anew. */
export const headSchema = z.object({ id, machineId: id, layout: layoutSchema });
export type HeadInput = z.infer<typeof headSchema>;

/** Which shims fit it and how they are made: `1.20 to 3.50 by 0.05`, and across how many millimetres. Empty: nobody knows. */
export const sizesSchema = z.object({
  headId: id,
  sizes: z
    .string()
    .trim()
    .max(80, 'At most 80 characters.')
    .transform((text, ctx): Series | null => {
      if (text === '') return null;
      const m =
        /^([\d.,]+)\s*(?:mm)?\s*(?:-|–|to)\s*([\d.,]+)\s*(?:mm)?\s*(?:by|in steps of)\s*([\d.,]+)\s*(?:mm)?$/i.exec(
          text
        );
      const um = m?.slice(1).map((n) => Math.round(Number(n.replace(',', '.')) * 1000));
      if (!um || um.some((n) => !Number.isFinite(n)))
        return bad(ctx, 'From, to and by, such as 1.20 to 3.50 by 0.05.');
      const [thinnest, thickest, step] = um as [number, number, number];
      if (thinnest < THINNEST_SHIM || thickest > THICKEST_SHIM)
        return bad(ctx, `Shims are ${showUm(THINNEST_SHIM)} to ${showUm(THICKEST_SHIM)} thick.`);
      if (thickest <= thinnest) return bad(ctx, 'The range runs backwards.');
      if (step < 5 || step > 100)
        return bad(ctx, 'They are made in steps of 0.005 to 0.1 mm, such as 0.025 or 0.05.');
      return { thinnest, thickest, step };
    }),
  across: acrossTyped
});
export type SizesInput = z.infer<typeof sizesSchema>;

/** How top dead centre of the compression stroke is found on this engine. */
export const guideShape = {
  marks: z.string().trim().max(400, 'At most 400 characters.').default(''),
  turn: z.string().trim().max(400, 'At most 400 characters.').default(''),
  free: z.string().trim().max(400, 'At most 400 characters.').default(''),
  /** The order in which cylinders come to it: 1-3-4-2. Empty with one. */
  firing: z.array(z.number().int().min(1).max(MOST_CYLINDERS)).max(MOST_CYLINDERS).default([]),
  /** From one cylinder to the next. */
  between: z.string().trim().max(200, 'At most 200 characters.').default(''),
  note: remark
};
export type Guide = { [K in keyof typeof guideShape]: z.output<(typeof guideShape)[K]> };
export const NO_GUIDE: Guide = { marks: '', turn: '', free: '', firing: [], between: '', note: '' };
export const guideSchema = z.object({
  headId: id,
  ...guideShape,
  firing: z
    .string()
    .trim()
    .max(20)
    .default('')
    .transform((text, ctx): number[] => {
      if (text === '') return [];
      const order = text
        .split(/[^\d]+/)
        .filter(Boolean)
        .map(Number);
      const all = order.every((n) => n >= 1 && n <= order.length) && new Set(order).size === order.length;
      return all && order.length <= MOST_CYLINDERS ? order : bad(ctx, 'Each cylinder once, such as 1-3-4-2.');
    })
});
export type GuideInput = z.infer<typeof guideSchema>;

const um = z
  .number()
  .int('Whole micrometres.')
  .min(0, 'Not below zero.')
  .max(MOST_CLEARANCE, `At most ${showUm(MOST_CLEARANCE)}.`);
export const measuredSchema: z.ZodType<Measured> = z
  .discriminatedUnion('by', [
    z.object({ by: z.literal('blades'), goes: um.nullable(), stops: um.nullable() }),
    z.object({ by: z.literal('reading'), at: um }),
    z.object({ by: z.literal('dial'), from: um, to: um })
  ])
  .superRefine((m, ctx) => {
    if (impossible(m))
      ctx.addIssue({ code: 'custom', message: 'What does not go has to be thicker than what goes.' });
  });

const valve = z.string().regex(/^[1-4]-(inlet|exhaust)(-(left|middle|right|front|rear))?$/, 'No such valve.');
/** How it is known that the engine is stone cold: it has stood long enough by the book, or somebody says so. */
export const COLDS = ['by the book', 'said'] as const;

/** Valves measured. The check is begun with the first of them. */
export const measureSchema = z.object({
  checkId: id,
  headId: id,
  visitId: id.nullable().default(null),
  cold: z.enum(COLDS, { error: 'Clearances are measured stone cold. Is it?' }),
  readings: z
    .array(z.object({ id, valve, stage: z.enum(STAGES), measured: measuredSchema }))
    .min(1, 'Nothing was measured.')
    .max(40)
});
export type MeasureInput = z.infer<typeof measureSchema>;

const shim = {
  /** Decoded, µm. */
  stamp: shimUm('As it is stamped.').nullable(),
  /** By micrometer, µm. */
  measured: shimUm('As the micrometer reads.').nullable()
};
/** A shim read where it sits. */
export const shimReadSchema = z
  .object({ id, headId: id, checkId: id.nullable().default(null), valve, ...shim })
  .superRefine(known);
export type ShimReadInput = z.infer<typeof shimReadSchema>;

export const FROM = ['another valve', 'drawer', 'bought'] as const;
/** The plan that was settled on, kept with the check: it is carried to the engine. Null: none any more. */
export const planSchema = z.object({
  checkId: id,
  plan: z
    .object({
      choice: z.string().max(40),
      fits: z
        .array(
          z.object({
            valve,
            shim: shimUm('How thick?'),
            from: z.enum(['itself', ...FROM]),
            of: valve.nullable()
          })
        )
        .max(32)
    })
    .nullable()
});
export type PlanChoiceInput = z.infer<typeof planSchema>;

/** Shims that went in, together: none of them into two valves. What came out and went nowhere lands in the drawer. */
export const fitSchema = z
  .object({
    id,
    checkId: id,
    fits: z
      .array(
        z
          .object({
            id,
            valve,
            ...shim,
            /** How thick the one was that sat there, as it was seen; null: not known. Another one by now: somebody else has been at it. */
            was: shimUm('How thick was the one before?').nullable(),
            from: z.enum(FROM, { error: 'Where does it come from?' }),
            /** The valve it came out of. */
            of: valve.nullable().default(null)
          })
          .superRefine(known)
      )
      .min(1, 'Nothing was fitted.')
      .max(32),
    /** What a micrometer reads on shims that came out, by valve. */
    out: z
      .array(z.object({ valve, measured: shimUm('As the micrometer reads.') }))
      .max(32)
      .default([])
  })
  .superRefine((f, ctx) => {
    const seen = new Set<string>();
    const taken = new Set<string>();
    for (const [i, x] of f.fits.entries()) {
      if (seen.has(x.valve))
        ctx.addIssue({ code: 'custom', path: ['fits', i, 'valve'], message: 'One valve has one shim.' });
      seen.add(x.valve);
      if (x.from === 'another valve' && x.of === null)
        ctx.addIssue({ code: 'custom', path: ['fits', i, 'of'], message: 'Out of which valve?' });
      if (x.of !== null && taken.has(x.of))
        ctx.addIssue({
          code: 'custom',
          path: ['fits', i, 'of'],
          message: 'That shim goes into another valve already.'
        });
      if (x.of !== null) taken.add(x.of);
    }
  });
export type FitInput = z.infer<typeof fitSchema>;

/** A check that is over: what is out of its limits is put right, or left with a reason, how grave, and a finding. */
export const checkCloseSchema = z.object({
  checkId: id,
  /** The task it was done for; null: for none. */
  taskId: id.nullable().default(null),
  leave: z
    .object({
      reason: name('why it is left like that', 400),
      severity: z.enum(SEVERITIES, { error: 'How grave is it?' })
    })
    .nullable()
    .default(null)
});
export type CheckCloseInput = z.infer<typeof checkCloseSchema>;
/** A check that was wrong as a whole: measured warm, or on another machine. */
export const checkStrikeSchema = z.object({ checkId: id, reason: name('why it does not count', 400) });

export const bladesSchema = z.object({
  id,
  name: name('what you call it', 60),
  blades: z
    .string({ error: 'Which blades has it?' })
    .max(600, 'At most 600 characters.')
    .transform((text, ctx): { um: number[]; unit: ClearanceUnit } => {
      const read = readBlades(text);
      return read.ok ? { um: read.um, unit: read.unit } : bad(ctx, read.message);
    })
});
export type BladesInput = z.infer<typeof bladesSchema>;

/** What is sent, by the kind of its command: the form and the server check alike. */
export const bodies = {
  'blades.add': bladesSchema,
  'shims.count': drawerSchema,
  'shims.paste': drawerPasteSchema,
  'shims.level': levelSchema,
  'head.set': headSchema,
  'head.sizes': sizesSchema,
  'head.guide': guideSchema,
  'valve.measure': measureSchema,
  'valve.shim': shimReadSchema,
  'valve.plan': planSchema,
  'valve.fit': fitSchema,
  'valve.close': checkCloseSchema,
  'valve.strike': checkStrikeSchema
};
