import { crissCross } from '../fasteners/pattern';
import { isOutside } from '../job/layout/in-the-way';
import type { OpenedItem, Step } from '../job/plan';
import { looksLikeWrongUnit, parseThread } from '../fasteners/stress';
import { oddTorque } from '../fasteners/torque';
import { covers, trustedSpan } from '../fasteners/wrench';
import { readCan } from '../fluids/can';
import { JUDGED_BY } from '../judged/by';
import { canOf, judgeOil, type OilWant } from '../fluids/oil';
import { oddPour } from '../fluids/ledger';
import { quantity, show } from '../quantity/quantity';
import { UNITS } from '../quantity/units';
import type { Circuit } from '../specs/sheet';
import type { NewEntry } from './entry';
import { drained, isAccepted } from './fill';
import { thingStands } from './goes-in';
import { isShut, pullsLeft, SHUTS, standInWords, type ItemState } from './items';
import type { EntryProblem } from './problems';
import { fillInForce, isLeft, ledgerOf, type StepState, type VisitState } from './state';
import { NO_TOOLS, type Toolbox } from '../stores/toolbox';

/**
 * Why an entry cannot be taken as it is; null when it can.
 * @param now the server's clock, ms since 1970, by which entries are stamped; null where only a device's own is at hand
 */
export function refuseEntry(
  state: VisitState,
  entry: NewEntry,
  tools: Toolbox = NO_TOOLS,
  now: number | null = null
): EntryProblem | null {
  if (entry.stepKey !== null) return refuseStep(state, entry, tools, now);
  if (entry.itemKey !== null) return refuseItem(state, entry, tools);
  if (entry.action === 'thing in' && !state.things.some((t) => t.id === entry.content.of))
    return { kind: 'not counted out' };
  return null;
}

/**
 * Oil runs out of, and an engine throws out of, what was put off as well as what is simply open: but not of what is tight for now and
 * may be ridden so, as the mechanic says, until its torque can be set.
 */
const WANT_IT_IN: ReadonlySet<string> = new Set(['start', 'pour']);
const holdsForNow = (i: ItemState): boolean => i.stand === 'deferred' && i.deferred!.usable;

/**
 * Pours, runs, levels and looks for leaks that a step comes after and that are neither done nor left out with a reason: there is
 * nothing to read or to see before them.
 */
function wantedBefore(state: Pick<VisitState, 'steps'>, step: Step): StepState[] {
  const byKey = new Map(state.steps.map((s) => [s.step.key, s]));
  const seen = new Set<string>();
  const stack = [...step.needs, ...step.during];
  for (let key = stack.pop(); key !== undefined; key = stack.pop()) {
    const s = byKey.get(key);
    if (!s || seen.has(key)) continue;
    seen.add(key);
    stack.push(...s.step.needs, ...s.step.during);
  }
  return state.steps.filter(
    (s) =>
      seen.has(s.step.key) &&
      isLeft(s) &&
      (s.step.key === LEAKS || ['pour', 'start', 'level'].includes(s.step.input.type))
  );
}
/** The look for leaks, of whatever job. */
const LEAKS = 'leaks';
const notYet = (wanted: readonly StepState[]): EntryProblem | null =>
  wanted.length > 0 ? { kind: 'not done before it', titles: wanted.map((s) => s.step.title) } : null;

