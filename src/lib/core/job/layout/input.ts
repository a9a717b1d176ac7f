import { tableOf } from '../../fluids/oil';
import { pouringPlan } from '../../fluids/pour';
import { show } from '../../quantity/quantity';
import { CIRCUITS, figureOf, type Circuit, type Fastener, type Figure } from '../../specs/sheet';
import type { Fill, Point, Protocol, StepInput } from '../plan';
import type { TemplateStep } from '../template';
import {
  circuitFigure,
  historyOf,
  isTwoStroke,
  levelFigure,
  methodOf,
  twinsOf,
  type LayoutInput
} from './context';
import { itemKey, partKey } from './items';
import { numberOf } from './words';

const AIMS: Readonly<Record<string, number>> = {
  'half-way': 0.5,
  'three quarters': 0.75,
  'at the high mark': 1
};

function fillOf(figure: Figure | null, input: LayoutInput): Fill {
  const { holdBackPercent } = input.rules;
  const quantityMl = figure?.quantity?.base ?? null;
  const plan = quantityMl === null ? null : pouringPlan(quantityMl, holdBackPercent);
  return {
    quantityMl,
    firstMl: plan?.firstMl ?? null,
    heldBackMl: plan?.heldBackMl ?? null,
    number: numberOf(
      plan && plan.heldBackMl > 0 ? `First pour: ${holdBackPercent} % held back` : 'First pour',
      figure
    )
  };
}

export function protocolOf(input: LayoutInput, circuit: Circuit): Protocol {
  const of = (which: Parameters<typeof levelFigure>[2]) => levelFigure(input.sheet, circuit, which);
  return {
    method: methodOf(input.sheet, circuit),
    runSeconds: of('run time')?.quantity?.base ?? null,
    settleSeconds: of('settle time')?.quantity?.base ?? null,
    temperature: of('temperature')?.text ?? null,
    attitude: of('attitude')?.text ?? null,
    aim: AIMS[of('aim')?.text ?? ''] ?? null,
    betweenMl: circuitFigure(input.sheet, circuit, 'between')?.quantity?.base ?? null
  };
}

/** Whether the clutch runs in a circuit's oil: as the sheet says; null where it does not say. */
function wetClutch(input: LayoutInput, circuit: Circuit): boolean | null {
  const said = figureOf(input.sheet, 'clutch runs in')?.text;
  if (circuit.includes('differential')) return false;
  return said === undefined || said === null ? null : said === `${circuit} oil`;
}

/** How much of a circuit goes in when this job has or has not a filter in it. */
export function amountOf(input: LayoutInput, circuit: Circuit, withFilter: boolean): Figure | null {
  const { sheet } = input;
  const without = circuitFigure(sheet, circuit, 'withoutFilter');
  const whole = circuitFigure(sheet, circuit, 'amount');
  const hasFilter = sheet.fasteners.some((f) => f.circuit === circuit && f.role === 'filter cover');
  if (circuit !== 'engine') return whole;
  // An engine without a filter of its own: whichever of the two figures the sheet has.
  if (!hasFilter) return without ?? whole;
  return withFilter ? whole : without;
}

/** What a step of a template has put in, on this machine. */
export function inputOf(
  s: TemplateStep,
  input: LayoutInput,
  circuit: Circuit | null,
  f: Fastener | null,
  job: { steps: readonly TemplateStep[]; keyOf: (key: string) => string }
): StepInput {
  const { sheet } = input;
  const history = circuit ? historyOf(input, circuit) : null;
  const keys = f
    ? [
        ...(s.partOnly ? [] : [itemKey(f)]),
        ...(s.part && (s.partOnly || s.kind === 'open') ? [partKey(f)] : [])
      ]
    : [];
  switch (s.kind) {
    case 'open':
      return { type: 'open', items: keys, twins: f && !s.partOnly ? twinsOf(f, sheet).map(pointOf) : [] };
    case 'close':
      return { type: 'close', items: keys };
    case 'choice':
      return { type: 'choice' };
    case 'measure':
      return { type: 'measure', ...(s.measure ?? { unit: '', from: null, to: null }) };
    case 'run':
      return { type: 'start' };
    case 'drained': {
      const mine = amountOf(input, circuit!, true)?.quantity;
      return {
        type: 'drained',
        circuit: circuit!,
        pouredLastTimeMl: history!.pouredLastTimeMl,
        mine: mine ? { name: circuit!, quantityMl: mine.base } : null,
        others: CIRCUITS.flatMap((c) => {
          const q = c === circuit ? null : amountOf(input, c, true)?.quantity;
          return q ? [{ name: c, quantityMl: q.base }] : [];
        })
      };
    }
    case 'debris': {
      const place = f
        ? s.part
          ? s.part.replace('{name}', f.name.charAt(0).toLowerCase() + f.name.slice(1))
          : f.name
        : s.title;
      return {
        type: 'debris',
        circuit: circuit!,
        place,
        before: (history!.debris[place] ?? []).slice(0, 3),
        breakIn: history!.breakIn,
        oilHours: history!.oilHours
      };
    }
    case 'oil': {
      const filter = job.steps.some((x) => x.each === 'filter cover');
      return {
        type: 'oil',
        circuit: circuit!,
        want: {
          circuit: circuit!,
          twoStroke: isTwoStroke(input.kind),
          wetClutch: wetClutch(input, circuit!),
          grade: circuitFigure(sheet, circuit!, 'grade')?.text ?? null,
          table: tableOf(circuitFigure(sheet, circuit!, 'table')?.text ?? null)
        },
        inside: history!.inside,
        quantityMl: amountOf(input, circuit!, filter)?.quantity?.base ?? null
      };
    }
    case 'pour': {
      const choice = job.steps.find((x) => x.each === 'filter cover' && x.gate)?.gate?.step;
      const filter = job.steps.some((x) => x.each === 'filter cover');
      return {
        type: 'pour',
        circuit: circuit!,
        fill: fillOf(amountOf(input, circuit!, filter), input),
        without: choice
          ? { step: job.keyOf(choice), fill: fillOf(amountOf(input, circuit!, false), input) }
          : null
      };
    }
    case 'level':
      return { type: 'level', circuit: circuit!, protocol: protocolOf(input, circuit!) };
    default:
      return { type: 'tick' };
  }
}

export const pointOf = ({ id, name, place, circuit, role }: Fastener): Point => ({
  id,
  name,
  place,
  circuit,
  role
});

/** A volume in words for a list: "950 ml", or that it is unknown. */
export const amountWords = (f: Figure | null) => (f?.quantity ? show(f.quantity) : 'quantity unknown');
