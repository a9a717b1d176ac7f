import type { Circuit } from '../../specs/sheet';
import type { Step } from '../plan';
import type { LayoutInput } from './context';
import { isNested, isOutside, outside } from './in-the-way';
import { waitsFor, type Steps } from './waits';
import { protocolOf } from './input';

/** How the engine is warmed, or that it is not: by the house rules, and by riding where idling does not reach the gearbox. */
export function warmth(plan: Steps, input: LayoutInput): void {
  const warm = plan.steps.find((s) => s.key === 'warm');
  if (!warm) return;
  const { rules } = input;
  const gearbox =
    plan.jobs.some((j) => j.circuits.includes('gearbox')) && input.kind.startsWith('two-stroke');
  const how = gearbox ? rules.gearboxWarmUp : rules.warmUp;
  const guards = outside(plan).map((s) => s.key);
  if (how === 'drain cold') {
    const drains = plan.steps.filter((s) => s.engine === 'warm' && s.input.type === 'open');
    for (const s of drains) Object.assign(s, { engine: 'any', warmFor: null });
    // What else wants it warm still does.
    if (plan.steps.some((s) => s.engine === 'warm')) {
      for (const s of drains) s.needs = s.needs.filter((n) => n !== warm.key);
      return;
    }
    Object.assign(warm, {
      title: 'Drain it cold',
      lines: ['House rule: after long storage, old oil is not pumped round.'],
      caution: null,
      minutes: 0,
      wait: 0,
      heats: false
    });
    return;
  }
  if (how === 'ride') {
    Object.assign(warm, {
      title: 'Ride it until the gearbox is warm',
      lines: ['A few minutes through the gears. Idling warms a two-stroke’s engine, not its gearbox.'],
      caution: 'Helmet and gear; brakes and throttle tried first. Nothing open, nothing loose.',
      minutes: 8,
      wait: 0,
      covered: guards
    });
    stoodAfter(plan, warm);
    return;
  }
  // What can be done before it is: warmth fades, and the drain follows at once.
  const first = plan.steps.filter(
    (s) => s.input.type === 'oil' || (s.key === 'clean-round' && rules.guardOff === 'before the warm-up')
  );
  // A job of the team's own may have it the other way round: it stays so.
  const free = (key: string) => !waitsFor(plan, key, 'warm');
  warm.needs = [...warm.needs, ...first.map((s) => s.key).filter(free)];
  if (rules.guardOff === 'before the warm-up') warm.during = [...warm.during, ...guards.filter(free)];
  else
    for (const s of plan.steps)
      if (guards.includes(s.key) && !waitsFor(plan, 'warm', s.key)) s.needs = [...s.needs, 'warm'];
}

/** A machine that is ridden first is stood up when it is back; where it stands for cold work before, it is stood up again. */
function stoodAfter(plan: Steps, ride: Step): void {
  const stand = plan.steps.find((s) => s.key === 'stand');
  if (!stand) return;
  if (plan.steps.some((s) => s.engine === 'cold' || s.engine === 'cool')) {
    ride.lines = [...ride.lines, 'Back from it, stand it level and secure again.'];
    return;
  }
  ride.needs = [...new Set([...ride.needs.filter((n) => n !== stand.key), ...stand.needs])];
  stand.needs = [...stand.needs, ride.key];
}

/** The engine runs as long as its level wants it, and the oil settles by itself. */
export function runs(plan: Steps, input: LayoutInput): void {
  const run = plan.steps.find((s) => s.input.type === 'start');
  if (!run) return;
  const read = plan.jobs.flatMap((j) => j.circuits).map((c) => protocolOf(input, c));
  const longest = (of: (p: ReturnType<typeof protocolOf>) => number | null) =>
    Math.max(0, ...read.map((p) => of(p) ?? 0)) / 60;
  run.minutes = Math.max(run.minutes, longest((p) => p.runSeconds) + 1);
  run.wait = longest((p) => p.settleSeconds);
  run.waitFor = 'the oil settles';
}

/** What an engine start, a pour and a spill ask of the other jobs of the visit. */
export function interlocks(plan: Steps): void {
  const shutBefore = (s: Step, circuit: Circuit | null) =>
    plan.items
      .filter(
        (i) =>
          !isOutside(i.role) &&
          // A check screw is open while oil goes in, and a cover may be; the engine starts with neither out.
          !(s.input.type === 'pour' && (i.role === 'cover' || i.role === 'check screw')) &&
          (circuit === null || i.circuit === circuit) &&
          !(s.input.type === 'pour' && i.kind === 'cap')
      )
      .map((i) => i.key);
  /**
   * Steps that take a cover off: it may come off and go on again, but is on whenever the engine runs. One behind something else
   * comes off once, like what it hides.
   */
  const coverings = plan.steps
    .filter((s) => {
      const { input } = s;
      return (
        input.type === 'open' &&
        plan.items.some((i) => i.role === 'cover' && input.items.includes(i.key)) &&
        !isNested(plan, s)
      );
    })
    .map((s) => s.key);
  const closing = (items: string[]) =>
    plan.steps.filter((s) => s.input.type === 'close' && s.input.items.some((k) => items.includes(k)));
  for (const s of plan.steps) {
    if (s.input.type === 'pour') {
      s.after = shutBefore(s, s.input.circuit);
      const spills = plan.steps.filter((x) => x.spills && (x.circuit === null || x.circuit === s.circuit));
      s.needs = [
        ...new Set([...s.needs, ...spills.filter((x) => !waitsFor(plan, x.key, s.key)).map((x) => x.key)])
      ];
    }
    if (s.heats && s.input.type === 'tick') {
      // Warmed with everything shut: in what order, the ordering sees to. Ridden, it has its seat and panels on too.
      s.covered = [...new Set([...s.covered, ...coverings])];
    }
    if (s.input.type === 'start') {
      s.after = shutBefore(s, null);
      s.covered = [...new Set([...s.covered, ...coverings])];
      const pours = plan.steps.filter((x) => x.input.type === 'pour').map((x) => x.key);
      s.needs = [
        ...new Set([
          ...s.needs,
          ...pours,
          // What is on the sheet is shut, so that the leak look sees it; what is not, is shut or not opened yet.
          ...closing(s.after.filter((k) => plan.items.some((i) => i.key === k && i.role !== null)))
            .filter((c) => !waitsFor(plan, c.key, s.key))
            .map((c) => c.key)
        ])
      ];
    }
  }
}
