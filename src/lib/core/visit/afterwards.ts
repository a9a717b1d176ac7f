import { readSlack, withUnit } from '../chain/slack-typed';
import { GRADES, type Grade, type Material } from '../debris/debris';
import type { OilLook } from '../debris/trend';
import type { Aim } from '../fluids/aim';
import type { LevelReading } from '../fluids/level';
import { gradesIn } from '../fluids/can';
import { sealSuggestion } from '../job/seal';
import { middle } from '../quantity/band';
import { parseQuantity } from '../quantity/parse';
import { show } from '../quantity/quantity';
import { UNITS } from '../quantity/units';
import type { LevelMethod } from '../specs/sheet';
import type { Toolbox } from '../stores/toolbox';
import { oddFill } from './fill';
import { isShut, type ItemState } from './items';
import { entrySchema, FILTERS, type WhichFilter } from './entry';
import { BY_HOUSE_RULE, levelsAtAGlance, type AtHand, type Unsent } from './quick';
import { wantsSequence } from './refuse';
import { isLeft, opensGate, type StepState, type VisitState } from './state';

/**
 * A visit done away from the app and written down afterwards: what was measured and seen is asked in one form, each opened point is
 * confirmed closed, and out of it come the same entries as at the bench, in working order. Nobody knows when each was done; that it
 * was written afterwards is said in each, so nothing is judged by the clock.
 */
export interface Afterwards {
  /** By the key of a step or of what was opened: as it was typed or picked. */
  said: Readonly<Record<string, string>>;
  /** By the key of what was opened: it is closed. */
  closed: Readonly<Record<string, boolean>>;
  /** Why, where that was asked. */
  why: Readonly<Record<string, string>>;
  /** Of what the metal was, and how the oil looked, by the key of the step that judged it. */
  materials: Readonly<Record<string, readonly Material[]>>;
  oilLook: Readonly<Record<string, OilLook>>;
  /** Looks and jobs by hand that were not done, with why. */
  leftOut: Readonly<Record<string, string>>;
  /** What the valve sheet says of each of its steps. */
  clearances?: AtHand['clearances'];
  /** Kept with the last thing that was done. */
  remark: string;
  units: 'metric' | 'imperial';
}

/** Why what came out has no amount, where nobody caught it in a jug. */
export const NOT_MEASURED = 'not measured';

const ASKED: ReadonlySet<string> = new Set([
  'drained',
  'pour',
  'oil',
  'choice',
  'debris',
  'level',
  'measure',
  'slack'
]);

/** What has to be said of a visit: steps with an amount, an answer or a look; the rest was done, or is said not to have been. */
export function toSay(state: VisitState): { asked: StepState[]; done: StepState[]; closed: ItemState[] } {
  const left = state.steps.filter((s) => s.called && isLeft(s));
  const keys = new Set(left.flatMap((s) => (s.step.input.type === 'close' ? s.step.input.items : [])));
  return {
    asked: left.filter((s) => ASKED.has(s.step.input.type)),
    done: left.filter((s) => ['tick', 'start', 'open', 'clearances', 'dressing'].includes(s.step.input.type)),
    closed: state.items.filter((i) => keys.has(i.item.key) || (!isShut(i) && i.opened))
  };
}

/** Steps whose answer other steps hang on. */
const ANSWERS: ReadonlySet<string> = new Set(['choice', 'slack']);
/**
 * The visit as it will be asked about once the answers that are typed by now are written: what hangs on them is called for. Found
 * slack that is wrong asks for the other two numbers in the same form.
 */
export function withAnswers(state: VisitState, a: Afterwards, { tools }: Pick<AtHand, 'tools'>): VisitState {
  const answering = new Map(
    state.steps.map((s) => {
      const said = isLeft(s) && ANSWERS.has(s.step.input.type) ? contentOf(s, a, tools) : null;
      return [
        s.step.key,
        said === null || isWanted(said) ? s : { ...s, done: true, written: [...s.written, said] }
      ];
    })
  );
  return {
    ...state,
    steps: state.steps.map((s) => ({
      ...s,
      called: s.step.gate === null || opensGate(s.step.gate, answering)
    }))
  };
}

/** How it was torqued unless somebody says otherwise: as the sheet has it; empty where it says nothing, or only words. */
export function asOnTheSheet({ item }: Pick<ItemState, 'item'>): string {
  const band = item.torque?.band;
  return band?.from && band.to ? show(middle(band)) : '';
}

/** Where nobody noted how a level is read, it is picked under this key. */
export const methodKey = (stepKey: string): string => `${stepKey} method`;
export const levelMethodOf = (s: StepState, said: Afterwards['said']): LevelMethod | null =>
  s.step.input.type === 'level'
    ? (s.step.input.protocol.method ?? ((said[methodKey(s.step.key)] as LevelMethod | undefined) || null))
    : null;
