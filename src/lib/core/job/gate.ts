import type { Step } from './plan';
import type { Opens } from './template';

const FINDS: Record<Opens, string> = {
  yes: 'is answered with yes',
  no: 'is answered with no',
  inside: 'finds it right',
  outside: 'finds it out',
  'glitter or worse': 'finds glitter or worse',
  'flakes or worse': 'finds flakes or worse'
};

/** What has to be answered for a step to be called for: `“Read the magnet” finds flakes or worse`; of several steps any will do. */
export function gateInWords(
  gate: NonNullable<Step['gate']>,
  steps: readonly Pick<Step, 'key' | 'title'>[]
): string {
  const titles = [...new Set(gate.steps.flatMap((key) => steps.find((s) => s.key === key)?.title ?? []))];
  const named = titles.map((t) => `“${t}”`).join(' or ');
  return `${named || 'the step before'} ${FINDS[gate.is]}`;
}

/** A step that is done in any case, with those that follow it in the order and hang on an answer. */
export interface Sure<S> {
  step: S;
  maybe: S[];
}
/** Steps in order, those that hang on an answer behind the one they follow: moved, they go with it. What stands before all others leads. */
export function withMaybes<S extends Pick<Step, 'gate'>>(steps: readonly S[]): Sure<S>[] {
  const list: Sure<S>[] = [];
  for (const step of steps) {
    const last = list.at(-1);
    if (step.gate !== null && last) last.maybe.push(step);
    else list.push({ step, maybe: [] });
  }
  return list;
}
