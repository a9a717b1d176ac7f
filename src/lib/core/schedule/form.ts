import { z } from 'zod';
import { bad, day, distanceTypedOrNone, hoursTypedOrNone, id, name, remark, someOf } from '../forms';
import { CALLS, MOST_SENSITIVE, STRAINS, type Sensitivity } from '../outing/outing';
import { AGEINGS, ANCHORINGS, MEASURES, type Measure } from './task';

/** The most of each measure an interval may be: past it a figure is a slip. */
const MOST: Record<Measure, number> = {
  hours: 1_000_000,
  distance: 10_000_000,
  days: 7300,
  outings: 1000,
  races: 500,
  times: 100
};
const EXAMPLE: Record<Measure, string> = {
  hours: '15 or 7h30',
  distance: '500 km or 300 mi',
  days: '365',
  outings: '3',
  races: '2',
  times: '3'
};

/** An amount of a measure as typed; null where nothing was. */
function readAmount(
  text: string,
  measure: Measure
): { ok: true; amount: number | null } | { ok: false; message: string } {
  if (text.trim() === '') return { ok: true, amount: null };
  let amount: number | null;
  if (measure === 'hours' || measure === 'distance') {
    const parsed = (measure === 'hours' ? hoursTypedOrNone : distanceTypedOrNone).safeParse(text);
    if (!parsed.success) return { ok: false, message: parsed.error.issues[0]!.message };
    amount = parsed.data;
  } else {
    if (!/^\d{1,6}$/.test(text.trim()))
      return { ok: false, message: `A whole number of ${measure}, such as ${EXAMPLE[measure]}.` };
    amount = Number(text);
  }
  if (amount === null || amount <= 0) return { ok: false, message: 'More than nothing.' };
  if (amount > MOST[measure])
    return { ok: false, message: `That is far too much. Write ${EXAMPLE[measure]}.` };
  return { ok: true, amount };
}

/** One trigger as typed. */
export const triggerSchema = z
  .object({
    id,
    measure: z.enum(MEASURES, { error: 'Pick what is counted.' }),
    ofTaskId: id.nullable().default(null),
    every: z.string().max(200),
    limit: z.string().max(200).default(''),
    first: z.string().max(200).default(''),
    firstLimit: z.string().max(200).default('')
  })
  .transform((t, ctx) => {
    const read = (field: 'every' | 'limit' | 'first' | 'firstLimit'): number | null => {
      const r = readAmount(t[field], t.measure);
      if (r.ok) return r.amount;
      ctx.addIssue({ code: 'custom', path: [field], message: r.message });
      return null;
    };
    const issue = (path: string, message: string) => ctx.addIssue({ code: 'custom', path: [path], message });
    const [interval, limit, firstInterval, firstLimit] = [
      read('every'),
      read('limit'),
      read('first'),
      read('firstLimit')
    ];
    if (t.every.trim() === '') issue('every', `Every how many? Write ${EXAMPLE[t.measure]}.`);
    if (interval !== null && limit !== null && limit < interval)
      issue('limit', 'The limit lies at or past the interval.');
    if (firstInterval !== null && firstLimit !== null && firstLimit < firstInterval)
      issue('firstLimit', 'The limit lies at or past the first interval.');
    if (firstLimit !== null && firstInterval === null)
      issue('firstLimit', 'A first limit needs a first interval.');
    if (t.measure === 'times' && t.ofTaskId === null) issue('ofTaskId', 'Which task is counted?');
    return {
      id: t.id,
      measure: t.measure,
      ofTaskId: t.measure === 'times' ? t.ofTaskId : null,
      interval: interval ?? 1,
      limit,
      firstInterval,
      firstLimit
    };
  });
export type TriggerInput = z.infer<typeof triggerSchema>;
export type TriggerForm = z.input<typeof triggerSchema>;

/** Sensitivities as typed: how many times faster an hour under each strain counts. */
const sensitivitySchema = z
  .partialRecord(z.enum(STRAINS), z.string().max(40))
  .default({})
  .transform((typed, ctx): Sensitivity => {
    const result: Sensitivity = {};
    for (const strain of STRAINS) {
      const text = typed[strain]?.trim().replace(',', '.') ?? '';
      if (text === '') continue;
      const by = Number(text);
      if (!Number.isFinite(by) || by < 1 || by > MOST_SENSITIVE)
        ctx.addIssue({
          code: 'custom',
          path: [strain],
          message: `From 1 to ${MOST_SENSITIVE}: below 1 would push it past the book.`
        });
      else if (by > 1) result[strain] = by;
    }
    return result;
  });

const triggerList = z
  .array(triggerSchema)
  .max(8, 'At most eight.')
  .superRefine((list, ctx) => {
    const seen = new Set<string>();
    for (const [i, t] of list.entries()) {
      const key = `${t.measure}/${t.ofTaskId}`;
      if (seen.has(key))
        ctx.addIssue({ code: 'custom', path: [i, 'measure'], message: 'That is counted above already.' });
      seen.add(key);
    }
  });

