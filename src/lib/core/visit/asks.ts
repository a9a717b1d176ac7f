import { isKnown } from '../job/layout/answered';
import type { OpenedItem } from '../job/plan';
import { CIRCUIT_FIGURES } from '../specs/circuits';
import { figureKind, type FigureKey } from '../specs/sheet';
import { isShut } from './items';
import { fillInForce, isLeft, type StepState, type VisitState } from './state';

/** A figure that a step wants and nobody has written: asked for once, there, and kept on the machine's sheet. */
export interface Ask {
  key: FigureKey;
  label: string;
  /** What it hangs on, where it is a torque; nameless on the sheet as yet where its `fastenerId` is null. */
  item: OpenedItem | null;
  /** The fastener a measured figure hangs on. */
  fastenerId: string | null;
}

/**
 * What a step wants of the sheet that is not on it. It may be left unanswered: unknown stays possible, and shows in the record.
 */
export function asksAt(state: VisitState, s: StepState): Ask[] {
  const { input } = s.step;
  if (!isLeft(s)) return [];
  const ask = (key: FigureKey | null, fastenerId: string | null = null): Ask[] =>
    key === null ? [] : [{ key, label: figureKind(key).label, item: null, fastenerId }];
  switch (input.type) {
    case 'close':
      return state.items
        .filter(
          (i) =>
            input.items.includes(i.item.key) &&
            i.item.kind === 'fastener' &&
            !isShut(i) &&
            !isKnown(i.item.torque)
        )
        .map(({ item }) => ({
          key: 'torque',
          label: `${item.name}: torque`,
          item,
          fastenerId: item.fastenerId
        }));
    case 'pour': {
      const fill = fillInForce(state, s.step);
      if (!fill || isKnown(fill.number)) return [];
      const { amount, withoutFilter } = CIRCUIT_FIGURES[input.circuit];
      // As the fill is chosen: with the filter where it comes out in this visit.
      const filter = state.items.some(
        (i) =>
          i.item.role === 'filter cover' && i.item.circuit === input.circuit && i.item.kind === 'fastener'
      );
      const answered = input.without && fill === input.without.fill;
      return ask(filter && !answered ? amount : (withoutFilter ?? amount));
    }
    case 'oil':
      return input.want.grade === null && input.want.table.length === 0
        ? ask(CIRCUIT_FIGURES[input.circuit].grade)
        : [];
    case 'level': {
      const { level } = CIRCUIT_FIGURES[input.circuit];
      return input.protocol.method === null && level !== null ? ask(`${level} method`) : [];
    }
    case 'slack':
      return input.wanted === null ? ask('chain slack') : [];
    case 'measure': {
      if (input.figure === null || isKnown(input.number)) return [];
      const kind = figureKind(input.figure);
      const at = kind.perFastener ? (s.step.points[0] ?? null) : null;
      return kind.perFastener && at === null ? [] : ask(input.figure, at);
    }
    default:
      return [];
  }
}
