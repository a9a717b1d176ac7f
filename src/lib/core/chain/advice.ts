import { axleTravel, carrierAngle, centreOf, crooked, turnsFor, wholeFlats, type Turns } from './adjust';
import type { Reading } from './check';
import type { Drive } from './drive';
import type { Geometry, Known } from './geometry';
import { setTo } from './shift';
import { JUDGED_BY } from '../judged/by';

/** What one adjuster is turned by. */
export type Move =
  | ({ by: 'turns' } & Turns)
  | { by: 'notches'; way: Turns['way']; notches: number }
  /** To an angle, and to the mark nearest to it where the marks are known. */
  | { by: 'angle'; way: Turns['way']; to: number; turn: number; mark: number | null };

export interface Advice {
  /** What is to be left with the axle tight, and what is set to before, mm in all. */
  aim: number;
  set: number;
  /** By how much tightening moves it on this machine; null: not known yet. */
  shift: number | null;
  /** How far the axle goes, back is more than nothing, mm; null: not known. */
  travel: number | null;
  left: Move | null;
  right: Move | null;
  /** How crooked the wheel stands, degrees, the left further back is more than nothing; null: not known. */
  crooked: number | null;
  /** What is left to adjust afterwards, mm; null: not known. */
  travelLeft: number | null;
  /** Why it cannot be done. */
  blocked: string | null;
}

/** Slack that is off by less is no reason to turn anything. mm */
const NEAR_ENOUGH = JUDGED_BY.chain.nearEnough.is;

/**
 * How far back the axle stands, mm from all forward, by its mark; of a carrier by the fore-aft part of its angle (handbook,
 * section 9). Null: no mark was read, or nobody knows what a mark is.
 */
export function axleBack(mark: number | null, drive: Drive): number | null {
  const { kind, perMark, offset } = drive.adjuster;
  if (kind === 'eccentric carrier') {
    const angle = angleOfMark(mark, drive);
    return angle === null || offset === null ? null : offset * (1 + Math.cos((angle * Math.PI) / 180));
  }
  return mark === null || perMark === null ? null : mark * perMark;
}
/** The mark that tells where the chain's end of the axle stands: of its own side, else the only one that was read. */
export const chainMark = (r: Pick<Reading, 'left' | 'right'> | null, { chainSide }: Drive): number | null =>
  r && (r[chainSide] ?? r.left ?? r.right);

/** The whole way the axle can go, mm. */
export function slotOf(k: Known, { adjuster }: Drive): number | null {
  if (adjuster.kind === 'eccentric carrier') return adjuster.offset === null ? null : 2 * adjuster.offset;
  return adjuster.lastMark !== null && adjuster.perMark !== null
    ? adjuster.lastMark * adjuster.perMark
    : k.slot;
}

/** Angle of a carrier by its mark, degrees; null: not known. */
const angleOfMark = (mark: number | null, { adjuster }: Drive): number | null =>
  mark === null || adjuster.perMark === null || adjuster.zero === null
    ? null
    : adjuster.zero + mark * adjuster.perMark;

/**
 * What to turn, so that the slack is what is wanted with the axle tight. The side of the chain goes by the geometry; the other
 * comes to the same mark, which takes out what is crooked.
 *
 * @param now as last read
 * @param shift by how much tightening moves it, mm; null: not known
 */
export function adviceOf(
  k: Known,
  drive: Drive,
  g: Geometry,
  now: Pick<Reading, 'slack' | 'left' | 'right'>,
  aim: number,
  shift: number | null
): Advice {
  const set = setTo(aim, shift);
  const advice: Advice = {
    aim,
    set,
    shift,
    travel: null,
    left: null,
    right: null,
    crooked: null,
    travelLeft: null,
    blocked: null
  };
  const marks = { left: axleBack(now.left, drive), right: axleBack(now.right, drive) };
  const off = marks.left !== null && marks.right !== null ? marks.left - marks.right : null;
  if (off !== null && k.across !== null) advice.crooked = crooked(marks.left!, marks.right!, k.across);
  if (!g.gears || g.centre === null) return advice;
  if (drive.adjuster.kind === 'eccentric carrier') return carrier(advice, drive, g, now);
  const travel =
    Math.abs(now.slack - set) < NEAR_ENOUGH ? 0 : axleTravel(g.centre, g.gears, drive.at, now.slack, set);
  if (travel === null)
    return { ...advice, blocked: 'So much slack the run cannot have: the sprockets would meet.' };
  const chain = drive.chainSide;
  const other = off === null ? travel : travel + (chain === 'left' ? off : -off);
  const of = (mm: number) => move(mm, k, drive);
  const slot = slotOf(k, drive);
  const stands = marks[chain] ?? null;
  const left = slot === null || stands === null ? null : slot - stands - travel;
  return {
    ...advice,
    travel,
    left: of(chain === 'left' ? travel : other),
    right: of(chain === 'left' ? other : travel),
    travelLeft: left === null ? null : Math.max(0, left),
    blocked:
      left !== null && left < 0
        ? `The axle would stand ${Math.round(-left * 10) / 10} mm past the end of its slot: take two links out, or put a new chain on.`
        : stands !== null && stands + travel < 0
          ? `The axle would stand ${Math.round(-(stands + travel) * 10) / 10} mm ahead of its slot: the chain is two links short, or a sprocket too large.`
          : null
  };
}

