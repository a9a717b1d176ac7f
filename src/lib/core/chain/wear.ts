import { reach, type Reach } from '../statistics/reach';
import { theilSen } from '../statistics/robust';

/** A chain's length as it was measured at hours of its own. */
export interface LengthAt {
  id: string;
  day: string;
  /** Running hours and outings of the chain; null: not known. */
  hours: number | null;
  outings: number;
  /** Of its hours so far, those in mud, and those in sand. */
  mud: number;
  sand: number;
  /** Percent longer than new. */
  grown: number;
}

/** What wears a chain apart from clean ground. */
export const GROUNDS = ['clean', 'mud', 'sand'] as const;
/** What was most of besides clean ground between two measurings, and for how long; null: clean ground, or no earlier one. h */
export function groundBetween(
  before: LengthAt | null,
  now: LengthAt
): { ground: 'mud' | 'sand'; hours: number } | null {
  if (!before) return null;
  const [mud, sand] = [now.mud - before.mud, now.sand - before.sand];
  if (Math.max(mud, sand) < LEAST_HOURS) return null;
  return mud >= sand ? { ground: 'mud', hours: mud } : { ground: 'sand', hours: sand };
}

/** How fast it grows on each ground it was on, percent an hour. */
export type ByGround = Partial<Record<(typeof GROUNDS)[number], number>>;

export interface ChainWear {
  latest: LengthAt | null;
  /** Percent an hour; null: not known yet. */
  rate: number | null;
  /** Hours from the latest measuring until it is worn out. */
  reaches: Reach | null;
  byGround: ByGround | null;
  worn: boolean;
}

/** What a rule may have missed: half a millimetre, over the twenty pitches (318 mm) a chain is usually measured over. Percent */
const RULE = 0.16;
/** Over less riding than this no growth is told from a slip of the rule. Hours */
const LEAST_HOURS = 0.5;

/**
 * How a chain wears.
 * @param lengths of one chain, in the order of its hours
 * @param limit percent
 */
export function wearOfChain(lengths: readonly LengthAt[], limit: number): ChainWear {
  const latest = lengths.at(-1) ?? null;
  const points = lengths.flatMap((l) => (l.hours === null ? [] : [{ x: l.hours, y: l.grown }]));
  return {
    latest,
    rate: theilSen(points),
    reaches:
      latest && latest.hours !== null
        ? reach(points, { from: latest.grown - RULE / 2, to: latest.grown + RULE / 2 }, limit)
        : null,
    byGround: byGround(lengths),
    worn: latest !== null && latest.grown >= limit
  };
}

/**
 * Mud and sand told apart from clean ground: the rates whose growth fits best what was measured from one time to the next (least
 * squares, none below nothing). An outing in both counts as mud.
 * @returns null where all of it was on one ground, or too little was measured to tell them apart
 */
export function byGround(lengths: readonly LengthAt[]): ByGround | null {
  const spans = lengths.slice(1).flatMap((l, i) => {
    const before = lengths[i]!;
    if (l.hours === null || before.hours === null) return [];
    const hours = l.hours - before.hours;
    const mud = Math.min(hours, Math.max(0, l.mud - before.mud));
    const sand = Math.min(hours - mud, Math.max(0, l.sand - before.sand));
    return hours < LEAST_HOURS
      ? []
      : [{ on: [hours - mud - sand, mud, sand], grown: l.grown - before.grown }];
  });
  const present = [0, 1, 2].filter((g) => spans.some((s) => s.on[g]! >= LEAST_HOURS));
  if (present.length < 2 || spans.length < present.length) return null;
  if (!solve(spans, present)) return null;
  // Of few grounds every choice that may be nothing is tried: the best of those without a rate below nothing.
  let best: { rates: number[]; off: number } | null = null;
  for (let some = 0; some < 1 << present.length; some++) {
    const kept = present.filter((_, i) => some & (1 << i));
    const solved = kept.length === 0 ? [] : solve(spans, kept);
    if (!solved || solved.some((r) => r < 0)) continue;
    const rates = present.map((g) => solved[kept.indexOf(g)] ?? 0);
    const off = spans.reduce(
      (t, s) => t + (s.grown - present.reduce((u, g, i) => u + s.on[g]! * rates[i]!, 0)) ** 2,
      0
    );
    if (!best || off < best.off - 1e-12) best = { rates, off };
  }
  return Object.fromEntries(present.map((g, i) => [GROUNDS[g]!, best!.rates[i]!]));
}

/** Rates of some grounds by least squares; null where they always came in the same share. */
function solve(
  spans: readonly { on: number[]; grown: number }[],
  grounds: readonly number[]
): number[] | null {
  const sum = (of: (s: (typeof spans)[number]) => number) => spans.reduce((t, s) => t + of(s), 0);
  const rows = grounds.map((g) => [
    ...grounds.map((h) => sum((s) => s.on[g]! * s.on[h]!)),
    sum((s) => s.on[g]! * s.grown)
  ]);
  const scale = rows.map((r, i) => r[i]!);
  for (let i = 0; i < rows.length; i++) {
    const pivot = rows[i]![i]!;
    if (pivot <= 1e-3 * scale[i]!) return null;
    for (let j = 0; j < rows.length; j++)
      if (j !== i) {
        const by = rows[j]![i]! / pivot;
        rows[j] = rows[j]!.map((v, k) => v - by * rows[i]![k]!);
      }
  }
  return rows.map((r, i) => r.at(-1)! / r[i]!);
}

