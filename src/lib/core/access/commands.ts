import type { Rules } from '../command-rule';
import { CHIEF, ROLES } from '../team/team';
import type { bodies } from './form';

/** What they are answered with; the others with nothing. */
export interface Answers {
  /** What they are called now, and how often their name was written by hand. */
  'person.forget': { name: string; texts: number };
  /** Until when. */
  'invitation.keep': { expiresAt: string };
}

export const rules: Rules<typeof bodies> = {
  'person.leave': { who: CHIEF, words: 'person: left or came back' },
  'person.forget': { who: CHIEF, words: 'person: personal data removed' },
  'person.role': { who: CHIEF, words: 'person: role changed' },
  'invitation.keep': { who: CHIEF, words: 'invitation: written' },
  'invitation.withdraw': { who: CHIEF, words: 'invitation: withdrawn' },
  // One's own, or anybody's as chief mechanic.
  'session.end': { who: ROLES, words: 'session: ended' },
  'device.end': { who: ROLES, words: 'device: signed out' }
};
