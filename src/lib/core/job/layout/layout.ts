import { movesChain } from '../../chain/axle';
import { has } from '../../machine/has';
import { unnoted, type Circuit, type Fastener, type FastenerRole } from '../../specs/sheet';
import { usualFasteners } from '../../specs/usual';
import { makeStep, type OpenedItem, type Step, type VisitPlan } from '../plan';
import type { TemplateStep } from '../template';
import { carriesScreen, holds, type JobInput, type LayoutInput } from './context';
import { NOT_NAMED } from './answered';
import { coverOf, heldBy } from './filter-covers';
import { inputOf, pointOf } from './input';
import { filterOf, itemKey, itemOf, looseOf, partKey, partOf, thingOf, thingsOf } from './items';
import { fill, fillTitle } from './lines';
import { inTheWay, isInTheWay, orderOfCovers } from './in-the-way';
import { interlocks, runs, warmth } from './rules';
import { merged, readFirst, share } from './sharing';
import { warmed } from './warmed';

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
  const free = isInTheWay(step.each);
  const all = input.sheet.fasteners.filter((f) => f.role === step.each && (free || f.circuit === circuit));
  // Of the axles it is the one that the chain pulls at.
  const ofChain = step.each === 'axle nut' && p.job.template.steps.some((s) => s.kind === 'slack');
  const named = ofChain ? all.filter(movesChain).slice(0, 1) : all;
  // One filler is opened, whichever comes first.
  if (step.each === 'filler cap' && named.length > 0) return named.slice(0, 1);
  // What lies behind it is there once, however many rows its bolts have.
  if (step.part !== '' && named.length > 0) return named.filter((f) => coverOf(f, input.sheet).id === f.id);
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
      place: NOT_NAMED
    })
  ];
}
const capital = (s: string) => s.charAt(0).toUpperCase() + s.slice(1);

/**
 * Lays out a visit: the steps of all its jobs for one machine, what they share once, with everything that is opened. Only what
 * this machine's sheet names is in it; figures it does not hold are unknown. Its order is another matter (`order/`).
 */
export function layOut(input: LayoutInput): LaidOut {
  const burns = has(input.kind, 'combustion engine');
  const places: Place[] = input.jobs.flatMap((given) => {
    const job = burns
      ? { ...given, template: { ...given.template, steps: warmed(given.template.steps) } }
      : given;
    const circuits = job.template.circuits.length > 0 ? job.template.circuits : [null];
    return circuits.flatMap((circuit) =>
      job.template.steps
        .filter((step) => step.when.every((w) => holds(w, input, circuit)))
        .filter((step) => step.kind !== 'meter' || input.hourMeter !== false)
        // What burns nothing is not warmed, and is never hot: its work asks for neither.
        .filter((step) => step.kind !== 'warm up' || burns)
        .map((step) => (burns ? step : { ...step, engine: 'any' as const }))
        .map((step) => ({ job, circuit, step }))
    );
  });
  const items = new Map<string, OpenedItem>();
  const steps = new Map<string, Step>();
  const opened = new Map<string, Fastener>();
  for (const p of places)
    if (p.step.kind === 'open')
      for (const f of fastenersFor(p, input)) if (f && !isInTheWay(f.role)) opened.set(f.id, f);

  for (const p of places) {
    for (const f of fastenersFor(p, input)) {
      if (f && (p.step.kind === 'open' || p.step.kind === 'close')) {
        for (const bolt of p.step.kind === 'open' ? heldBy(f, input.sheet) : [f]) {
          if (!items.has(itemKey(bolt))) items.set(itemKey(bolt), itemOf(bolt, input));
          const loose = p.step.partOnly ? null : looseOf(bolt);
          if (loose) items.set(loose.key, loose);
        }
        if (p.step.part && !items.has(partKey(f)))
          items.set(partKey(f), { ...partOf(f, p.step.part, p.circuit), filter: filterOf(f, input) });
      }
      if (!f && (p.step.kind === 'open' || p.step.kind === 'close'))
        for (const name of thingsOf(p.step.things, input)) {
          const thing = thingOf(name);
          if (!items.has(thing.key)) items.set(thing.key, thing);
        }
      const step = oneStep(p, f, input, [...opened.values()], places);
      const there = steps.get(step.key);
      steps.set(step.key, there ? merged(there, step) : step);
    }
  }
  // What hangs on a step that this machine does not have is never called for.
  for (const [key, { gate }] of steps) if (gate && !gate.steps.some((g) => steps.has(g))) steps.delete(key);
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
    points: pointsOf(input),
    coolsIn: input.rules.coldAfterHours * 60
  };
  share(plan);
  readFirst(plan);
  inTheWay(plan, input);
  // What names a step that is not here is not waited for.
  const known = new Set(plan.steps.map((s) => s.key));
  for (const s of plan.steps) {
    s.needs = s.needs.filter((n) => known.has(n) && n !== s.key);
    s.during = s.during.filter((n) => known.has(n) && n !== s.key);
  }
  warmth(plan, input);
  runs(plan, input);
  orderOfCovers(plan, input);
  interlocks(plan);
  return plan;
}

