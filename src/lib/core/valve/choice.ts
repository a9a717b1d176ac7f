import { forSums, spanOf, type Span } from './clearance';
import { isBad, type Reading, type ValveRules, type ValveStand } from './check';
import { isShimmed } from './head';
import { aimOf } from './limits';
import type { KeptPlan } from './stored';
import type { SoonOut } from './soon';
import { planShims, type Fit, type Plan, type PlanInput, type PlanValve } from './plan';
import { predictedSpan, sizesOf, thickness, wanted, type Series, type Shim } from './shim';

/** What a plan is made by: the house's rules, or one of them switched. */
export interface PlanRules extends ValveRules {
  /** Sizes may be bought. */
  buy: boolean;
}
/** Plans that are laid side by side. */
export const CHOICES = [
  'by the house',
  'only the bad',
  'those soon out too',
  'everything',
  'loose side',
  'nothing bought',
  'by hand'
] as const;
export type Choice = (typeof CHOICES)[number];
export const CHOICE_WORDS: Readonly<Record<Choice, string>> = {
  'by the house': 'By the house rules',
  'only the bad': 'Only what is out',
  'those soon out too': 'And what is out before the next check',
  everything: 'Everything that is open',
  'loose side': 'Set to the loose side',
  'nothing bought': 'Nothing bought',
  'by hand': 'Picked by hand'
};

export function rulesOf(choice: Choice, house: ValveRules): PlanRules {
  const rules = { ...house, buy: choice !== 'nothing bought' };
  if (choice === 'only the bad') return { ...rules, shims: 'only those out of spec' };
  if (choice === 'everything') return { ...rules, shims: 'all that are open' };
  return choice === 'loose side' ? { ...rules, aim: 'loose side' } : rules;
}

/** A shim of the drawer: how many there are of it. All µm. */
export interface DrawerShim {
  stamp: number | null;
  measured: number | null;
  count: number;
}

/** Valves a plan takes in besides those that are out. */
export interface Picked {
  /** Out before the next check, by their wear. */
  soon: readonly Pick<SoonOut, 'valve' | 'leastUm'>[];
  /** Picked by hand, and no others; null: nobody picked. */
  byHand: readonly string[] | null;
}
const NONE_PICKED: Picked = { soon: [], byHand: null };

/** Why a valve cannot be planned for. */
export type Unplanned = {
  valve: string;
  why: 'its shim is not known' | 'no blade goes' | 'not measured' | 'no limits';
};

/** What a plan goes by: as left with what sits there now, else as found with what sat there then. */
const basisOf = (s: ValveStand): { reading: Reading | null; shim: Shim | null } =>
  s.left ? { reading: s.left, shim: s.shim } : { reading: s.found, shim: s.changed ? s.before : s.shim };
/** The shim a plan takes out of a valve. */
export const takenOut = (s: ValveStand): Shim | null => basisOf(s).shim;

/**
 * What a plan is worked out from.
 * @param picked what it takes in besides what the rules have it take
 */
export function planInput(
  stands: readonly ValveStand[],
  rules: PlanRules,
  drawer: readonly DrawerShim[],
  series: Series | null,
  { soon, byHand }: Picked = NONE_PICKED
): { input: PlanInput; unplanned: Unplanned[] } {
  const unplanned: Unplanned[] = [];
  const valves = stands.flatMap((s): PlanValve[] => {
    if (!isShimmed(s.gauge)) return [];
    const no = (why: Unplanned['why']): PlanValve[] => {
      unplanned.push({ valve: s.valve.id, why });
      return [];
    };
    // Just fitted: it is measured first.
    if (s.changed && !s.left) return [];
    const from = basisOf(s);
    const shim = from.shim && thickness(from.shim);
    if (!s.limits) return no('no limits');
    if (!from.reading) return no('not measured');
    const measured = forSums(from.reading.measured, rules.shimReading);
    if (measured === null) return no('no blade goes');
    if (shim === null) return no('its shim is not known');
    const valve = { id: s.valve.id, measured, shim, ...s.limits, target: aimOf(s.limits, rules.aim) };
    const least = soon.find((x) => x.valve === s.valve.id)?.leastUm ?? null;
    const wished = !isBad(s, rules) && (byHand ? byHand.includes(s.valve.id) : least !== null);
    return [wished ? nearer(valve, least) : valve];
  });
  const stock: Record<number, number> = {};
  for (const d of drawer) {
    const um = thickness(d);
    if (um !== null && d.count > 0) stock[um] = (stock[um] ?? 0) + d.count;
  }
  const bad = stands.filter((s) => isBad(s, rules)).map((s) => s.valve.id);
  const wanted = byHand ?? [...bad, ...soon.map((s) => s.valve)];
  const touch: PlanInput['touch'] =
    byHand === null && rules.shims === 'all that are open'
      ? 'all'
      : valves.filter((v) => wanted.includes(v.id)).map((v) => v.id);
  return { input: { valves, stock, buyable: rules.buy && series ? sizesOf(series) : [], touch }, unplanned };
}