const taskFields = {
  name: name('what is to be done', 60),
  /** The key of the job it is done by, step by step; null: it is only written down. */
  job: z.string().trim().max(40).nullable().default(null),
  note: remark,
  triggers: triggerList.min(1, 'When does it fall due? Add at least one.'),
  /** Null: as the team's house rule says. */
  ageing: z.enum(AGEINGS).nullable().default(null),
  anchoring: z.enum(ANCHORINGS).nullable().default(null),
  sensitivity: sensitivitySchema,
  perPart: z.boolean().default(false),
  restartsOnRebuild: z.boolean().default(true),
  answers: someOf(CALLS)
};

/** From where a new task counts. */
const lastDoneFields = {
  lastDone: z.enum(['not known', 'new', 'done'], { error: 'Pick one.' }),
  lastDoneHours: hoursTypedOrNone,
  lastDoneDay: z.string().default('')
};
function checkLastDone(t: { lastDone: string; lastDoneDay: string }, ctx: z.RefinementCtx): void {
  if (t.lastDone === 'done' && !day.safeParse(t.lastDoneDay).success)
    ctx.addIssue({ code: 'custom', path: ['lastDoneDay'], message: 'On which day? A rough one will do.' });
}

/** A task a machine comes into the book with. Its interval may wait until somebody looks it up: it is unknown until then. */
export const firstTaskSchema = z
  .object({ id, ...taskFields, triggers: triggerList, ...lastDoneFields })
  .superRefine(checkLastDone);

/** A new task, of a machine or of a component. */
export const taskSchema = z
  .object({
    id,
    machineId: id.nullable().default(null),
    componentId: id.nullable().default(null),
    ...taskFields,
    ...lastDoneFields
  })
  .superRefine((t, ctx) => {
    checkLastDone(t, ctx);
    if ((t.machineId === null) === (t.componentId === null))
      ctx.addIssue({ code: 'custom', path: [''], message: 'A task belongs to a machine or to a component.' });
  });
export type TaskInput = z.infer<typeof taskSchema>;

/** A task that is there already, changed. */
export const taskChangeSchema = z.object({ id, taskId: id, ...taskFields, word: remark });
export type TaskChangeInput = z.infer<typeof taskChangeSchema>;
export const retireSchema = z.object({ taskId: id, word: name('why it is no longer watched', 10_000) });

/** A task written down as done, without a visit. */
export const doneSchema = z.object({
  id,
  taskId: id,
  day,
  /** Empty: as the book has it on that day. `?`: nobody knows. */
  hours: z
    .string()
    .max(200, 'At most 200 characters.')
    .default('')
    .transform((text, ctx): number | null | 'book' => {
      if (text.trim() === '') return 'book';
      if (text.trim() === '?') return null;
      const parsed = hoursTypedOrNone.safeParse(text);
      return parsed.success ? parsed.data : bad(ctx, parsed.error.issues[0]!.message);
    }),
  reason: remark,
  remark,
  /** A fitted part: a new one went in, or the old one was looked at and stays. */
  replaced: z.boolean().default(true),
  /** What was seen was worse than it should be: proposes a shorter interval, with these words. */
  worse: z.string().trim().max(1000, 'At most 1,000 characters.').default('')
});
export type DoneInput = z.infer<typeof doneSchema>;

/** A proposal decided with a word, or made by hand. */
export const decideSchema = z
  .object({ proposalId: id, decision: z.enum(['accepted', 'dismissed']), word: remark })
  .superRefine((d, ctx) => {
    if (d.decision === 'dismissed' && d.word === '')
      ctx.addIssue({ code: 'custom', path: ['word'], message: 'Why not? A word is enough.' });
  });
export const backToBookSchema = z.object({
  triggerId: id,
  word: name('why the book’s interval again', 10_000)
});

/** A symptom or incident, from anywhere but an outing. */
export const callSchema = z.object({
  id,
  machineId: id,
  what: z.enum(CALLS, { error: 'Pick what it is.' }),
  words: remark,
  day
});
export type CallInput = z.infer<typeof callSchema>;
export const dropCallSchema = z.object({ callId: id, word: name('why it is dropped', 10_000) });

export const proposeSchema = z.object({ taskId: id, reason: name('what was seen', 10_000) });

/** What is sent, by the kind of its command: the form and the server check alike. */
export const bodies = {
  'task.add': taskSchema,
  'task.change': taskChangeSchema,
  'task.retire': retireSchema,
  'task.done': doneSchema,
  'proposal.make': proposeSchema,
  'proposal.decide': decideSchema,
  'proposal.back-to-book': backToBookSchema,
  'call.report': callSchema,
  'call.drop': dropCallSchema
};
