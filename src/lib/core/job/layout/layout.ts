import { unnoted, type Circuit, type Fastener } from '../../specs/sheet';
import { makeStep, type OpenedItem, type Step, type VisitPlan } from '../plan';
import type { TemplateStep } from '../template';
import { behind, holds, type JobInput, type LayoutInput } from './context';
import { inputOf, pointOf, protocolOf } from './input';
import { itemKey, itemOf, partKey, partOf } from './items';
import { fill, fillTitle } from './lines';

export type { CircuitHistory, JobInput, LayoutInput } from './context';

/** A plan before it is put in order: its steps as the templates have them. */
export type LaidOut = Omit<VisitPlan, 'estimate'>;

/** A step of a template in one circuit of one job. */
interface Place {
  job: JobInput;
  circuit: Circuit | null;
  step: TemplateStep;
}

/** A step's key is the same in every visit of this machine: what was written at it is found again. */
function keyOf(
  p: Pick<Place, 'job' | 'circuit'>,
  step: Pick<TemplateStep, 'key' | 'shared'>,
  f: Fastener | null
): string {
  const of = f ? `-${f.id}` : '';
  if (step.shared) return `${step.key}${of}`;
  if (p.circuit === null) return `${p.job.template.key}.${step.key}${of}`;
  return p.circuit === 'engine' ? `${step.key}${of}` : `${step.key}${of}@${p.circuit}`;
}

/** The fasteners a step is for: those of its role in its circuit; a nameless one where every engine has one. */
function fastenersFor(p: Place, input: LayoutInput): (Fastener | null)[] {
  const { step, circuit } = p;
  if (step.each === null) return [null];
  const free = step.each === 'guard' || step.each === 'cover';
  const named = input.sheet.fasteners.filter((f) => f.role === step.each && (free || f.circuit === circuit));
  // One filler is opened, whichever comes first.
  if (step.each === 'filler cap' && named.length > 0) return named.slice(0, 1);
  if (named.length > 0 || !step.orNamed) return named;
  const name =
    circuit && circuit !== 'engine'
      ? `${capital(circuit)} ${step.orNamed.toLowerCase()}`
      : step.each === 'drain plug'
        ? `Engine ${step.orNamed.toLowerCase()}`
        : step.orNamed;
  return [
    unnoted({
      id: `unnamed-${circuit ?? 'machine'}`.replace(/ /g, '-'),
      circuit,
      role: step.each,
      name,
      place: 'not on the sheet yet',
      seal: step.each === 'filler cap' ? 'O-ring' : 'crush washer'
    })
  ];
}
const capital = (s: string) => s.charAt(0).toUpperCase() + s.slice(1);

/**
 * Lays out a visit: the steps of all its jobs for one machine, what they share once, with everything that is opened. Only what
 * this machine's sheet names is in it; figures it does not hold are unknown. Its order is another matter (`order/`).
 */
export function layOut(input: LayoutInput): LaidOut {
  const places: Place[] = input.jobs.flatMap((job) => {
    const circuits = job.template.circuits.length > 0 ? job.template.circuits : [null];
    return circuits.flatMap((circuit) =>
      job.template.steps
        .filter((step) => step.when.every((w) => holds(w, input, circuit)))
        .map((step) => ({ job, circuit, step }))
    );
  });
  const items = new Map<string, OpenedItem>();
  const steps = new Map<string, Step>();
  const opened = new Map<string, Fastener>();
  for (const p of places)
    if (p.step.kind === 'open')
      for (const f of fastenersFor(p, input))
        if (f && f.role !== 'guard' && f.role !== 'cover') opened.set(f.id, f);

  for (const p of places) {
    for (const f of fastenersFor(p, input)) {
      if (f && (p.step.kind === 'open' || p.step.kind === 'close')) {
        if (!items.has(itemKey(f))) items.set(itemKey(f), itemOf(f, input));
        if (p.step.part && !items.has(partKey(f))) items.set(partKey(f), partOf(f, p.step.part, p.circuit));
      }
      const step = oneStep(p, f, input, [...opened.values()], places);
      const there = steps.get(step.key);
      steps.set(step.key, there ? merged(there, step) : step);
    }
  }
  const plan: LaidOut = {
    jobs: input.jobs.map((j) => ({
      key: j.template.key,
      version: j.template.version,
      title: j.template.title,
      taskId: j.taskId,
      circuits: j.template.circuits
    })),
    title: input.jobs.map((j) => j.template.title).join(' + '),
    steps: [...steps.values()],
    items: [...items.values()],
    points: pointsOf(input)
  };
  // What names a step that is not here is not waited for.
  const known = new Set(plan.steps.map((s) => s.key));
  for (const s of plan.steps) {
    s.needs = s.needs.filter((n) => known.has(n) && n !== s.key);
    s.during = s.during.filter((n) => known.has(n) && n !== s.key);
  }
  warmth(plan, input);
  runs(plan, input);
  covers(plan, input);
  interlocks(plan);
  return plan;
}

