import { LEVEL_AIMS, type LevelAim } from '../specs/kinds';
import { JUDGED_BY } from '../judged/by';

/**
 * Where between its marks a level should stand: 0 at the low mark, 1 at the high one. A band where the manual gives one; both
 * ends alike where it names a point.
 */
export interface Aim {
  from: number;
  to: number;
}

const AIMS: Readonly<Record<LevelAim, readonly [number, number]>> = {
  'half-way': [0.5, 0.5],
  'three quarters': [0.75, 0.75],
  'at the high mark': [1, 1],
  'low mark to half-way': [0, 0.5],
  'half-way to three quarters': [0.5, 0.75],
  'half-way to the high mark': [0.5, 1],
  'three quarters to the high mark': [0.75, 1],
  'anywhere between the marks': [0, 1]
};

/** A sheet's words for an aim as a band; null where it names none. */
export function aimOf(words: string | null | undefined): Aim | null {
  const found = LEVEL_AIMS.find((a) => a === words);
  return found ? { from: AIMS[found][0], to: AIMS[found][1] } : null;
}

/** An aim in words; a band that no manual puts so in percent of the way from low to high. */
export function aimInWords(aim: Aim): string {
  return (
    LEVEL_AIMS.find((a) => AIMS[a][0] === aim.from && AIMS[a][1] === aim.to) ??
    `${Math.round(aim.from * 100)} to ${Math.round(aim.to * 100)} % of the way up`
  );
}

const READ_TO = JUDGED_BY.oil.glass.is;

/** How a level stands to its aim, no finer than it can be read. Null aim: the sheet names none, and nothing is short of it. */
export function besideAim(position: number, aim: Aim | null): 'below' | 'at' | 'above' {
  if (aim === null) return 'at';
  if (position < aim.from - READ_TO) return 'below';
  return position > aim.to + READ_TO ? 'above' : 'at';
}

/**
 * How much to add to a level below its aim: (aim − read) × volume between the marks (handbook, section 5), to the middle of a
 * band, to the next 10 ml.
 * @param position 0 at the low mark, 1 at the high
 * @param betweenMl null where the sheet does not say
 * @returns ml, more than 0; null where nothing is wanted or the volume is unknown
 */
export function topUpMl(position: number, aim: Aim, betweenMl: number | null): number | null {
  if (betweenMl === null || besideAim(position, aim) !== 'below') return null;
  return Math.round((((aim.from + aim.to) / 2 - position) * betweenMl) / 10) * 10 || null;
}
