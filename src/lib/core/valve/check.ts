import { anywhere, near, nextBlade, type Next } from './blades';
import { forSums, spanOf, verdict, type Limits, type Measured } from './clearance';
import {
  gaugeOf,
  isShimmed,
  shortName,
  valveName,
  valvesOf,
  type Gauge,
  type Layout,
  type Side,
  type Valve
} from './head';
import { aimOf, showUm, type ClearanceUnit } from './limits';
import { proofOf, type Proof, type Shimmed } from './proof';
import { thickness, type Shim } from './shim';
import type { Check } from './wear';

/** As found, before anything was changed; as left, after two full turns by hand, or after the lock-nut is tight. */
export const STAGES = ['found', 'left'] as const;
export type Stage = (typeof STAGES)[number];

/** One valve measured once. Readings are only ever added: the latest of a stage counts, the others stay to be seen. */
export interface Reading {
  id: string;
  valve: string;
  stage: Stage;
  measured: Measured;
  by: string;
}

/** A shim that was read where it sits, or fitted in a check. */
export interface ShimAt extends Shim {
  valve: string;
  why: 'read' | 'fitted';
  checkId: string | null;
}

/** A check that is over. */
export interface PastCheck {
  id: string;
  day: string;
  /** Running hours of the engine; null: nobody knows. */
  hours: number | null;
  found: Readonly<Record<string, Measured>>;
  left: Readonly<Record<string, Measured>>;
  /** Shims before, where they are known; and after, where they were changed. */
  shims: Readonly<Record<string, Shim>>;
  fitted: Readonly<Record<string, Shim>>;
}

/** House rules that a check goes by. */
export interface ValveRules {
  shims: 'all that are open' | 'only those out of spec';
  aim: 'middle' | 'loose side';
  shimReading: 'goes' | 'middle of the bracket';
  borderlineValve: 'also put right while open' | 'leave';
}

export interface CheckInput {
  layout: Layout;
  /** By side; null: not on the sheet. */
  limits: Readonly<Record<Side, Limits | null>>;
  rules: ValveRules;
  /** Blades of the team, µm; none: nobody listed them. */
  blades: readonly number[];
  /** Of these, those that are asked for first: as the manual and the hand have them. None: all alike. */
  prefer?: readonly number[];
  /** Steps of the series of shims, µm. */
  step: number;
  /** The open check; null: none. */
  checkId: string | null;
  /** Of the open check, the earliest first. */
  readings: readonly Reading[];
  /** Every shim there ever was, the earliest first. */
  shims: readonly ShimAt[];
  /** The latest first. */
  past: readonly PastCheck[];
}

/** How a valve stands in the check: what is measured says, or what is wanting. */
export type ValveVerdict =
  | 'in'
  | 'tight'
  | 'loose'
  | 'borderline'
  | 'undecided'
  | 'not measured'
  /** Shimmed or set, and not measured again. */
  | 'to be proven'
  | 'no limits';

export interface ValveStand {
  valve: Valve;
  name: string;
  short: string;
  gauge: Gauge;
  limits: Limits | null;
  aim: number | null;
  found: Reading | null;
  left: Reading | null;
  /** Measured at the same stage by somebody else, to another verdict. */
  against: Reading | null;
  verdict: ValveVerdict;
  /** Which blade to try, or that none can tell. */
  next: Next | null;
  /** Sits in it now; and what sat in it when it was found, where that was changed. */
  shim: Shim | null;
  before: Shim | null;
  /** Its shim was changed in this check. */
  changed: boolean;
  /** As left, held against what was predicted; null where there is nothing to hold. */
  proof: Proof | null;
  /** The last check of it before this one. */
  last: { day: string; hours: number | null; measured: Measured } | null;
}

/** Neither end was tried: what was measured there before is taken back. */
export const isNothing = (m: Measured): boolean => m.by === 'blades' && m.goes === null && m.stops === null;
export const NOTHING: Measured = { by: 'blades', goes: null, stops: null };

/** What it is now: as left, else as found. */
export const readingNow = (s: Pick<ValveStand, 'found' | 'left'>): Reading | null => s.left ?? s.found;

