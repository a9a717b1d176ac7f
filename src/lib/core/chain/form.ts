import { z } from 'zod';
import { SEVERITIES } from '../finding/finding';
import { id, name, numberTyped, remark } from '../forms';
import { parseQuantity } from '../quantity/parse';
import { AFTERCARE, STAGES } from './check';
import { ADJUSTERS, ATTITUDES } from './drive';
import { BACKWARDS } from './reading-typed';
import { TEETH_OF } from './gearing';
import { MOST_SLACK } from './slack-typed';
import { GUIDES, JOINTS, TEETH } from './wear';

/** A number a field holds, or nothing. */
const orNone = <T>(schema: z.ZodType<T>) =>
  z.preprocess((v) => (typeof v === 'string' && v.trim() === '' ? null : v), schema.nullable());
const number = (what: string, from: number, to: number) =>
  numberTyped(what).pipe(z.number().min(from, `At least ${from}.`).max(to, `At most ${to}.`));
const whole = (what: string, from: number, to: number) =>
  numberTyped(what).pipe(
    z.number().int(`Whole ones: ${what}`).min(from, `At least ${from}.`).max(to, `At most ${to}.`)
  );
/** A length as it was typed, mm: a naked number is millimetres. */
const length = (from: number, to: number, what: string) =>
  z.union([
    z.number().min(from, what).max(to, what),
    z
      .string()
      .max(60, 'At most 60 characters.')
      .transform((typed, ctx) => {
        const read = parseQuantity(typed, { dimension: 'length', unit: 'mm' });
        const said = !read.ok
          ? read.problem.message
          : read.quantity.base < from || read.quantity.base > to
            ? what
            : null;
        if (said === null && read.ok) return read.quantity.base;
        ctx.addIssue({ code: 'custom', message: said! });
        return z.NEVER;
      })
  ]);

export const driveShape = {
  at: z.number().min(0.1, 'Between the sprockets.').max(0.9, 'Between the sprockets.'),
  attitude: z.enum(ATTITUDES, { error: 'How does it stand?' }),
  angle: orNone(number('Degrees, down less than nothing, such as -12.', -60, 45)),
  adjuster: z.object({
    kind: z.enum(ADJUSTERS, { error: 'What moves the axle?' }),
    back: z.enum(['out', 'in']),
    perMark: orNone(
      number('A number, such as 2.', -90, 90).refine(
        (n) => n !== 0,
        'From one mark to the next is not nothing.'
      )
    ),
    lastMark: orNone(number('A number, such as 14.', 1, 400)),
    offset: orNone(length(1, 40, 'A carrier is 1 to 40 mm off its middle.')),
    zero: orNone(number('Degrees, such as 90.', -180, 180))
  }),
  chainSide: z.enum(['left', 'right']),
  front: orNone(whole('teeth, such as 13.', TEETH_OF.front.from, TEETH_OF.front.to)),
  rear: orNone(whole('teeth, such as 50.', TEETH_OF.rear.from, TEETH_OF.rear.to)),
  links: orNone(whole('links, such as 114.', 40, 200)),
  halfLink: z.boolean()
};
const oddOnes =
  (path: string[]) =>
  ({ links, halfLink }: { links: number | null; halfLink: boolean }, ctx: z.RefinementCtx) => {
    if (links !== null && links % 2 === 1 && !halfLink)
      ctx.addIssue({
        code: 'custom',
        path,
        message: 'An odd number of links takes a half link. Count once more, or say that it has one.'
      });
  };
/** How slack is measured on a machine, how its axle is moved, and what is fitted in place of what its sheet prints. */
export const driveSchema = z.object({ machineId: id, ...driveShape }).superRefine(oddOnes(['links']));
export type DriveInput = z.infer<typeof driveSchema>;

/** Where along the run slack is measured: nothing else of the drive is written over. */
export const chainPlaceSchema = z.object({ machineId: id, at: driveShape.at });

const slack = z
  .number({ error: 'How much is it?' })
  .min(0, 'Not below zero.')
  .max(MOST_SLACK, `At most ${MOST_SLACK} mm.`);
const mark = orNone(number('The mark it stands at, such as 4.5.', -100, 1000)).default(null);
export const slackShape = {
  slack,
  slackest: slack.nullable().default(null),
  left: mark,
  right: mark,
  typed: z.string().max(60).default('')
};
const backwards = (r: { slack: number; slackest: number | null }, ctx: z.RefinementCtx) => {
  if (r.slackest !== null && r.slackest < r.slack)
    ctx.addIssue({
      code: 'custom',
      path: ['slackest'],
      message: BACKWARDS
    });
};
/** Slack that was read. The check is begun with the first of it. */
export const slackMeasureSchema = z.object({
  checkId: id,
  machineId: id,
  readings: z
    .array(z.object({ id, stage: z.enum(STAGES), ...slackShape }).superRefine(backwards))
    .min(1, 'Nothing was measured.')
    .max(6)
});
export type SlackMeasureInput = z.infer<typeof slackMeasureSchema>;

