/** What carries its own hours from machine to machine (handbook, section 2). */
export const COMPONENT_KINDS = [
  'engine',
  'top end',
  'clutch',
  'gearbox',
  'chain',
  'sprockets',
  'fork',
  'shock',
  'wheel'
] as const;
export type ComponentKind = (typeof COMPONENT_KINDS)[number];

/** What sits in an engine and goes with it when it is swapped. */
export const IN_ENGINE: readonly ComponentKind[] = ['top end', 'clutch', 'gearbox'];

/** Where on a machine there may be more than one of a kind. */
export const PLACES = ['', 'front', 'rear', 'left', 'right'] as const;
export type Place = (typeof PLACES)[number];

/** A component's name with its serial and place, as the workshop calls it. */
export function nameOf(c: { kind: string; name: string; serial: string }): string {
  return c.serial ? `${c.name} (${c.serial})` : c.name;
}
