import { z } from 'zod';
import { numberTyped } from '../forms';
import { UNIT_NAMES } from '../quantity/units';
import { CIRCUITS, FASTENER_ROLES, FIGURE_KEYS, figureKind } from '../specs/sheet';
import { findLoop } from '../ordering/model';
import { STAGES as SLACK_STAGES } from '../chain/check';
import { VALVE_STAGES } from '../valve/stages';

/**
 * A job template: what a job is made of, as data. It names no machine; laid out for one (see `layout/`), each step takes the
 * machine's own fasteners, figures and house rules. A team may change one; a visit keeps the version it was made from.
 */
export const STEP_KINDS = [
  'tick',
  'open',
  'close',
  'choice',
  'measure',
  'drained',
  'debris',
  'oil',
  'pour',
  'level',
  'meter',
  'clearances',
  'slack',
  'dressing',
  'warm up',
  'run'
] as const;
export type StepKind = (typeof STEP_KINDS)[number];
export const KIND_WORDS: Readonly<Record<StepKind, string>> = {
  tick: 'something to do or to look at',
  open: 'takes a fastener off',
  close: 'puts it back, torqued',
  choice: 'a yes or no that other steps hang on',
  measure: 'a number with its band',
  drained: 'how much came out',
  debris: 'what came out, judged',
  oil: 'which oil goes in',
  pour: 'what goes in',
  level: 'the level, read',
  meter: 'the hour meter',
  clearances: 'the valves, on the valve sheet',
  slack: 'the slack of the chain, read',
  dressing: 'the chain lubed, waxed or left dry',
  'warm up': 'warms the engine',
  run: 'starts the engine'
};

/** What must hold for a step to be laid out at all. */
export const WHENS = [
  'in break-in',
  'not in break-in',
  'two-stroke',
  'house rule: fill the filter first',
  'house rule: filter replaced',
  'house rule: filter washed',
  'house rule: lay it on its side',
  'house rule: screens replaced',
  'the level is read at a check screw',
  'the level is read after a run',
  'a level is read',
  'the head has shims',
  'the head has screws'
] as const;
export type When = (typeof WHENS)[number];

/** What opens a gate: an answer, a number outside its band, or debris of a grade. */
export const OPENS = ['yes', 'no', 'inside', 'outside', 'glitter or worse', 'flakes or worse'] as const;
export type Opens = (typeof OPENS)[number];
/** Stone cold; warm; `cool`: not hot, whatever is heated in the visit is heated after it. */
export const ENGINES = ['any', 'cold', 'cool', 'warm'] as const;

/** One end of a band: a number within reason, or none. */
const bandEnd = numberTyped('A number, such as 20.')
  .pipe(z.number().min(-1e6, 'That is too little.').max(1e6, 'That is too much.'))
  .nullable();
const key = z
  .string()
  .trim()
  .regex(/^[a-z0-9][a-z0-9-]{0,39}$/, 'Small letters, digits and dashes, at most 40.');
const text = (max: number) => z.string().trim().max(max, `At most ${max} characters.`);
const minutes = (most: number) =>
  numberTyped('Minutes, such as 3.').pipe(
    z.number().min(0, 'Not below zero.').max(most, `At most ${most} minutes.`)
  );

export const stepShape = {
  key,
  title: text(90).min(1, 'Say what is done.'),
  lines: z.array(text(300)).max(12, 'At most 12 lines.').default([]),
  caution: text(300).default(''),
  kind: z.enum(STEP_KINDS),
  /** One step for each fastener of this role in the circuit. */
  each: z.enum(FASTENER_ROLES).nullable().default(null),
  /** What it is called where the sheet names none of that role; empty: then there is no such step. */
  orNamed: text(60).default(''),
  /** How many of that role such an engine has: of fewer on the sheet it is asked before the work. */
  expects: z.number().int().min(1).max(4).default(1),
  /** A loose part behind each fastener: comes out when it is opened, goes back where a step closes it. */
  part: text(60).default(''),
  /** Things the sheet does not name, counted out where it opens and in again where it closes: cam caps, half rings, a rag. */
  things: z.array(text(60).min(1, 'Name it.')).max(12, 'At most 12 things.').default([]),
  /** Whether this step takes that part out or puts it in, rather than the fastener itself. */
  partOnly: z.boolean().default(false),
  /** One for the whole visit, whatever jobs it has. */
  shared: z.boolean().default(false),
  minutes: minutes(600),
  wait: minutes(1440).default(0),
  waitFor: text(60).default(''),
  engine: z.enum(ENGINES).default('any'),
  /** Steps that are done, and their waits over, before this one. */
  needs: z.array(key).max(20).default([]),
  /** Steps that are done before this one; their waits may still run. */
  during: z.array(key).max(20).default([]),
  when: z.array(z.enum(WHENS)).max(4).default([]),
  gate: z
    .object({ step: key, is: z.enum(OPENS) })
    .nullable()
    .default(null),
  mayLeaveOut: z.boolean().default(true),
  /** Spills oil of its circuit: goes before the oil is poured. */
  spills: z.boolean().default(false),
  /** Of the valves, or of the slack: which of their numbers it wants. */
  stage: z
    .enum([...new Set([...VALVE_STAGES, ...SLACK_STAGES])])
    .nullable()
    .default(null),
  /** A way round that is easy to get wrong: shown with the last photo. */
  orientation: z.boolean().default(false),
  /** What it is measured in, and its band: a figure of the machine's own sheet, or numbers that hold for every machine. */
  measure: z
    .object({
      unit: z.enum(UNIT_NAMES, { error: 'Pick a unit.' }),
      from: bandEnd.default(null),
      to: bandEnd.default(null),
      figure: z.enum(FIGURE_KEYS, { error: 'No such figure.' }).nullable().default(null)
    })
    .nullable()
    .default(null)
};
export const templateStepSchema = z.object(stepShape);
export type TemplateStep = z.infer<typeof templateStepSchema>;

