import { JUDGED_BY, lineOf } from '../judged/by';

const BY = JUDGED_BY.oil;

/** The pour ledger of one circuit in one visit, millilitres. */
export const POURS = ['poured in', 'into the filter', 'topped up', 'let out again'] as const;
export type PourWhat = (typeof POURS)[number];
export interface Pour {
  what: PourWhat;
  ml: number;
  /** What was left in the jug, where somebody measured it: it is not in the engine. */
  residueMl?: number;
}

export interface Ledger {
  inMl: number;
  /** Each line with the total after it. */
  lines: (Pour & { totalMl: number })[];
  /** Left to pour against the quantity; negative where too much is in; null where the quantity is unknown. */
  leftMl: number | null;
}

/**
 * Adds up what went in. What stayed in the jug, and what was let out again, is not inside.
 * @param quantityMl what the sheet says goes in; null: unknown
 */
export function ledger(pours: readonly Pour[], quantityMl: number | null): Ledger {
  let totalMl = 0;
  const lines = pours.map((p) => {
    totalMl += p.what === 'let out again' ? -p.ml : p.ml - (p.residueMl ?? 0);
    return { ...p, totalMl };
  });
  return { inMl: totalMl, lines, leftMl: quantityMl === null ? null : quantityMl - totalMl };
}

/** What cannot be about a pour: more left in the jug than was in it, more let out than went in. */
export type OddPour = 'more left than was in it' | 'more let out than went in';
export function oddPour(p: Pour, insideMl: number): OddPour | null {
  if ((p.residueMl ?? 0) > p.ml) return 'more left than was in it';
  if (p.what === 'let out again' && p.ml > insideMl + 1) return 'more let out than went in';
  return null;
}

/** Drained against what all circuits hold: what came out may be another circuit's oil. */
export interface CircuitFill {
  name: string;
  quantityMl: number;
}
/**
 * Whether what came out fits another circuit better than the one that was opened; null where it does not. A tenth either way is what
 * jugs and filters account for.
 * @param others all other circuits of the machine whose quantity is known
 */
export function wrongCircuit(
  drainedMl: number,
  mine: CircuitFill,
  others: readonly CircuitFill[]
): string | null {
  const more = drainedMl > mine.quantityMl * BY.muchOut.is;
  if (!more && drainedMl >= mine.quantityMl * BY.comesOut.is) return null;
  const off = (o: CircuitFill) => Math.abs(drainedMl - o.quantityMl);
  const other = others
    .filter((o) => off(o) <= o.quantityMl * BY.oddFill.is && off(o) < off(mine))
    .sort((a, b) => off(a) - off(b))[0];
  const said = `${Math.round(drainedMl)} ml is ${more ? 'more' : 'less'} than the ${mine.name} holds`;
  if (other) return `${said}, and about what the ${other.name} does. Was the right plug opened?`;
  return more
    ? `${said} (${Math.round(mine.quantityMl)} ml): the wrong circuit, or fuel or water in it.`
    : null;
}

/** Oil used between two changes. */
export interface Consumption {
  ml: number;
  /** Null where the hours between are unknown or none. */
  mlPerHour: number | null;
  /** Of what had gone in, what the filter took: it does not come out of a drain. 0: none, or nobody knows. */
  inFilterMl?: number;
}
/**
 * Consumption between changes = what went in, less what the filter took of it, less what came out, per running hour (handbook,
 * section 5).
 * @param hours running hours between, hundredths; null: unknown
 * @param inFilterMl what a dry filter took at the change before
 */
export function consumption(
  pouredMl: number,
  drainedMl: number,
  hours: number | null,
  inFilterMl = 0
): Consumption {
  const ml = pouredMl - inFilterMl - drainedMl;
  return {
    ml,
    mlPerHour: hours === null || hours <= 0 ? null : ml / (hours / 100),
    ...(inFilterMl > 0 && { inFilterMl })
  };
}

/** A rise to more than twice what is usual for this engine, and more than a jug's error; null otherwise. */
export function suddenRise(now: Consumption, before: readonly Consumption[]): string | null {
  const rates = before.flatMap((c) => (c.mlPerHour === null ? [] : [c.mlPerHour])).sort((a, b) => a - b);
  if (now.mlPerHour === null || rates.length < 2) return null;
  const usual = rates[Math.floor(rates.length / 2)]!;
  return now.ml > BY.risesFrom.is && now.mlPerHour > Math.max(BY.risesTimes.is * usual, usual + BY.risesBy.is)
    ? `It used ${now.mlPerHour.toFixed(1)} ml an hour; usually ${Math.max(0, usual).toFixed(1)}. Look for smoke, a leak, or oil in the other circuit. ${lineOf(BY.risesTimes)}`
    : null;
}

export interface BottlePlan {
  /** Full bottles to open. */
  open: number;
  /** What is left in opened bottles afterwards, ml. */
  leftMl: number;
  /** Short by so much, ml; 0 when there is enough. */
  shortMl: number;
}
/** A stock as bottles: so many full, and what is left in an opened one, ml. Less than nothing is none. */
export function inBottles(stockMl: number, bottleMl: number): { full: number; openedMl: number } {
  const stock = Math.max(0, stockMl);
  return { full: Math.floor(stock / bottleMl), openedMl: stock % bottleMl };
}

/**
 * Bottles to open for a quantity, the opened one used up first.
 * @param stockMl all there is of it; @param bottleMl size of a bottle
 * @throws RangeError for a bottle of nothing
 */
export function bottles(neededMl: number, stockMl: number, bottleMl: number): BottlePlan {
  if (!(bottleMl > 0)) throw new RangeError(`no such bottle: ${bottleMl} ml`);
  const stock = Math.max(0, stockMl);
  const { full, openedMl: opened } = inBottles(stock, bottleMl);
  const fromFull = Math.max(0, neededMl - opened);
  const open = Math.min(full, Math.ceil(fromFull / bottleMl));
  const shortMl = Math.max(0, neededMl - stock);
  return { open, leftMl: shortMl > 0 ? 0 : opened + open * bottleMl - neededMl, shortMl };
}
