import type { Circuit, FigureKey } from './sheet';

/** The figures of the sheet that are about one oil circuit. Null: a sheet holds none of that for it. */
export interface CircuitFigures {
  /** How much goes in at a change; where a filter makes a difference, with it. */
  amount: FigureKey;
  withoutFilter: FigureKey | null;
  grade: FigureKey | null;
  table: FigureKey | null;
  between: FigureKey | null;
  /** What the keys of its level protocol begin with. */
  level: 'oil level' | 'gearbox level' | null;
}

export const CIRCUIT_FIGURES: Readonly<Record<Circuit, CircuitFigures>> = {
  engine: {
    amount: 'engine oil with filter',
    withoutFilter: 'engine oil without filter',
    grade: 'engine oil grade',
    table: 'engine oil by temperature',
    between: 'engine oil between marks',
    level: 'oil level'
  },
  gearbox: {
    amount: 'gearbox oil',
    withoutFilter: null,
    grade: 'gearbox oil grade',
    table: null,
    between: null,
    level: 'gearbox level'
  },
  primary: {
    amount: 'primary oil',
    withoutFilter: null,
    grade: null,
    table: null,
    between: null,
    level: null
  },
  'front differential': {
    amount: 'front differential oil',
    withoutFilter: null,
    grade: 'differential oil grade',
    table: null,
    between: null,
    level: null
  },
  'rear differential': {
    amount: 'rear differential oil',
    withoutFilter: null,
    grade: 'differential oil grade',
    table: null,
    between: null,
    level: null
  }
};
