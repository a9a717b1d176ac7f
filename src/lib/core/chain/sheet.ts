import type { HouseRules } from '../rules/rules';
import { figureOf, type Figure } from '../specs/sheet';
import { adviceOf, axleBack, chainMark, slotOf, type Advice } from './advice';
import { slackStand, type Reading, type SlackStand } from './check';
import type { Drive } from './drive';
import {
  geometryOf,
  impossibleOf,
  knownOf,
  missingOf,
  type Geometry,
  type Known,
  type Missing
} from './geometry';
import { loopLength, slackIn } from './run';
import { tighteningShift } from './shift';
import { toldOf, wantedOf, type Wanted } from './slack-typed';
import type { KeptDressing, KeptLength, KeptLook } from './stored';
import { slackToLeave, tightPoint, type TightPoint } from './travel';
import {
  adjusterReach,
  firstReach,
  replaceOf,
  wearOfChain,
  type AxleAt,
  type ChainWear,
  type LengthAt,
  type Replace
} from './wear';
import type { Reach } from '../statistics/reach';
import { JUDGED_BY } from '../judged/by';

/** House rules that a chain goes by. */
export interface ChainRules {
  /** Percent at which it is worn out, where its book does not say. */
  limit: number;
  set: boolean;
  least: number;
  tolerance: number;
  finger: number;
  dressing: KeptDressing['dressing'];
}
export const chainRules = (r: HouseRules): ChainRules => ({
  limit: r.chainLimit / 10,
  set: r.chainSet === 'with both sprockets',
  least: r.chainLeast,
  tolerance: r.slackTolerance,
  finger: r.fingerWidth,
  dressing: r.chainDressing
});

/** A check that is over. */
export interface PastSlack {
  id: string;
  day: string;
  /** Running hours and outings of the chain that is on now; null where another was on, or nobody knows. */
  hours: number | null;
  outings: number;
  readings: Reading[];
  drive: Drive;
  by: string;
}
export interface OpenSlack {
  id: string;
  begunAt: Date;
  by: string;
  readings: Reading[];
}
/** Cleaned, and dressed with what. */
export interface DressedAt extends KeptDressing {
  id: string;
  day: string;
  by: string;
  hours: number | null;
}
/** What the chain ran through since a moment: outings, hours, and how many of these on which ground. */
export interface RanThrough {
  hours: number | null;
  outings: number;
  grounds: { ground: string; hours: number }[];
}

/** Everything a chain is judged by. */
export interface ChainSheet {
  machineId: string;
  /** What is on it, where it was named. */
  chain: Part | null;
  front: Part | null;
  rear: Part | null;
  drive: Drive;
  /** Somebody has said how this machine is measured. */
  known: boolean;
  /** In force, of the chain's section of the spec sheet. */
  figures: Figure[];
  rules: ChainRules;
  check: OpenSlack | null;
  /** The latest first. */
  past: PastSlack[];
  /** Of the chain that is on, in the order of their hours. */
  lengths: (LengthAt & KeptLength & { by: string })[];
  /** The latest first. */
  looks: (KeptLook & { id: string; day: string; by: string })[];
  dressings: DressedAt[];
  /** Since it was last dressed; null: it never was. */
  since: RanThrough | null;
  /** Running hours and outings of the chain; null: not known. */
  hours: number | null;
  outings: number;
}
export interface Part {
  id: string;
  name: string;
}

