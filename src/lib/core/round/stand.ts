import type { Band } from '../quantity/band';
import type { Answer } from './answer';
import { judgeAnswer, type Judged } from './judge';
import { STATIONS, type Check, type Station } from './check';

/** An answer in the book: whose, and when. */
export interface Given extends Answer {
  id: string;
  by: string;
  at: number;
}

export interface Item {
  check: Check;
  band: Band | null;
  /** The latest answer; null: nobody has looked yet. */
  answer: Given | null;
  judged: Judged | null;
  /** Somebody else had said something else of it in this round. */
  otherwise: Given | null;
}
export interface Stand {
  stations: { station: Station; items: Item[] }[];
  items: Item[];
  /** Not answered yet. */
  open: Item[];
  wrong: Item[];
  passedOver: Item[];
  /** The next one in walking order. */
  next: Item | null;
  minutesLeft: number;
}

const same = (a: Answer, b: Answer) =>
  a.said === b.said &&
  a.choice === b.choice &&
  a.count === b.count &&
  a.found?.base === b.found?.base &&
  a.set?.base === b.set?.base;

/**
 * Where a round stands: each check with the latest answer, judged, in walking order.
 *
 * @param checks what this machine is checked for
 * @param given every answer of the round in the order it was written; of checks that are not among them nothing is said
 * @param bands by check, what the sheet says of it
 */
export function roundStand(
  checks: readonly Check[],
  given: readonly Given[],
  bands: Readonly<Record<string, Band | null>>
): Stand {
  const items = checks.map((check): Item => {
    const all = given.filter((g) => g.check === check.key);
    const answer = all.at(-1) ?? null;
    const band = bands[check.key] ?? null;
    return {
      check,
      band,
      answer,
      judged: answer && judgeAnswer(check, answer, band),
      otherwise: answer ? (all.findLast((g) => g.by !== answer.by && !same(g, answer)) ?? null) : null
    };
  });
  const stations = STATIONS.flatMap((station) => {
    const here = items.filter((i) => i.check.station === station);
    return here.length > 0 ? [{ station, items: here }] : [];
  });
  const walked = stations.flatMap((s) => s.items);
  const open = walked.filter((i) => i.answer === null);
  return {
    stations,
    items: walked,
    open,
    wrong: walked.filter((i) => i.judged?.well === false),
    passedOver: walked.filter((i) => i.answer?.said === 'passed over'),
    next: open[0] ?? null,
    minutesLeft: open.reduce((sum, i) => sum + i.check.minutes, 0)
  };
}

/** The looks of a station nobody has looked at yet: all of them may be as they should be at one press; numbers never. */
export const looksLeft = (items: readonly Item[]): Check[] =>
  items.flatMap((i) => (i.answer === null && i.check.how === 'look' ? [i.check] : []));

/** What the task is called, to begin with, that goes over every fastener. */
export const TORQUE_TASK = 'Torque round';

/** Checks that speak for doing their task more often, with the words. */
export function soonerOf(stand: Pick<Stand, 'items'>): { task: string; reason: string }[] {
  return stand.items.flatMap(({ check, answer, judged }) => {
    if (!answer) return [];
    // What was loose was tried too late.
    if (check.how === 'torque')
      return answer.choice === 'loose' ? [{ task: TORQUE_TASK, reason: judged!.finding!.what }] : [];
    if (!check.task) return [];
    const dry = check.how === 'count' && answer.dry;
    const choice = check.how === 'choose' ? check.choices.find((c) => c.word === answer.choice) : null;
    return dry || choice?.sooner ? [{ task: check.task, reason: `${check.title}: ${judged!.words}` }] : [];
  });
}
