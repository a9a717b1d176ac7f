import { readDrain } from '../debris/trend';
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
    case 'drained':
      if (last.ml === undefined) return null;
      return (
        (input.mine && wrongCircuit(last.ml, input.mine, input.others)) ??
        oddDrain(last.ml, input.pouredLastTimeMl)
      );
    case 'pour': {
      const fill = fillInForce(state, s.step);
      const { inMl } = ledgerOf(state, input.circuit);
      if (!fill || fill.quantityMl === null || inMl <= fill.quantityMl) return null;
      return oddTotal(inMl, fill.quantityMl, fill.mostMl ?? fill.quantityMl);
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