/** The limit of a chain's growth, percent: as its book has it, else as the house does. */
export interface Limit {
  pct: number;
  by: 'book' | 'house';
  /** Why the book's is not gone by, though it has one. */
  odd: string | null;
}
/** No book lets a chain grow by more, and a rule reads no less. Percent */
const LIMITS = { least: 0.2, most: 6 };
export function limitOf(sheet: Pick<ChainSheet, 'figures' | 'rules'>): Limit {
  const of = (key: 'chain wear length' | 'chain wear pitches' | 'chain pitch') => {
    const band = figureOf({ figures: sheet.figures, fasteners: [] }, key)?.band;
    return band ? (band.to ?? band.from)!.base : null;
  };
  const [length, pitches, pitch] = [of('chain wear length'), of('chain wear pitches'), of('chain pitch')];
  if (length !== null && pitches !== null && pitch !== null) {
    const pct = (length / (pitches * pitch) - 1) * 100;
    if (pct >= LIMITS.least && pct <= LIMITS.most) return { pct, by: 'book', odd: null };
    return {
      pct: sheet.rules.limit,
      by: 'house',
      odd: `The sheet’s limit, ${length} mm over ${pitches} pitches of ${pitch} mm, would be ${pct.toFixed(1)} % of growth: one of the three is of another chain. Until it is put right the house rule holds.`
    };
  }
  return { pct: sheet.rules.limit, by: 'house', odd: null };
}

/** What a chain says now, all of it worked out in one place for page and bench. */
export interface ChainNow {
  figures: Known;
  wanted: Wanted | null;
  stand: SlackStand;
  /** How the drive stands with what was last read; with what is wanted where nothing was read yet. */
  geometry: Geometry;
  slack: number | null;
  tight: TightPoint | null;
  /** To leave what the house wants at the tightest, mm where it is measured; null: the travel is not known. */
  toLeave: number | null;
  shift: number | null;
  advice: Advice | null;
  missing: Missing[];
  impossible: string[];
}

/** What is wanted of a machine's slack, as totals; null: not on its sheet, or in words that say no figure. */
export function wantedNow(sheet: Pick<ChainSheet, 'figures' | 'drive' | 'rules'>): Wanted | null {
  const figure = figureOf({ figures: sheet.figures, fasteners: [] }, 'chain slack');
  const told = figure && toldOf(figure, sheet.drive.at, sheet.rules.finger);
  return told && wantedOf(told, sheet.rules.tolerance);
}

/** By how much tightening moves it on this machine, mm; null: not known yet. */
export const shiftOf = (past: readonly PastSlack[]): number | null =>
  tighteningShift(
    past.flatMap((p) => {
      const { adjusted, tight } = slackStand(p.readings, null);
      return adjusted && tight ? [{ adjusted: adjusted.slack, tight: tight.slack }] : [];
    })
  );

/** Slack that was read at one place of the run, as it would read at another; as it is where nobody can say. mm */
function elsewhere(known: Known, was: Drive, slack: number, at: number): number {
  if (was.at === at) return slack;
  const { gears, centre } = geometryOf(known, was, slack);
  if (!gears || centre === null) return slack;
  return slackIn(loopLength(centre, gears, { at: was.at, slack }), centre, gears, at);
}

/** @param readings of the open check, with what is typed and not written yet */
export function chainNow(
  sheet: ChainSheet,
  readings: readonly Reading[] = sheet.check?.readings ?? []
): ChainNow {
  const { drive } = sheet;
  const grown = Math.max(0, sheet.lengths.at(-1)?.grown ?? 0);
  const known = knownOf({ figures: sheet.figures, fasteners: [] }, drive, grown);
  const wanted = wantedNow(sheet);
  const stand = slackStand(readings, wanted);
  const last = sheet.past.find((p) => p.readings.length > 0);
  const before = last && slackStand(last.readings, null).now;
  const slack =
    stand.now?.slack ??
    (before ? elsewhere(known, last.drive, before.slack, drive.at) : (wanted?.aim ?? null));
  const geometry = geometryOf(known, drive, slack ?? 0);
  const shift = shiftOf(sheet.past);
  const { gears, arm, angle } = geometry;
  const impossible = impossibleOf(known);
  const travel = gears && arm && angle !== null && impossible.length === 0 ? { gears, arm, angle } : null;
  return {
    figures: known,
    wanted,
    stand,
    geometry,
    slack,
    tight:
      travel && slack !== null
        ? tightPoint(travel.arm, travel.gears, { at: drive.at, slack, angle: travel.angle })
        : null,
    toLeave: travel
      ? slackToLeave(travel.arm, travel.gears, { at: drive.at, angle: travel.angle }, sheet.rules.least)
      : null,
    shift,
    advice:
      stand.now && wanted && wanted.aim !== null && impossible.length === 0
        ? adviceOf(known, drive, geometry, stand.now, wanted.aim, shift)
        : null,
    missing: missingOf(known, drive),
    impossible
  };
}

