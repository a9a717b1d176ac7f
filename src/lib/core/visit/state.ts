import { oddTorque } from '../fasteners/torque';
import { judgeLevel, type LevelReading } from '../fluids/level';
import { quantity, show, type Quantity } from '../quantity/quantity';
import type { DoneContent, Entry, NewEntry } from './entry';
import type { OpenedItem, Step, VisitPlan } from './plan';

export type ItemStand = 'fitted' | 'off' | 'by hand' | 'torqued' | 'by feel' | 'shut';

export interface ItemState {
  item: OpenedItem;
  stand: ItemStand;
  /** Taken off at some time in this visit. */
  opened: boolean;
  torque: Quantity | null;
  reason: string | null;
  by: string | null;
  at: string | null;
}

export interface StepState {
  step: Step;
  done: boolean;
  leftOut: string | null;
  /** What was written, the latest last: several pours, several readings of a level. */
  written: DoneContent[];
  by: string | null;
  at: string | null;
}

export interface VisitState {
  steps: StepState[];
  items: ItemState[];
  /** The first step neither done nor left out; null when all are. */
  next: string | null;
  /** What stands open now: off, out, or only hand-tight. */
  open: ItemState[];
}

/**
 * The state of a visit: its entries read from the first to the last. Two devices that send in any order agree, because the
 * server numbers what it takes.
 */
export function visitState(plan: VisitPlan, entries: readonly Entry[]): VisitState {
  const items = new Map<string, ItemState>(
    plan.items.map((item) => [
      item.key,
      { item, stand: 'fitted', opened: false, torque: null, reason: null, by: null, at: null }
    ])
  );
  const steps = new Map<string, StepState>(
    plan.steps.map((step) => [
      step.key,
      { step, done: false, leftOut: null, written: [], by: null, at: null }
    ])
  );

  for (const entry of [...entries].sort((a, b) => a.seq - b.seq)) {
    if (entry.stepKey !== null) {
      const s = steps.get(entry.stepKey);
      if (s) applyToStep(s, entry, items);
    } else {
      const i = items.get(entry.itemKey);
      if (i) applyToItem(i, entry);
    }
  }
  for (const s of steps.values()) {
    if (s.step.input.type === 'close')
      s.done = s.step.input.items.every((key) => isBack(items.get(key)!, steps));
  }
  const list = [...steps.values()];
  return {
    steps: list,
    items: [...items.values()],
    next: list.find((s) => !s.done && s.leftOut === null)?.step.key ?? null,
    open: [...items.values()].filter((i) => !isShut(i))
  };
}

/** Neither off nor out nor only hand-tight. What was never opened is shut. */
export function isShut(i: ItemState): boolean {
  return i.stand !== 'off' && i.stand !== 'by hand';
}

/** Shut again after it was opened; or never to be opened, because that was left out. */
function isBack(i: ItemState, steps: ReadonlyMap<string, StepState>): boolean {
  if (!isShut(i)) return false;
  const opening = [...steps.values()].find(
    (s) => s.step.input.type === 'open' && s.step.input.items.includes(i.item.key)
  );
  return i.opened || opening === undefined || opening.leftOut !== null;
}

function applyToStep(s: StepState, entry: Entry & { stepKey: string }, items: Map<string, ItemState>): void {
  const { input } = s.step;
  s.by = entry.by;
  s.at = entry.at;
  if (entry.action === 'left out') {
    s.leftOut = entry.content.reason;
    s.done = false;
    return;
  }
  s.leftOut = null;
  s.done = entry.action === 'done';
  if (entry.action === 'done') s.written.push(entry.content);
  else s.written = [];
  if (input.type === 'open') {
    for (const key of input.items) {
      const i = items.get(key)!;
      // Undoing "off" means it never came off; but what has since been torqued stays torqued.
      if (entry.action === 'done')
        Object.assign(i, {
          stand: 'off',
          opened: true,
          torque: null,
          reason: null,
          by: entry.by,
          at: entry.at
        });
      else if (i.stand === 'off')
        Object.assign(i, { stand: 'fitted', opened: false, by: entry.by, at: entry.at });
    }
  }
}

function applyToItem(i: ItemState, entry: Entry & { itemKey: string }): void {
  i.stand = entry.action as ItemStand;
  i.opened = true;
  i.by = entry.by;
  i.at = entry.at;
  i.torque = entry.action === 'torqued' ? quantity(entry.content.value, entry.content.unit) : null;
  i.reason =
    entry.action === 'torqued'
      ? (entry.content.reason ?? null)
      : entry.action === 'by feel'
        ? entry.content.reason
        : null;
}