function move(mm: number, k: Known, { adjuster }: Drive): Move | null {
  if (adjuster.kind === 'screws')
    return k.threadPitch === null ? null : { by: 'turns', ...wholeFlats(turnsFor(mm, k.threadPitch)) };
  if (adjuster.perMark === null) return null;
  const notches = Math.round(mm / adjuster.perMark);
  return {
    by: 'notches',
    way: notches === 0 ? 'none' : notches > 0 ? 'back' : 'forward',
    notches: Math.abs(notches)
  };
}

function carrier(
  advice: Advice,
  drive: Drive,
  g: Geometry,
  now: Pick<Reading, 'slack' | 'left' | 'right'>
): Advice {
  const { offset, perMark, zero } = drive.adjuster;
  const angle = angleOfMark(now.left ?? now.right, drive);
  if (offset === null || angle === null || !g.gears || g.centre === null) return advice;
  // The carrier's middle, from where the axle stands now.
  const rise = offset * Math.sin((angle * Math.PI) / 180);
  const ahead = offset * Math.cos((angle * Math.PI) / 180);
  const e = { carrier: Math.sqrt(g.centre ** 2 - rise ** 2) - ahead, offset };
  const to = carrierAngle(e, g.gears, angle, { at: drive.at, slack: now.slack }, advice.set);
  if (to === null)
    return {
      ...advice,
      blocked: 'The carrier does not reach that: the chain is worn, or has the wrong number of links.'
    };
  const travel = centreOf(e, to) - g.centre;
  const turn = Math.abs(to - angle);
  const one: Move = {
    by: 'angle',
    way: turn < 0.05 ? 'none' : travel > 0 ? 'back' : 'forward',
    to,
    turn,
    mark: perMark === null || zero === null || perMark === 0 ? null : (to - zero) / perMark
  };
  return { ...advice, travel, left: one, right: one, travelLeft: centreOf(e, 0) - centreOf(e, to) };
}

const flats = (n: number) => `${n} ${n === 1 ? 'flat' : 'flats'}`;
/** One move in words: `out 1 turn and 3 flats`. */
export function moveWords(m: Move, drive: Drive): string {
  if (m.way === 'none') return 'stays';
  if (m.by === 'angle') {
    const mark = m.mark === null ? '' : `, to mark ${Math.round(m.mark * 10) / 10}`;
    return `${Math.round(m.turn)}° ${m.way}${mark}`;
  }
  if (m.by === 'notches') return `${m.notches} ${m.notches === 1 ? 'notch' : 'notches'} ${m.way}`;
  const { back } = drive.adjuster;
  const way = m.way === 'back' ? back : back === 'out' ? 'in' : 'out';
  const turns = m.turns === 0 ? '' : `${m.turns} ${m.turns === 1 ? 'turn' : 'turns'}`;
  return `${way} ${[turns, m.flats > 0 ? flats(m.flats) : ''].filter(Boolean).join(' and ')}`;
}

/** What to do, in one line. */
export function adviceWords(a: Advice, drive: Drive): string {
  if (a.blocked) return a.blocked;
  if (!a.left || !a.right) return 'A flat at a time on both sides, and read again.';
  const [left, right] = [moveWords(a.left, drive), moveWords(a.right, drive)];
  if (drive.adjuster.kind === 'eccentric carrier')
    return left === 'stays' ? 'The carrier stays where it is.' : `Carrier ${left}, then read again.`;
  if (left === right)
    return left === 'stays' ? 'Both adjusters stay.' : `Both adjusters ${left}, then read again.`;
  return `Left ${left}, right ${right}, then read again.`;
}
