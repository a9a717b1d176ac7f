import { z } from 'zod';
import { BACKWARDS } from '../chain/reading-typed';
import { GRADES, MATERIALS } from '../debris/debris';
import { OIL_LOOKS } from '../debris/trend';
import { FOUND } from '../fasteners/found';
import { WAITS_FOR } from '../finding/reminder';
import { MOST_STEPS } from '../job/plan';
import { POURS } from '../fluids/ledger';
import { CIRCUITS } from '../specs/sheet';
import { UNIT_NAMES, UNITS, type UnitName } from '../quantity/units';

/**
 * One thing done in a visit. Entries are only ever added; undoing is another entry. The same shapes are checked in the form
 * and on the server.
 */
const REMARK_MAX = 10_000;
const reason = z
  .string()
  .trim()
  .min(1, 'Say why in a few words.')
  .max(REMARK_MAX, 'At most 10,000 characters.');
const remark = z.string().trim().max(REMARK_MAX, 'At most 10,000 characters.').optional();

/** Millilitres; more than 20 litres is no engine of ours. */
const ml = z
  .number({ error: 'Write an amount such as 950 ml or 1.15 qt.' })
  .min(0, 'Not below zero.')
  .max(20_000, 'At most 20 L: is it the right unit?');

const marked = z.enum(['sight glass', 'dipstick resting on the thread', 'dipstick screwed in']);
export const levelSchema = z.union([
  z.object({ method: marked, position: z.number().min(-0.5).max(1.5) }),
  z.object({ method: z.literal('check screw'), flow: z.enum(['nothing', 'weeps', 'runs']) }),
  z.object({ method: z.literal('measured quantity only') })
]);

const torqueUnits = UNIT_NAMES.filter((u) => UNITS[u].dimension === 'torque') as [UnitName, ...UnitName[]];

export const VERDICTS = ['carry on', 'look again sooner', 'find the source', 'park it'] as const;

/** The instrument that a number was read off by itself; a number that was typed has none. */
const instrument = z.string().trim().max(60).optional();

/** Longer than this no engine is run before its level is read, seconds. Ours. */
export const MOST_RAN = 7200;

export const doneSchema = z.object({
  remark,
  instrument,
  /** Drained, or one pour. */
  ml: ml.optional(),
  /** As it was written: "1.15 US qt". */
  asWritten: z.string().max(60).optional(),
  pour: z.enum(POURS).optional(),
  residueMl: ml.optional(),
  grade: z.enum(GRADES).optional(),
  materials: z.array(z.enum(MATERIALS)).max(MATERIALS.length).optional(),
  oilLook: z.enum(OIL_LOOKS).optional(),
  /** The mechanic's own verdict, where it is not the one worked out, with the words for it. */
  verdict: z.enum(VERDICTS).optional(),
  overruled: remark,
  level: levelSchema.optional(),
  toppedUpMl: ml.optional(),
  answer: z.enum(['yes', 'no']).optional(),
  /** What was measured, in the unit it was read in. */
  measured: z
    .object({
      value: z.number({ error: 'A number, such as 38.' }).min(-1e6).max(1e6),
      unit: z.enum(UNIT_NAMES, { error: 'In which unit?' })
    })
    .optional(),
  /** The oil that goes in; null: one that is not in the stores, named in the words. */
  oilId: z.uuid().nullable().optional(),
  oil: z.string().trim().max(120).optional(),
  oilGrade: z.string().trim().max(60).optional(),
  /** Why an oil that was stopped, or is not the sheet's, goes in all the same. */
  deviation: remark,
  /** Which plug was pointed at, where two could be taken for one another. */
  pointedAt: z.uuid().optional(),
  /** The numbers of the valves, as the valve sheet has them: of which check, how many, how many out of their limits. */
  clearances: z
    .object({
      checkId: z.uuid(),
      valves: z.number().int().min(1).max(32),
      bad: z.number().int().min(0).max(32)
    })
    .optional(),
  /** Slack of the chain: in all, at its tightest place, mm; at its slackest; the marks of both sides. */
  slack: z
    .object({
      mm: z
        .number({ error: 'How much is it?' })
        .min(0, 'Not below zero.')
        .max(200, 'At most 200 mm: is it the right unit?'),
      slackest: z.number().min(0).max(200).nullable().optional(),
      left: z.number().min(-100).max(1000).nullable().optional(),
      right: z.number().min(-100).max(1000).nullable().optional(),
      asWritten: z.string().max(60)
    })
    .refine((s) => (s.slackest ?? s.mm) >= s.mm, { path: ['slackest'], message: BACKWARDS })
    .optional(),
  /** How long the engine ran, seconds. */
  ranSeconds: z
    .number({ error: 'Minutes, such as 3.' })
    .min(1, 'More than nothing.')
    .max(MOST_RAN, 'At most two hours.')
    .optional(),
  /** Done away from the app and written down later: nobody knows at what moment. */
  afterwards: z.literal(true).optional()
});
export type DoneContent = z.infer<typeof doneSchema>;

const seal = {
  /** Whether the washer or ring is new, or the old one again. */
  seal: z.enum(['new', 'again']).optional(),
  sealReason: remark
};
/** Which filter went in. */
export const FILTERS = ['new', 'washed', 'again'] as const;
export type WhichFilter = (typeof FILTERS)[number];
export const torquedSchema = z.object({
  value: z.number().positive('A torque is more than nothing.').max(2000, 'Is it the right unit?'),
  unit: z.enum(torqueUnits),
  /** Needed where the value is not the sheet's. */
  reason: remark,
  wrenchId: z.uuid().optional(),
  instrument,
  /** With an adapter: what the wrench was set to, in newton metres, and how the adapter stood. */
  settingNm: z.number().positive().max(2000).optional(),
  adapterId: z.uuid().optional(),
  angleDeg: z.number().min(0).max(180).optional(),
  remark,
  ...seal
});

