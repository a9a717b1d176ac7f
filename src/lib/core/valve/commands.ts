import { type Rules, valvesPlace } from '../command-rule';
import { CREW } from '../team/team';
import type { bodies } from './form';

/** What they are answered with; the others with nothing. */
export interface Answers {
  /** The head: one that was laid out already is the same. */
  'head.set': string;
  /** The check it went into. */
  'valve.measure': string;
  /** The record; null where it was done for no task. */
  'valve.close': string | null;
}

export const rules: Rules<typeof bodies> = {
  'blades.add': { who: CREW, words: 'feeler blades: added' },
  'shims.count': { who: CREW, words: 'shims: counted' },
  'shims.paste': { who: CREW, words: 'shims: pasted', mostBytes: 500_000 },
  'shims.level': { who: CREW, words: 'shims: lowest stock set' },
  'head.set': { who: CREW, words: 'cylinder head: set up' },
  'head.sizes': { who: CREW, words: 'cylinder head: shim sizes set' },
  'head.guide': { who: CREW, words: 'cylinder head: guide changed' },
  'valve.measure': {
    who: CREW,
    words: 'valve: measured',
    waits: { place: (of) => valvesPlace(of('headId')) }
  },
  'valve.shim': { who: CREW, words: 'valve: shim read', waits: { place: (of) => valvesPlace(of('headId')) } },
  'valve.plan': { who: CREW, words: 'valve: shims planned' },
  'valve.fit': { who: CREW, words: 'valve: shims fitted' },
  'valve.close': { who: CREW, words: 'valve check: closed' },
  'valve.strike': { who: CREW, words: 'valve check: struck out' }
};