/** How every valve of a head stands. One function for screen, plan and close. */
export function standsOf(c: CheckInput): ValveStand[] {
  const stands = valvesOf(c.layout).map((valve): ValveStand => {
    const of = (stage: Stage) => {
      const latest = c.readings.findLast((r) => r.valve === valve.id && r.stage === stage);
      return latest && !isNothing(latest.measured) ? latest : null;
    };
    const [found, left] = [of('found'), of('left')];
    const gauge = gaugeOf(c.layout, valve.side);
    const limits = c.limits[valve.side];
    const shims = c.shims.filter((s) => s.valve === valve.id);
    const fittedAt = shims.findIndex(
      (s) => s.why === 'fitted' && s.checkId !== null && s.checkId === c.checkId
    );
    const changed = fittedAt >= 0;
    const past = c.past.find((p) => p.left[valve.id] ?? p.found[valve.id]);
    const last = past
      ? { day: past.day, hours: past.hours, measured: (past.left[valve.id] ?? past.found[valve.id])! }
      : null;
    const now = left ?? found;
    const shared = { limits, blades: c.blades, prefer: c.prefer ?? [], last: left ? null : last };
    const { verdict: said, next } = sayOf(changed && !left ? null : now, shared);
    const others = now
      ? c.readings.filter((r) => r.valve === valve.id && r.stage === now.stage && r.by !== now.by)
      : [];
    const against = limits && now ? (others.findLast((r) => clash(r.measured, now.measured)) ?? null) : null;
    return {
      valve,
      name: valveName(c.layout, valve),
      short: shortName(c.layout, valve),
      gauge,
      limits,
      aim: limits && aimOf(limits, c.rules.aim),
      found,
      left,
      against,
      verdict: limits === null && now ? 'no limits' : changed && !left ? 'to be proven' : said,
      next,
      shim: shims.at(-1) ?? null,
      before: changed ? (shims[fittedAt - 1] ?? null) : null,
      changed,
      proof: null,
      last
    };
  });
  const shimmed = stands.flatMap((s): Shimmed[] => {
    const [was, is] = [s.before && thickness(s.before), s.shim && thickness(s.shim)];
    return s.changed && s.found && was !== null && is !== null
      ? [{ id: s.valve.id, found: spanOf(s.found.measured), fitted: was, shim: is }]
      : [];
  });
  return stands.map((s) => {
    const mine = shimmed.find((x) => x.id === s.valve.id);
    return s.left && mine ? { ...s, proof: proofOf(spanOf(s.left.measured), mine, shimmed, c.step) } : s;
  });
}

/** Two readings of one valve that cannot both be so. */
function clash(a: Measured, b: Measured): boolean {
  const [x, y] = [spanOf(a), spanOf(b)];
  const before = (p: typeof x, q: typeof x) => (p.closed ? p.to < q.from : p.to <= q.from);
  return before(x, y) || before(y, x);
}

function sayOf(
  now: Reading | null,
  {
    limits,
    blades,
    prefer,
    last
  }: Pick<ValveStand, 'limits' | 'last'> & Required<Pick<CheckInput, 'blades' | 'prefer'>>
): { verdict: ValveVerdict; next: Next | null } {
  if (!limits) return { verdict: now ? 'no limits' : 'not measured', next: null };
  const span = spanOf(now?.measured ?? NOTHING);
  const was = last && forSums(last.measured, 'middle of the bracket');
  const likely = was === null ? anywhere(limits) : near(was, limits);
  const first = prefer.length > 0 ? nextBlade(span, limits, prefer, likely) : null;
  const next = first?.what === 'try' || blades.length === 0 ? first : nextBlade(span, limits, blades, likely);
  if (!now) return { verdict: 'not measured', next };
  const said = verdict(span, limits);
  if (said !== 'undecided') return { verdict: said, next: null };
  if (next) return { verdict: next.what === 'borderline' ? 'borderline' : 'undecided', next };
  // Nobody listed the blades: a bracket with both its ends is as fine as they are.
  const bracket =
    span.closed ||
    (now.measured.by === 'blades' && now.measured.goes !== null && now.measured.stops !== null);
  return { verdict: bracket ? 'borderline' : 'undecided', next: null };
}

