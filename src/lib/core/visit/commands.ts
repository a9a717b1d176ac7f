import { type Rules, visitPlace } from '../command-rule';
import { CREW } from '../team/team';
import type { Entry } from './entry';
import type { bodies } from './form';

/** What they are answered with; the others with nothing. */
export interface Answers {
  'visit.start': string;
  'visit.enter': Pick<Entry, 'seq' | 'at' | 'by'>;
  /** The first record. */
  'visit.close': string;
}

export const rules: Rules<typeof bodies> = {
  'visit.start': {
    who: CREW,
    words: 'visit: begun',
    waits: { place: (of) => visitPlace(of('id')), begins: true }
  },
  'visit.enter': {
    who: CREW,
    words: 'visit: a step answered',
    waits: { place: (of) => visitPlace(of('visitId')) }
  },
  'visit.close': {
    who: CREW,
    words: 'visit: closed',
    waits: { place: (of) => visitPlace(of('visitId')), ends: true }
  },
  'visit.give-up': { who: CREW, words: 'visit: given up' },
  'photo.attach': { who: CREW, words: 'photo: added', waits: { place: (of) => visitPlace(of('visitId')) } }
};
