import type { Kind } from './commands';

const NOUNS: Readonly<Record<string, string>> = {
  oil: 'oil of the stores',
  call: 'report',
  photo: 'photo',
  token: 'key of a program',
  calendar: 'calendar address',
  shims: 'shim drawer',
  store: 'something of the stores',
  blades: 'feeler blades',
  head: 'head of the valves',
  person: 'person',
  event: 'planned outing'
};
const VERBS: Readonly<Record<string, string>> = {
  add: 'written down',
  change: 'changed',
  log: 'logged',
  strike: 'struck out',
  'strike-entry': 'entry struck out',
  keep: 'kept',
  'call-off': 'called off or on',
  start: 'begun',
  enter: 'a step answered',
  'give-up': 'given up',
  'back-to-book': 'put back to the book',
  found: 'set up',
  forget: 'what was kept about them removed',
  leave: 'left or came back',
  fit: 'shims fitted',
  measure: 'measured'
};

/** A kind of command as one reads it in the audit: its noun, and what became of it. */
export function kindWords(kind: Kind | string): string {
  const [noun = kind, verb = ''] = kind.split('.');
  return `${NOUNS[noun] ?? noun}: ${VERBS[verb] ?? verb.replaceAll('-', ' ')}`;
}