/** `chain at 1.45 of 1.50 %`; null: it is not that far, or was not measured. */
export function nearlyWorn(sheet: ChainSheet): string | null {
  const { latest } = setWear(sheet).chain;
  const { pct } = limitOf(sheet);
  return latest && latest.grown >= JUDGED_BY.chain.nearlyWorn.is * pct
    ? `chain at ${latest.grown.toFixed(2)} of ${pct.toFixed(2)} %`
    : null;
}

/** How the set wears: the chain by its length, the adjusters by their marks, the teeth by their look. */
export interface SetWear {
  chain: ChainWear;
  limit: Limit;
  axle: { past: AxleAt[]; slot: number | null; reaches: Reach | null };
  /** The nearer end of the two, hours from when it was last measured. */
  ends: Reach | null;
  /** The same, hours from now. */
  ahead: Reach | null;
  replace: Replace | null;
}
export function setWear(sheet: ChainSheet): SetWear {
  const limit = limitOf(sheet);
  const chain = wearOfChain(sheet.lengths, limit.pct);
  const slot = slotOf(knownOf({ figures: sheet.figures, fasteners: [] }, sheet.drive), sheet.drive);
  const open = sheet.check
    ? [{ readings: sheet.check.readings, drive: sheet.drive, hours: sheet.hours, outings: sheet.outings }]
    : [];
  const past = [...open, ...sheet.past]
    .flatMap((p): AxleAt[] => {
      const mm = axleBack(chainMark(slackStand(p.readings, null).now, p.drive), p.drive);
      return p.hours !== null && mm !== null ? [{ hours: p.hours, outings: p.outings, mm }] : [];
    })
    .sort((a, b) => a.hours - b.hours);
  const axle = { past, slot, reaches: slot === null ? null : adjusterReach(past, slot) };
  const fromNow = (r: Reach | null, at: number | null): Reach | null => {
    if (!r || at === null || sheet.hours === null) return null;
    const gone = sheet.hours - at;
    const left = (h: number) => Math.max(0, h - gone);
    return { early: left(r.early), likely: left(r.likely), late: r.late === null ? null : left(r.late) };
  };
  return {
    chain,
    limit,
    axle,
    ends: firstReach(chain.reaches, axle.reaches),
    ahead: firstReach(
      fromNow(chain.reaches, chain.latest?.hours ?? null),
      fromNow(axle.reaches, past.at(-1)?.hours ?? null)
    ),
    replace: replaceOf(chain, sheet.looks[0] ?? null, sheet.rules.set)
  };
}

/**
 * From axis to axis with the axle all forward and all back, mm: by the latest marks that were read, and the slack that was read
 * with them. Null: no mark was read, or the slot is not known.
 */
export function slotNow(sheet: ChainSheet, known: Known): { from: number; to: number } | null {
  const { drive } = sheet;
  const length = slotOf(known, drive);
  const back = (r: Reading) => axleBack(chainMark(r, drive), drive);
  const read = [sheet.check?.readings ?? [], ...sheet.past.map((p) => p.readings)]
    .flatMap((list) => list.findLast((r) => back(r) !== null) ?? [])
    .at(0);
  const centre = read ? geometryOf(known, drive, read.slack).centre : null;
  if (length === null || centre === null) return null;
  const from = centre - back(read!)!;
  return { from, to: from + length };
}

/** At once is no stake: whoever has just looked has until the next ride. Hundredths of an hour */
const LEAST_AHEAD = 100;
/** How soon its wear wants the chain again, hundredths of an hour; null: not known. */
export function nextWithin(wear: SetWear): number | null {
  return wear.ahead ? Math.max(LEAST_AHEAD, Math.floor(wear.ahead.likely * 100)) : null;
}

/** What of the jobs is about the chain. */
export const isChainTask = (t: { name: string; job: string | null }): boolean =>
  t.job === 'chain' || /(?<!\bcam )\bchain\b/i.test(t.name);
