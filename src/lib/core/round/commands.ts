import { type Rules, roundPlace } from '../command-rule';
import { CHIEF, CREW } from '../team/team';
import type { bodies } from './form';

/** What they are answered with; the others with nothing. */
export interface Answers {
  /** The round they went into. */
  'round.answer': string;
  /** The version it is now. */
  'round.checks': number;
}

export const rules: Rules<typeof bodies> = {
  'round.answer': {
    who: CREW,
    words: 'round: answered',
    waits: { place: (of) => roundPlace(of('list'), of('machineId')) }
  },
  'round.strike': { who: CREW, words: 'round: struck out' },
  'round.checks': { who: CHIEF, words: 'round: checks changed', mostBytes: 1_000_000 }
};
