import { readDrain, type OilLook } from '../debris/trend';
import { wrongCircuit } from '../fluids/ledger';
import { judgeLevel } from '../fluids/level';
import { oddDrain, oddTotal } from '../fluids/pour';
import { fillInForce, judgedAt, ledgerOf, type StepState, type VisitState } from './state';

/**
 * What is odd about what was written at a step, in words: sums that do not come out, a level outside its marks, metal that has
 * to be looked into. Null where nothing is. It is said however much of the visit is on the screen.
 */
export function oddAt(state: VisitState, s: StepState): string | null {
  const { input } = s.step;
  const last = s.written.at(-1);
  if (!s.done || !last) return null;
  switch (input.type) {
    case 'drained': {
      if (last.ml === undefined) return null;
      const mine =
        input.mine ??
        (input.pouredLastTimeMl === null
          ? null
          : { name: input.circuit, quantityMl: input.pouredLastTimeMl });
      return (
        (mine && wrongCircuit(last.ml, mine, input.others)) ??
        oddDrain(last.ml, input.pouredLastTimeMl, input.inFilterMl ?? 0)
      );
    }
    case 'pour': {
      const fill = fillInForce(state, s.step);
      const { inMl } = ledgerOf(state, input.circuit);
      if (!fill || fill.quantityMl === null || inMl <= fill.quantityMl) return null;
      return oddTotal(inMl, fill.quantityMl, fill.mostMl ?? Infinity);
    }
    case 'level': {
      const verdict = last.level && judgeLevel(last.level, input.protocol.aim);
      return verdict && !verdict.within ? `${verdict.words}. ${verdict.advice ?? ''}`.trim() : null;
    }
    case 'measure':
      return judgedAt(s) === 'outside'
        ? 'Outside its band: put it right and measure again, or it stays as a finding.'
        : null;
    case 'debris': {
      if (last.grade === undefined) return null;
      const found = {
        place: input.place,
        grade: last.grade,
        materials: last.materials ?? [],
        oilHours: input.oilHours
      };
      const { verdict, reasons } = readDrain(
        { ...found, oil: last.oilLook ?? 'as usual' },
        input.before,
        input.breakIn
      );
      if (last.verdict !== undefined || verdict === 'carry on') return null;
      return [verdict, ...reasons].join('. ');
    }
    default:
      return null;
  }
}

/**
 * What was said of a circuit's oil at another of its looks (magnet, screen, filter): it is one oil, asked about once and judged
 * once. Null where nobody has said anything yet.
 */
export function oilSaid(state: VisitState, s: StepState): { look: OilLook; at: string } | null {
  const { input } = s.step;
  if (input.type !== 'debris') return null;
  for (const other of state.steps) {
    const look = other.done ? other.written.at(-1)?.oilLook : undefined;
    const same = other.step.input.type === 'debris' && other.step.input.circuit === input.circuit;
    if (look && same && other.step.key !== s.step.key) return { look, at: other.step.title };
  }
  return null;
}
