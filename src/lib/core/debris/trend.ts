import { gravity, judge, type Debris, type Grade, type Material, type Verdict } from './debris';
import { JUDGED_BY, lineOf } from '../judged/by';

/** What was found at one place at an earlier change. */
export interface Earlier {
  grade: Grade;
  materials: Material[];
  /** Running hours on the oil that was drained then, hundredths; null: unknown. */
  oilHours: number | null;
  /** Calendar day. */
  day: string;
  photoId: string | null;
}

export interface Reading extends Debris {
  /** Hours on the oil drained now, hundredths; null: unknown. */
  oilHours: number | null;
  /** What the oil itself was like. */
  oil?: OilLook;
}

export const OIL_LOOKS = [
  'as usual',
  'dark for its hours',
  'milky: water',
  'thin, smells of fuel',
  'smells burnt'
] as const;
export type OilLook = (typeof OIL_LOOKS)[number];

const ORDER: Verdict[] = ['carry on', 'look again sooner', 'find the source', 'park it'];
const worse = (a: Verdict, b: Verdict) => (ORDER.indexOf(a) >= ORDER.indexOf(b) ? a : b);

export interface DrainVerdict {
  verdict: Verdict;
  reasons: string[];
}

const SIMILAR = JUDGED_BY.oil.similarHours.is;

/**
 * The verdict on one place, with its reasons: what was found, against the last changes at similar hours, break-in allowed for,
 * and what the oil was like (handbook, section 6).
 *
 * @param before earlier changes at the same place, the latest first
 * @param breakIn in its first hours after new or a rebuild: glitter is expected then and should fade
 */
export function readDrain(now: Reading, before: readonly Earlier[], breakIn: boolean): DrainVerdict {
  const first = judge(
    now,
    before.map((b) => b.grade),
    breakIn
  );
  let verdict = first.verdict;
  const reasons = [first.reason];
  const add = (v: Verdict, reason: string) => {
    verdict = worse(verdict, v);
    reasons.push(reason);
  };

  const last = before[0];
  if (last && now.oilHours !== null && last.oilHours !== null && gravity(now.grade) > 0) {
    const ratio = now.oilHours / Math.max(1, last.oilHours);
    if (gravity(now.grade) > gravity(last.grade) && ratio > SIMILAR)
      reasons.push(
        `The oil was in ${ratio.toFixed(1)} times as long as last time: some of the growth may be the hours. ${lineOf(JUDGED_BY.oil.similarHours)}`
      );
    if (
      gravity(now.grade) === gravity(last.grade) &&
      ratio < 1 / SIMILAR &&
      now.grade !== 'grey paste or fuzz'
    )
      add('look again sooner', 'As much as last time in far fewer hours.');
  }
  const run = [now.grade, ...before.slice(0, 2).map((b) => b.grade)].map(gravity);
  if (!breakIn && run.length === 3 && run[0]! > run[1]! && run[1]! > run[2]!)
    add('find the source', 'It has grown at each of the last three changes.');
  const fresh = now.materials.filter(
    (m) => before.length > 0 && !before.some((b) => b.materials.includes(m))
  );
  if (!breakIn && fresh.length > 0 && gravity(now.grade) >= gravity('fine glitter'))
    add('look again sooner', `New since the last changes: ${fresh.join(', ')}.`);

  switch (now.oil) {
    case 'milky: water':
      add('find the source', 'Milky oil has water in it: head gasket, water pump seal, or a deep crossing.');
      break;
    case 'thin, smells of fuel':
      add('find the source', 'Fuel in the oil: float, injector, or rings. It does not lubricate.');
      break;
    case 'smells burnt':
      add('look again sooner', 'Burnt oil: it ran hot, or the clutch was cooked.');
      break;
    case 'dark for its hours':
      add('look again sooner', 'Dark for its hours.');
      break;
    default:
  }
  return { verdict, reasons };
}

/** The worst of several places; carry on where none was judged. */
export function worstOf(verdicts: readonly Verdict[]): Verdict {
  return verdicts.reduce(worse, 'carry on' as Verdict);
}
