export const KINDS = [
  'four-stroke enduro',
  'two-stroke enduro',
  'four-stroke motocross',
  'two-stroke motocross',
  'dual-sport',
  'youth bike',
  'sport quad',
  'utility quad',
  'electric'
] as const;
export type Kind = (typeof KINDS)[number];

export interface Machine {
  id: string;
  /** The number it carries. */
  plate: string;
  name: string;
  maker: string;
  kind: Kind;
}

/** A machine as lists name it and forms pick it. */
export interface NamedMachine extends Machine {
  riderId: string | null;
  /** How its hours are counted now: a dead meter counts by time ridden, like none. */
  meter: 'hour meter' | 'reckoned' | null;
  /** False while a finding that parks it is open. */
  ready: boolean;
}
