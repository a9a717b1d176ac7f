import type { Dimension, UnitName } from '../quantity/units';

export const SECTIONS = [
  'Engine oil',
  'Gearbox oil',
  'Differentials and primary',
  'Fork, coolant and brakes',
  'Valves',
  'Chain and final drive',
  'Controls and ignition',
  'Wheels and tyres',
  'Electric drive'
] as const;
export type Section = (typeof SECTIONS)[number];

/** Every figure a sheet can hold in this product, with what it is measured in and what is plausible for it. */
export interface FigureKind<K extends string = string> {
  /** Its slug: kept in the book, so it never changes. */
  key: K;
  label: string;
  section: Section | null;
  /** Null for a figure in words. */
  dimension: Dimension | null;
  /** The words to choose from, where only some make sense. */
  choices?: readonly string[];
  /** The unit a naked number is taken in. */
  unit?: UnitName;
  /** Base units; outside it the figure is questioned as a likely slip of a digit or a unit. No specification of anything. */
  plausible?: readonly [number, number];
  /** Printed as a range, or with a tolerance. */
  range?: boolean;
  /** Counted: there is no half of one. */
  whole?: boolean;
  /** May be less than nothing: below or ahead of what it is measured from. */
  signed?: boolean;
  /** Whether it hangs on a fastener. */
  perFastener?: boolean;
  /** `table`: grades of oil by air temperature, one a line. */
  form?: 'table';
  hint?: string;
}

export const volume = <K extends string>(
  key: K,
  label: string,
  section: Section,
  lo: number,
  hi: number
): FigureKind<K> => ({
  key,
  label,
  section,
  dimension: 'volume',
  plausible: [lo, hi],
  hint: '1.15 qt or 950 ml'
});
export const words = <K extends string>(
  key: K,
  label: string,
  section: Section,
  hint?: string
): FigureKind<K> => ({
  key,
  label,
  section,
  dimension: null,
  hint
});
export const length = <K extends string>(
  key: K,
  label: string,
  section: Section,
  lo: number,
  hi: number,
  more: Partial<Omit<FigureKind, 'key'>> = {}
): FigureKind<K> => ({ key, label, section, dimension: 'length', plausible: [lo, hi], ...more });
