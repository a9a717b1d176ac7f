import { has } from '../machine/has';
import { KINDS, type Kind } from '../machine/machine';
import type { FigureKey } from '../specs/kinds';
import type { Choose, Gauge, List, Look, Measure } from './check';

export const EVERY = KINDS;
export const PETROL = EVERY.filter((k) => has(k, 'combustion engine'));
export const ELECTRIC = EVERY.filter((k) => !has(k, 'combustion engine'));
export const QUADS: readonly Kind[] = ['sport quad', 'utility quad'];
export const BIKES = EVERY.filter((k) => !QUADS.includes(k));
export const TWO_STROKES: readonly Kind[] = ['two-stroke enduro', 'two-stroke motocross'];
export const FOUR_STROKES: readonly Kind[] = [
  'four-stroke enduro',
  'four-stroke motocross',
  'dual-sport',
  'youth bike',
  ...QUADS
];
export const ON_THE_ROAD: readonly Kind[] = [
  'four-stroke enduro',
  'two-stroke enduro',
  'dual-sport',
  'utility quad'
];
export const CHAINED = EVERY.filter((k) => has(k, 'chain'));
export const CLUTCHED = EVERY.filter((k) => has(k, 'clutch'));

export const READY: readonly List[] = ['ready'];
export const BOTH: readonly List[] = ['ready', 'washed'];
export const WASHED: readonly List[] = ['washed'];

/** A number of the sheet's, in millimetres. */
export const mm = (figure: FigureKey, step: number, least = false): Gauge => ({
  figure,
  from: null,
  to: null,
  unit: 'mm',
  step,
  least
});

type Said = Pick<Look, 'line' | 'wrong'> &
  Partial<Pick<Look, 'caution' | 'minutes' | 'lists' | 'task' | 'reads' | 'shows'>>;
export function look(
  key: string,
  title: string,
  station: Look['station'],
  kinds: readonly Kind[],
  said: Said & Pick<Look, 'severity' | 'wrongs'>
): Look {
  return { key, title, station, how: 'look', minutes: 0.5, lists: READY, kinds, ...said };
}
export function choose(
  key: string,
  title: string,
  station: Choose['station'],
  kinds: readonly Kind[],
  said: Said & Pick<Choose, 'choices'>
): Choose {
  return {
    key,
    title,
    station,
    how: 'choose',
    minutes: 0.5,
    lists: READY,
    kinds,
    severity: 'fix now',
    ...said
  };
}
export function pressure(
  key: string,
  title: string,
  station: Measure['station'],
  figure: Measure['figure'],
  kinds: readonly Kind[]
): Measure {
  return {
    key,
    title,
    station,
    how: 'measure',
    line: 'Cold, always by the same gauge.',
    minutes: 1,
    kinds,
    lists: READY,
    figure,
    from: null,
    to: null,
    unit: 'kPa',
    least: false,
    sets: true,
    step: 5,
    wrong: title,
    severity: 'fix now'
  };
}
export function play(
  key: string,
  title: string,
  kinds: readonly Kind[],
  figure: FigureKey,
  wrong: string,
  step: number
): Measure {
  return {
    key,
    title,
    station: 'In the saddle',
    how: 'measure',
    line: 'With the bars turned both ways; lock-nut tight after.',
    minutes: 0.5,
    kinds,
    lists: READY,
    ...mm(figure, step),
    sets: true,
    wrong,
    severity: 'fix now'
  };
}