/** Where the sheet wants a level; null: not a level, or no aim. */
export const aimOfStep = (s: StepState): Aim | null =>
  s.step.input.type === 'level' ? s.step.input.protocol.aim : null;

/** What one entry says, and what of the form it answers to. */
export interface Line {
  key: string;
  entry: Unsent;
}

/** What is still wanted, in words, and whether it will do once somebody says why. */
export interface Wanted {
  words: string;
  asksWhy: boolean;
}
const want = (words: string, asksWhy = false): Wanted => ({ words, asksWhy });
const isWanted = (x: object): x is Wanted => 'asksWhy' in x;

/** Under which the remark is wanted, where there is no entry left to keep it with. */
export const REMARK = 'remark';
const ANY_ID = '00000000-0000-4000-8000-000000000000';

/**
 * The entries of a visit that was written down afterwards, in working order.
 * @returns with what is still wanted, by key; nothing is sent while anything is
 */
export function writtenAfterwards(
  state: VisitState,
  a: Afterwards,
  { tools, byFeel = false }: Pick<AtHand, 'tools' | 'byFeel'>
): { lines: Line[]; wanted: Record<string, Wanted> } {
  const lines: Line[] = [];
  const wanted: Record<string, Wanted> = {};
  /** By the same schema as at the bench: what is far too much, or too long, is said at its field. */
  const put = (key: string, said: Unsent | Wanted) => {
    if (isWanted(said)) {
      wanted[key] = said;
      return;
    }
    const read = entrySchema.safeParse({ id: ANY_ID, ...said });
    if (read.success) lines.push({ key, entry: said });
    else wanted[key] = want(read.error.issues[0]!.message);
  };
  const { closed } = toSay(state);
  const byKey = new Map(closed.map((i) => [i.item.key, i]));
  const left = state.steps.filter((s) => s.called && isLeft(s));
  const written = new Set<string>();
  for (const s of left) {
    const { key, input } = s.step;
    if (input.type === 'close') {
      for (const item of input.items) {
        const i = byKey.get(item);
        if (!i || written.has(item)) continue;
        written.add(item);
        put(item, closing(i, a, byFeel));
      }
      continue;
    }
    if (a.leftOut[key] !== undefined) {
      put(key, { stepKey: key, action: 'left out', content: { reason: a.leftOut[key] } });
      continue;
    }
    const content = contentOf(s, a, tools);
    const why = a.why[key]?.trim();
    put(
      key,
      isWanted(content)
        ? content
        : {
            stepKey: key,
            action: 'done',
            content: {
              ...content,
              afterwards: true,
              ...(why && { remark: why }),
              ...(why && input.type === 'oil' && { deviation: why })
            }
          }
    );
    const odd = wanted[key] || isWanted(content) ? null : oddPoured(state, s, a, content);
    if (odd && !why) {
      lines.pop();
      wanted[key] = want(odd.words, true);
    }
    if (odd && why) {
      const { circuit, inMl } = odd;
      put(key, { action: 'fill accepted', content: { circuit, inMl, reason: why } });
    }
  }
  // The remark goes with the last thing that was done, else with the last that was torqued: never nowhere.
  const keeps =
    lines.findLast((l) => l.entry.action === 'done') ?? lines.findLast((l) => l.entry.action === 'torqued');
  const remark = a.remark.trim();
  if (remark && keeps) {
    const { content } = keeps.entry as { content: { remark?: string } };
    keeps.entry = {
      ...keeps.entry,
      content: { ...content, remark: [remark, content.remark].filter(Boolean).join(' · ') }
    };
  } else if (remark && Object.keys(wanted).length === 0)
    wanted[REMARK] = want('Nothing is left that a remark could be kept with: write it at a step.');
  return { lines, wanted };
}

/** A pour that is not what the sheet says, by how its level was read. */
function oddPoured(state: VisitState, s: StepState, a: Afterwards, content: { ml?: number }) {
  const { input } = s.step;
  if (input.type !== 'pour' || content.ml === undefined) return null;
  const level = state.steps.find(
    (x) => x.step.input.type === 'level' && x.step.input.circuit === input.circuit
  );
  const method = level ? levelMethodOf(level, a.said) : null;
  return oddFill(state, input.circuit, { ml: content.ml, method });
}

