import type { Severity } from '../finding/finding';
import type { Kind } from '../machine/machine';
import type { UnitName } from '../quantity/units';
import type { FigureKey } from '../specs/kinds';
import type { Fastener } from '../specs/sheet';

/** Where one stands while checking: once round the machine, then in the saddle, then under seat and tank (handbook, section 10). */
export const STATIONS = [
  'At the front',
  'Left side',
  'At the rear',
  'Right side',
  'In the saddle',
  'Under seat and tank'
] as const;
export type Station = (typeof STATIONS)[number];

/** The lists there are: before it goes out, after it was washed, and number by number over every fastener that matters. */
export const LISTS = ['ready', 'washed', 'torque'] as const;
export type List = (typeof LISTS)[number];
export const LIST_WORDS: Readonly<Record<List, string>> = {
  ready: 'Ready round',
  washed: 'After washing',
  torque: 'Torque round'
};

/** One of the things a check may turn out to be. */
export interface Choice {
  word: string;
  /** How grave that is as a finding; null: as it should be. */
  wrong: Severity | null;
  /** It speaks for doing the check's task more often. */
  sooner?: boolean;
  /** A clean air filter of those that go round went in, and one came out to be washed. */
  spare?: boolean;
}

/** What a number is read against: a figure of the machine's own sheet, or what a team wants of every machine. */
export interface Gauge {
  /** Null: none of the sheet's; `from` and `to` say what is wanted. */
  figure: FigureKey | null;
  /** In `unit`; null: open to that side. Only without a figure. */
  from: number | null;
  to: number | null;
  /** What a naked number means where the sheet prints none. */
  unit: UnitName;
  /** A step of the gauge, in its unit: the readings offered to tap lie so far apart. */
  step: number;
  /** The sheet's figure is the least there may be: more is well, below it nobody rides. */
  least: boolean;
}

interface Any {
  /** Its slug: kept in the book, so it never changes. */
  key: string;
  title: string;
  station: Station;
  /** How it is done, in a line. */
  line: string;
  /** What may hurt somebody; empty: nothing. */
  caution?: string;
  minutes: number;
  /** Kinds of machine that have it. */
  kinds: readonly Kind[];
  lists: readonly List[];
  /** Where it is not asked for all the same: this kind, in this round. */
  except?: readonly { kind: Kind; list: List }[];
  /** What the finding is called where it is wrong. */
  wrong: string;
  severity: Severity;
  /** The task it speaks of, by how its name begins. */
  task?: string;
  /** A figure of the sheet, in words, that is wanted while looking: which brake fluid. */
  shows?: FigureKey;
}
/** Looked at: as it should be, or not. Its number may be read along, and need not be. */
export interface Look extends Any {
  how: 'look';
  reads?: Gauge;
  /** What is usually wrong with it, in a few words each, so that nobody types it. */
  wrongs?: readonly string[];
}
export interface Choose extends Any {
  how: 'choose';
  choices: readonly Choice[];
  reads?: Gauge;
}
/** Read off a gauge: a pass needs its number. */
export interface Measure extends Any, Gauge {
  how: 'measure';
  /** Found, and then set to what is wanted. */
  sets: boolean;
}
/** Counted: pumps of the grease gun until fresh grease shows. */
export interface Count extends Any {
  how: 'count';
  /** Nobody counts more than that: it is another fault. */
  most: number;
}
/** How a fastener is found when it is checked without opening it. */
export const HELD = ['held', 'moved', 'loose', 'over-tight'] as const;
export type Held = (typeof HELD)[number];
/** Checked with the wrench set to its number, not opened. */
export interface TorqueHeld extends Any {
  how: 'torque';
  fastener: Pick<Fastener, 'id' | 'quantity' | 'head' | 'oiled' | 'adapter' | 'note'>;
  /** What the sheet says where it is no number: “tighten securely”; null: a number, or nothing. */
  words: string | null;
  /** How often it was found loose before this round. */
  looseBefore: number;
}
/** A check of a list that a team walks; those of a torque round come from the sheet. */
export type ListCheck = Look | Choose | Measure | Count;
export type Check = ListCheck | TorqueHeld;

/** What a check's number is read by; null: it has none. */
export function gaugeOf(check: Check): Gauge | null {
  if (check.how === 'measure') return check;
  return check.how === 'look' || check.how === 'choose' ? (check.reads ?? null) : null;
}