export const chainCloseSchema = z.object({
  checkId: id,
  taskId: id.nullable(),
  /** What was seen to since the axle was moved. */
  seen: z.array(z.enum(AFTERCARE)).max(AFTERCARE.length).default([]),
  leave: z
    .object({
      reason: name('why it is left like that', 10_000),
      severity: z.enum(SEVERITIES, { error: 'How grave is it?' })
    })
    .nullable()
    .default(null)
});
export type ChainCloseInput = z.infer<typeof chainCloseSchema>;
export const chainStrikeSchema = z.object({ checkId: id, reason: name('why it does not count', 10_000) });

/** How long a chain is over so many pitches, pulled straight. */
export const lengthShape = {
  measured: length(50, 1500, 'Measured over pitches it is 50 to 1,500 mm.'),
  pitches: whole('pitches, such as 20.', 5, 60)
};
export const chainLengthSchema = z.object({
  id,
  machineId: id,
  ...lengthShape,
  /** The pitches were counted again. */
  sure: z.boolean().default(false)
});
export type ChainLengthInput = z.infer<typeof chainLengthSchema>;

export const lookShape = {
  front: z.enum(TEETH).nullable(),
  rear: z.enum(TEETH).nullable(),
  joint: z.enum(JOINTS).nullable(),
  stiff: orNone(whole('links, 0 for none.', 0, 200)),
  guides: z.enum(GUIDES).nullable()
};
export const chainLookSchema = z
  .object({ id, machineId: id, ...lookShape, note: remark })
  .superRefine((l, ctx) => {
    if ([l.front, l.rear, l.joint, l.stiff, l.guides].every((v) => v === null) && l.note === '')
      ctx.addIssue({ code: 'custom', path: [''], message: 'Pick what was looked at.' });
  });
export type ChainLookInput = z.infer<typeof chainLookSchema>;

export const DRESSINGS = ['lube', 'wax', 'dry'] as const;
export const dressingShape = {
  cleaned: z.boolean(),
  dressing: z.enum(DRESSINGS, { error: 'Lube, wax or dry?' })
};
export const chainDressSchema = z.object({ id, machineId: id, ...dressingShape });
export type ChainDressInput = z.infer<typeof chainDressSchema>;
export const chainEntryStrikeSchema = z.object({
  entryId: id,
  reason: name('why it does not count', 10_000)
});

const newPart = z.object({ id, name: name('what you call it', 60) });
const newSprocket = (side: 'front' | 'rear') =>
  newPart.extend({ teeth: whole('teeth, such as 13.', TEETH_OF[side].from, TEETH_OF[side].to) });
/** Chain and sprockets put on new, together or one by one; what they replace is scrapped or goes on the shelf. */
export const chainReplaceSchema = z
  .object({
    machineId: id,
    chain: newPart.extend({ links: whole('links, such as 114.', 40, 200), halfLink: z.boolean() }).nullable(),
    front: newSprocket('front').nullable(),
    rear: newSprocket('rear').nullable(),
    /** What was on it, as it was seen: another one by now, somebody else has been at it. */
    was: z.object({ chain: id.nullable(), front: id.nullable(), rear: id.nullable() }),
    /** What becomes of the old ones. */
    old: z.enum(['scrapped', 'on the shelf'], { error: 'What becomes of the old ones?' }),
    reason: name('why', 10_000)
  })
  .superRefine((r, ctx) => {
    if (!r.chain && !r.front && !r.rear)
      ctx.addIssue({ code: 'custom', path: [''], message: 'Nothing is new.' });
    if (r.chain) oddOnes(['chain', 'links'])(r.chain, ctx);
  });
export type ChainReplaceInput = z.infer<typeof chainReplaceSchema>;

/** What is sent, by the kind of its command: the form and the server check alike. */
export const bodies = {
  'chain.drive': driveSchema,
  'chain.place': chainPlaceSchema,
  'chain.measure': slackMeasureSchema,
  'chain.close': chainCloseSchema,
  'chain.strike': chainStrikeSchema,
  'chain.length': chainLengthSchema,
  'chain.look': chainLookSchema,
  'chain.dress': chainDressSchema,
  'chain.strike-entry': chainEntryStrikeSchema,
  'chain.replace': chainReplaceSchema
};