function oneStep(
  p: Place,
  f: Fastener | null,
  input: LayoutInput,
  all: Fastener[],
  places: readonly Place[]
): Step {
  const context = { input, circuit: p.step.shared ? null : p.circuit, fastener: f, all };
  /** All plan keys of a step of this template, in this circuit. */
  const keys = (key: string): string[] => {
    const named = places.find((x) => x.job === p.job && x.circuit === p.circuit && x.step.key === key);
    if (!named) return [];
    const list = fastenersFor(named, input);
    // A step for one plug waits for that plug's own steps, not for its neighbour's.
    const own = f && named.step.each === p.step.each ? list.filter((x) => x?.id === f.id) : list;
    return own.map((x) => keyOf(p, named.step, x));
  };
  const key = keyOf(p, p.step, f);
  const { gate } = p.step;
  return makeStep({
    key,
    jobs: [p.job.template.key],
    circuit: p.step.shared ? null : p.circuit,
    title: fillTitle(p.step.title, context),
    lines: p.step.lines.flatMap((l) => fill(l, context)),
    caution: p.step.caution || null,
    input: inputOf(p.step, input, p.circuit, f, {
      steps: p.job.template.steps,
      keyOf: (k) => keys(k)[0] ?? keyOf(p, { key: k, shared: false }, null)
    }),
    // The only drain there is: without it nothing is changed.
    mayLeaveOut:
      p.step.mayLeaveOut &&
      !(p.step.kind === 'open' && p.step.each === 'drain plug' && fastenersFor(p, input).length === 1),
    gate: gate ? { steps: keys(gate.step), is: gate.is } : null,
    orientation: p.step.orientation,
    points: f && !f.id.startsWith('unnamed') ? [f.id] : [],
    minutes: p.step.minutes,
    wait: p.step.wait,
    waitFor: p.step.waitFor,
    engine: p.step.engine,
    heats: p.step.kind === 'warm up' || p.step.kind === 'run',
    spills: p.step.spills,
    needs: p.step.needs.flatMap(keys),
    during: p.step.during.flatMap(keys),
    last: input.last[key] ?? null
  });
}

/** One step of several jobs: all that either says. */
function merged(a: Step, b: Step): Step {
  const both = (x: string[], y: string[]) => [...new Set([...x, ...y])];
  return {
    ...a,
    jobs: both(a.jobs, b.jobs),
    lines: both(a.lines, b.lines),
    minutes: Math.max(a.minutes, b.minutes),
    wait: Math.max(a.wait, b.wait),
    needs: both(a.needs, b.needs),
    during: both(a.during, b.during),
    points: both(a.points, b.points),
    mayLeaveOut: a.mayLeaveOut && b.mayLeaveOut
  };
}

const MAPPED = ['drain plug', 'screen cap', 'filter cover', 'filler cap', 'check screw'];
/** What the map shows of the circuits this visit is about. */
function pointsOf(input: LayoutInput) {
  const circuits = input.jobs.flatMap((j) => j.template.circuits);
  return input.sheet.fasteners
    .filter((f) => f.at && f.circuit && circuits.includes(f.circuit) && MAPPED.includes(f.role))
    .map(pointOf);
}

