import { slackAt } from '../chain/at-bench';
import { movesChain } from '../chain/axle';
import { isOutside } from '../job/layout/in-the-way';
import { gravity } from '../debris/debris';
import { ledger, type Ledger, type Pour } from '../fluids/ledger';
import type { LevelReading } from '../fluids/level';
import { judge, type Judgement } from '../quantity/band';
import { quantity, type Quantity } from '../quantity/quantity';
import type { Circuit } from '../specs/sheet';
import type { DoneContent, Entry } from './entry';
import {
  applyToItem,
  freshItem,
  isShut,
  SHUTS,
  takeOff,
  touch,
  unknown,
  type ItemState,
  type Mark
} from './items';
import { inTurn } from './moments';
import { inOrder } from '../job/order/overrule';
import type { Fill, Step, VisitPlan } from '../job/plan';

export { isShut, standInWords, type ItemState } from './items';

export interface Timer {
  id: string;
  stepKey: string;
  label: string;
  seconds: number;
  /** When it was started, by the server's clock; empty while it is on its way there. */
  at: string;
}

export interface StepState {
  step: Step;
  /** False where its gate has not been opened: it is not called for. */
  called: boolean;
  /** The last entry about it. */
  last: Mark | null;
  done: boolean;
  leftOut: string | null;
  /** Waits for somebody else: their name, or whoever comes. */
  handed: { to: string | null; note: string; by: string } | null;
  /** What was written, the latest last: several pours, several readings of a level. */
  written: DoneContent[];
  by: string | null;
  at: string | null;
}

/** Something small or foreign counted out, and whether it is back. */
export interface ThingState {
  id: string;
  what: string;
  name: string;
  count: number;
  in: boolean;
  by: string;
}

export interface VisitState {
  steps: StepState[];
  items: ItemState[];
  things: ThingState[];
  timers: Timer[];
  /** What was not laid out and had to be fetched, in the order it was. */
  fetched: { id: string; what: string }[];
  /** Points of the map that were not visited, with why. */
  passedOver: Record<string, string>;
  /** Why the oil in a circuit stays as it is though the sheet says another quantity, and how much that was, ml. */
  fillsAccepted: Partial<Record<Circuit, { inMl: number; reason: string }>>;
  /** Why the steps are done in another order than the plan’s, each time somebody said so. */
  reordered: string[];
  /** The first step that is neither done nor left out nor waiting for somebody else; null when there is none. */
  next: string | null;
  /** What stands open now: off, out, or only hand-tight. */
  open: ItemState[];
}

/** The state of a visit: its entries read from the first that was done to the last, in whatever order they came in. */
export function visitState(plan: Pick<VisitPlan, 'steps' | 'items'>, entries: readonly Entry[]): VisitState {
  const fold = new VisitFold(plan);
  for (const entry of inTurn(entries)) fold.add(entry);
  return fold.state();
}

/** The same, entry by entry as they were done. */
export class VisitFold {
  readonly #items: Map<string, ItemState>;
  readonly #steps: Map<string, StepState>;
  readonly #things = new Map<string, ThingState>();
  readonly #timers = new Map<string, Timer>();
  readonly #fetched = new Map<string, { id: string; what: string }>();
  readonly #passedOver: Record<string, string> = {};
  readonly #fillsAccepted: VisitState['fillsAccepted'] = {};
  #order: string[] | null = null;
  readonly #reordered: string[] = [];
  /** Entries so far. */
  #n = 0;

