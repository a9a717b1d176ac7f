import { z } from 'zod';
import { FOUND, type FoundBefore } from '../fasteners/found';
import { storedBand } from '../quantity/stored';
import { UNIT_NAMES } from '../quantity/units';
import { FIGURE_KEYS } from '../specs/sheet';
import { readStored, withVersion, type Shape } from '../stored/stored';
import {
  itemV1,
  itemV1to2,
  itemV2,
  itemV2to3,
  stepV1,
  stepV1to2,
  stepV2,
  stepV2to3,
  templateV1,
  templateV1to2
} from './before';
import { circuit, inputsSame, itemSame, maybe, planJob, point, stepSame } from './pieces';
import type { Fill, OpenedItem, SheetNumber, Step, StepInput, VisitPlan } from './plan';
import { STAGES as SLACK_STAGES } from '../chain/check';
import { HOWS, type Wanted } from '../chain/slack-typed';
import { DRESSINGS } from '../chain/form';
import { VALVE_STAGES } from '../valve/stages';
import { templateShape, type JobTemplate } from './template';

const number = z.object({
  label: z.string(),
  band: maybe(storedBand),
  words: maybe(z.string()),
  source: maybe(z.string()),
  unsure: z.boolean()
} satisfies Shape<SheetNumber>);

const fill = z.object({
  quantityMl: maybe(z.number()),
  mostMl: maybe(z.number()),
  firstMl: maybe(z.number()),
  heldBackMl: maybe(z.number()),
  number
} satisfies Shape<Fill>);

const wanted = z.object({
  how: z.enum(HOWS),
  lo: maybe(z.number()),
  hi: maybe(z.number()),
  aim: maybe(z.number()),
  tolerance: maybe(z.number())
} satisfies Shape<Wanted>);

const input: z.ZodType<StepInput> = z.discriminatedUnion('type', [
  ...inputsSame,
  z.object({ type: z.literal('clearances'), stage: z.enum(VALVE_STAGES) }),
  z.object({
    type: z.literal('slack'),
    stage: z.enum(SLACK_STAGES),
    wanted: maybe(wanted),
    how: z.enum(HOWS),
    at: z.number(),
    finger: z.number(),
    shift: maybe(z.number())
  }),
  z.object({ type: z.literal('dressing'), dressing: z.enum(DRESSINGS) }),
  z.object({
    type: z.literal('measure'),
    unit: z.enum(UNIT_NAMES),
    figure: maybe(z.enum(FIGURE_KEYS)),
    number
  }),
  z.object({
    type: z.literal('pour'),
    circuit,
    fill,
    without: maybe(z.object({ step: z.string(), fill }))
  })
]);

const stepNow = z.object({ v: z.literal(3), ...({ ...stepSame, input } satisfies Shape<Step>) });
export const storedStep = z.discriminatedUnion('v', [stepV1, stepV2, stepNow]);

/** A step of a visit as it is kept. @throws UnreadableError */
export function readStep(kept: unknown): Step {
  // Before visits had several jobs a step belonged to none.
  let step = readStored(
    'a step of a visit',
    storedStep,
    withVersion(kept, (s) => ('jobs' in s ? 2 : 1))
  );
  if (step.v === 1) step = stepV1to2(step);
  if (step.v === 2) step = stepV2to3(step);
  const { v: _, ...today } = step;
  return today;
}
export const writeStep = (step: Step) => ({ v: 3, ...step });

const foundBefore = z.object({ how: z.enum(FOUND), words: z.string() } satisfies Shape<FoundBefore>);
const itemNow = z.object({
  v: z.literal(3),
  ...({ ...itemSame, torque: maybe(number), found: z.array(foundBefore) } satisfies Shape<OpenedItem>)
});
export const storedItem = z.discriminatedUnion('v', [itemV1, itemV2, itemNow]);

/** Something opened in a visit, as it is kept. @throws UnreadableError */
export function readItem(kept: unknown): OpenedItem {
  let item = readStored(
    'something opened in a visit',
    storedItem,
    withVersion(kept, (i) => ('fastenerId' in i ? 2 : 1))
  );
  if (item.v === 1) item = itemV1to2(item);
  if (item.v === 2) item = itemV2to3(item);
  const { v: _, ...today } = item;
  return today;
}
export const writeItem = (item: OpenedItem) => ({ v: 3, ...item });

/** What a visit keeps of its plan besides its steps and what it opens. */
export type PlanHead = Pick<VisitPlan, 'jobs' | 'points' | 'coolsIn' | 'estimate'>;
export const storedPlan = z.discriminatedUnion('v', [
  z.object({
    v: z.literal(1),
    ...({
      jobs: z.array(planJob),
      points: z.array(point),
      // Of before it was a rule of the house.
      coolsIn: z.number().default(480),
      estimate: maybe(z.object({ attended: z.number(), elapsed: z.number() }))
    } satisfies Shape<PlanHead>)
  })
]);
/** The plan of a visit as it is kept. @throws UnreadableError */
export function readPlan(kept: unknown): PlanHead {
  const { v: _, ...today } = readStored('the plan of a visit', storedPlan, kept);
  return today;
}
export const writePlan = ({ jobs, points, coolsIn, estimate }: PlanHead) => ({
  v: 1,
  jobs,
  points,
  coolsIn,
  estimate
});

export const storedTemplate = z.discriminatedUnion('v', [
  templateV1,
  z.object({ v: z.literal(2), ...templateShape })
]);

/** A job as a team changed it, as it is kept. @throws UnreadableError */
export function readTemplate(kept: unknown): JobTemplate {
  let job = readStored(
    'a job',
    storedTemplate,
    withVersion(kept, () => 1)
  );
  if (job.v === 1) job = templateV1to2(job);
  const { v: _, ...today } = job;
  return today;
}
export const writeTemplate = (job: JobTemplate) => ({ v: 2, ...job });