export const templateShape = {
  key,
  title: text(60).min(1, 'Name the job.'),
  about: text(400).default(''),
  /** The oil circuits it is about; its own steps are laid out once for each. */
  circuits: z.array(z.enum(CIRCUITS)).max(3).default([]),
  steps: z.array(templateStepSchema).min(1, 'A job has at least one step.').max(60, 'At most 60 steps.')
};
export const templateSchema = z.object(templateShape).superRefine((t, ctx) => {
  // The address of the editor of a new one.
  if (t.key === 'new') ctx.addIssue({ code: 'custom', path: ['key'], message: 'Not “new”: name it.' });
  for (const p of templateProblems(t)) ctx.addIssue({ code: 'custom', path: p.path, message: p.message });
});
export type JobTemplate = z.infer<typeof templateSchema>;
/** A template as it is kept: with its version, and whether it is the product's own or the team's. */
export interface VersionedTemplate extends JobTemplate {
  version: number;
  own: boolean;
}

/**
 * What is wrong with a template as a whole: two steps of one key, a step that waits for one that is not there, a circle, a
 * gate on a step that gives no answer.
 */
export function templateProblems(t: {
  circuits?: readonly string[];
  steps: readonly Pick<
    TemplateStep,
    'key' | 'title' | 'kind' | 'each' | 'needs' | 'during' | 'gate' | 'measure' | 'stage'
  >[];
}): { path: (string | number)[]; message: string }[] {
  const problems: { path: (string | number)[]; message: string }[] = [];
  const index = new Map<string, number>();
  for (const [i, s] of t.steps.entries()) {
    if (index.has(s.key))
      problems.push({
        path: ['steps', i, 'key'],
        message: `Step ${index.get(s.key)! + 1} has that key too.`
      });
    else index.set(s.key, i);
  }
  for (const [i, s] of t.steps.entries()) {
    for (const field of ['needs', 'during'] as const)
      for (const n of s[field]) {
        if (!index.has(n)) problems.push({ path: ['steps', i, field], message: `There is no step “${n}”.` });
        if (n === s.key)
          problems.push({ path: ['steps', i, field], message: 'A step cannot wait for itself.' });
      }
    if (s.kind === 'measure' && !s.measure)
      problems.push({ path: ['steps', i, 'measure'], message: 'Say in what unit it is measured.' });
    const stages: readonly string[] | null =
      s.kind === 'clearances' ? VALVE_STAGES : s.kind === 'slack' ? SLACK_STAGES : null;
    if (stages && (s.stage === null || !stages.includes(s.stage)))
      problems.push({
        path: ['steps', i, 'stage'],
        message: `Say which of the ${s.kind === 'slack' ? 'slack’s' : 'valves’'} numbers it wants.`
      });
    if (s.measure && s.measure.from !== null && s.measure.to !== null && s.measure.from > s.measure.to)
      problems.push({ path: ['steps', i, 'measure'], message: 'The band runs backwards.' });
    if (s.measure?.figure && figureKind(s.measure.figure).dimension === null)
      problems.push({
        path: ['steps', i, 'measure'],
        message: `“${figureKind(s.measure.figure).label}” is words: nothing is measured by it.`
      });
    if (s.measure?.figure && figureKind(s.measure.figure).perFastener && s.each === null)
      problems.push({
        path: ['steps', i, 'measure'],
        message: 'A torque belongs to a fastener: say for each of which.'
      });
    if (['drained', 'debris', 'oil', 'pour', 'level'].includes(s.kind) && t.circuits?.length === 0)
      problems.push({ path: ['steps', i, 'kind'], message: 'A step about oil needs a job with a circuit.' });
    if (s.gate) {
      const on = t.steps[index.get(s.gate.step) ?? -1];
      if (!on) problems.push({ path: ['steps', i, 'gate'], message: `There is no step “${s.gate.step}”.` });
      else if (!answers(on.kind, s.gate.is))
        problems.push({ path: ['steps', i, 'gate'], message: `“${on.title}” never answers “${s.gate.is}”.` });
    }
  }
  if (problems.length > 0) return problems;
  const keys = t.steps.map((s) => s.key);
  const next = keys.map((k) =>
    t.steps.flatMap((s, to) =>
      s.needs.includes(k) || s.during.includes(k) || s.gate?.step === k ? [{ to }] : []
    )
  );
  const loop = findLoop(keys, next);
  if (loop) {
    const named = loop.map((k) => `“${t.steps[index.get(k)!]!.title}”`);
    problems.push({
      path: ['steps', index.get(loop[0]!)!, 'needs'],
      message: `These wait for one another in a circle: ${[...named, named[0]].join(' → ')}.`
    });
  }
  return problems;
}

/** Whether a step of a kind can give an answer that opens a gate. */
export function answers(kind: StepKind, is: Opens): boolean {
  if (kind === 'choice') return is === 'yes' || is === 'no';
  if (kind === 'measure' || kind === 'clearances' || kind === 'slack')
    return is === 'inside' || is === 'outside';
  return kind === 'debris' && (is === 'glitter or worse' || is === 'flakes or worse');
}