function refuseStep(
  state: VisitState,
  entry: NewEntry & { stepKey: string },
  tools: Toolbox,
  now: number | null
): EntryProblem | null {
  const s = state.steps.find((x) => x.step.key === entry.stepKey);
  if (!s) return { kind: 'no such step' };
  const { mayLeaveOut, title } = s.step;
  if (entry.action === 'left out') return mayLeaveOut ? null : { kind: 'may not be left out', title };
  if (entry.action !== 'done') return null;
  if (!s.called) return { kind: 'not called for', title };
  const covered = s.step.after
    .map((key) => state.items.find((i) => i.item.key === key))
    .filter(
      (i): i is ItemState =>
        i !== undefined &&
        (!isShut(i) || (i.stand === 'deferred' && !holdsForNow(i) && WANT_IT_IN.has(s.step.input.type)))
    );
  if (covered.length > 0)
    return { kind: 'open before it', items: covered.map((i) => `${i.item.name} is ${standInWords(i)}`) };
  if (s.step.input.type === 'level' || s.step.key === LEAKS) {
    const wanted = notYet(wantedBefore(state, s.step));
    if (wanted) return wanted;
  }
  return refuseDone(state, s, entry.content, tools, now);
}

type Done = Extract<NewEntry, { action: 'done' }>['content'];

function refuseDone(
  state: VisitState,
  s: StepState,
  content: Done,
  tools: Toolbox,
  now: number | null
): EntryProblem | null {
  const { input } = s.step;
  switch (input.type) {
    case 'close':
      return { kind: 'each by itself' };
    case 'start':
      return refuseStart(state, content);
    case 'choice':
      return content.answer === undefined ? { kind: 'no answer' } : null;
    case 'clearances':
      return content.clearances === undefined ? { kind: 'no clearances' } : null;
    case 'slack':
      return content.slack === undefined ? { kind: 'no slack' } : null;
    case 'measure': {
      if (content.measured === undefined) return { kind: 'no number', unit: input.unit };
      const { unit } = content.measured;
      const { dimension } = UNITS[unit];
      return dimension === UNITS[input.unit].dimension
        ? null
        : { kind: 'another dimension', unit, dimension, wanted: input.unit };
    }
    case 'open': {
      if (input.twins.length > 0 && content.pointedAt === undefined) return { kind: 'not pointed at' };
      const wrong = input.twins.find((t) => t.id === content.pointedAt);
      if (wrong) return { kind: 'the wrong one', name: wrong.name, circuit: wrong.circuit };
      return goneCold(state, s, content, now);
    }
    case 'drained':
      return content.ml === undefined ? { kind: 'no amount' } : null;
    case 'pour': {
      if (content.ml === undefined) return { kind: 'no amount' };
      const how = oddPour(
        { what: content.pour ?? 'poured in', ml: content.ml, residueMl: content.residueMl },
        ledgerOf(state, input.circuit).inMl
      );
      if (how) return { kind: 'odd pour', how };
      const said = content.remark?.trim() || content.afterwards || content.pour === 'let out again';
      const cap = said ? null : shutCap(state, input.circuit);
      return cap === null ? null : { kind: 'cap is shut', name: cap };
    }
    case 'debris':
      if (content.grade === undefined) return { kind: 'no grade' };
      return content.verdict !== undefined && !content.overruled?.trim()
        ? { kind: 'verdict without its reason' }
        : null;
    case 'oil':
      return refuseOil(input.want, content, tools);
    case 'level':
      return content.level === undefined
        ? { kind: 'no level' }
        : settling(state, s, input.protocol.settleLeastSeconds ?? input.protocol.settleSeconds, content, now);
    default:
      return null;
  }
}

/** The filler cap of a circuit that stands shut, by its name; null where one is open, left out, or none is in the visit. */
function shutCap(state: VisitState, circuit: Circuit): string | null {
  const caps = state.items.filter((i) => i.item.role === 'filler cap' && i.item.circuit === circuit);
  const opening = state.steps.find(
    (x) =>
      x.step.input.type === 'open' &&
      caps.some((i) => (x.step.input as { items: string[] }).items.includes(i.item.key))
  );
  if (!opening || opening.leftOut !== null || caps.some((i) => !isShut(i))) return null;
  return caps[0]!.item.name;
}

