import type { Kind } from './machine';

/** Where on a machine something may be wrong, as seen from its side: the words a finding gets. */
export const PLACES = [
  'front wheel',
  'fork and steering',
  'bars and controls',
  'tank and seat',
  'engine',
  'exhaust',
  'frame and footpegs',
  'swingarm and chain',
  'rear wheel'
] as const;
export type Place = (typeof PLACES)[number];
const QUADS: ReadonlySet<Kind> = new Set<Kind>(['sport quad', 'utility quad']);
/** Which of the two drawings fits. */
export const outlineOf = (kind: Kind): 'bike' | 'quad' => (QUADS.has(kind) ? 'quad' : 'bike');