/**
 * A valve that is well and put right all the same: nearer its aim than it is.
 * @param leastUm what lasts until the next check, which counts for more than the aim; null: nothing is known of its wear
 */
function nearer(v: PlanValve, leastUm: number | null): PlanValve {
  const off = Math.abs(v.measured - v.target) - 1;
  if (off < 0) return v;
  if (leastUm !== null)
    return { ...v, well: true, lo: Math.max(v.lo, v.measured + 1, Math.min(v.target, leastUm)) };
  return { ...v, well: true, lo: Math.max(v.lo, v.target - off), hi: Math.min(v.hi, v.target + off) };
}

/** Where a wish cannot be met: what size would, and how far out it stays without. All µm. */
export interface Missing {
  valve: string;
  thinnest: number;
  thickest: number;
  best: number;
  /** Below nothing: too tight by so much; above: too loose. */
  off: number;
  /** No size in reach is made at all. */
  notMade: boolean;
  /** It is inside its limits all the same. */
  well: boolean;
}

export function missingOf(plan: Plan, input: PlanInput, series: Series | null): Missing[] {
  return plan.fits.flatMap((f): Missing[] => {
    const v = input.valves.find((x) => x.id === f.id)!;
    const off = f.predicted < v.lo ? f.predicted - v.lo : f.predicted > v.hi ? f.predicted - v.hi : 0;
    if (off === 0) return [];
    const { thinnest, thickest, best } = wanted(v);
    const notMade = series !== null && !sizesOf(series).some((s) => s >= thinnest && s <= thickest);
    return [{ valve: f.id, thinnest, thickest, best, off, notMade, well: v.well ?? false }];
  });
}

/** The clearance a fit leads to, with the width of the bracket it was found in. */
export function bandOf(fit: Fit, stand: ValveStand): Span {
  const { reading, shim } = basisOf(stand);
  return predictedSpan(spanOf(reading!.measured), thickness(shim!)!, fit.shim);
}

/** A plan worked out for one choice. */
export interface PlanOf {
  choice: Choice;
  rules: PlanRules;
  input: PlanInput;
  plan: Plan;
  unplanned: Unplanned[];
}
/** All plans that are laid side by side; of those that come to the same, the first. One that is picked by hand always stands. */
export function plansOf(
  stands: readonly ValveStand[],
  house: ValveRules,
  drawer: readonly DrawerShim[],
  series: Series | null,
  picked: Picked = NONE_PICKED
): PlanOf[] {
  const plans: PlanOf[] = [];
  const same = new Set<string>();
  for (const choice of CHOICES) {
    const own = choice === 'by hand';
    if ((own && !picked.byHand) || (choice === 'those soon out too' && picked.soon.length === 0)) continue;
    const rules = rulesOf(choice, house);
    const taken = choice === 'those soon out too' ? { ...picked, byHand: null } : own ? picked : NONE_PICKED;
    const { input, unplanned } = planInput(stands, rules, drawer, series, taken);
    if (input.valves.length === 0) continue;
    const plan = planShims(input);
    // Whoever picks by hand may leave one that is out: it stays out.
    if (own)
      plan.outOfSpec += stands.filter((s) => isBad(s, rules) && plan.untouched.includes(s.valve.id)).length;
    const key = JSON.stringify(
      plan.fits.filter((f) => f.from !== 'itself').map((f) => [f.id, f.shim, f.from, f.of])
    );
    if (!own && same.has(key)) continue;
    same.add(key);
    plans.push({ choice, rules, input, plan, unplanned });
  }
  return plans;
}

/** What of a plan is kept with its check. */
export const fitsOf = (plan: Plan): KeptPlan['fits'] =>
  plan.fits.map((f) => ({ valve: f.id, shim: f.shim, from: f.from, of: f.of }));

/** Whether a plan is the one that was settled on: by what goes where, for measured anew the same choice may come to another. */
export const isKept = (plan: Plan, kept: KeptPlan | null): boolean =>
  kept !== null && JSON.stringify(fitsOf(plan)) === JSON.stringify(kept.fits);
