import { send } from '../form/send';
import { readAgain } from '../shell/again';
import { roundsLeft } from './left-behind';
import { keepLeft, readLeft } from './waiting';

/** As many as go in one request. */
export const AT_ONCE = 100;

/**
 * Sends what was answered in a round and could not be sent before its page was left: from whatever page comes next. What is
 * refused stays for the round's own page to say.
 */
export async function sendLeftRounds(): Promise<void> {
  let sentAny = false;
  for (const { list, machineId } of roundsLeft()) {
    const left = readLeft(list, machineId);
    if (!left) continue;
    const answers = left.waiting.slice(0, AT_ONCE);
    const sent = await send('round.answer', { roundId: left.roundId, machineId, list, answers });
    if (!sent.ok) continue;
    sentAny = true;
    // What was answered meanwhile, in another tab, waits on.
    const gone = new Set(answers.map((a) => a.id));
    const now = readLeft(list, machineId);
    if (now) keepLeft(list, machineId, { ...now, waiting: now.waiting.filter((w) => !gone.has(w.id)) });
  }
  if (sentAny) await readAgain();
}