/** What was said at a step; in words what is wanted, where nothing that will do was. */
function contentOf(s: StepState, a: Afterwards, tools: Toolbox): object | Wanted {
  const { key, input, points } = s.step;
  const said = (a.said[key] ?? '').trim();
  switch (input.type) {
    case 'drained':
    case 'pour': {
      const parsed = parseQuantity(said, {
        dimension: 'volume',
        unit: a.units === 'metric' ? 'ml' : 'US qt'
      });
      if (!parsed.ok) return want(said ? parsed.problem.message : 'How much?');
      const ml = Math.round(parsed.quantity.base * 10) / 10;
      return {
        ml,
        asWritten: show(parsed.quantity),
        ...(input.type === 'pour' && { pour: 'poured in' })
      };
    }
    case 'measure': {
      const parsed = parseQuantity(said, {
        dimension: UNITS[input.unit].dimension,
        unit: input.unit,
        allowNegative: true
      });
      if (!parsed.ok) return want(said ? parsed.problem.message : `In ${input.unit}?`);
      return { measured: { value: parsed.quantity.value, unit: parsed.quantity.unit } };
    }
    case 'slack': {
      const unit = a.units === 'metric' ? 'mm' : 'in';
      const read = readSlack(said, input.how, input.at, input.finger, unit);
      return read.ok
        ? { slack: { mm: read.slack, asWritten: withUnit(said, unit) } }
        : want(said ? read.message : 'How much?');
    }
    case 'clearances': {
      const c = a.clearances?.[input.stage];
      return c ? { clearances: c } : want('Write its numbers on the valve sheet first, valve by valve.');
    }
    case 'choice':
      return said === 'yes' || said === 'no' ? { answer: said } : want('Yes or no?');
    case 'debris':
      return GRADES.includes(said as Grade)
        ? {
            grade: said as Grade,
            materials: said === 'none' ? [] : [...(a.materials[key] ?? [])],
            ...(a.oilLook[key] && { oilLook: a.oilLook[key] })
          }
        : want('What was found, even if it was nothing?');
    case 'oil': {
      const oil = tools.oils.find((o) => o.id === said);
      if (oil) return { oilId: oil.id, oil: oil.name, oilGrade: oil.grade };
      return said
        ? { oilId: null, oil: said, oilGrade: gradesIn(said)[0] ?? '' }
        : want('Which oil went in?');
    }
    case 'level': {
      const method = levelMethodOf(s, a.said);
      const level: LevelReading | undefined = levelsAtAGlance(method, aimOfStep(s)).find(
        ([label]) => label === said
      )?.[1];
      if (level) return { level };
      return want(method === null ? 'How is it read?' : 'Where did it stand?');
    }
    case 'open':
      // Of twins it is confirmed by name among what is closed.
      return input.twins.length > 0 ? { pointedAt: points[0] } : {};
    default:
      return {};
  }
}

/** Under which the form says which washer or ring went in. */
export const sealKey = (itemKey: string): string => `${itemKey} seal`;
/** Which one: as it was said, else as it stands in the form, by the house rule. */
export function sealSaid(i: Pick<ItemState, 'item' | 'seal'>, said: Afterwards['said']): 'new' | 'again' {
  const typed = said[sealKey(i.item.key)];
  return typed === 'new' || typed === 'again' ? typed : (i.seal ?? sealSuggestion(i.item));
}

/** Under which the form says which filter went in, and the number on it. */
export const filterKey = (itemKey: string): string => `${itemKey} filter`;
export const numberKey = (itemKey: string): string => `${itemKey} number`;
/** Which filter: as it was said, else as it stands in the form, by the house rule; null: it is none. */
export function filterSaid({ item }: Pick<ItemState, 'item'>, said: Afterwards['said']): WhichFilter | null {
  return item.filter && (FILTERS.find((f) => f === said[filterKey(item.key)]) ?? item.filter);
}

/** One opened thing closed again. */
function closing(i: ItemState, a: Afterwards, byFeel: boolean): Unsent | Wanted {
  const { key, kind, torque, name } = i.item;
  if (!a.closed[key]) return want(`Is ${name} closed?`);
  const seal = i.item.seal === 'none' ? {} : { seal: sealSaid(i, a.said) };
  const why = a.why[key]?.trim();
  if (kind !== 'fastener') {
    const filter = filterSaid(i, a.said);
    const number = a.said[numberKey(key)]?.trim();
    return {
      itemKey: key,
      action: 'shut',
      content: {
        ...seal,
        ...(why && 'seal' in seal && { sealReason: why }),
        ...(filter && { filter, ...(number && { number }) })
      }
    };
  }
  const typed = (a.said[key] ?? asOnTheSheet(i)).trim();
  if (typed === '') {
    const reason = why || torque?.words || (byFeel ? BY_HOUSE_RULE : '');
    return reason
      ? { itemKey: key, action: 'by feel', content: { reason, ...seal } }
      : want(`${name}: to what torque, or why by feel?`, true);
  }
  const band = torque?.band;
  const parsed = parseQuantity(typed, {
    dimension: 'torque',
    ...(band && { unit: middle(band).unit })
  });
  if (!parsed.ok) return want(parsed.problem.message);
  const reason = why || (wantsSequence(i) ? 'written down afterwards' : '');
  return {
    itemKey: key,
    action: 'torqued',
    content: { value: parsed.quantity.value, unit: parsed.quantity.unit, ...(reason && { reason }), ...seal }
  };
}
