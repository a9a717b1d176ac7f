import { z } from 'zod';
import { CAUSES, SEVERITIES, type Finding } from '../finding/finding';
import { WAITS_FOR, type Reminder } from '../finding/reminder';
import type { DayPoint } from '../forecast/history';
import type { PastOuting } from '../hours/learned';
import { STRAINS } from '../outing/outing';
import { SPECIALS } from '../schedule/decide';
import { DUE_KINDS, type DueItem } from '../schedule/fleet';
import type { DuePoint } from '../schedule/state';
import { AGEINGS, ANCHORINGS, MEASURES, type Call, type Counting, type Task } from '../schedule/task';
import { readStored, type Shape } from '../stored/stored';
import type { Peg } from '../trail/lane';

/**
 * Where a machine stands, and the steps of its book, are derived: rows of another version are not brought up but worked out
 * again. A change of a shape below is a new version.
 */
export const STANDING_VERSION = 4;

const maybe = <T>(schema: z.ZodType<T>) => schema.nullable();
const amount = maybe(z.number());
const named = z.object({ id: z.string(), name: z.string() });
export const byStrain = z.partialRecord(z.enum(STRAINS), z.number());

const counting = z.object({
  id: z.string(),
  measure: z.enum(MEASURES),
  of: maybe(named),
  interval: z.number(),
  limit: amount,
  firstInterval: amount,
  firstLimit: amount,
  shortenedTo: amount,
  book: z.number(),
  bookLimit: amount,
  first: z.boolean(),
  due: amount,
  used: amount,
  late: z.boolean(),
  aged: amount,
  within: amount
} satisfies Shape<Counting>);

const call = z.object({
  id: z.string(),
  kind: z.enum(['symptom', 'incident']),
  what: z.string(),
  words: z.string(),
  day: z.string()
} satisfies Shape<Call>);

const task = z.object({
  id: z.string(),
  name: z.string(),
  job: maybe(z.string()),
  part: maybe(named),
  triggers: z.array(counting),
  counted: maybe(z.object({ since: z.enum(['new', 'rebuild', 'done']), hours: amount, day: z.string() })),
  ageing: z.enum(AGEINGS),
  anchoring: z.enum(ANCHORINGS),
  perPart: z.boolean(),
  sensitivity: byStrain,
  strained: byStrain,
  calls: z.array(call)
} satisfies Shape<Task>);

const reminder = z.object({
  id: z.string(),
  words: z.string(),
  waitsFor: z.enum(WAITS_FOR),
  part: z.string(),
  expectedOn: maybe(z.string()),
  come: z.boolean()
} satisfies Shape<Reminder>);

const finding = z.object({
  id: z.string(),
  cause: z.enum(CAUSES),
  what: z.string(),
  note: z.string(),
  part: maybe(named),
  fastenerId: maybe(z.string()),
  place: z.string(),
  severity: z.enum(SEVERITIES),
  day: z.string(),
  hours: amount,
  by: z.string(),
  visitId: maybe(z.string()),
  waits: maybe(reminder)
} satisfies Shape<Finding>);

const peg = z.object({
  recordId: z.string(),
  name: z.string(),
  hours: z.number(),
  day: z.string()
} satisfies Shape<Peg>);

const dayPoint = z.object({
  day: z.number(),
  total: z.number(),
  planned: z.number().optional()
} satisfies Shape<DayPoint>);

const duePoint = z.object({
  measure: z.enum(MEASURES),
  left: amount,
  limitLeft: amount,
  interval: z.number()
} satisfies Shape<DuePoint>);

const dueItem = z.object({
  kind: z.enum(DUE_KINDS),
  id: z.string(),
  name: z.string(),
  part: maybe(z.string()),
  special: z.enum(SPECIALS),
  points: z.array(duePoint)
} satisfies Shape<DueItem>);

const recent = z.array(dayPoint);
/** What a machine's rate of use is told from. @throws UnreadableError */
export const readRecent = (kept: unknown): DayPoint[] => readStored('the hours of a machine', recent, kept);

const standing = z.object({
  recent,
  tasks: z.array(task),
  findings: z.array(finding),
  reminders: z.array(reminder),
  pegs: z.array(peg)
});
/** What of a machine's standing is kept as documents. */
export type KeptStanding = z.infer<typeof standing>;
/** @throws UnreadableError */
export const readStanding = (kept: unknown): KeptStanding =>
  readStored('where a machine stands', standing, kept);

const notices = z.object({ findings: z.array(finding), reminders: z.array(reminder) });
/** What is open on a machine besides its tasks. @throws UnreadableError */
export const readNotices = (kept: unknown): z.infer<typeof notices> =>
  readStored('what is open on a machine', notices, kept);

const dues = z.array(dueItem);
/** What may press on a machine, as the fleet's list is worked out from. @throws UnreadableError */
export const readDueItems = (kept: unknown): DueItem[] => readStored('what is due on a machine', dues, kept);

const pastOuting = z.object({
  hours: amount,
  distance: amount,
  race: z.boolean()
} satisfies Shape<PastOuting>);
const stepDocuments = z.object({
  strains: byStrain,
  outing: maybe(pastOuting),
  bases: z.record(z.string(), z.number())
});
/** What of a step of the book is kept as documents. @throws UnreadableError */
export const readStepDocuments = (kept: unknown) => readStored('a step of a book', stepDocuments, kept);
/** Outings a machine's pace is learned from. @throws UnreadableError */
export const readOutings = (kept: unknown): PastOuting[] =>
  readStored('outings of a book', z.array(pastOuting), kept);

/** How much faster a task ages under each strain. @throws UnreadableError */
export const readSensitivity = (kept: unknown): Task['sensitivity'] =>
  readStored('the sensitivity of a task', byStrain, kept);