/** It wants a number yet. */
export const wantsNumber = ({ verdict }: Pick<ValveStand, 'verdict'>): boolean =>
  verdict === 'not measured' || verdict === 'undecided' || verdict === 'to be proven';
export const isOut = ({ verdict }: Pick<ValveStand, 'verdict'>): boolean =>
  verdict === 'tight' || verdict === 'loose';
/** It is measured as left: its shim was changed, or it has a screw that is set there and then. */
export const wantsLeft = (s: ValveStand): boolean =>
  s.changed || s.left !== null || (!isShimmed(s.gauge) && s.found !== null && isOut(s));

/** Whether a valve is to be put right, by what was found and the house rule for the borderline. */
export function isBad(s: Pick<ValveStand, 'verdict'>, rules: Pick<ValveRules, 'borderlineValve'>): boolean {
  return isOut(s) || (s.verdict === 'borderline' && rules.borderlineValve === 'also put right while open');
}

export interface CheckProblem {
  valve: string;
  message: string;
  /** It may be left like that, with a reason. */
  mayLeave: boolean;
}

/** What keeps a check from being closed, valve by valve; empty when nothing does. A pass needs its number. */
export function checkProblems(
  stands: readonly ValveStand[],
  rules: ValveRules,
  unit: ClearanceUnit
): CheckProblem[] {
  return stands.flatMap((s): CheckProblem[] => {
    const say = (message: string, mayLeave = false) => [
      { valve: s.valve.id, message: `${s.name} ${message}`, mayLeave }
    ];
    switch (s.verdict) {
      case 'not measured':
        return say('is not measured.');
      case 'no limits':
        return say('has no limits on the sheet: write them there, and the reading is judged.');
      case 'to be proven':
        return say('was changed and not measured again.');
      case 'undecided':
        return say(
          s.next?.what === 'try'
            ? `is undecided: try the ${showUm(s.next.blade, unit)} blade.`
            : 'is undecided: a finer bracket tells.',
          true
        );
      case 'borderline':
        return isBad(s, rules) ? say('is borderline: no blade tells which side.', true) : [];
      case 'tight':
      case 'loose':
        return say(`is too ${s.verdict}.`, true);
      case 'in':
        return [];
    }
  });
}

/**
 * The checks of one valve as its wear is told from, the earliest first: those at known hours, with a clearance and a shim that are
 * known. A screw that is turned acts as another shim does: thinner by as much as it gave.
 * @param past the latest first
 */
export function wearChecks(
  valve: string,
  past: readonly PastCheck[],
  by: ValveRules['shimReading'],
  shimmed: boolean
): Check[] {
  let checks: (Omit<Check, 'hours'> & { hours: number | null })[] = [];
  /** What a screw has been turned by since the first check, µm. */
  let turned = 0;
  for (const p of [...past].reverse()) {
    const found = p.found[valve];
    const left = p.left[valve];
    const m = found ?? left;
    const clearance = m ? forSums(m, by) : null;
    const after = left ? forSums(left, by) : null;
    const shim = shimmed ? (p.shims[valve] ? thickness(p.shims[valve]) : null) : turned;
    if (!shimmed && found && left) {
      if (clearance === null || after === null) {
        // Turned by nobody knows how much: what was before says nothing of what comes after.
        checks = [];
        turned = 0;
        continue;
      }
      turned += clearance - after;
    }
    const shimAfter = shimmed ? (p.fitted[valve] ? thickness(p.fitted[valve]) : null) : left ? turned : null;
    if (clearance === null || shim === null) continue;
    checks.push({
      hours: p.hours,
      clearance,
      shim,
      ...(after !== null && { after }),
      ...(shimAfter !== null && { shimAfter })
    });
  }
  return checks.filter((c): c is Check => c.hours !== null).sort((a, b) => a.hours - b.hours);
}