function refuseOil(want: OilWant, content: Done, tools: Toolbox): EntryProblem | null {
  if (content.oilId === undefined || (content.oilId === null && !content.oil))
    return { kind: 'no oil picked' };
  const oil =
    content.oilId === null
      ? readCan([content.oil, content.oilGrade].filter(Boolean).join(' '))
      : tools.oils.find((o) => o.id === content.oilId);
  if (!oil) return { kind: 'oil gone' };
  const { stop } = judgeOil('id' in oil ? canOf(oil) : oil, want, null);
  return stop.length > 0 && !content.deviation?.trim() ? { kind: 'oil stopped', why: stop } : null;
}

/** Warmth fades (handbook, section 4): what is drained warm is opened soon after the warm-up. One plug out in time will do. */
function goneCold(state: VisitState, s: StepState, content: Done, now: number | null): EntryProblem | null {
  const within = s.step.warmFor;
  if (within === null || content.remark?.trim() || content.afterwards) return null;
  const warmUps = state.steps.filter((x) => x.step.heats && x.step.input.type === 'tick' && x.called);
  const undone = warmUps.find((x) => isLeft(x) && s.step.needs.includes(x.step.key));
  if (undone) return { kind: 'not warmed', title: undone.step.title };
  // Warmed once more, it is the last that counts.
  const warmUp = warmUps
    .filter((x) => x.done && x.at)
    .sort((a, b) => Date.parse(b.at!) - Date.parse(a.at!))[0];
  const inTime = state.steps.some((x) => x !== s && x.step.warmFor !== null && x.done);
  if (now === null || !warmUp?.at || inTime) return null;
  const waited = (now - Date.parse(warmUp.at)) / 60_000;
  return waited > within ? { kind: 'gone cold', waited, within } : null;
}

/** A level read while the oil still runs down reads low, and is topped up to too much. Said once why, it is left in peace. */
function settling(
  state: VisitState,
  level: StepState,
  wanted: number | null,
  content: Done,
  now: number | null
): EntryProblem | null {
  const run = state.steps.find((s) => s.step.input.type === 'start' && s.done && s.at);
  if (wanted === null || now === null || !run?.at) return null;
  if (content.afterwards || content.remark?.trim() || level.written.some((w) => w.remark)) return null;
  const waited = Math.max(0, (now - Date.parse(run.at)) / 1000);
  return waited < wanted * JUDGED_BY.oil.settled.is ? { kind: 'still settling', waited, wanted } : null;
}

/** Before the first start: oil in, plugs done, tools and rags counted in. */
function refuseStart(state: VisitState, content: Done): EntryProblem | null {
  const dry = state.steps.flatMap((s) =>
    s.step.input.type === 'pour' && s.called && !s.done && drained(state, s.step.input.circuit)
      ? [s.step.input.circuit]
      : []
  );
  if (dry.length > 0) return { kind: 'start without oil', circuits: dry };
  for (const s of state.steps) {
    if (s.step.input.type !== 'pour' || !s.called || !drained(state, s.step.input.circuit)) continue;
    const { circuit } = s.step.input;
    const { inMl } = ledgerOf(state, circuit);
    const first = fillInForce(state, s.step)?.firstMl ?? null;
    if (inMl <= 0 || (first !== null && inMl < first * JUDGED_BY.oil.farLess.is))
      return { kind: 'too little oil to start', circuit, inMl, wantedMl: first };
    if (
      first !== null &&
      inMl < first * JUDGED_BY.oil.asPoured.is &&
      !content.remark?.trim() &&
      !isAccepted(state, circuit)
    )
      return { kind: 'less oil than is poured', circuit, inMl, wantedMl: first };
  }
  const out = state.things.filter((t) => !t.in);
  return out.length > 0
    ? { kind: 'start with things out', names: out.map((t) => `${t.name}, ${thingStands(t)}`) }
    : null;
}

