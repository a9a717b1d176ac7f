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
