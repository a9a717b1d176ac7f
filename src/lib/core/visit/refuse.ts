import { crissCross } from '../fasteners/pattern';
import { sealQuestion } from '../job/seal';
import { looksLikeWrongUnit, parseThread } from '../fasteners/stress';
import { oddTorque } from '../fasteners/torque';
import { covers, trustedSpan } from '../fasteners/wrench';
import { judgeOil } from '../fluids/oil';
import { oddPour } from '../fluids/ledger';
import { quantity, show } from '../quantity/quantity';
import { UNITS } from '../quantity/units';
import type { NewEntry } from './entry';
import { isShut, isTight, pullsLeft, standInWords, type ItemState } from './items';
import { ledgerOf, type StepState, type VisitState } from './state';
import { NO_TOOLS, type Toolbox } from '../stores/toolbox';

/**
 * Why an entry cannot be taken as it is; null when it can. The messages go to the field it was typed in. Those that end in
 * "say why" are taken with a reason.
 */
export function refuseEntry(state: VisitState, entry: NewEntry, tools: Toolbox = NO_TOOLS): string | null {
  if (entry.stepKey !== null) return refuseStep(state, entry, tools);
  if (entry.itemKey !== null) return refuseItem(state, entry, tools);
  if (entry.action === 'thing in' && !state.things.some((t) => t.id === entry.content.of))
    return 'Nothing of that name was counted out.';
  return null;
}

function refuseStep(state: VisitState, entry: NewEntry & { stepKey: string }, tools: Toolbox): string | null {
  const s = state.steps.find((x) => x.step.key === entry.stepKey);
  if (!s) return 'This visit has no such step.';
  const { mayLeaveOut, title } = s.step;
  if (entry.action === 'left out') return mayLeaveOut ? null : `“${title}” cannot be left out.`;
  if (entry.action !== 'done') return null;
  if (!s.called) return `“${title}” is not called for.`;
  const covered = s.step.after
    .map((key) => state.items.find((i) => i.item.key === key))
    .filter(
      (i): i is ItemState =>
        i !== undefined && (!isShut(i) || (s.step.input.type === 'start' && i.stand === 'deferred'))
    );
  if (covered.length > 0)
    return `Not yet: ${covered.map((i) => `${i.item.name} is ${standInWords(i)}`).join('; ')}.`;
  return refuseDone(state, s, entry.content, tools);
}

function refuseDone(
  state: VisitState,
  s: StepState,
  content: Extract<NewEntry, { action: 'done' }>['content'],
  tools: Toolbox
): string | null {
  const { input } = s.step;
  switch (input.type) {
    case 'close':
      return 'Each of its fasteners is written down by itself.';
    case 'start':
      return refuseStart(state);
    case 'choice':
      return content.answer === undefined ? 'Yes or no?' : null;
    case 'measure':
      if (content.measured === undefined) return `A pass needs its number, in ${input.unit}.`;
      return UNITS[content.measured.unit].dimension === UNITS[input.unit].dimension
        ? null
        : `${content.measured.unit} measures ${UNITS[content.measured.unit].dimension}. Write it in ${input.unit}.`;
    case 'open': {
      if (input.twins.length === 0) return null;
      if (content.pointedAt === undefined)
        return 'Two plugs look alike here: point at the one you are opening.';
      const wrong = input.twins.find((t) => t.id === content.pointedAt);
      return wrong ? `That is ${wrong.name}: ${wrong.circuit} oil. This step opens another.` : null;
    }
    case 'drained':
      return content.ml === undefined ? 'Write the amount, such as 950 ml or 1.15 qt.' : null;
    case 'pour':
      if (content.ml === undefined) return 'Write the amount, such as 950 ml or 1.15 qt.';
      return oddPour(
        { what: content.pour ?? 'poured in', ml: content.ml, residueMl: content.residueMl },
        ledgerOf(state, input.circuit).inMl
      );
    case 'debris':
      if (content.grade === undefined) return 'Pick what was found, even if it was nothing.';
      return content.verdict !== undefined && !content.overruled?.trim()
        ? 'Another verdict than the one worked out needs its reason: say why.'
        : null;
    case 'oil': {
      if (content.oilId === undefined || (content.oilId === null && !content.oil))
        return 'Pick the oil that goes in.';
      if (content.oilId === null) return null;
      const oil = tools.oils.find((o) => o.id === content.oilId);
      if (!oil) return 'That oil is not in the stores any more.';
      const { stop } = judgeOil(oil, input.want, null);
      return stop.length > 0 && !content.deviation?.trim()
        ? `Stop. ${stop.join(' ')} If it goes in all the same, say why.`
        : null;
    }
    case 'level':
      return content.level === undefined ? 'A level is a reading: put in where it stands.' : null;
    default:
      return null;
  }
}