function refuseItem(
  state: VisitState,
  entry: NewEntry & { itemKey: string },
  tools: Toolbox
): EntryProblem | null {
  const i = state.items.find((x) => x.item.key === entry.itemKey);
  if (!i) return { kind: 'no such item' };
  const { name, quantity: bolts } = i.item;
  if (i.opened && isOutside(i.item.role) && SHUTS.has(entry.action) && entry.action !== 'deferred') {
    const on = state.steps.find(
      (s) => s.step.input.type === 'close' && s.step.input.items.includes(entry.itemKey)
    );
    // That look comes after oil and run; left out with a reason, it has been said why.
    const wanted = on ? wantedBefore(state, on.step).filter((s) => s.step.key === LEAKS) : [];
    if (wanted.length > 0) return notYet(wanted);
  }
  switch (entry.action) {
    case 'shut':
      if (i.item.kind === 'fastener') return { kind: 'wants its torque', name };
      return sealQuestion(i.item, entry.content.seal, entry.content.sealReason);
    case 'by feel':
      return notTorqued(i) ?? sealQuestion(i.item, entry.content.seal, entry.content.sealReason);
    case 'bolt':
      return entry.content.bolt < bolts ? null : { kind: 'no such bolt', name, bolts };
    case 'torqued':
      return (
        notTorqued(i) ??
        sealQuestion(i.item, entry.content.seal, entry.content.sealReason) ??
        refuseTorque(i, entry.content, tools)
      );
    default:
      return null;
  }
}
const notTorqued = ({ item }: ItemState): EntryProblem | null =>
  item.kind === 'fastener'
    ? null
    : { kind: 'is not torqued', name: item.name, instead: item.kind === 'cap' ? 'shut' : 'put back in' };

/** What the house wants of a seal, where that is not said, or the old one goes in again without a reason. */
export function sealQuestion(
  item: OpenedItem,
  seal: 'new' | 'again' | undefined,
  why: string | undefined
): EntryProblem | null {
  if (item.seal === 'none') return null;
  if (seal === undefined) return { kind: 'new or old seal', seal: item.seal };
  if (seal === 'new' || why?.trim()) return null;
  const { sealUses: uses, sealMost: most } = item;
  const over = most === 1 || (uses !== null && most !== null && uses >= most);
  return over ? { kind: 'seal used up', seal: item.seal, uses, most } : null;
}

/** Whether like bolts on one face are pulled one by one: a sealed face, or where the sheet says how. */
export const wantsSequence = (i: Pick<ItemState, 'item'>): boolean =>
  i.item.quantity >= 3 &&
  (i.item.seal !== 'none' || i.item.role === 'filter cover' || i.item.role === 'cover');

function refuseTorque(
  i: ItemState,
  content: Extract<NewEntry, { action: 'torqued' }>['content'],
  tools: Toolbox
): EntryProblem | null {
  const set = quantity(content.value, content.unit);
  const why = content.reason?.trim();
  const thread = parseThread(i.item.thread);
  if (thread && !why && looksLikeWrongUnit(set.base, thread, i.item.oiled))
    return { kind: 'like the wrong unit', set: show(set), thread: i.item.thread };
  if (!why) {
    const odd = oddTorque(set, i.item.torque?.band ?? null);
    if (odd) return { kind: 'not the sheet’s', odd };
  }
  const wrench = tools.wrenches.find((w) => w.id === content.wrenchId);
  const newtonMetres = content.settingNm ?? set.base;
  if (wrench && !covers(wrench, newtonMetres) && !why) {
    const [from, to] = trustedSpan(wrench);
    return { kind: 'outside the wrench', wrench: wrench.name, unit: wrench.unit, from, to, newtonMetres };
  }
  if (wantsSequence(i)) {
    const left = pullsLeft(i);
    if (i.pulled.length > 0 && left.length > 0)
      return { kind: 'pulls left', bolt: left[0]!.bolt + 1, round: left[0]!.round + 1 };
    if (i.pulled.length === 0 && !why)
      return { kind: 'not bolt by bolt', bolts: crissCross(i.item.quantity).map((b) => b + 1) };
  }
  return null;
}
