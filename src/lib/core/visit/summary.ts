import type { Debris } from '../debris/debris';
import type { LevelReading } from '../fluids/level';
import type { Quantity } from '../quantity/quantity';
import type { HouseRules } from '../rules/rules';
import type { VisitPlan } from './plan';
import { lastLevel, pouredMl, type VisitState } from './state';

/** What a visit leaves in the record: as found and as left, with the rules that were in force. */
export interface Findings {
  job: string;
  version: number;
  rules: HouseRules;
  drainedMl: number | null;
  pouredMl: number | null;
  level: LevelReading | null;
  debris: Debris[];
  fasteners: {
    name: string;
    place: string;
    quantity: number;
    stand: 'torqued' | 'by feel';
    torque: Quantity | null;
    reason: string | null;
  }[];
  leftOut: { title: string; reason: string }[];
  remarks: { title: string; remark: string }[];
  minutes: number;
}

/**
 * Draws up the record of a visit.
 * @param minutes from its start to its close
 */
export function summarise(plan: VisitPlan, state: VisitState, rules: HouseRules, minutes: number): Findings {
  const drained = state.steps.find((s) => s.step.input.type === 'drained')?.written.at(-1)?.ml ?? null;
  const poured = pouredMl(state);
  return {
    job: plan.job,
    version: plan.version,
    rules,
    drainedMl: drained,
    pouredMl: poured > 0 ? poured : null,
    level: lastLevel(state),
    debris: state.steps.flatMap((s) => {
      const last = s.written.at(-1);
      return s.step.input.type === 'debris' && last?.grade
        ? [{ place: s.step.input.place, grade: last.grade, materials: last.materials ?? [] }]
        : [];
    }),
    fasteners: state.items.flatMap((i) =>
      i.stand === 'torqued' || i.stand === 'by feel'
        ? [
            {
              name: i.item.name,
              place: i.item.place,
              quantity: i.item.quantity,
              stand: i.stand,
              torque: i.torque,
              reason: i.reason
            }
          ]
        : []
    ),
    leftOut: state.steps.flatMap((s) =>
      s.leftOut !== null ? [{ title: s.step.title, reason: s.leftOut }] : []
    ),
    remarks: state.steps.flatMap((s) =>
      s.written.flatMap((w) => (w.remark ? [{ title: s.step.title, remark: w.remark }] : []))
    ),
    minutes
  };
}
