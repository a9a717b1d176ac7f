import { z } from 'zod';
import { GRADES } from '../debris/debris';
import { FOUND, type FoundBefore } from '../fasteners/found';
import { exactly, type Band } from '../quantity/band';
import { quantity } from '../quantity/quantity';
import { storedQuantity, unitWas } from '../quantity/stored';
import type { UnitName } from '../quantity/units';
import { LEVEL_METHODS, SEALS } from '../specs/sheet';
import { circuit, inputsSame, itemSame, keys, maybe, stepSame } from './pieces';
import type { Fill, OpenedItem, SheetNumber, Step } from './plan';
import { stepShape, templateShape, type JobTemplate } from './template';

/**
 * Plans and jobs as they were kept before, each with its way up to the next version. Nothing here is ever changed: rows of
 * these shapes stand in books.
 *
 * Version 1: one job a visit, about the engine's oil. Version 2: several jobs, laid out from templates; a number of the sheet
 * was one quantity, and what is measured a bare number in a unit of free text.
 */
const numberV2 = z.object({
  label: z.string(),
  quantity: maybe(storedQuantity),
  source: maybe(z.string()),
  unsure: z.boolean()
});
type NumberV2 = z.infer<typeof numberV2>;
const numberV2to3 = ({ label, quantity: q, source, unsure }: NumberV2): SheetNumber => ({
  label,
  band: q && exactly(q),
  words: null,
  source,
  unsure
});

const inputV1 = z.discriminatedUnion('type', [
  z.object({ type: z.literal('tick') }),
  z.object({ type: z.literal('open'), items: keys }),
  z.object({ type: z.literal('close'), items: keys }),
  z.object({ type: z.literal('drained'), pouredLastTimeMl: maybe(z.number()) }),
  z.object({
    type: z.literal('debris'),
    place: z.string(),
    before: z.array(z.enum(GRADES)),
    breakIn: z.boolean()
  }),
  z.object({
    type: z.literal('pour'),
    quantityMl: maybe(z.number()),
    firstMl: maybe(z.number()),
    heldBackMl: maybe(z.number())
  }),
  z.object({
    type: z.literal('level'),
    method: maybe(z.enum(LEVEL_METHODS)),
    settleSeconds: maybe(z.number())
  })
]);
export const stepV1 = z.object({
  v: z.literal(1),
  key: z.string(),
  title: z.string(),
  lines: z.array(z.string()),
  caution: maybe(z.string()),
  mayLeaveOut: z.boolean(),
  after: keys,
  number: maybe(numberV2),
  input: inputV1
});

const fillV2 = z.object({
  quantityMl: maybe(z.number()),
  firstMl: maybe(z.number()),
  heldBackMl: maybe(z.number()),
  number: numberV2
});
export const stepV2 = z.object({
  v: z.literal(2),
  ...stepSame,
  input: z.discriminatedUnion('type', [
    ...inputsSame,
    z.object({
      type: z.literal('measure'),
      unit: z.string(),
      from: maybe(z.number()),
      to: maybe(z.number())
    }),
    z.object({
      type: z.literal('pour'),
      circuit,
      fill: fillV2,
      without: maybe(z.object({ step: z.string(), fill: fillV2 }))
    })
  ])
});
type StepV1 = z.infer<typeof stepV1>;
type StepV2 = z.infer<typeof stepV2>;

const inputV1to2 = (input: StepV1['input'], number: NumberV2 | null): StepV2['input'] => {
  const circuit = 'engine';
  switch (input.type) {
    case 'open':
      return { ...input, twins: [] };
    case 'drained':
      return { ...input, circuit, inFilterMl: null, mine: null, others: [] };
    case 'debris': {
      const graded = { materials: [], oilHours: null, day: '', photoId: null };
      return {
        ...input,
        circuit,
        before: input.before.map((grade) => ({ grade, ...graded })),
        oilHours: null
      };
    }
    case 'pour': {
      const { type, ...poured } = input;
      const unknown = { label: 'First pour', quantity: null, source: null, unsure: false };
      return { type, circuit, fill: { ...poured, number: number ?? unknown }, without: null };
    }
    case 'level':
      return {
        type: 'level',
        circuit,
        protocol: {
          method: input.method,
          runSeconds: null,
          settleSeconds: input.settleSeconds,
          temperature: null,
          attitude: null,
          aim: null,
          betweenMl: null
        }
      };
    default:
      return input;
  }
};

