import { oilInWords } from '../fluids/can';
import { slackWanted } from '../chain/at-bench';
import { setting, wrenchesFor } from '../fasteners/wrench';
import { bestOil } from '../job/gather/gather';
import { aimInWords, besideAim, type Aim } from '../fluids/aim';
import type { Air } from '../fluids/air';
import type { LevelReading } from '../fluids/level';
import { sealSuggestion } from '../job/seal';
import type { OpenedItem, SheetNumber, VisitPlan } from '../job/plan';
import { middle, showBand } from '../quantity/band';
import { show } from '../quantity/quantity';
import type { Toolbox } from '../stores/toolbox';
import type { LevelMethod } from '../specs/sheet';
import type { Day } from '../time/day';
import type { ValveStage } from '../valve/stages';
import type { DoneContent, NewEntry, WhichFilter } from './entry';
import { goesIn } from './goes-in';
import { isShut, pullsLeft, type ItemState } from './items';
import { wantsSequence } from './refuse';
import { ranInWords, runSeconds } from './timers';
import { isLeft, type StepState, type VisitState } from './state';

/** An entry before it has its id. */
export type Unsent = { stepKey?: string; itemKey?: string; action: NewEntry['action']; content: object };

/** One press of a practised hand, and what it writes. */
export interface Quick {
  label: string;
  entries: Unsent[];
}

/** What a press goes by besides the visit. */
export interface AtHand {
  tools: Toolbox;
  today: Day;
  /** The air it will be ridden in until the next change; null: nobody said. */
  air: Air | null;
  /** What the valve sheet says of each of its steps; left out: there is no valve sheet. */
  clearances?: Partial<Record<ValveStage, NonNullable<DoneContent['clearances']> | null>>;
  /** The house lets bolts be tightened by feel: where nobody knows the torque, that is one press. */
  byFeel?: boolean;
}

/** The reason that is written where a bolt is tightened by feel and the house rule allows it. */
export const BY_HOUSE_RULE = 'by feel, as the house rule allows';

/**
 * What one press can say at a step, all well: done, off, torqued as the sheet has it, the oil that suits. Several where it is an
 * answer; none where a number is read or the sheet does not say.
 */
export function quickAt(state: VisitState, s: StepState, hand: AtHand): Quick[] {
  const { tools, air } = hand;
  const { input, key } = s.step;
  if (!isLeft(s)) return [];
  const done = (label: string, content: object = {}): Quick => ({
    label,
    entries: [{ stepKey: key, action: 'done', content }]
  });
  switch (input.type) {
    case 'tick':
    case 'dressing':
      return [done('Done')];
    case 'start': {
      const ran = runSeconds(state);
      return [ran ? done(`It has run, ${ranInWords(ran)}`, { ranSeconds: ran }) : done('It has run')];
    }
    case 'open':
      return input.twins.length === 0 ? [done('Off')] : whichOne(state, s, input.twins, done);
    case 'choice':
      return [done('Yes', { answer: 'yes' }), done('No', { answer: 'no' })];
    case 'clearances': {
      const c = hand.clearances?.[input.stage];
      return c ? [done(c.bad > 0 ? `Measured, ${c.bad} out` : 'All well', { clearances: c })] : [];
    }
    case 'debris':
      return [
        done('Nothing', { grade: 'none', materials: [] }),
        done('Grey paste', { grade: 'grey paste or fuzz', materials: [] })
      ];
    case 'level':
      return levelsAtAGlance(input.protocol.method, input.protocol.aim).map(([label, level]) =>
        done(label, { level })
      );
    case 'oil': {
      const oil = bestOil(input.want, tools.oils, air);
      return oil ? [done(oilInWords(oil), { oilId: oil.id, oil: oil.name, oilGrade: oil.grade })] : [];
    }
    case 'close': {
      const left = state.items.filter((i) => input.items.includes(i.item.key) && !isShut(i));
      // Where a washer, a ring or a filter goes in, which one is said by the press: the house rule's first.
      const sealed = left.some((i) => i.item.seal !== 'none' || i.item.filter !== null);
      return (sealed ? [false, true] : [false]).flatMap((other) => {
        const each = left.map((i) => shut(i, hand, other));
        if (each.length === 0 || each.some((q) => q === null)) return [];
        const labels = [...new Set(each.map((q) => q!.label))];
        return [{ label: labels.join(', '), entries: each.flatMap((q) => q!.entries) }];
      });
    }
    default:
      return [];
  }
}

