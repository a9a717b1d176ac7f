import { z } from 'zod';
import { GRADES, MATERIALS } from '../debris/debris';
import type { Earlier } from '../debris/trend';
import type { CircuitFill } from '../fluids/ledger';
import type { Inside, OilWant } from '../fluids/oil';
import type { GradeSpan } from '../specs/changes';
import { CIRCUITS, FASTENER_ROLES, LEVEL_METHODS, SEALS } from '../specs/sheet';
import type { Shape } from '../stored/stored';
import type { LastTime, OpenedItem, PlanJob, Point, Protocol, Step } from './plan';
import { ENGINES, OPENS } from './template';

/**
 * What of kept plans is the same in more than one version. A piece that has to change is copied into the versions that were
 * written with it first.
 */
export const circuit = z.enum(CIRCUITS);
export const maybe = <T>(schema: z.ZodType<T>) => schema.nullable();
export const keys = z.array(z.string());

export const point = z.object({
  id: z.string(),
  name: z.string(),
  place: z.string(),
  circuit: maybe(circuit),
  role: z.enum(FASTENER_ROLES)
} satisfies Shape<Point>);

export const circuitFill = z.object({
  name: z.string(),
  quantityMl: z.number()
} satisfies Shape<CircuitFill>);

export const earlier = z.object({
  grade: z.enum(GRADES),
  materials: z.array(z.enum(MATERIALS)),
  oilHours: maybe(z.number()),
  day: z.string(),
  photoId: maybe(z.string())
} satisfies Shape<Earlier>);

export const want = z.object({
  circuit,
  twoStroke: z.boolean(),
  wetClutch: maybe(z.boolean()),
  grade: maybe(z.string()),
  table: z.array(
    z.object({
      grade: z.string(),
      from: maybe(z.number()),
      to: maybe(z.number())
    } satisfies Shape<GradeSpan>)
  )
} satisfies Shape<OilWant>);

export const inside = z.object({
  oilId: maybe(z.string()),
  name: z.string(),
  grade: z.string()
} satisfies Shape<Inside>);

export const protocol = z.object({
  method: maybe(z.enum(LEVEL_METHODS)),
  runSeconds: maybe(z.number()),
  settleSeconds: maybe(z.number()),
  settleLeastSeconds: maybe(z.number()).optional(),
  temperature: maybe(z.string()),
  attitude: maybe(z.string()),
  // A point, before there were bands.
  aim: maybe(
    z.union([
      z.number().transform((at) => ({ from: at, to: at })),
      z.object({ from: z.number(), to: z.number() })
    ])
  ),
  betweenMl: maybe(z.number())
} satisfies Shape<Protocol>);

export const last = z.object({
  day: z.string(),
  remark: maybe(z.string()),
  photoId: maybe(z.string())
} satisfies Shape<LastTime>);

/** What steps have put in, where two versions have it alike. */
export const inputsSame = [
  z.object({ type: z.literal('tick') }),
  z.object({ type: z.literal('choice') }),
  z.object({ type: z.literal('open'), items: keys, twins: z.array(point) }),
  z.object({ type: z.literal('close'), items: keys }),
  z.object({
    type: z.literal('drained'),
    circuit,
    pouredLastTimeMl: maybe(z.number()),
    inFilterMl: maybe(z.number()).default(null),
    mine: maybe(circuitFill),
    others: z.array(circuitFill)
  }),
  z.object({
    type: z.literal('debris'),
    circuit,
    place: z.string(),
    before: z.array(earlier),
    breakIn: z.boolean(),
    oilHours: maybe(z.number())
  }),
  z.object({
    type: z.literal('oil'),
    circuit,
    want,
    inside: maybe(inside),
    quantityMl: maybe(z.number())
  }),
  z.object({ type: z.literal('level'), circuit, protocol }),
  z.object({ type: z.literal('start') })
] as const;

export const stepSame = {
  key: z.string(),
  jobs: keys,
  circuit: maybe(circuit),
  title: z.string(),
  lines: z.array(z.string()),
  caution: maybe(z.string()),
  mayLeaveOut: z.boolean(),
  after: keys,
  gate: maybe(z.object({ steps: keys, is: z.enum(OPENS) })),
  orientation: z.boolean(),
  points: keys,
  minutes: z.number(),
  wait: z.number(),
  waitFor: z.string(),
  engine: z.enum(ENGINES),
  heats: z.boolean(),
  // Visits of before ask for none.
  coolFor: z.number().nullable().default(null),
  warmFor: z.number().nullable().default(null),
  needs: keys,
  during: keys,
  covered: keys,
  spills: z.boolean(),
  why: z.string(),
  last: maybe(last)
} satisfies Shape<Omit<Step, 'input'>>;

export const itemSame = {
  key: z.string(),
  fastenerId: maybe(z.string()),
  kind: z.enum(['fastener', 'cap', 'part']),
  role: maybe(z.enum(FASTENER_ROLES)),
  circuit: maybe(circuit),
  name: z.string(),
  place: z.string(),
  quantity: z.number(),
  head: z.string(),
  thread: z.string(),
  oiled: z.boolean(),
  adapter: z.boolean(),
  seal: z.enum(SEALS),
  // Before, nobody was asked which filter went in.
  filter: z.enum(['new', 'washed']).nullable().default(null),
  sealUses: maybe(z.number()),
  sealMost: maybe(z.number()),
  note: z.string()
} satisfies Shape<Omit<OpenedItem, 'torque' | 'found'>>;

export const planJob = z.object({
  key: z.string(),
  version: z.number(),
  title: z.string(),
  taskId: maybe(z.string()),
  circuits: z.array(circuit)
} satisfies Shape<PlanJob>);