/** Something the jobs would open and the sheet does not name. */
export interface Unnamed {
  role: FastenerRole;
  circuit: Circuit;
  /** What it would usually be called. */
  name: string;
  /** Its steps are not in the visit: not every machine has one. What every engine has is laid out without its name. */
  leftOut: boolean;
}

/** What another of several would be called: an oil in the frame has a drain there and one at the sump. */
const otherOf = (there: readonly Fastener[], role: FastenerRole): string =>
  role !== 'drain plug'
    ? `Another ${role}`
    : there.some((f) => /\bframe/i.test(f.name))
      ? 'Sump drain plug'
      : 'Frame drain plug';

/**
 * What the jobs would open and the sheet does not name: somebody has to be told, and can say that this machine has one. A guard
 * that is not named is simply not there.
 */
export function notNamed(input: LayoutInput): Unnamed[] {
  const found = new Map<string, Unnamed>();
  for (const { template } of input.jobs)
    for (const circuit of template.circuits)
      for (const { kind, each, orNamed, when, expects } of template.steps) {
        if (!when.every((w) => holds(w, input, circuit))) continue;
        if (kind !== 'open' || each === null || isInTheWay(each)) continue;
        const there = input.sheet.fasteners.filter((f) => f.role === each && f.circuit === circuit);
        if (there.length >= expects) continue;
        // Its screen comes out with the drain plug.
        if (
          each === 'screen cap' &&
          input.sheet.fasteners.some((f) => f.circuit === circuit && carriesScreen(f))
        )
          continue;
        const usual = usualFasteners(input.kind).find((f) => f.role === each && f.circuit === circuit);
        // Few gearboxes have a screen: where one is on the sheet it is taken out, and nobody is asked for it.
        if (each === 'screen cap' && circuit !== 'engine' && !usual) continue;
        const name = there.length > 0 ? otherOf(there, each) : (usual?.name ?? `${capital(circuit)} ${each}`);
        const leftOut = !orNamed || there.length > 0;
        // Somebody said that it has none: what is left out in any case is not asked for again.
        const said = input.sheet.lacks?.some(
          (l) => l.role === each && l.circuit === circuit && (there.length === 0 || l.name === name)
        );
        if (leftOut && said) continue;
        found.set(`${each} ${circuit}`, { role: each, circuit, name, leftOut });
      }
  return [...found.values()];
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
    const same = (x: Fastener | null) => x && f && coverOf(x, input.sheet).id === coverOf(f, input.sheet).id;
    const own = f && named.step.each === p.step.each ? list.filter(same) : list;
    return own.map((x) => keyOf(p, named.step, x));
  };
  const key = keyOf(p, p.step, f);
  const { gate } = p.step;
  // Somebody stands by an engine that warms up: nothing is done at a machine that runs, whoever wrote the job.
  const stoodBy = p.step.kind === 'warm up';
  return makeStep({
    key,
    jobs: [p.job.template.key],
    circuit: p.step.shared ? null : p.circuit,
    title: fillTitle(p.step.title, context),
    lines: p.step.lines.flatMap((l) => fill(l, context)),
    caution: fill(p.step.caution, context).join(' ') || null,
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
    points:
      f && !f.id.startsWith('unnamed')
        ? (p.step.kind === 'open' ? heldBy(f, input.sheet) : [f]).map((x) => x.id)
        : [],
    minutes: p.step.minutes + (stoodBy ? p.step.wait : 0),
    wait: stoodBy ? 0 : p.step.wait,
    waitFor: p.step.waitFor,
    engine: p.step.engine,
    coolFor: p.step.engine === 'cool' ? input.rules.coolAfterMinutes : null,
    warmFor: p.step.engine === 'warm' && p.step.kind === 'open' ? input.rules.warmForMinutes : null,
    heats: p.step.kind === 'warm up' || p.step.kind === 'run',
    spills: p.step.spills,
    needs: p.step.needs.flatMap(keys),
    during: p.step.during.flatMap(keys),
    // A step that is shared now was each job's own before.
    last: input.last[key] ?? input.last[`${p.job.template.key}.${p.step.key}`] ?? null
  });
}

const MAPPED = ['drain plug', 'screen cap', 'filter cover', 'filler cap', 'check screw'];
/** What the map shows of the circuits this visit is about. */
function pointsOf(input: LayoutInput) {
  const circuits = input.jobs.flatMap((j) => j.template.circuits);
  return input.sheet.fasteners
    .filter((f) => f.at && f.circuit && circuits.includes(f.circuit) && MAPPED.includes(f.role))
    .map(pointOf);
}