/** Of plugs that look alike the one that is off is named: by their names, so that the right one is not always the first. */
function whichOne(
  state: VisitState,
  s: StepState,
  twins: readonly { id: string; name: string }[],
  done: (label: string, content: object) => Quick
): Quick[] {
  const own = state.items.flatMap(({ item: { fastenerId, name } }) =>
    fastenerId !== null && s.step.points.includes(fastenerId) ? [{ id: fastenerId, name }] : []
  );
  return [...own, ...twins]
    .sort((a, b) => a.name.localeCompare(b.name))
    .map(({ id, name }) => done(`${name}, off`, { pointedAt: id }));
}

/** Levels as they are read at a glance; finer ones are set on the drawing. */
export function levelsAtAGlance(
  method: LevelMethod | null,
  aim: Aim | null
): [label: string, level: LevelReading][] {
  if (method === null) return [];
  if (method === 'measured quantity only') return [['By measured quantity', { method }]];
  if (method === 'check screw')
    return (['weeps', 'runs', 'nothing'] as const).map((flow) => [flow, { method, flow }]);
  const usual: [string, number][] = [
    ['A quarter', 0.25],
    ['Half-way', 0.5],
    ['Three quarters', 0.75]
  ];
  // Where the sheet wants it is one of them, even at the high mark.
  const at = aim && (aim.from + aim.to) / 2;
  const more: [string, number][] =
    aim && at !== null && !usual.some(([, p]) => besideAim(p, aim) === 'at')
      ? [[aimInWords(aim).replace(/^./, (c) => c.toUpperCase()), at]]
      : [];
  return [...usual, ...more].map(([label, position]) => [label, { method, position }]);
}

/** Which seal goes in, in words; empty where there is none. */
export const sealInWords = (item: Pick<OpenedItem, 'seal'>, seal: 'new' | 'again'): string =>
  item.seal === 'none' ? '' : seal === 'new' ? `new ${item.seal}` : `old ${item.seal} again`;

/** Which filter goes in, as a press says it. */
export const FILTER_IN: Readonly<Record<WhichFilter, string>> = {
  new: 'New filter in',
  washed: 'Washed filter in',
  again: 'Old filter in again'
};

/** What of a press is nobody's to guess: which washer or ring goes in, which filter. */
export function putInWords(
  item: Pick<OpenedItem, 'seal'>,
  content: { seal?: 'new' | 'again'; filter?: WhichFilter }
): string[] {
  return [
    content.seal ? sealInWords(item, content.seal) : '',
    content.filter ? FILTER_IN[content.filter].toLowerCase() : ''
  ].filter(Boolean);
}

/**
 * Shuts one thing as the sheet has it; null where that takes a word, an adapter or a value nobody knows.
 * @param other with the seal that the house rule would not put in
 */
