import { totalOutside } from '../fluids/pour';
import type { VisitPlan } from '../job/plan';
import { CIRCUITS, type Circuit, type LevelMethod } from '../specs/sheet';
import type { ItemState } from './items';
import { fillInForce, lastLevel, ledgerOf, type VisitState } from './state';

/** What is in a circuit, where that is not what the sheet says and its level does not explain it. */
export interface OddFill {
  circuit: Circuit;
  inMl: number;
  words: string;
}

/** Whether a circuit's drain was opened in this visit: what is in it then is what was poured. */
export const drained = (state: Pick<VisitState, 'items'>, circuit: Circuit): boolean =>
  state.items.some((i) => i.opened && isDrain(i, circuit));
const drains = (state: Pick<VisitState, 'items'>, circuit: Circuit) =>
  state.items.some((i) => isDrain(i, circuit));
const isDrain = ({ item }: ItemState, circuit: Circuit) =>
  item.role === 'drain plug' && item.circuit === circuit;

/**
 * How the oil that was poured into a drained circuit stands to the sheet; null where it fits, where the sheet says no quantity, or
 * somebody left the pour out and said why.
 * @param ahead what is written next of a visit that is over: the pour, and how its level was read
 */
export function oddFill(
  state: Pick<VisitState, 'steps' | 'items'>,
  circuit: Circuit,
  ahead?: { ml: number; method: LevelMethod | null }
): OddFill | null {
  const pour = state.steps.find(
    (s) => s.called && s.step.input.type === 'pour' && s.step.input.circuit === circuit
  );
  const fill = pour && pour.leftOut === null ? fillInForce(state, pour.step) : null;
  if (!fill || fill.quantityMl === null || !(ahead ? drains(state, circuit) : drained(state, circuit)))
    return null;
  const read = state.steps.find((s) => s.step.input.type === 'level' && s.step.input.circuit === circuit);
  const protocol = read?.step.input.type === 'level' ? read.step.input.protocol : null;
  const inMl = ledgerOf(state, circuit).inMl + (ahead?.ml ?? 0);
  const words = totalOutside(inMl, [fill.quantityMl, fill.mostMl ?? Infinity], {
    circuit,
    // Read some other way than the sheet says, it is that reading that explains it, or does not.
    method: lastLevel(state, circuit)?.method ?? ahead?.method ?? protocol?.method ?? null,
    betweenMl: protocol?.betweenMl ?? null
  });
  return words === null ? null : { circuit, inMl, words };
}

/** Circuits of a plan whose fill is not what the sheet says, and nobody said why it stays so. */
export function unexplainedFills(plan: Pick<VisitPlan, 'steps'>, state: VisitState): OddFill[] {
  return CIRCUITS.filter((c) => plan.steps.some((s) => s.input.type === 'pour' && s.input.circuit === c))
    .map((c) => oddFill(state, c))
    .filter((o) => o !== null)
    .filter(({ circuit }) => !isAccepted(state, circuit));
}

/** Whether somebody said why what is in a circuit by now stays so. */
export function isAccepted(state: Pick<VisitState, 'steps' | 'fillsAccepted'>, circuit: Circuit): boolean {
  const said = state.fillsAccepted[circuit];
  return said !== undefined && Math.abs(said.inMl - ledgerOf(state, circuit).inMl) <= 1;
}
