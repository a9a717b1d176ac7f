import type { bodies } from '../../core/round/form';
import { type Handlers, onMachine } from '../book/handler';
import { answerRound, machineOfRound, strikeRound } from './answers';
import { saveTeamChecks } from './checks';

/** How they are carried out, and what of the book they touch. */
export const commands: Handlers<typeof bodies> = {
  // What is wrong is a finding.
  'round.answer': { scope: (r) => onMachine(r.machineId), handle: answerRound },
  'round.strike': {
    scope: async (s, tx, teamId) => onMachine(await machineOfRound(tx, teamId, s.roundId)),
    handle: strikeRound
  },
  'round.checks': { scope: null, handle: saveTeamChecks }
};
