import type { HeadForJobs, ValveStage } from './stages';
import { checkProblems, isBad, standsOf, wantsNumber, type ValveRules, type ValveStand } from './check';
import { gaugeOf, isShimmed, valveName, valvesOf } from './head';
import { showUm, type ClearanceUnit } from './limits';
import { chanceOut } from './chance';
import { checkInput, type OpenCheck, type ValveSheet } from './sheet';
import { thickness } from './shim';
import type { KeptPlan } from './stored';
import { wearOfHead } from './wear-of-head';

/** What a step of a visit says of the valves. */
export interface Clearances {
  checkId: string;
  valves: number;
  /** To be put right: out of their limits, borderline where the house puts these right, or in the plan that was settled on. */
  bad: number;
}
export type AtStage = { ok: true; clearances: Clearances } | { ok: false; problems: string[] };

/**
 * What the valve sheet says of a step: as found every valve has its number; fitted, every valve that was out has another shim; as
 * left, nothing is wanting any more.
 */
export function clearancesAt(
  stage: ValveStage,
  stands: readonly ValveStand[],
  rules: ValveRules,
  check: Pick<OpenCheck, 'id' | 'plan'> | null,
  unit: ClearanceUnit = 'mm'
): AtStage {
  if (check === null) return { ok: false, problems: ['Nothing is measured yet.'] };
  const planned = stands.filter((s) => isPlanned(s, check.plan));
  const problems = problemsAt(stage, stands, planned, rules, unit);
  if (problems.length > 0) return { ok: false, problems };
  // A valve that was put right in the meantime was out when it was found.
  const wasBad = (s: ValveStand) =>
    isBad(s, rules) || s.changed || planned.includes(s) || (s.left !== null && s.found !== null);
  const bad = stage === 'found' ? stands.filter(wasBad).length : 0;
  return { ok: true, clearances: { checkId: check.id, valves: stands.length, bad } };
}

/** The plan that was settled on has another shim for it, which is not in yet. */
const isPlanned = (s: ValveStand, plan: KeptPlan | null): boolean =>
  plan?.fits.some(
    (f) => f.valve === s.valve.id && f.from !== 'itself' && !(s.shim && thickness(s.shim) === f.shim)
  ) ?? false;

function problemsAt(
  stage: ValveStage,
  stands: readonly ValveStand[],
  planned: readonly ValveStand[],
  rules: ValveRules,
  unit: ClearanceUnit
): string[] {
  if (stage === 'left') return checkProblems(stands, rules, unit).map((p) => p.message);
  if (stage === 'found')
    return checkProblems(stands, rules, unit)
      .filter((p) => {
        const s = stands.find((x) => x.valve.id === p.valve)!;
        return s.verdict === 'no limits' || (wantsNumber(s) && !s.changed);
      })
      .map((p) => p.message);
  const waiting = stands.filter((s) => isShimmed(s.gauge) && isBad(s, rules));
  return [
    ...waiting.map((s) => `${s.name} is out of its limits and has its shim still.`),
    ...planned
      .filter((s) => !waiting.includes(s) && !s.changed)
      .map((s) => `${s.name} is in the plan and has its shim still.`)
  ];
}

/** What of a head the jobs at the bench want to know. */
export function headForJobs(sheet: ValveSheet): HeadForJobs {
  const { layout, guide } = sheet.head;
  const range = (side: 'inlet' | 'exhaust') => {
    const l = sheet.limits[side];
    const name = side === 'inlet' ? 'Inlet' : 'Exhaust';
    return l
      ? `${name}: ${showUm(l.lo)} to ${showUm(l.hi)} (${showUm(l.lo, 'in')} to ${showUm(l.hi, 'in')})`
      : `${name}: not on the sheet`;
  };
  return {
    valves: valvesOf(layout).map((v) => ({
      name: valveName(layout, v),
      shimmed: isShimmed(gaugeOf(layout, v.side)),
      bucket: gaugeOf(layout, v.side) === 'cam and bucket'
    })),
    guide: [
      guide.turn && `Turn ${guide.turn}`,
      guide.marks && `until ${guide.marks}`,
      guide.free && `Free then: ${guide.free}. Not free: one more turn.`,
      guide.firing.length > 1 &&
        `Cylinders ${guide.firing.join(' – ')}${guide.between ? `, ${guide.between}` : ''}`,
      guide.note
    ].filter((l): l is string => Boolean(l)),
    limits: [range('inlet'), range('exhaust')],
    out: chanceOut(
      wearOfHead(standsOf(checkInput(sheet)), sheet.past, sheet.rules, sheet.head.series),
      sheet.hours
    )
  };
}
