import { type Rules, chainPlace } from '../command-rule';
import { CREW } from '../team/team';
import type { bodies } from './form';

/** What they are answered with; the others with nothing. */
export interface Answers {
  /** The check it went into. */
  'chain.measure': string;
  /** The record; null where it was done for no task. */
  'chain.close': string | null;
}

export const rules: Rules<typeof bodies> = {
  'chain.drive': { who: CREW, words: 'chain: drive set up' },
  'chain.place': { who: CREW, words: 'chain: measuring place set' },
  'chain.measure': {
    who: CREW,
    words: 'chain: slack measured',
    waits: { place: (of) => chainPlace(of('machineId')) }
  },
  'chain.close': { who: CREW, words: 'chain: slack check closed' },
  'chain.strike': { who: CREW, words: 'chain: slack check struck out' },
  'chain.length': { who: CREW, words: 'chain: length measured', waits: {} },
  'chain.look': { who: CREW, words: 'chain: looked at', waits: {} },
  'chain.dress': { who: CREW, words: 'chain: cleaned or lubricated', waits: {} },
  'chain.strike-entry': { who: CREW, words: 'chain: entry struck out' },
  'chain.replace': { who: CREW, words: 'chain: replaced' }
};