  constructor(plan: Pick<VisitPlan, 'steps' | 'items'>) {
    this.#items = new Map(plan.items.map((item) => [item.key, freshItem(item)]));
    this.#steps = new Map(
      plan.steps.map((step) => [
        step.key,
        {
          step,
          called: true,
          last: null,
          done: false,
          leftOut: null,
          handed: null,
          written: [],
          by: null,
          at: null
        }
      ])
    );
  }

  add(entry: Entry): void {
    const { id, at, by } = entry;
    const mark = { id, n: ++this.#n };
    if (entry.stepKey !== null) {
      const s = this.#steps.get(entry.stepKey);
      if (entry.action === 'timer')
        this.#timers.set(id, { id, stepKey: entry.stepKey, at, ...entry.content });
      else if (entry.action === 'timer off') this.#timers.delete(entry.content.of);
      else if (s) {
        applyToStep(s, entry, this.#items, this.#steps, mark);
        s.last = mark;
      }
    } else if (entry.itemKey !== null) {
      const i = this.#items.get(entry.itemKey);
      if (!i) return;
      const was = isShut(i);
      // Shut by a device that did not know it had come off again: it is open until somebody has looked.
      if (SHUTS.has(entry.action) && unknown(i, entry)) i.asked = { by, at, said: entry.action };
      else applyToItem(i, entry, mark);
      touch(i, mark);
      if (entry.action === 'off' && was) letsOut(i, this.#steps, this.#items);
    } else if (entry.action === 'thing out') this.#things.set(id, { id, ...entry.content, in: false, by });
    else if (entry.action === 'thing in') {
      const thing = this.#things.get(entry.content.of);
      if (thing) thing.in = true;
    } else if (entry.action === 'fetched') this.#fetched.set(id, { id, ...entry.content });
    else if (entry.action === 'not fetched') this.#fetched.delete(entry.content.of);
    else if (entry.action === 'passed over')
      this.#passedOver[entry.content.fastenerId] = entry.content.reason;
    else if (entry.action === 'fill accepted') this.#fillsAccepted[entry.content.circuit] = entry.content;
    else if (entry.action === 'reordered') {
      this.#order = entry.content.order;
      if (entry.content.reason) this.#reordered.push(entry.content.reason);
    }
  }

  /** How the visit stands now. Its parts go on with the fold: look at them before the next entry is added. */
  state(): VisitState {
    const [steps, items] = [[...this.#steps.values()], [...this.#items.values()]];
    for (const s of steps) s.called = s.step.gate === null || opensGate(s.step.gate, this.#steps);
    for (const s of steps)
      if (s.step.input.type === 'close')
        s.done = s.step.input.items.every((key) => isBack(this.#items.get(key)!, this.#steps));
    const list = this.#order
      ? inOrder(
          steps.map((s) => ({ key: s.step.key, s })),
          this.#order
        ).map((x) => x.s)
      : steps;
    return {
      steps: list,
      items,
      things: [...this.#things.values()],
      timers: [...this.#timers.values()],
      fetched: [...this.#fetched.values()],
      passedOver: this.#passedOver,
      fillsAccepted: this.#fillsAccepted,
      reordered: this.#reordered,
      next: list.find((s) => isLeft(s) && s.handed === null)?.step.key ?? list.find(isLeft)?.step.key ?? null,
      open: items.filter((i) => !isShut(i))
    };
  }
}

/** Called for, and neither done nor left out. */
export const isLeft = (s: StepState) => s.called && !s.done && s.leftOut === null;

/** Whether a gate has been opened by what was written at any of its steps. */
export function opensGate(gate: NonNullable<Step['gate']>, steps: ReadonlyMap<string, StepState>): boolean {
  return gate.steps.some((key) => {
    const s = steps.get(key);
    const w = s?.written.at(-1);
    if (!s || !s.done || !w) return false;
    switch (gate.is) {
      case 'yes':
      case 'no':
        return w.answer === gate.is;
      case 'inside':
      case 'outside': {
        if (s.step.input.type === 'clearances')
          return w.clearances !== undefined && (gate.is === 'outside') === w.clearances.bad > 0;
        if (s.step.input.type === 'slack') {
          const slack = slackAt(s);
          return (gate.is === 'outside') === (slack === 'too tight' || slack === 'too slack');
        }
        const judged = judgedAt(s);
        // Just at the end of its band it is still inside.
        return judged !== null && (gate.is === 'outside') === (judged === 'outside');
      }
      case 'glitter or worse':
        return w.grade !== undefined && gravity(w.grade) >= gravity('fine glitter');
      case 'flakes or worse':
        return w.grade !== undefined && gravity(w.grade) >= gravity('flakes you can feel');
    }
  });
}
/** What was measured at a step, the latest last. */
export const measuredAt = (s: Pick<StepState, 'written'>): Quantity[] =>
  s.written.flatMap((w) => (w.measured ? [quantity(w.measured.value, w.measured.unit)] : []));

/** How the last value measured at a step stands to its band; null where nothing was measured, or there is no band. */
export function judgedAt(s: Pick<StepState, 'step' | 'written'>): Judgement | null {
  const { input } = s.step;
  const last = measuredAt(s).at(-1);
  return input.type === 'measure' && last && input.number.band ? judge(last, input.number.band) : null;
}

/**
 * Shut again after it was opened; or never to be opened, because that was left out or not called for. Where nothing in the
 * visit opens it, it is to be torqued as it stands.
 */
function isBack(i: ItemState, steps: ReadonlyMap<string, StepState>): boolean {
  if (!isShut(i)) return false;
  if (i.opened) return true;
  const openings = [...steps.values()].filter(
    (s) => s.step.input.type === 'open' && s.step.input.items.includes(i.item.key)
  );
  // What nothing called for was never off.
  return openings.length > 0 && openings.every((s) => !s.called || s.leftOut !== null);
}

/** What lets oil out after its level was read makes that reading old: the level is to be read again. */
function letsOut(i: ItemState, steps: Map<string, StepState>, items: Map<string, ItemState>): void {
  const { role, circuit } = i.item;
  if (role === 'axle nut' && movesChain(i.item)) axleMoved(steps, items, null);
  if (role === 'filler cap' || role === 'check screw' || isOutside(role) || circuit === null) return;
  for (const s of steps.values())
    if (s.step.input.type === 'level' && s.step.input.circuit === circuit) s.done = false;
}

/**
 * Moving the axle reopens what was seen to with it where it stood: the slack with the axle tight, the brake, the free spin
 * (handbook, section 4). Adjusted once more, the nut that was torqued is loose again.
 * @param by the step that moved it; null: its nut came off
 */
function axleMoved(
  steps: Map<string, StepState>,
  items: Map<string, ItemState>,
  by: { entry: Entry; mark: Mark } | null
): void {
  const adjusting = [...steps.values()].filter(
    (s) => s.step.input.type === 'slack' && s.step.input.stage === 'adjusted'
  );
  const after = new Set(adjusting.map((s) => s.step.key));
  for (let more = true; more;) {
    more = false;
    for (const s of steps.values())
      if (!after.has(s.step.key) && s.step.needs.some((n) => after.has(n))) {
        after.add(s.step.key);
        more = true;
      }
  }
  for (const s of steps.values()) {
    const { input } = s.step;
    const mine = after.has(s.step.key) && !adjusting.includes(s);
    if (
      (mine && (input.type === 'tick' || input.type === 'slack')) ||
      (input.type === 'slack' && input.stage === 'tight')
    )
      s.done = false;
    if (by && mine && input.type === 'close')
      for (const key of input.items) {
        const i = items.get(key)!;
        if (isShut(i) && i.opened && i.item.role === 'axle nut') takeOff(i, by.entry, by.mark);
      }
  }
}

function applyToStep(
  s: StepState,
  entry: Entry & { stepKey: string },
  items: Map<string, ItemState>,
  steps: Map<string, StepState>,
  mark: Mark
): void {
  const { input } = s.step;
  if (entry.action === 'handed over') {
    s.handed = { ...entry.content, by: entry.by };
    return;
  }
  if (entry.action === 'taken back') {
    s.handed = null;
    return;
  }
  s.by = entry.by;
  s.at = entry.at;
  s.handed = null;
  if (entry.action === 'left out') {
    s.leftOut = entry.content.reason;
    s.done = false;
    return;
  }
  s.leftOut = null;
  if (entry.action === 'done') s.written.push(entry.content);
  // Of several pours or readings the last is taken back; the others were made.
  else if (input.type === 'pour' || input.type === 'level') s.written.pop();
  else s.written = [];
  s.done = s.written.length > 0;
  if (entry.action === 'done' && input.type === 'slack' && input.stage === 'adjusted')
    axleMoved(steps, items, { entry, mark });
  if (input.type === 'open') {
    for (const key of input.items) {
      const i = items.get(key)!;
      // Undoing "off" means it never came off; but what has since been torqued stays torqued.
      if (entry.action === 'done') {
        const was = isShut(i);
        takeOff(i, entry, mark);
        if (was) letsOut(i, steps, items);
      } else if (i.stand === 'off')
        Object.assign(i, {
          ...freshItem(i.item),
          found: i.found,
          remarks: i.remarks,
          by: entry.by,
          at: entry.at,
          last: mark,
          seenAs: i.seenAs
        });
    }
  }
}

/** The fill a pour goes by: without the filter where somebody said it stays in. */
export function fillInForce(state: Pick<VisitState, 'steps'>, step: Step): Fill | null {
  if (step.input.type !== 'pour') return null;
  const { fill, without } = step.input;
  const answer = without && state.steps.find((s) => s.step.key === without.step)?.written.at(-1)?.answer;
  return answer === 'no' ? without!.fill : fill;
}

/** The pour ledger of one circuit: pours, what went into the filter, toppings up, what was let out again. */
export function ledgerOf(state: Pick<VisitState, 'steps'>, circuit: Circuit): Ledger {
  const pours: Pour[] = [];
  let quantityMl: number | null = null;
  for (const s of state.steps) {
    const { input } = s.step;
    if ((input.type !== 'pour' && input.type !== 'level') || input.circuit !== circuit) continue;
    if (input.type === 'pour') quantityMl = fillInForce(state, s.step)?.quantityMl ?? null;
    for (const w of s.written) {
      if (w.ml !== undefined) pours.push({ what: w.pour ?? 'poured in', ml: w.ml, residueMl: w.residueMl });
      if (w.toppedUpMl) pours.push({ what: 'topped up', ml: w.toppedUpMl });
    }
  }
  return ledger(pours, quantityMl);
}

/** The last level that was read in a circuit, or null. */
export function lastLevel(state: Pick<VisitState, 'steps'>, circuit: Circuit): LevelReading | null {
  return (
    state.steps
      .filter((s) => s.step.input.type === 'level' && s.step.input.circuit === circuit)
      .flatMap((s) => s.written)
      .findLast((w) => w.level)?.level ?? null
  );
}

/** Circuits that a visit changes oil in. */
export function circuitsOf(plan: Pick<VisitPlan, 'steps'>): Circuit[] {
  return [
    ...new Set(
      plan.steps.flatMap((s) =>
        s.input.type === 'pour' || s.input.type === 'level' ? [s.input.circuit] : []
      )
    )
  ];
}