/** Before the first start: oil in, plugs done, tools and rags counted in. */
function refuseStart(state: VisitState): string | null {
  const dry = state.steps.filter(
    (s) =>
      s.step.input.type === 'pour' &&
      s.called &&
      !s.done &&
      state.items.some(
        (i) =>
          i.opened &&
          i.item.role === 'drain plug' &&
          s.step.input.type === 'pour' &&
          i.item.circuit === s.step.input.circuit
      )
  );
  if (dry.length > 0)
    return `Do not start it: ${dry.map((s) => (s.step.input.type === 'pour' ? `no ${s.step.input.circuit} oil is in` : '')).join('; ')}.`;
  const out = state.things.filter((t) => !t.in);
  if (out.length > 0) return `Do not start it: still out: ${out.map((t) => t.name).join(', ')}.`;
  return null;
}

function refuseItem(state: VisitState, entry: NewEntry & { itemKey: string }, tools: Toolbox): string | null {
  const i = state.items.find((x) => x.item.key === entry.itemKey);
  if (!i) return 'Nothing of that name is opened in this visit.';
  switch (entry.action) {
    case 'shut':
      if (i.item.kind === 'fastener') return `${i.item.name} wants its torque.`;
      return sealQuestion(i.item, entry.content.seal, entry.content.sealReason);
    case 'by feel':
      return notTorqued(i) ?? sealQuestion(i.item, entry.content.seal, entry.content.sealReason);
    case 'bolt':
      return entry.content.bolt < i.item.quantity ? null : `${i.item.name} has ${i.item.quantity} bolts.`;
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
const notTorqued = (i: ItemState) =>
  i.item.kind === 'fastener'
    ? null
    : `${i.item.name} is not torqued; it is ${i.item.kind === 'cap' ? 'shut' : 'put back in'}.`;

/** Whether like bolts on one face are pulled one by one: a sealed face, or where the sheet says how. */
export const wantsSequence = (i: Pick<ItemState, 'item'>): boolean =>
  i.item.quantity >= 3 &&
  (i.item.seal !== 'none' || i.item.role === 'filter cover' || i.item.role === 'cover');

function refuseTorque(
  i: ItemState,
  content: Extract<NewEntry, { action: 'torqued' }>['content'],
  tools: Toolbox
): string | null {
  const set = quantity(content.value, content.unit);
  const why = content.reason?.trim();
  const thread = parseThread(i.item.thread);
  if (thread && !why && looksLikeWrongUnit(set.base, thread, i.item.oiled))
    return `${show(set)} would pull an ${i.item.thread} bolt past nine tenths of its proof stress: it looks like the wrong unit. If it is what you set, say why.`;
  if (!why) {
    const odd = oddTorque(set, i.item.torque?.band ?? null);
    if (odd) return `${odd} If it is what you set, say why.`;
  }
  const wrench = tools.wrenches.find((w) => w.id === content.wrenchId);
  const clicks = content.settingNm ?? set.base;
  if (wrench && !covers(wrench, clicks) && !why) {
    const [from, to] = trustedSpan(wrench);
    return `${wrench.name} is trusted from ${from} to ${to} N·m; ${clicks.toFixed(1)} N·m lies outside. If there is no other, say why.`;
  }
  if (wantsSequence(i)) {
    const left = pullsLeft(i);
    if (i.pulled.length > 0 && left.length > 0)
      return `Not all are pulled: bolt ${left[0]!.bolt + 1} is next, round ${left[0]!.round + 1}.`;
    if (i.pulled.length === 0 && !why)
      return `${i.item.quantity} bolts on one face come down bolt by bolt: ${crissCross(i.item.quantity)
        .map((b) => b + 1)
        .join(' ')}. If they did not, say why.`;
  }
  return null;
}
export { isTight };