export const THINGS = [
  'spring',
  'dowel',
  'half ring',
  'O-ring',
  'stuck washer',
  'rag in a hole',
  'wire',
  'key',
  'other'
] as const;

/** What a device has seen of a step or a fastener about which nothing was written yet. */
export const NOTHING_SEEN = '00000000-0000-0000-0000-000000000000';

const base = {
  id: z.uuid(),
  /** The last entry about the same step or fastener that its device knew; left out: it does not say. */
  seen: z.uuid().nullable().optional(),
  /** The last entry of the visit that its device had written or knew: it comes after that; left out: it does not say. */
  after: z.uuid().nullable().optional()
};
const step = { stepKey: z.string().min(1).max(160), itemKey: z.null().default(null) };
const item = { itemKey: z.string().min(1).max(160), stepKey: z.null().default(null) };
const visit = { stepKey: z.null().default(null), itemKey: z.null().default(null) };
const nothing = z.object({});

export const entrySchema = z.discriminatedUnion('action', [
  z.object({ ...base, ...step, action: z.literal('done'), content: doneSchema }),
  z.object({ ...base, ...step, action: z.literal('undone'), content: nothing }),
  z.object({ ...base, ...step, action: z.literal('left out'), content: z.object({ reason }) }),
  z.object({
    ...base,
    ...step,
    action: z.literal('handed over'),
    /** Null: to whoever comes. */
    content: z.object({
      to: z.string().trim().max(60).nullable(),
      note: z.string().trim().max(400).default('')
    })
  }),
  z.object({ ...base, ...step, action: z.literal('taken back'), content: nothing }),
  z.object({
    ...base,
    ...step,
    action: z.literal('timer'),
    content: z.object({
      label: z.string().trim().min(1).max(80),
      seconds: z
        .number({ error: 'Minutes, such as 3.' })
        .min(1, 'More than nothing.')
        .max(86_400, 'At most a day.')
    })
  }),
  z.object({ ...base, ...step, action: z.literal('timer off'), content: z.object({ of: z.uuid() }) }),
  z.object({ ...base, ...item, action: z.literal('off'), content: nothing }),
  z.object({ ...base, ...item, action: z.literal('by hand'), content: nothing }),
  z.object({ ...base, ...item, action: z.literal('snug'), content: nothing }),
  z.object({
    ...base,
    ...item,
    action: z.literal('bolt'),
    content: z.object({ round: z.number().int().min(0).max(4), bolt: z.number().int().min(0).max(23) })
  }),
  z.object({ ...base, ...item, action: z.literal('torqued'), content: torquedSchema }),
  z.object({ ...base, ...item, action: z.literal('by feel'), content: z.object({ reason, ...seal }) }),
  z.object({ ...base, ...item, action: z.literal('marked'), content: nothing }),
  z.object({
    ...base,
    ...item,
    action: z.literal('shut'),
    content: z.object({
      ...seal,
      filter: z.enum(FILTERS).optional(),
      /** Which filter: the number or name on it. */
      number: z.string().trim().max(60, 'At most 60 characters.').optional()
    })
  }),
  z.object({
    ...base,
    ...item,
    action: z.literal('deferred'),
    content: z.object({
      reason,
      waitsFor: z.enum(WAITS_FOR, { error: 'What does it wait for?' }),
      part: z.string().trim().max(120).default(''),
      /** It may be ridden until then, as the mechanic says. */
      usable: z.boolean().optional(),
      ...seal
    })
  }),
  z.object({
    ...base,
    ...item,
    action: z.literal('found'),
    content: z.object({ how: z.enum(FOUND), note: z.string().trim().max(400).default('') })
  }),
  z.object({
    ...base,
    ...visit,
    action: z.literal('thing out'),
    content: z.object({
      what: z.enum(THINGS),
      name: z.string().trim().min(1, 'Name it, so that it is found again.').max(80),
      count: z.number().int().min(1).max(50).default(1)
    })
  }),
  z.object({ ...base, ...visit, action: z.literal('thing in'), content: z.object({ of: z.uuid() }) }),
  /** A tool, a part or a fluid that was not laid out and had to be got in the middle of the work. */
  z.object({
    ...base,
    ...visit,
    action: z.literal('fetched'),
    content: z.object({
      what: z.string().trim().min(1, 'What was it?').max(120, 'At most 120 characters.')
    })
  }),
  z.object({ ...base, ...visit, action: z.literal('not fetched'), content: z.object({ of: z.uuid() }) }),
  z.object({
    ...base,
    ...visit,
    action: z.literal('passed over'),
    content: z.object({ fastenerId: z.uuid(), reason })
  }),
  z.object({
    ...base,
    ...visit,
    action: z.literal('fill accepted'),
    /** Why what is in a circuit stays so, though the sheet says another quantity; and how much is in it. */
    content: z.object({ circuit: z.enum(CIRCUITS), inMl: z.number().min(-20_000).max(100_000), reason })
  }),
  z.object({
    ...base,
    ...visit,
    action: z.literal('reordered'),
    content: z.object({
      order: z.array(z.string().max(160)).max(MOST_STEPS),
      reason: z.string().trim().max(400).default('')
    })
  })
]);
/** An entry as a device sends it. */
export type NewEntry = z.infer<typeof entrySchema>;
export type Action = NewEntry['action'];

/** An entry in the book: numbered in the order the server took it, stamped with who and when. */
export type Entry = NewEntry & { seq: number; at: string; by: string };
