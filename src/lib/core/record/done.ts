import { BUILT_IN } from '../job/built-in/jobs';
import type { PlanJob } from '../job/plan';
import { isShut } from '../visit/items';
import type { VisitState } from '../visit/state';

const FIRST = 'engine-oil-first';
const count = (n: number, one: string): string[] => (n === 0 ? [] : [n === 1 ? one : `${n} ${one}s`]);

/**
 * What a job came to, for the head of its record: of the product's own oil changes, which name everything that such an engine may
 * have, what was really out and in again; of any other job its name.
 */
export function doneInWords(job: Pick<PlanJob, 'key' | 'title'>, state: Pick<VisitState, 'items'>): string {
  const ours =
    job.key.startsWith('engine-oil') && BUILT_IN.some((t) => t.key === job.key && t.title === job.title);
  if (!ours) return job.title;
  const back = state.items.filter((i) => i.item.circuit === 'engine' && i.opened && isShut(i));
  const parts = back.filter((i) => i.item.kind === 'part' && i.stand === 'shut');
  const with_ = [
    ...count(parts.filter((i) => i.item.role === 'screen cap').length, 'screen'),
    ...count(parts.filter((i) => i.item.role === 'filter cover').length, 'filter')
  ].join(' and ');
  const drains = back.filter((i) => i.item.role === 'drain plug').length;
  const what = job.key === FIRST ? 'First engine oil change, break-in' : 'Engine oil';
  return [what, drains > 1 ? `${drains} drains` : '', with_].filter(Boolean).join(', ');
}
