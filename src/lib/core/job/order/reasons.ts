import { minutesInWords } from '../../time/minutes';
import { gateInWords } from '../gate';
import type { Step } from '../plan';

interface Time {
  key: string;
  start: number;
  end: number;
  over: number;
}

/** Minutes with nothing to do that are worth a word: ours. */
const WORTH_SAYING = 10;

/** Why a step stands where it stands, in one line. @param engine as it came to the bench */
export function reason(
  s: Step,
  before: readonly Step[],
  times: readonly Time[],
  all: readonly Step[],
  engine: 'cold' | 'warm'
): string {
  const at = (key: string) => times.find((t) => t.key === key);
  const mine = at(s.key);
  if (s.gate) return `Only if ${gateInWords(s.gate, all)}.`;
  const ran = engine === 'warm' || before.some((b) => b.heats || b.engine === 'warm');
  const previous = before.findLast((b) => at(b.key));
  const idle = mine && previous ? (mine.start - at(previous.key)!.end) / 60 : 0;
  // Hours with nothing to do are said, and what they are for.
  const stands = minutesInWords(Math.round(idle / 5) * 5);
  const cools = idle >= WORTH_SAYING ? `it stands about ${stands} first, to cool` : null;
  if (s.engine === 'cold')
    return `Stone cold: ${cools ?? (ran ? 'once it has cooled' : 'before anything warms the engine')}.`;
  if (s.engine === 'cool')
    return `${cools ? `Cooled: ${cools}` : ran ? 'Once it has cooled' : 'Before anything heats the engine'}; hot, its thread would come with it.`;
  if (s.spills) return 'Spills oil: before the oil goes in, or the level is short afterwards.';
  if (s.input.type === 'start') return 'Once, when all the oil is in and every plug is tight.';
  if (s.heats)
    return s.covered.length > 0
      ? 'Riding warms the gearbox; everything is shut for it.'
      : 'Before the oil: warm oil runs out, and takes the dirt with it.';
  if (s.engine === 'warm') return 'At once, while the oil is warm and the dirt is in it.';
  if (s.input.type === 'open' && s.needs.length <= 1 && all.filter((x) => x.needs.includes(s.key)).length > 1)
    return 'Once, for everything behind it.';
  const waiting = before.find((b) => {
    const t = at(b.key);
    return t && mine && b.wait > 0 && mine.start >= t.end && mine.start < t.over && !s.needs.includes(b.key);
  });
  if (waiting) return `While ${waiting.waitFor || `“${waiting.title}” waits`}, ${waiting.wait} min.`;
  const waited = s.needs.map((n) => before.find((b) => b.key === n)).find((b) => b && b.wait > 0);
  if (waited) return `When ${isOver(waited)}.`;
  const after = [...s.needs, ...s.during]
    .map((n) => before.findIndex((b) => b.key === n))
    .sort((a, b) => b - a)[0];
  return after === undefined || after < 0 ? 'Waits for nothing.' : `After “${before[after]!.title}”.`;
}

/** "the oil drains" turned into "the oil has drained"; other words stay as they are. */
function isOver(s: Step): string {
  const m = /^(the \w+) (\w+)s$/.exec(s.waitFor);
  if (!m) return s.waitFor ? `${s.waitFor}: over` : `“${s.title}” has waited`;
  return `${m[1]} has ${m[2]}${m[2]!.endsWith('e') ? 'd' : 'ed'}`;
}
