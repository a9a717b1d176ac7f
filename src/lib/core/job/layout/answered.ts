import { SLACK_UNKNOWN, slackInputOf } from '../../chain/at-bench';
import { upperEnd } from '../../quantity/band';
import type { Circuit, Fastener } from '../../specs/sheet';
import { figureKind, figureOf } from '../../specs/sheet';
import type { Fill, OpenedItem, SheetNumber, Step, VisitPlan } from '../plan';
import { circuitFigure, methodOf, type LayoutInput } from './context';
import { amountOf, fillOf, protocolOf } from './input';
import { itemOf } from './items';
import { GRADE_UNKNOWN, GRADE_UNKNOWN_BEFORE, METHOD_UNKNOWN, oilLine } from './lines';
import { numberOf } from './words';
import { tableOf } from '../../fluids/oil';

/** Whether the sheet says it: by a number or in words. */
export const isKnown = (n: Pick<SheetNumber, 'band' | 'words'> | null): boolean =>
  n !== null && (n.band !== null || n.words !== null);

/** Where a nameless plug or cap stands until somebody names it. */
export const NOT_NAMED = 'not on the sheet yet';

/**
 * A visit's plan with what nobody knew when it was laid out and the sheet says by now: a figure asked for at its step, a plug named
 * there. What the plan knew stays as it was, whatever the sheet says since: a visit is worked by the figures it began with.
 *
 * @param input the machine's sheet as it is now, with the house rules of the visit
 */
export function answered<P extends Pick<VisitPlan, 'steps' | 'items'>>(
  plan: P,
  input: Pick<LayoutInput, 'kind' | 'sheet' | 'rules' | 'sealUses' | 'found' | 'chain'>
): P {
  const from: LayoutInput = { ...input, jobs: [], history: {}, last: {} };
  const items = plan.items.map((i) => itemNow(i, from, plan.items));
  return { ...plan, items, steps: plan.steps.map((s) => stepNow(s, from, items)) };
}

/** The fastener an item is: its own; of a nameless one, the only one of its role and circuit that no other item is. */
function fastenerOf(i: OpenedItem, input: LayoutInput, all: readonly OpenedItem[]): Fastener | null {
  const { fasteners } = input.sheet;
  if (i.fastenerId !== null) return fasteners.find((f) => f.id === i.fastenerId) ?? null;
  const alike = fasteners.filter(
    (f) => f.role === i.role && f.circuit === i.circuit && !all.some((x) => x.fastenerId === f.id)
  );
  return alike.length === 1 ? alike[0]! : null;
}

function itemNow(i: OpenedItem, input: LayoutInput, all: readonly OpenedItem[]): OpenedItem {
  const f = fastenerOf(i, input, all);
  if (!f) return i;
  if (i.kind === 'part') return i.fastenerId === f.id ? i : { ...i, fastenerId: f.id };
  const now = itemOf(f, input);
  const seal = i.seal === 'none' ? now : i;
  return {
    ...i,
    fastenerId: f.id,
    torque: isKnown(i.torque) ? i.torque : now.torque,
    place: i.place && i.place !== NOT_NAMED ? i.place : now.place,
    head: i.head || now.head,
    thread: i.thread || now.thread,
    oiled: i.oiled || now.oiled,
    adapter: i.adapter || now.adapter,
    note: i.note || now.note,
    seal: seal.seal,
    sealUses: seal.sealUses,
    sealMost: seal.sealMost
  };
}

function stepNow(s: Step, input: LayoutInput, items: readonly OpenedItem[]): Step {
  const { sheet } = input;
  const filterIn = (circuit: Circuit) =>
    items.some((i) => i.role === 'filter cover' && i.circuit === circuit && i.kind === 'fastener');
  switch (s.input.type) {
    case 'pour': {
      const { circuit, fill, without } = s.input;
      const amount = amountOf(input, circuit, filterIn(circuit));
      const grade = circuitFigure(sheet, circuit, 'grade')?.text;
      // Said since that no level is read: what would have been held back goes in as well.
      const poured = (f: Fill): Fill =>
        methodOf(sheet, circuit) === 'measured quantity only'
          ? { ...f, firstMl: f.quantityMl, heldBackMl: f.quantityMl === null ? null : 0 }
          : f;
      return {
        ...s,
        lines: grade
          ? s.lines.map((l) => (l === GRADE_UNKNOWN || l === GRADE_UNKNOWN_BEFORE ? oilLine(grade) : l))
          : s.lines,
        input: {
          ...s.input,
          fill: isKnown(fill.number) ? poured(fill) : fillOf(amount, input, circuit),
          without: without && {
            ...without,
            fill: isKnown(without.fill.number)
              ? poured(without.fill)
              : fillOf(amountOf(input, circuit, false), input, circuit)
          }
        }
      };
    }
    case 'drained': {
      const { circuit, mine } = s.input;
      const band = mine === null ? amountOf(input, circuit, true)?.band : null;
      if (!band) return s;
      return { ...s, input: { ...s.input, mine: { name: circuit, quantityMl: upperEnd(band).base } } };
    }
    case 'oil': {
      const { circuit, want, quantityMl } = s.input;
      const grade = want.grade ?? circuitFigure(sheet, circuit, 'grade')?.text ?? null;
      const band = amountOf(input, circuit, filterIn(circuit))?.band;
      return {
        ...s,
        input: {
          ...s.input,
          want: {
            ...want,
            grade,
            table:
              want.table.length > 0
                ? want.table
                : tableOf(circuitFigure(sheet, circuit, 'table')?.text ?? null)
          },
          quantityMl: quantityMl ?? (band ? upperEnd(band).base : null)
        }
      };
    }
    case 'level': {
      const { circuit, protocol } = s.input;
      const now = protocolOf(input, circuit);
      return {
        ...s,
        lines: now.method === null ? s.lines : s.lines.map((l) => (l === METHOD_UNKNOWN ? now.method! : l)),
        input: {
          ...s.input,
          protocol: {
            method: protocol.method ?? now.method,
            runSeconds: protocol.runSeconds ?? now.runSeconds,
            settleSeconds: protocol.settleSeconds ?? now.settleSeconds,
            settleLeastSeconds: protocol.settleLeastSeconds ?? now.settleLeastSeconds ?? null,
            temperature: protocol.temperature ?? now.temperature,
            attitude: protocol.attitude ?? now.attitude,
            aim: protocol.aim ?? now.aim,
            betweenMl: protocol.betweenMl ?? now.betweenMl
          }
        }
      };
    }
    case 'slack': {
      if (s.input.wanted || !input.chain?.wanted) return s;
      return {
        ...s,
        lines: s.lines.filter((l) => l !== SLACK_UNKNOWN),
        input: slackInputOf(s.input.stage, input.chain)
      };
    }
    case 'measure': {
      const { figure, number } = s.input;
      if (figure === null || isKnown(number)) return s;
      const kind = figureKind(figure);
      const held = figureOf(sheet, figure, kind.perFastener ? (s.points[0] ?? null) : null);
      return held ? { ...s, input: { ...s.input, number: numberOf(kind.label, held) } } : s;
    }
    default:
      return s;
  }
}