function shut(i: ItemState, { tools, today, byFeel = false }: AtHand, other: boolean): Quick | null {
  const { key, kind, adapter, torque } = i.item;
  const rule = i.seal ?? sealSuggestion(i.item);
  const put = other ? (rule === 'new' ? 'again' : 'new') : rule;
  const seal = i.item.seal === 'none' ? {} : { seal: put };
  const labelled = (label: string) => [label, sealInWords(i.item, put)].filter(Boolean).join(', ');
  if (i.item.filter !== null) {
    const which = !other ? i.item.filter : i.item.filter === 'new' ? 'again' : 'new';
    return {
      label: FILTER_IN[which],
      entries: [{ itemKey: key, action: 'shut', content: { ...seal, filter: which } }]
    };
  }
  if (kind !== 'fastener')
    return {
      label: labelled(goesIn(i.item.name) ? 'Taken out' : kind === 'part' ? 'Back in' : 'Shut'),
      entries: [{ itemKey: key, action: 'shut', content: seal }]
    };
  if (adapter) return null;
  if (torque?.words && !torque.band)
    return {
      label: labelled(`Tight: ${torque.words}`),
      entries: [{ itemKey: key, action: 'by feel', content: { reason: torque.words, ...seal } }]
    };
  const band = torque?.band;
  if (!band?.from || !band.to)
    return byFeel
      ? {
          label: labelled('Tight by feel'),
          entries: [{ itemKey: key, action: 'by feel', content: { reason: BY_HOUSE_RULE, ...seal } }]
        }
      : null;
  const spec = middle(band);
  const [wrench] = wrenchesFor(spec.base, tools.wrenches, today);
  // Without a wrench that covers it, it is asked what it was set with.
  if (!wrench && tools.wrenches.length > 0) return null;
  const set = wrench && wrench.unit !== spec.unit ? setting(spec.base, wrench) : spec;
  const content = { value: set.value, unit: set.unit, ...(wrench && { wrenchId: wrench.id }), ...seal };
  const bolts = wantsSequence(i)
    ? pullsLeft(i).map(({ round, bolt }): Unsent => ({
        itemKey: key,
        action: 'bolt',
        content: { round, bolt }
      }))
    : [];
  return {
    label: labelled(`${bolts.length > 0 ? 'Criss-cross' : 'Torqued'}, ${show(set)}`),
    entries: [...bolts, { itemKey: key, action: 'torqued', content }]
  };
}
/**
 * The steps that follow one another and want no more than a look or a hand, for one press: done, off, a part or a cap back. An
 * engine is run by itself, a bolt is torqued by itself, what is judged or written is, and of twins one is named.
 * @returns the keys of the run that begins at a step, in order; fewer than two is no run
 */
export function runFrom(state: VisitState, key: string): string[] {
  const called = state.steps.filter((s) => s.called);
  const from = called.findIndex((s) => s.step.key === key);
  const byHand = ({ input, heats }: StepState['step']): boolean => {
    if (heats) return false;
    if (input.type === 'close')
      return state.items.every((i) => !input.items.includes(i.item.key) || i.item.kind !== 'fastener');
    return (
      input.type === 'tick' ||
      input.type === 'dressing' ||
      (input.type === 'open' && input.twins.length === 0)
    );
  };
  const run: string[] = [];
  for (const s of called.slice(Math.max(0, from))) {
    if (!isLeft(s)) continue;
    if (!byHand(s.step)) break;
    run.push(s.step.key);
  }
  return run;
}

/** The one number a line of the sheet shows for a step; empty where it has none. */
export function numberOf(plan: Pick<VisitPlan, 'items'>, s: StepState): string {
  const { input } = s.step;
  switch (input.type) {
    case 'pour':
      return input.fill.firstMl === null ? 'quantity unknown' : `${input.fill.firstMl} ml first`;
    case 'drained':
      return input.pouredLastTimeMl === null ? '' : `${Math.round(input.pouredLastTimeMl)} ml went in`;
    case 'level':
      return [
        input.protocol.settleSeconds ? `settle ${Math.round(input.protocol.settleSeconds / 60)} min` : '',
        input.protocol.aim ? aimInWords(input.protocol.aim) : ''
      ]
        .filter(Boolean)
        .join(', ');
    case 'oil':
      return input.want.grade ?? 'grade unknown';
    case 'slack':
      return slackWanted(input);
    case 'close':
      return plan.items
        .filter((i) => input.items.includes(i.key) && i.kind === 'fastener')
        .map((i) => torqueWanted(i.torque))
        .join(', ');
    default:
      return '';
  }
}

/** What a wrench is set to; of a figure with one end, that end as the sheet has it. */
const torqueWanted = (torque: SheetNumber | null): string => {
  const band = torque?.band;
  if (!band) return torque?.words ?? 'torque unknown';
  return band.from && band.to ? show(middle(band)) : showBand(band);
};

/** What a step is called among others: steps of one name in several jobs are told by their circuit. */
export function nameIn(plan: Pick<VisitPlan, 'jobs'>, { title, circuit }: StepState['step']): string {
  return circuit && plan.jobs.length > 1 && !title.toLowerCase().includes(circuit)
    ? `${title}, ${circuit}`
    : title;
}
