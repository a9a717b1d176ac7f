import { KINDS, type Kind } from '../machine/machine';
import { STATIONS, type Gauge, type List, type ListCheck, type Station } from './check';
import { asked, type RoundCheck } from './lists';

/** Changes of a list of checks, as its editor makes them. */

export const HOWS = ['look', 'choose', 'measure', 'count'] as const;
export type How = (typeof HOWS)[number];
export const HOW_WORDS: Readonly<Record<How, string>> = {
  look: 'a look: as it should be, or not',
  choose: 'one of a few answers',
  measure: 'a number that has to be read',
  count: 'pumps, counted'
};

const NO_GAUGE: Gauge = { figure: null, from: null, to: null, unit: 'mm', step: 1, least: false };

/** A check of a team's own, before it has a name. Its key is one that no other has. */
export function blankCheck(
  checks: readonly Pick<RoundCheck, 'key'>[],
  at: { station: Station; kind: Kind; list: Exclude<List, 'torque'> }
): RoundCheck {
  let n = 1;
  while (checks.some((c) => c.key === `own-${n}`)) n++;
  return {
    key: `own-${n}`,
    title: '',
    station: at.station,
    how: 'look',
    line: '',
    minutes: 0.5,
    kinds: [at.kind],
    lists: [at.list],
    wrong: '',
    severity: 'fix now',
    off: false
  };
}

/** The same check done in another way: what only the old way had is dropped. */
export function done(check: RoundCheck, how: How): RoundCheck {
  if (check.how === how) return check;
  const {
    key,
    title,
    station,
    line,
    caution,
    minutes,
    kinds,
    lists,
    except,
    wrong,
    severity,
    task,
    shows,
    off
  } = check;
  const any = {
    key,
    title,
    station,
    line,
    caution,
    minutes,
    kinds,
    lists,
    ...(except && { except }),
    wrong,
    severity,
    task,
    shows,
    off
  };
  const reads = check.how === 'look' || check.how === 'choose' ? check.reads : undefined;
  switch (how) {
    case 'look':
      return { ...any, how, ...(reads && { reads }) };
    case 'choose':
      return {
        ...any,
        how,
        ...(reads && { reads }),
        choices: [
          { word: 'as it should be', wrong: null },
          { word: 'wrong', wrong: severity }
        ]
      };
    case 'measure':
      return { ...any, how, ...(reads ?? NO_GAUGE), sets: true };
    case 'count':
      return { ...any, how, most: 60 };
  }
}

/** Whether a number is read along with a look or a choice. */
export function readAlong(check: RoundCheck, on: boolean): RoundCheck {
  if (check.how !== 'look' && check.how !== 'choose') return check;
  const { reads: _, ...rest } = check;
  return on ? { ...check, reads: check.reads ?? NO_GAUGE } : (rest as RoundCheck);
}

type Walked = Exclude<List, 'torque'>;
const WALKED: readonly Walked[] = ['ready', 'washed'];
interface At {
  kind: Kind;
  list: Walked;
}

/** The same check asked for at just these. Of none it is off, and keeps where it was last. */
function askedOnly(check: RoundCheck, at: readonly At[]): RoundCheck {
  const { except: _, ...rest } = check;
  if (at.length === 0) return { ...check, off: true };
  const has = (kind: Kind, list: Walked) => at.some((x) => x.kind === kind && x.list === list);
  const kinds = KINDS.filter((k) => at.some((x) => x.kind === k));
  const lists = WALKED.filter((l) => at.some((x) => x.list === l));
  const except = kinds.flatMap((kind) => lists.flatMap((list) => (has(kind, list) ? [] : [{ kind, list }])));
  return { ...rest, kinds, lists, off: false, ...(except.length > 0 && { except }) } as RoundCheck;
}
/** Everywhere it is asked for. */
const everywhere = (check: RoundCheck): At[] =>
  KINDS.flatMap((kind) =>
    WALKED.flatMap((list) => (asked([check], kind, list).length > 0 ? [{ kind, list }] : []))
  );

/** Asked for on one kind of machine in one round, or not; every other kind and round asks as before. */
export function askedAt(check: RoundCheck, { kind, list }: At, on: boolean): RoundCheck {
  const others = everywhere(check).filter((x) => x.kind !== kind || x.list !== list);
  return askedOnly(check, on ? [...others, { kind, list }] : others);
}
/** Asked for on a kind of machine in every round that has it, or in none. */
export function onKind(check: RoundCheck, kind: Kind, on: boolean): RoundCheck {
  const others = everywhere(check).filter((x) => x.kind !== kind);
  const lists = WALKED.filter((l) => check.lists.includes(l));
  return askedOnly(check, on ? [...others, ...lists.map((list) => ({ kind, list }))] : others);
}
/** Asked for in a round on every kind of machine that has it, or on none; the last round stays. */
export function onList(check: RoundCheck, list: Walked, on: boolean): RoundCheck {
  const others = everywhere(check).filter((x) => x.list !== list);
  if (on) return askedOnly(check, [...others, ...check.kinds.map((kind) => ({ kind, list }))]);
  return others.length > 0 ? askedOnly(check, others) : check;
}

/** One check a place up or down among those of its station that the same machine is asked for; the others stay where they are. */
export function moved(
  checks: readonly RoundCheck[],
  key: string,
  by: -1 | 1,
  at: { kind: Kind; list: List }
): RoundCheck[] {
  const check = checks.find((c) => c.key === key);
  if (!check) return [...checks];
  const beside = asked(checks, at.kind, at.list).filter((c) => c.station === check.station);
  const other = beside[beside.findIndex((c) => c.key === key) + by];
  if (!other || !beside.some((c) => c.key === key)) return [...checks];
  const rest = checks.filter((c) => c.key !== key);
  const place = rest.findIndex((c) => c.key === other.key) + (by > 0 ? 1 : 0);
  return [...rest.slice(0, place), check, ...rest.slice(place)];
}

/** A check put in as the last of its station. */
export function added(checks: readonly RoundCheck[], check: RoundCheck): RoundCheck[] {
  const upTo = STATIONS.slice(0, STATIONS.indexOf(check.station) + 1);
  const place = checks.findLastIndex((c) => upTo.includes(c.station)) + 1;
  return [...checks.slice(0, place), check, ...checks.slice(place)];
}

/** Whether it came with the product: then it is put off and not taken away. */
export const cameWith = (
  check: Pick<ListCheck, 'key'>,
  library: readonly Pick<ListCheck, 'key'>[]
): boolean => library.some((c) => c.key === check.key);