/** How the engine is warmed, or that it is not: by the house rules, and by riding where idling does not reach the gearbox. */
function warmth(plan: LaidOut, input: LayoutInput): void {
  const warm = plan.steps.find((s) => s.key === 'warm');
  if (!warm) return;
  const { rules } = input;
  const gearbox =
    plan.jobs.some((j) => j.circuits.includes('gearbox')) && input.kind.startsWith('two-stroke');
  const how = gearbox ? rules.gearboxWarmUp : rules.warmUp;
  const guards = plan.steps.filter((s) => s.key.startsWith('guard-off')).map((s) => s.key);
  if (how === 'drain cold') {
    Object.assign(warm, {
      title: 'Drain it cold',
      lines: ['House rule: after long storage, old oil is not pumped round.'],
      caution: null,
      minutes: 0,
      wait: 0,
      heats: false
    });
    for (const s of plan.steps) if (s.engine === 'warm') s.engine = 'any';
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
    return;
  }
  if (rules.guardOff === 'before the warm-up') warm.during = [...warm.during, ...guards];
  else for (const s of plan.steps) if (guards.includes(s.key)) s.needs = [...s.needs, 'warm'];
}

/** The engine runs as long as its level wants it, and the oil settles by itself. */
function runs(plan: LaidOut, input: LayoutInput): void {
  const run = plan.steps.find((s) => s.input.type === 'start');
  if (!run) return;
  const read = plan.jobs.flatMap((j) => j.circuits).map((c) => protocolOf(input, c));
  const longest = (of: (p: ReturnType<typeof protocolOf>) => number | null) =>
    Math.max(0, ...read.map((p) => of(p) ?? 0)) / 60;
  run.minutes = Math.max(run.minutes, longest((p) => p.runSeconds) + 1);
  run.wait = longest((p) => p.settleSeconds);
  run.waitFor = 'the oil settles';
}

/** A cover comes off before what lies behind it is opened, and goes on after that is shut. */
function covers(plan: LaidOut, input: LayoutInput): void {
  for (const guard of input.sheet.fasteners.filter((f) => f.role === 'guard' || f.role === 'cover')) {
    const off = plan.steps.find((s) => s.input.type === 'open' && s.input.items.includes(itemKey(guard)));
    const on = plan.steps.find((s) => s.input.type === 'close' && s.input.items.includes(itemKey(guard)));
    const hidden = behind(guard, input.sheet);
    const unnamed = guard.covers.length === 0 && guard.role === 'guard';
    const lies = (i: OpenedItem) =>
      i.key !== itemKey(guard) &&
      (i.fastenerId === null ? unnamed && i.role === 'drain plug' : hidden.includes(i.fastenerId));
    const keys = plan.items.filter(lies).map((i) => i.key);
    if (off)
      for (const s of plan.steps)
        if (s.input.type === 'open' && s.input.items.some((k) => keys.includes(k)) && s.key !== off.key)
          s.needs = [...new Set([...s.needs, off.key])];
    if (!on) continue;
    on.after = [...new Set([...on.after, ...keys])];
    for (const s of plan.steps)
      if (s.input.type === 'close' && s.input.items.some((k) => keys.includes(k)))
        on.needs = [...new Set([...on.needs, s.key])];
  }
}

/** What an engine start, a pour and a spill ask of the other jobs of the visit. */
function interlocks(plan: LaidOut): void {
  const shutBefore = (s: Step, circuit: Circuit | null) =>
    plan.items
      .filter(
        (i) =>
          i.role !== 'guard' &&
          i.role !== 'cover' &&
          i.role !== 'check screw' &&
          (circuit === null || i.circuit === circuit) &&
          !(s.input.type === 'pour' && i.kind === 'cap')
      )
      .map((i) => i.key);
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
    if (s.input.type === 'start') {
      s.after = shutBefore(s, null);
      const pours = plan.steps.filter((x) => x.input.type === 'pour').map((x) => x.key);
      s.needs = [
        ...new Set([
          ...s.needs,
          ...pours,
          ...closing(s.after)
            .filter((c) => !waitsFor(plan, c.key, s.key))
            .map((c) => c.key)
        ])
      ];
    }
  }
}

/** Whether one step already waits for another, by whatever way. */
function waitsFor(plan: LaidOut, key: string, other: string): boolean {
  const byKey = new Map(plan.steps.map((s) => [s.key, s]));
  const seen = new Set<string>();
  const stack = [key];
  while (stack.length > 0) {
    const k = stack.pop()!;
    if (k === other) return true;
    if (seen.has(k)) continue;
    seen.add(k);
    const s = byKey.get(k);
    if (s) stack.push(...s.needs, ...s.during);
  }
  return false;
}