/** Litres that went in so far: pours and toppings up, in millilitres. */
export function pouredMl(state: VisitState): number {
  return state.steps
    .flatMap((s) => (s.step.input.type === 'pour' || s.step.input.type === 'level' ? s.written : []))
    .reduce((sum, w) => sum + (w.ml ?? 0) + (w.toppedUpMl ?? 0), 0);
}

/** The last level that was read, or null. */
export function lastLevel(state: VisitState): LevelReading | null {
  return state.steps.flatMap((s) => s.written).findLast((w) => w.level)?.level ?? null;
}

/**
 * Why an entry cannot be taken as it is; null when it can. The messages go to the field it was typed in.
 */
export function refuseEntry(state: VisitState, entry: NewEntry): string | null {
  return entry.stepKey !== null ? refuseStep(state, entry) : refuseItem(state, entry);
}

function refuseStep(state: VisitState, entry: NewEntry & { stepKey: string }): string | null {
  const s = state.steps.find((x) => x.step.key === entry.stepKey);
  if (!s) return 'This visit has no such step.';
  const { input, mayLeaveOut, after, title } = s.step;
  if (entry.action === 'left out') return mayLeaveOut ? null : `“${title}” cannot be left out.`;
  if (entry.action === 'undone') return null;
  const covered = after.map((key) => state.items.find((i) => i.item.key === key)!).filter((i) => !isShut(i));
  if (covered.length > 0)
    return `Not yet: ${covered.map((i) => `${i.item.name} is ${standInWords(i)}`).join('; ')}.`;
  switch (input.type) {
    case 'close':
      return 'Each of its fasteners is written down by itself.';
    case 'drained':
    case 'pour':
      return entry.content.ml === undefined ? 'Write the amount, such as 950 ml or 1.15 qt.' : null;
    case 'debris':
      return entry.content.grade === undefined ? 'Pick what was found, even if it was nothing.' : null;
    case 'level':
      return entry.content.level === undefined ? 'A level is a reading: put in where it stands.' : null;
    default:
      return null;
  }
}

function refuseItem(state: VisitState, entry: NewEntry & { itemKey: string }): string | null {
  const i = state.items.find((x) => x.item.key === entry.itemKey);
  if (!i) return 'Nothing of that name is opened in this visit.';
  if (entry.action === 'shut') return i.item.kind === 'fastener' ? `${i.item.name} wants its torque.` : null;
  if (entry.action === 'torqued' || entry.action === 'by feel') {
    if (i.item.kind !== 'fastener')
      return `${i.item.name} is not torqued; it is ${i.item.kind === 'cap' ? 'shut' : 'put back in'}.`;
    if (entry.action === 'torqued' && !entry.content.reason) {
      const odd = oddTorque(
        quantity(entry.content.value, entry.content.unit),
        i.item.torque?.quantity ?? null
      );
      if (odd) return `${odd} If it is what you set, say why.`;
    }
  }
  return null;
}

export function standInWords(i: ItemState): string {
  switch (i.stand) {
    case 'off':
      return i.item.kind === 'part' ? 'out' : 'off';
    case 'by hand':
      return 'only hand-tight';
    case 'torqued':
      return i.torque ? `torqued, ${show(i.torque)}` : 'torqued';
    case 'by feel':
      return 'tight by feel';
    case 'shut':
      return i.item.kind === 'part' ? 'back in' : 'shut';
    case 'fitted':
      return 'not opened';
  }
}

/**
 * What keeps a visit from being closed, in the order of the work; empty when nothing does.
 * Anything open comes first: that is what loses engines.
 */
export function closeProblems(state: VisitState): { key: string; message: string }[] {
  const problems = state.open.map((i) => ({
    key: i.item.key,
    message: `${i.item.name} is ${standInWords(i)}.`
  }));
  for (const s of state.steps) {
    if (s.done || s.leftOut !== null) continue;
    // Its open items say it already.
    if (s.step.input.type === 'close') continue;
    problems.push({
      key: s.step.key,
      message: `“${s.step.title}” is not done${s.step.mayLeaveOut ? ', nor left out with a reason' : ''}.`
    });
  }
  for (const s of state.steps) {
    if (s.step.input.type !== 'level' || !s.done) continue;
    const level = s.written.at(-1)?.level;
    const verdict = level && judgeLevel(level);
    if (verdict && !verdict.within)
      problems.push({ key: s.step.key, message: `The oil level is ${verdict.words}. ${verdict.advice}` });
  }
  return problems;
}
