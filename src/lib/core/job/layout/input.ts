import { slackInputOf } from '../../chain/at-bench';
import type { Stage as SlackStage } from '../../chain/check';
import { aimOf } from '../../fluids/aim';
import { tableOf } from '../../fluids/oil';
import { pouringPlan } from '../../fluids/pour';
import { has } from '../../machine/has';
import { lowerEnd, upperEnd, type Band } from '../../quantity/band';
import { quantity } from '../../quantity/quantity';
import { USUAL_UNIT } from '../../quantity/units';
import { CIRCUITS, figureKind, figureOf, type Circuit, type Fastener, type Figure } from '../../specs/sheet';
import type { Fill, Point, Protocol, StepInput } from '../plan';
import type { ValveStage } from '../../valve/stages';
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
import { heldBy } from './filter-covers';
import { itemKey, looseKey, partKey, thingKey, thingsOf } from './items';
import { figureInWords, numberOf } from './words';

/** What goes in by a figure, with what the house keeps back for after the level was read: where none is read, nothing. */
export function fillOf(figure: Figure | null, input: LayoutInput, circuit: Circuit): Fill {
  const byLevel = methodOf(input.sheet, circuit) !== 'measured quantity only';
  const holdBackPercent = byLevel ? input.rules.holdBackPercent : 0;
  const quantityMl = figure?.band ? lowerEnd(figure.band).base : null;
  const plan = quantityMl === null ? null : pouringPlan(quantityMl, holdBackPercent);
  return {
    quantityMl,
    mostMl: figure?.band?.to?.base ?? null,
    firstMl: plan?.firstMl ?? null,
    heldBackMl: plan?.heldBackMl ?? null,
    number: numberOf(
      plan && plan.heldBackMl > 0 ? `First pour: ${holdBackPercent} % held back` : 'First pour',
      figure
    )
  };
}

/** What a filter of a circuit takes, by what the sheet says goes in with it and without, ml; null where it does not say both. */
function filterHolds(input: LayoutInput, circuit: Circuit): number | null {
  const [with_, without] = [true, false].map((f) => highest(amountOf(input, circuit, f)));
  return with_ == null || without == null || with_ <= without ? null : with_ - without;
}

export function protocolOf(input: LayoutInput, circuit: Circuit): Protocol {
  const of = (which: Parameters<typeof levelFigure>[2]) => levelFigure(input.sheet, circuit, which);
  return {
    method: methodOf(input.sheet, circuit),
    runSeconds: longEnough(of('run time')),
    settleSeconds: longEnough(of('settle time')),
    settleLeastSeconds: lowest(of('settle time')),
    temperature: of('temperature')?.text ?? null,
    attitude: of('attitude')?.text ?? null,
    aim: aimOf(of('aim')?.text),
    betweenMl: lowest(circuitFigure(input.sheet, circuit, 'between'))
  };
}

/** Whether the clutch runs in a circuit's oil: as the sheet says; null where it does not say. */
function wetClutch(input: LayoutInput, circuit: Circuit): boolean | null {
  const said = figureOf(input.sheet, 'clutch runs in')?.text;
  if (circuit.includes('differential')) return false;
  if (said) return said === `${circuit} oil`;
  // An electric machine has a reduction gear, and no clutch in it.
  return has(input.kind, 'clutch') || has(input.kind, 'combustion engine') ? null : false;
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

const lowest = (f: Figure | null) => (f?.band ? lowerEnd(f.band).base : null);
const highest = (f: Figure | null) => (f?.band ? upperEnd(f.band).base : null);
/** A time to wait, seconds: of a range the longer, so that both ends of it are kept. */
const longEnough = highest;

/** What a step measures: by a figure of the machine's own sheet, or by the band the job names. */
function measureOf(s: TemplateStep, input: LayoutInput, f: Fastener | null): StepInput {
  const { unit, from, to, figure } = s.measure!;
  if (figure !== null) {
    const kind = figureKind(figure);
    const held = figureOf(input.sheet, figure, kind.perFastener ? (f?.id ?? null) : null);
    return {
      type: 'measure',
      unit: held?.band
        ? lowerEnd(held.band).unit
        : (kind.unit ?? USUAL_UNIT[kind.dimension ?? 'count'].metric),
      figure,
      number: numberOf(kind.label, held)
    };
  }
  const end = (n: number | null) => (n === null ? null : quantity(n, unit));
  const band: Band | null = from === null && to === null ? null : { from: end(from), to: end(to) };
  return {
    type: 'measure',
    unit,
    figure: null,
    number: { label: 'Band', band, words: null, source: band && 'as the job says', unsure: false }
  };
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
        // What comes out with it goes back in before it; all bolts of a cover come out together.
        ...(s.partOnly
          ? []
          : (s.kind === 'open' ? heldBy(f, sheet) : [f]).flatMap((x) =>
              x.comesWith === '' ? [itemKey(x)] : [looseKey(x), itemKey(x)]
            )),
        ...(s.part && (s.partOnly || s.kind === 'open') ? [partKey(f)] : [])
      ]
    : thingsOf(s.things, input).map(thingKey);
  switch (s.kind) {
    case 'open':
      return { type: 'open', items: keys, twins: f && !s.partOnly ? twinsOf(f, sheet).map(pointOf) : [] };
    case 'close':
      return { type: 'close', items: keys };
    case 'choice':
      return { type: 'choice' };
    case 'clearances':
      return { type: 'clearances', stage: (s.stage as ValveStage | null) ?? 'found' };
    case 'slack':
      return slackInputOf((s.stage as SlackStage | null) ?? 'found', input.chain);
    case 'dressing':
      return { type: 'dressing', dressing: input.rules.chainDressing };
    case 'measure':
      return measureOf(s, input, f);
    case 'run':
      return { type: 'start' };
    case 'drained': {
      const mine = highest(amountOf(input, circuit!, true));
      return {
        type: 'drained',
        circuit: circuit!,
        pouredLastTimeMl: history!.pouredLastTimeMl,
        inFilterMl: history!.intoFilterMl ?? (history!.filterDry ? filterHolds(input, circuit!) : null),
        mine: mine === null ? null : { name: circuit!, quantityMl: mine },
        others: CIRCUITS.flatMap((c) => {
          const held = c === circuit ? null : highest(amountOf(input, c, true));
          return held === null ? [] : [{ name: c, quantityMl: held }];
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
        // Bottles for all that may go in.
        quantityMl: highest(amountOf(input, circuit!, filter))
      };
    }
    case 'pour': {
      const choice = job.steps.find((x) => x.each === 'filter cover' && x.gate)?.gate?.step;
      const filter = job.steps.some((x) => x.each === 'filter cover');
      return {
        type: 'pour',
        circuit: circuit!,
        fill: fillOf(amountOf(input, circuit!, filter), input, circuit!),
        without: choice
          ? { step: job.keyOf(choice), fill: fillOf(amountOf(input, circuit!, false), input, circuit!) }
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
export const amountWords = (f: Figure | null) => figureInWords(f) ?? 'quantity unknown';
