import { correctionSchema } from './correction';

/** What is sent, by the kind of its command: the form and the server check alike. */
export const bodies = {
  'record.correct': correctionSchema
};
