import { answerTyped } from '$lib/core/round/form';
import { LISTS, type List } from '$lib/core/round/check';
import { forget, kept } from '../form/kept';
import { send } from '../form/send';
import { readAgain } from '../shell/again';

const NAME = /^round (\w+) ([0-9a-f-]{36})$/;

/** The names under which rounds of this device are kept that the server does not have whole. */
function names(): string[] {
  try {
    return Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i) ?? '').filter((k) =>
      NAME.test(k)
    );
  } catch {
    return [];
  }
}

/**
 * Sends what was answered in a round and could not be sent before its page was left: from whatever page comes next. What is
 * refused stays for the round's own page to say.
 */
export async function sendLeftRounds(): Promise<void> {
  let sentAny = false;
  for (const name of names()) {
    const [, list, machineId] = NAME.exec(name)!;
    const was = kept('device', name) as { roundId?: unknown; waiting?: unknown } | null;
    const answers = (Array.isArray(was?.waiting) ? was.waiting : []).flatMap((w) => {
      const read = answerTyped.safeParse(w);
      return read.success ? [read.data] : [];
    });
    if (!LISTS.includes(list as List) || typeof was?.roundId !== 'string' || answers.length === 0) continue;
    const sent = await send('round.answer', {
      roundId: was.roundId,
      machineId: machineId!,
      list: list!,
      answers: answers.slice(0, 100)
    });
    // Whoever answered on meanwhile keeps it: it goes with the next.
    const now = kept('device', name) as { waiting?: unknown[] } | null;
    if (sent.ok && now?.waiting?.length === answers.length) forget('device', name);
    sentAny ||= sent.ok;
  }
  if (sentAny) await readAgain();
}
