import type { Fastener, FastenerRole, Sheet } from '../../specs/sheet';
import { makeStep, type OpenedItem, type Step } from '../plan';
import type { LayoutInput } from './context';
import { itemKey, itemOf, looseKey, looseOf } from './items';
import { fill } from './lines';
import { waitsFor, type Steps } from './waits';
import { lower } from './words';

type Role = FastenerRole | null;
/** What an engine runs without: it stays off until the leak look is over. A cover is on whenever the engine runs. */
export const isOutside = (role: Role): boolean => role === 'guard' || role === 'bodywork';
/** What is taken off to reach something behind it. */
export const isInTheWay = (role: Role): boolean => isOutside(role) || role === 'cover';
const UNDERNEATH: readonly FastenerRole[] = ['drain plug', 'screen cap', 'filter cover', 'check screw'];

/** What the sheet says lies behind something, as far as that is still on the sheet. */
const noted = (f: Fastener, sheet: Sheet): string[] =>
  f.covers.filter((id) => sheet.fasteners.some((x) => x.id === id));

/** What lies behind: as the sheet notes it; behind a guard of which it notes nothing, all that lies underneath. */
export function behind(f: Fastener, sheet: Sheet): string[] {
  const said = noted(f, sheet);
  if (said.length > 0 || f.role !== 'guard') return said;
  return sheet.fasteners.filter((x) => UNDERNEATH.includes(x.role)).map((x) => x.id);
}

const opens = (s: Step, keys: readonly string[]): boolean =>
  s.input.type === 'open' && s.input.items.some((k) => keys.includes(k));
const shuts = (s: Step, keys: readonly string[]): boolean =>
  s.input.type === 'close' && s.input.items.some((k) => keys.includes(k));
const union = (a: readonly string[], b: readonly string[]): string[] => [...new Set([...a, ...b])];

/** Whether a step waits for something in the way to come off: what it takes off lies behind that. */
export function isNested(plan: Steps, step: Step): boolean {
  const keys = plan.items.filter((i) => isInTheWay(i.role)).map((i) => i.key);
  return plan.steps.some((s) => s !== step && step.needs.includes(s.key) && opens(s, keys));
}

/** The steps that take off what an engine runs without. */
export function outside(plan: Steps): Step[] {
  const keys = plan.items.filter((i) => isOutside(i.role)).map((i) => i.key);
  return plan.steps.filter((s) => opens(s, keys));
}

/**
 * Lays out the bodywork and the covers that are in the way of what a visit opens, whether its jobs speak of them or not: each
 * comes off and goes on again once. What hides nothing of this visit stays on. Guards are laid out by the jobs themselves.
 */
export function inTheWay(plan: Steps, input: LayoutInput): void {
  const { fasteners } = input.sheet;
  const isOpened = (id: string) => plan.items.some((i) => i.fastenerId === id);
  // A seat over a panel over a filter: the panel is opened for the filter, so the seat is opened too.
  for (let found = true; found;) {
    found = false;
    for (const f of fasteners) {
      if (!isInTheWay(f.role) || f.role === 'guard' || isOpened(f.id)) continue;
      if (!behind(f, input.sheet).some(isOpened)) continue;
      layOutOne(f, plan, input);
      found = true;
    }
  }
}

function layOutOne(f: Fastener, plan: Steps, input: LayoutInput): void {
  const loose = looseOf(f);
  const hidden = plan.items.filter(
    (i) => i.fastenerId !== null && behind(f, input.sheet).includes(i.fastenerId)
  );
  plan.items.push(itemOf(f, input), ...(loose ? [loose] : []));
  const items = [...(loose ? [looseKey(f)] : []), itemKey(f)];
  const hiddenKeys = hidden.map((i) => i.key);
  const openers = plan.steps.filter((s) => opens(s, hiddenKeys));
  const jobs = [...new Set(openers.flatMap((s) => s.jobs))];
  // In the way only of what may stay shut: asked for when it is opened.
  const gates = new Set(openers.map((s) => JSON.stringify(s.gate)));
  const gate = gates.size === 1 ? openers[0]!.gate : null;
  const said = (lines: string[]) =>
    lines.flatMap((l) => fill(l, { input, circuit: f.circuit, fastener: f, all: [] }));
  const slug = itemKey(f).replace(f.id, '');
  const one = (end: 'off' | 'on', step: Omit<Parameters<typeof makeStep>[0], 'key'>): Step => {
    const key = `${slug}${end}-${f.id}`;
    return makeStep({ key, jobs, gate, points: [f.id], last: input.last[key] ?? null, minutes: 2, ...step });
  };
  const covered = f.role === 'cover';
  const off = one('off', {
    title: `Take off ${lower(f.name)}`,
    lines: said(['{place}', '{fastener}', '{note}']),
    input: { type: 'open', items, twins: [] },
    needs: ['stand']
  });
  const on = one('on', {
    title: covered ? `Refit and torque ${lower(f.name)}` : `${f.name} back on`,
    lines: said(['{seal}', '{pattern}']),
    input: { type: 'close', items },
    mayLeaveOut: false,
    // What is read and looked at behind a panel is over before it goes on, as with a guard.
    needs: covered
      ? []
      : plan.steps.filter((s) => s.key === 'leaks' || s.input.type === 'level').map((s) => s.key)
  });
  plan.steps.push(off, on);
  // Nothing is written up as done while it is still off.
  for (const s of plan.steps) if (s.key === 'write') s.needs = union(s.needs, [on.key]);
}

/** What hides something comes off before that is opened, and goes on after it is shut. */
export function orderOfCovers(plan: Steps, input: LayoutInput): void {
  for (const f of input.sheet.fasteners.filter((x) => isInTheWay(x.role))) {
    const own = itemKey(f);
    const off = plan.steps.find((s) => opens(s, [own]));
    const on = plan.steps.find((s) => shuts(s, [own]));
    const hidden = behind(f, input.sheet);
    const unnamed = f.role === 'guard' && noted(f, input.sheet).length === 0;
    const lies = (i: OpenedItem) =>
      i.key !== own &&
      (i.fastenerId === null ? unnamed && i.role === 'drain plug' : hidden.includes(i.fastenerId));
    // Two that are said to hide each other: the first to be said so is in front.
    const inFront = (i: OpenedItem) =>
      off !== undefined && plan.steps.some((s) => opens(s, [i.key]) && waitsFor(plan, off.key, s.key));
    const keys = plan.items.filter((i) => lies(i) && !inFront(i)).map((i) => i.key);
    if (off)
      for (const s of plan.steps)
        if (opens(s, keys) && s.key !== off.key) s.needs = union(s.needs, [off.key]);
    if (!on) continue;
    on.after = union(on.after, keys);
    for (const s of plan.steps) if (shuts(s, keys)) on.needs = union(on.needs, [s.key]);
  }
}
