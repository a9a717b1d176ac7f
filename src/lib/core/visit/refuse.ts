import { crissCross } from '../fasteners/pattern';
import type { OpenedItem } from '../job/plan';
import { looksLikeWrongUnit, parseThread } from '../fasteners/stress';
import { oddTorque } from '../fasteners/torque';
import { covers, trustedSpan } from '../fasteners/wrench';
import { judgeOil, type OilWant } from '../fluids/oil';
import { oddPour } from '../fluids/ledger';
import { quantity, show } from '../quantity/quantity';
import { UNITS } from '../quantity/units';
import type { NewEntry } from './entry';
import { isShut, pullsLeft, standInWords, type ItemState } from './items';
import type { Circuit } from '../specs/sheet';
import type { EntryProblem } from './problems';
import { ledgerOf, type StepState, type VisitState } from './state';
import { NO_TOOLS, type Toolbox } from '../stores/toolbox';

/** Why an entry cannot be taken as it is; null when it can. */
export function refuseEntry(
  state: VisitState,
  entry: NewEntry,
  tools: Toolbox = NO_TOOLS
): EntryProblem | null {
  if (entry.stepKey !== null) return refuseStep(state, entry, tools);
  if (entry.itemKey !== null) return refuseItem(state, entry, tools);
  if (entry.action === 'thing in' && !state.things.some((t) => t.id === entry.content.of))
    return { kind: 'not counted out' };
  return null;
}

function refuseStep(
  state: VisitState,
  entry: NewEntry & { stepKey: string },
  tools: Toolbox
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
        i !== undefined && (!isShut(i) || (s.step.input.type === 'start' && i.stand === 'deferred'))
    );
  if (covered.length > 0)
    return { kind: 'open before it', items: covered.map((i) => `${i.item.name} is ${standInWords(i)}`) };
  return refuseDone(state, s, entry.content, tools);
}

type Done = Extract<NewEntry, { action: 'done' }>['content'];

function refuseDone(state: VisitState, s: StepState, content: Done, tools: Toolbox): EntryProblem | null {
  const { input } = s.step;
  switch (input.type) {
    case 'close':
      return { kind: 'each by itself' };
    case 'start':
      return refuseStart(state);
    case 'choice':
      return content.answer === undefined ? { kind: 'no answer' } : null;
    case 'measure': {
      if (content.measured === undefined) return { kind: 'no number', unit: input.unit };
      const { unit } = content.measured;
      const { dimension } = UNITS[unit];
      return dimension === UNITS[input.unit].dimension
        ? null
        : { kind: 'another dimension', unit, dimension, wanted: input.unit };
    }
    case 'open': {
      if (input.twins.length === 0) return null;
      if (content.pointedAt === undefined) return { kind: 'not pointed at' };
      const wrong = input.twins.find((t) => t.id === content.pointedAt);
      return wrong ? { kind: 'the wrong one', name: wrong.name, circuit: wrong.circuit } : null;
    }
    case 'drained':
      return content.ml === undefined ? { kind: 'no amount' } : null;
    case 'pour': {
      if (content.ml === undefined) return { kind: 'no amount' };
      const words = oddPour(
        { what: content.pour ?? 'poured in', ml: content.ml, residueMl: content.residueMl },
        ledgerOf(state, input.circuit).inMl
      );
      return words === null ? null : { kind: 'odd pour', words };
    }
    case 'debris':
      if (content.grade === undefined) return { kind: 'no grade' };
      return content.verdict !== undefined && !content.overruled?.trim()
        ? { kind: 'verdict without its reason' }
        : null;
    case 'oil':
      return refuseOil(input.want, content, tools);
    case 'level':
      return content.level === undefined ? { kind: 'no level' } : null;
    default:
      return null;
  }
}

function refuseOil(want: OilWant, content: Done, tools: Toolbox): EntryProblem | null {
  if (content.oilId === undefined || (content.oilId === null && !content.oil))
    return { kind: 'no oil picked' };
  if (content.oilId === null) return null;
  const oil = tools.oils.find((o) => o.id === content.oilId);
  if (!oil) return { kind: 'oil gone' };
  const { stop } = judgeOil(oil, want, null);
  return stop.length > 0 && !content.deviation?.trim() ? { kind: 'oil stopped', why: stop } : null;
}

/** Before the first start: oil in, plugs done, tools and rags counted in. */
function refuseStart(state: VisitState): EntryProblem | null {
  const drained = (circuit: Circuit) =>
    state.items.some((i) => i.opened && i.item.role === 'drain plug' && i.item.circuit === circuit);
  const dry = state.steps.flatMap((s) =>
    s.step.input.type === 'pour' && s.called && !s.done && drained(s.step.input.circuit)
      ? [s.step.input.circuit]
      : []
  );
  if (dry.length > 0) return { kind: 'start without oil', circuits: dry };
  const out = state.things.filter((t) => !t.in);
  return out.length > 0 ? { kind: 'start with things out', names: out.map((t) => t.name) } : null;
}

function refuseItem(
  state: VisitState,
  entry: NewEntry & { itemKey: string },
  tools: Toolbox
): EntryProblem | null {
  const i = state.items.find((x) => x.item.key === entry.itemKey);
  if (!i) return { kind: 'no such item' };
  const { name, quantity: bolts } = i.item;
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
    const words = oddTorque(set, i.item.torque?.band ?? null);
    if (words) return { kind: 'not the sheet’s', words };
  }
  const wrench = tools.wrenches.find((w) => w.id === content.wrenchId);
  const newtonMetres = content.settingNm ?? set.base;
  if (wrench && !covers(wrench, newtonMetres) && !why) {
    const [from, to] = trustedSpan(wrench);
    return { kind: 'outside the wrench', wrench: wrench.name, from, to, newtonMetres };
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
