import { WARM } from '../built-in/steps';
import type { TemplateStep } from '../template';

type Steps = readonly TemplateStep[];

/** Everything a step of a job waits for, by whatever way. */
function before(steps: Steps, key: string): Set<string> {
  const found = new Set<string>();
  const stack = [key];
  while (stack.length > 0) {
    const at = stack.pop();
    const s = steps.find((x) => x.key === at);
    for (const n of s ? [...s.needs, ...s.during] : [])
      if (!found.has(n)) {
        found.add(n);
        stack.push(n);
      }
  }
  return found;
}
const heats = (s: TemplateStep) => s.kind === 'warm up' || s.kind === 'run';
const isCold = (s: TemplateStep) => s.engine === 'cold' || s.engine === 'cool';

/**
 * A job's steps with what warms the engine for those that want it warm. A job of a team's own may forget to say so; and what is
 * done warm after cold work is warmed for once more: by then it has cooled.
 */
export function warmed(steps: Steps): TemplateStep[] {
  let all: TemplateStep[] = [...steps];
  const put = (step: TemplateStep, keys: readonly string[]) => {
    if (!all.some((s) => s.key === step.key)) all.push(step);
    all = all.map((s) => (keys.includes(s.key) ? { ...s, needs: [...s.needs, step.key] } : s));
  };
  // What comes first is seen to first: what follows it is warm with it.
  const warm = steps.filter((s) => s.engine === 'warm');
  const rank = new Map(warm.map((s) => [s.key, before(all, s.key).size]));
  for (const s of warm.sort((a, b) => rank.get(a.key)! - rank.get(b.key)!)) {
    const earlier = before(all, s.key);
    const cold = all.filter((x) => earlier.has(x.key) && isCold(x));
    const heating = all.filter((x) => earlier.has(x.key) && heats(x));
    const stillWarm = (h: TemplateStep) => !cold.some((c) => before(all, c.key).has(h.key));
    if (heating.some(stillWarm)) continue;
    const own = all.find((x) => x.kind === 'warm up' && !before(all, x.key).has(s.key) && stillWarm(x));
    if (own) put(own, [s.key]);
    else if (heating.length === 0 && !all.some((x) => x.key === WARM.key)) put(WARM, [s.key]);
    else {
      const again = `${WARM.key}-again${all.filter((x) => x.key.startsWith(`${WARM.key}-again`)).length + 1}`;
      put({ ...WARM, key: again, title: `${WARM.title}, again`, needs: cold.map((c) => c.key) }, [s.key]);
    }
  }
  return all;
}
