import type { Step } from '../plan';
import { closingsOf, common, itemsOf } from './openings';
import { waitsFor, type Steps } from './waits';

const union = <T>(x: readonly T[], y: readonly T[]): T[] => [...new Set([...x, ...y])];
/** One step of several jobs: all that either says. The first gives it its key, and its name where it opens all the other does. */
export function merged(a: Step, b: Step): Step {
  const all = itemsOf(b).every((k) => itemsOf(a).includes(k));
  const none = itemsOf(a).every((k) => itemsOf(b).includes(k));
  const [title, other] = all || !none ? [a.title, b.title] : [b.title, a.title];
  const cautions = union(a.caution ? [a.caution] : [], b.caution ? [b.caution] : []);
  return {
    ...a,
    jobs: union(a.jobs, b.jobs),
    title,
    // What takes off something else besides is said.
    lines: union(all || none ? [] : [other], union(a.lines, b.lines)),
    caution: cautions.join(' ') || null,
    input:
      a.input.type === b.input.type && (a.input.type === 'open' || a.input.type === 'close')
        ? ({ ...a.input, items: union(itemsOf(a), itemsOf(b)) } as Step['input'])
        : a.input,
    minutes: all || none ? Math.max(a.minutes, b.minutes) : a.minutes + b.minutes,
    wait: Math.max(a.wait, b.wait),
    engine: a.engine === 'any' || (a.engine === 'cool' && b.engine === 'cold') ? b.engine : a.engine,
    coolFor: a.engine === 'cold' || b.engine === 'cold' ? null : (a.coolFor ?? b.coolFor),
    warmFor: a.warmFor ?? b.warmFor,
    needs: union(a.needs, b.needs),
    during: union(a.during, b.during),
    points: union(a.points, b.points),
    // Called for by either.
    gate: a.gate && b.gate && { steps: union(a.gate.steps, b.gate.steps), is: a.gate.is },
    orientation: a.orientation || b.orientation,
    spills: a.spills || b.spills,
    mayLeaveOut: a.mayLeaveOut && b.mayLeaveOut
  };
}

/** How warm the engine is for the work that is done between an opening and its closing; whether it runs in between. */
function inside(plan: Steps, off: Step): { cold: boolean; warm: boolean; heats: boolean } {
  const on = closingsOf(plan, off);
  const between = plan.steps.filter(
    (s) =>
      s === off || (waitsFor(plan, s.key, off.key) && on.some((c) => c === s || waitsFor(plan, c.key, s.key)))
  );
  return {
    cold: between.some((s) => s.engine === 'cold' || s.engine === 'cool'),
    warm: between.some((s) => s.engine === 'warm'),
    heats: between.some((s) => s.heats)
  };
}

function mayShare(plan: Steps, a: Step, b: Step): boolean {
  if (a.jobs.some((j) => b.jobs.includes(j)) || !common(a, b)) return false;
  // What hangs on two different answers stays two.
  if (a.gate && b.gate && a.gate.is !== b.gate.is) return false;
  const [x, y] = [inside(plan, a), inside(plan, b)];
  if (x.heats || y.heats || ((x.cold || y.cold) && (x.warm || y.warm))) return false;
  return !waitsFor(plan, a.key, b.key) && !waitsFor(plan, b.key, a.key);
}

/** Whose key it keeps: that of a step which any job may share, so that what was written at it is found again; then the larger. */
function host(a: Step, b: Step): [Step, Step] {
  const shared = (s: Step) => Number(!s.key.includes('.'));
  const first = shared(b) - shared(a) || itemsOf(b).length - itemsOf(a).length;
  return first > 0 ? [b, a] : [a, b];
}

/** Puts one step in the place of two, and lets all that waited for the other wait for it. */
function join(plan: Steps, a: Step, b: Step): Step {
  const one = merged(a, b);
  const named = (keys: readonly string[]) =>
    union(
      keys.map((k) => (k === b.key ? a.key : k)),
      []
    );
  plan.steps = plan.steps
    .filter((s) => s !== b)
    .map((s) => (s === a ? one : s))
    .map((s) => ({
      ...s,
      needs: named(s.needs).filter((k) => k !== s.key),
      during: named(s.during).filter((k) => k !== s.key),
      gate: s.gate && { ...s.gate, steps: named(s.gate.steps) }
    }));
  return plan.steps.find((s) => s.key === a.key)!;
}

/**
 * Jobs that open the same thing share it, whichever brings it: it comes off once, all their work is done behind it, and it goes on
 * once (handbook, section 4, step 3). Work on a warm engine does not share with work on a cold one, nor with what runs it.
 */
export function share(plan: Steps): void {
  const pair = () => {
    const opens = plan.steps.filter((s) => s.input.type === 'open');
    for (const [i, a] of opens.entries())
      for (const b of opens.slice(i + 1)) if (mayShare(plan, a, b)) return [a, b] as const;
    return null;
  };
  for (let found = pair(); found; found = pair()) {
    const before = plan.steps;
    const ons = found.map((s) => closingsOf(plan, s));
    const off = join(plan, ...host(found[0], found[1]));
    const shut = new Set(ons.flat().map((s) => s.key));
    shutOnce(plan, off, shut);
    if (plan.steps.length === before.length) return;
  }
}

function shutOnce(plan: Steps, off: Step, shut: ReadonlySet<string>): void {
  for (let more = true; more;) {
    more = false;
    const on = plan.steps.filter((s) => shut.has(s.key) && common(s, off));
    for (const [i, x] of on.entries())
      for (const y of on.slice(i + 1)) {
        if (more || !common(x, y) || waitsFor(plan, x.key, y.key) || waitsFor(plan, y.key, x.key)) continue;
        if (x.jobs.some((j) => y.jobs.includes(j))) continue;
        join(plan, ...host(x, y));
        more = true;
      }
  }
}

/**
 * Behind an opening that jobs share, what is read as it was found is read before another job takes more apart: the clearances
 * before the chain tensioner comes out, how far that stood out before the cams do.
 */
export function readFirst(plan: Steps): void {
  const opens = plan.steps.filter((s) => s.input.type === 'open');
  const things = (s: Step) => plan.items.some((i) => i.role === null && itemsOf(s).includes(i.key));
  const alone = (s: Step, o: Step) =>
    s.jobs.length === o.jobs.length && s.jobs.every((j) => o.jobs.includes(j));
  for (const r of plan.steps) {
    const found = r.input.type === 'clearances' && r.input.stage === 'found';
    const direct = r.input.type === 'measure' && opens.some((o) => r.needs.includes(o.key));
    if (!found && !direct) continue;
    const behind = opens.filter((o) => things(o) && waitsFor(plan, r.key, o.key));
    for (const x of opens)
      if (
        !alone(x, r) &&
        behind.some((o) => o !== x && waitsFor(plan, x.key, o.key)) &&
        !waitsFor(plan, r.key, x.key)
      )
        x.needs = union(x.needs, [r.key]);
  }
}