export function stepV1to2({ number, input, ...step }: StepV1): StepV2 {
  return {
    ...step,
    v: 2,
    input: inputV1to2(input, number),
    jobs: [],
    circuit: null,
    gate: null,
    orientation: false,
    points: [],
    minutes: 0,
    wait: 0,
    waitFor: '',
    engine: 'any',
    heats: false,
    coolFor: null,
    warmFor: null,
    needs: [],
    during: [],
    covered: [],
    spills: false,
    why: '',
    last: null
  };
}

const fillV2to3 = ({ number, ...fill }: z.infer<typeof fillV2>): Fill => ({
  ...fill,
  mostMl: fill.quantityMl,
  number: numberV2to3(number)
});
/** A unit that was free text, and the title with that text where it names none. */
function unitAndTitle(word: string, title: string): { unit: UnitName; title: string } {
  const { unit, of } = unitWas(word);
  return { unit, title: of ? `${title}, in ${of}` : title };
}
const bandOf = (from: number | null, to: number | null, unit: UnitName): Band | null => {
  const end = (n: number | null) => (n === null ? null : quantity(n, unit));
  return from === null && to === null ? null : { from: end(from), to: end(to) };
};

export function stepV2to3({ input, ...step }: StepV2): Step & { v: 3 } {
  if (input.type === 'measure') {
    const { unit, title } = unitAndTitle(input.unit, step.title);
    const band = bandOf(input.from, input.to, unit);
    const number = { label: 'Band', band, words: null, source: band && 'as the job says', unsure: false };
    return { ...step, v: 3, title, input: { type: 'measure', unit, figure: null, number } };
  }
  if (input.type === 'pour') {
    const { fill, without } = input;
    const other = without && { step: without.step, fill: fillV2to3(without.fill) };
    return { ...step, v: 3, input: { ...input, fill: fillV2to3(fill), without: other } };
  }
  return { ...step, v: 3, input };
}

export const itemV1 = z.object({
  v: z.literal(1),
  key: z.string(),
  kind: z.enum(['fastener', 'cap', 'part']),
  name: z.string(),
  place: z.string(),
  quantity: z.number(),
  torque: maybe(numberV2),
  seal: z.enum(SEALS),
  note: z.string()
});
export const itemV2 = z.object({
  v: z.literal(2),
  ...itemSame,
  torque: maybe(numberV2),
  found: z.array(z.string())
});
type ItemV2 = z.infer<typeof itemV2>;

export const itemV1to2 = (item: z.infer<typeof itemV1>): ItemV2 => ({
  ...item,
  v: 2,
  fastenerId: null,
  role: null,
  circuit: 'engine',
  head: '',
  thread: '',
  oiled: false,
  adapter: false,
  filter: null,
  sealUses: null,
  sealMost: null,
  found: []
});
/** What was found stood there in words, “Found loose, 3 May”, and among them an advice that is worked out today. */
const foundIn = (words: string): FoundBefore[] => {
  const how = FOUND.find((f) => words.startsWith(`Found ${f},`));
  return how ? [{ how, words }] : [];
};
export const itemV2to3 = ({ torque, found, ...item }: ItemV2): OpenedItem & { v: 3 } => ({
  ...item,
  v: 3,
  torque: torque && numberV2to3(torque),
  found: found.flatMap(foundIn)
});

export const templateV1 = z.object({
  v: z.literal(1),
  ...templateShape,
  steps: z.array(
    z.object({
      ...stepShape,
      measure: maybe(z.object({ unit: z.string(), from: maybe(z.number()), to: maybe(z.number()) })).default(
        null
      )
    })
  )
});
export const templateV1to2 = (job: z.infer<typeof templateV1>): JobTemplate & { v: 2 } => ({
  ...job,
  v: 2,
  steps: job.steps.map((s) => {
    if (!s.measure) return { ...s, measure: null };
    const { unit, title } = unitAndTitle(s.measure.unit, s.title);
    return { ...s, title, measure: { ...s.measure, unit, figure: null } };
  })
});