/** Where the axle stood at hours and outings of the chain, mm back from all forward. */
export interface AxleAt {
  hours: number;
  outings: number;
  mm: number;
}
/** Hours from the latest reading until the adjusters are at their end; null: not known, or it does not move. */
export function adjusterReach(past: readonly AxleAt[], slot: number): Reach | null {
  const latest = past.at(-1);
  if (!latest) return null;
  return reach(
    past.map((p) => ({ x: p.hours, y: p.mm })),
    { from: latest.mm, to: latest.mm },
    slot
  );
}

/** The nearer of two ends. */
export function firstReach(...reaches: (Reach | null)[]): Reach | null {
  const known = reaches.filter((r): r is Reach => r !== null);
  return known.length === 0 ? null : known.reduce((a, b) => (b.likely < a.likely ? b : a));
}

/** How the teeth of a sprocket look, on a scale of our own drawing. */
export const TEETH = ['as new', 'rounded', 'thin', 'hooked', 'broken'] as const;
export type Teeth = (typeof TEETH)[number];
export const isWornOut = (t: Teeth | null): boolean => t === 'hooked' || t === 'broken';

/** What was seen of a chain and what it runs on. */
export interface ChainLook {
  front: Teeth | null;
  rear: Teeth | null;
  /** How the joining link is closed. */
  joint: Joint | null;
  /** Stiff links; null: not looked for. */
  stiff: number | null;
  guides: Guides | null;
}
export const JOINTS = [
  'clip, closed end leading',
  'clip, wrong way round',
  'clip missing or bent',
  'riveted'
] as const;
export type Joint = (typeof JOINTS)[number];
export const GUIDES = ['good', 'grooved', 'worn through'] as const;
export type Guides = (typeof GUIDES)[number];

/** What is wrong by the look of it, each a finding, with how grave it is. */
export function lookProblems(l: ChainLook): { what: string; severity: 'fix now' | 'watch' }[] {
  const said: { what: string; severity: 'fix now' | 'watch' }[] = [];
  for (const side of ['front', 'rear'] as const) {
    const teeth = l[side];
    if (isWornOut(teeth)) said.push({ what: `Teeth of the ${side} sprocket ${teeth}`, severity: 'fix now' });
    if (teeth === 'thin') said.push({ what: `Teeth of the ${side} sprocket thin`, severity: 'watch' });
  }
  if (l.joint === 'clip, wrong way round')
    said.push({
      what: 'Clip of the joining link sits the wrong way round: its closed end leads',
      severity: 'fix now'
    });
  if (l.joint === 'clip missing or bent')
    said.push({ what: 'Clip of the joining link missing or bent', severity: 'fix now' });
  if (l.stiff !== null && l.stiff > 0)
    said.push({
      what: `Stiff links in the chain: ${l.stiff}`,
      severity: l.stiff > 2 ? 'fix now' : 'watch'
    });
  if (l.guides === 'worn through')
    said.push({ what: 'Chain guide or slider worn through', severity: 'fix now' });
  if (l.guides === 'grooved') said.push({ what: 'Chain guide or slider grooved', severity: 'watch' });
  return said;
}

/** What a chain past its end is called among the findings. */
export const WORN_OUT = 'Chain worn out';
/** Findings of the look and of the length that a new part puts right, by how they begin. */
export const mendedBy = (part: 'chain' | 'front' | 'rear'): readonly string[] =>
  part === 'chain'
    ? [WORN_OUT, 'Clip of the joining link', 'Stiff links in the chain']
    : [`Teeth of the ${part} sprocket`];

/** How it looks once something new is on: that is as new, and the rest as it was seen. */
export function lookAfter(
  look: ChainLook,
  on: { chain: unknown; front: unknown; rear: unknown }
): ChainLook & { note: string } {
  return {
    front: on.front ? 'as new' : look.front,
    rear: on.rear ? 'as new' : look.rear,
    joint: on.chain ? null : look.joint,
    stiff: on.chain ? null : look.stiff,
    guides: look.guides,
    note: ''
  };
}

/** What of the set is replaced, and why. */
export interface Replace {
  chain: boolean;
  front: boolean;
  rear: boolean;
  why: string;
}
/** @param set house rule: a worn chain goes with both its sprockets */
export function replaceOf(wear: ChainWear, look: ChainLook | null, set: boolean): Replace | null {
  const worn = (['front', 'rear'] as const).filter((s) => isWornOut(look?.[s] ?? null));
  if (!wear.worn && worn.length === 0) return null;
  if (set)
    return {
      chain: true,
      front: true,
      rear: true,
      why: wear.worn
        ? 'Worn out. A new chain on old teeth wears to their pitch within hours, so all three together.'
        : `Teeth of the ${worn.join(' and ')} sprocket are done, and the chain has the same hours: all three together.`
    };
  return {
    chain: wear.worn,
    front: worn.includes('front'),
    rear: worn.includes('rear'),
    why: wear.worn
      ? worn.length > 0
        ? `The chain is worn out, and so are the teeth at the ${worn.join(' and ')}.`
        : 'The chain is worn out; both sprockets stay by their look, as the house has it.'
      : `Only the teeth at the ${worn.join(' and ')}: the chain is within its limit.`
  };
}
