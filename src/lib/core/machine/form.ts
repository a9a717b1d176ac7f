import { z } from 'zod';
import {
  day,
  daysTypedOrNone,
  hoursTyped,
  hoursTypedOrNone,
  id,
  intervalTypedOrNone,
  name,
  remark
} from '../forms';
import { CIRCUITS, CONFIDENCES, FASTENER_ROLES, figureKind, SEALS } from '../specs/sheet';
import { ROLES } from '../team/team';
import { isTimeZone } from '../time/day';
import { KINDS } from './machine';

export const personSchema = z.object({
  id,
  name: name('a name', 80),
  role: z.enum(ROLES, { error: 'Pick what they do.' })
});

export const teamSchema = z.object({
  id,
  name: name('what the team is called', 80),
  timeZone: z.string().refine(isTimeZone, 'Pick a time zone from the list.'),
  you: personSchema
});

/** Triggers as typed: hours, days or both, whichever comes first. */
const triggerFields = {
  everyHours: intervalTypedOrNone,
  limitHours: intervalTypedOrNone,
  firstHours: intervalTypedOrNone,
  firstLimitHours: intervalTypedOrNone,
  everyDays: daysTypedOrNone,
  limitDays: daysTypedOrNone
};
const taskFields = {
  name: name('what is to be done', 60),
  job: z.enum(['engine-oil']).nullable().default(null),
  ...triggerFields,
  note: remark
};

interface TriggerAmounts {
  everyHours: number | null;
  limitHours: number | null;
  firstHours: number | null;
  firstLimitHours: number | null;
  everyDays: number | null;
  limitDays: number | null;
}

function checkTriggers(t: TriggerAmounts, ctx: z.RefinementCtx, at: string[] = []): void {
  const issue = (field: string, message: string) =>
    ctx.addIssue({ code: 'custom', path: [...at, field], message });
  if (t.everyHours === null && t.everyDays === null)
    issue('everyHours', 'Every how many hours? Or fill in days.');
  if (t.limitHours !== null && (t.everyHours === null || t.limitHours < t.everyHours))
    issue('limitHours', 'The limit lies at or past the interval.');
  if (t.limitDays !== null && (t.everyDays === null || t.limitDays < t.everyDays))
    issue('limitDays', 'The limit lies at or past the interval.');
  if (t.firstHours !== null && t.everyHours === null)
    issue('firstHours', 'A first interval needs the usual one too.');
  if (t.firstLimitHours !== null && (t.firstHours === null || t.firstLimitHours < t.firstHours))
    issue('firstLimitHours', 'The limit lies at or past the first interval.');
}

/** From where a new task counts. */
const lastDoneFields = {
  lastDone: z.enum(['not known', 'new', 'done'], { error: 'Pick one.' }),
  lastDoneHours: hoursTypedOrNone,
  lastDoneDay: z.string().default('')
};
interface LastDone {
  lastDone: 'not known' | 'new' | 'done';
  lastDoneDay: string;
}
function checkLastDone(t: LastDone, ctx: z.RefinementCtx, at: string[] = []): void {
  if (t.lastDone === 'done' && !day.safeParse(t.lastDoneDay).success)
    ctx.addIssue({
      code: 'custom',
      path: [...at, 'lastDoneDay'],
      message: 'On which day? A rough one will do.'
    });
}

export const taskSchema = z
  .object({ id, machineId: id, ...taskFields, ...lastDoneFields })
  .superRefine((t, ctx) => {
    checkTriggers(t, ctx);
    checkLastDone(t, ctx);
  });
export type TaskInput = z.infer<typeof taskSchema>;

export const machineSchema = z.object({
  id,
  plate: name('its number or letters', 8),
  name: name('what you call it', 60),
  maker: z.string().trim().max(60, 'At most 60 characters.').default(''),
  kind: z.enum(KINDS, { error: 'Pick what it is.' }),
  riderId: id.nullable().default(null),
  meter: z.enum(['hour meter', 'reckoned']),
  reading: hoursTyped,
  bookFromNew: z.boolean(),
  task: z
    .object({ id, ...taskFields, ...lastDoneFields })
    .superRefine((t, ctx) => {
      checkTriggers(t, ctx);
      checkLastDone(t, ctx);
    })
    .nullable()
});
export type MachineInput = z.infer<typeof machineSchema>;

/** A task written down as done, without a visit. */
export const doneSchema = z.object({ id, taskId: id, day, hours: hoursTypedOrNone, reason: remark, remark });
export type DoneInput = z.infer<typeof doneSchema>;

export const fastenerSchema = z.object({
  id,
  machineId: id,
  circuit: z.enum(CIRCUITS).nullable(),
  role: z.enum(FASTENER_ROLES, { error: 'Pick what it is.' }),
  name: name('what you call it', 60),
  place: z.string().trim().max(120, 'At most 120 characters.').default(''),
  quantity: z.coerce
    .number({ error: 'How many bolts?' })
    .int('Whole bolts.')
    .min(1, 'At least one.')
    .max(24, 'At most 24.'),
  magnet: z.boolean(),
  seal: z.enum(SEALS),
  note: remark
});
export type FastenerInput = z.infer<typeof fastenerSchema>;

export const figureSchema = z.object({
  id,
  machineId: id,
  key: z.string().refine((k) => figureKind(k) !== undefined, 'No such figure.'),
  fastenerId: id.nullable().default(null),
  typed: name('the figure as printed', 400),
  source: name('which manual, or who said so', 120),
  edition: z.string().trim().max(60, 'At most 60 characters.').default(''),
  page: z.string().trim().max(20, 'At most 20 characters.').default(''),
  confidence: z.enum(CONFIDENCES, { error: 'Printed, told or guessed?' }),
  variant: z.string().trim().max(120, 'At most 120 characters.').default(''),
  /** Set once a figure that looks like a slip has been looked at again. */
  sure: z.boolean().default(false)
});
export type FigureInput = z.infer<typeof figureSchema>;

export const eventSchema = z
  .object({
    id,
    name: name('what it is called', 60),
    kind: z.enum(['race', 'practice', 'day out']),
    firstDay: day,
    lastDay: day,
    hoursEach: hoursTyped.refine((c) => c <= 100_000, 'At most 1000 h.'),
    wholeFleet: z.boolean(),
    machineIds: z.array(id).max(2000).default([])
  })
  .superRefine((e, ctx) => {
    if (e.lastDay < e.firstDay)
      ctx.addIssue({ code: 'custom', path: ['lastDay'], message: 'It ends before it begins.' });
    else if (Date.parse(e.lastDay) - Date.parse(e.firstDay) > 30 * 86_400_000)
      ctx.addIssue({
        code: 'custom',
        path: ['lastDay'],
        message: 'At most 31 days; put longer ones in by parts.'
      });
    if (!e.wholeFleet && e.machineIds.length === 0)
      ctx.addIssue({
        code: 'custom',
        path: ['machineIds'],
        message: 'Pick at least one machine, or the whole fleet.'
      });
  });
export type EventInput = z.infer<typeof eventSchema>;
