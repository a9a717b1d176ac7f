import { GRADES, type Grade } from '../debris/debris';
import type { LevelReading } from '../fluids/level';
import { gradesIn } from '../fluids/oil';
import { sealSuggestion } from '../job/seal';
import { middle } from '../quantity/band';
import { parseQuantity } from '../quantity/parse';
import { show } from '../quantity/quantity';
import { UNITS } from '../quantity/units';
import type { LevelMethod } from '../specs/sheet';
import type { Toolbox } from '../stores/toolbox';
import { isShut, type ItemState } from './items';
import { levelsAtAGlance, type Unsent } from './quick';
import { wantsSequence } from './refuse';
import { isLeft, type StepState, type VisitState } from './state';

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
  /** Looks and jobs by hand that were not done, with why. */
  leftOut: Readonly<Record<string, string>>;
  /** Kept with the last step. */
  remark: string;
  units: 'metric' | 'imperial';
}

const ASKED: ReadonlySet<string> = new Set([
  'drained',
  'pour',
  'oil',
  'choice',
  'debris',
  'level',
  'measure'
]);

/** What has to be said of a visit: steps with an amount, an answer or a look; the rest was done, or is said not to have been. */
export function toSay(state: VisitState): { asked: StepState[]; done: StepState[]; closed: ItemState[] } {
  const left = state.steps.filter((s) => s.called && isLeft(s));
  const keys = new Set(left.flatMap((s) => (s.step.input.type === 'close' ? s.step.input.items : [])));
  return {
    asked: left.filter((s) => ASKED.has(s.step.input.type)),
    done: left.filter((s) => ['tick', 'start', 'open'].includes(s.step.input.type)),
    closed: state.items.filter((i) => keys.has(i.item.key) || (!isShut(i) && i.opened))
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

/** What one entry says, and what of the form it answers to. */
export interface Line {
  key: string;
  entry: Unsent;
}

/**
 * The entries of a visit that was written down afterwards, in working order.
 * @returns with what is still wanted, by key; nothing is sent while anything is
 */
export function writtenAfterwards(
  state: VisitState,
  a: Afterwards,
  tools: Toolbox
): { lines: Line[]; wanted: Record<string, string> } {
  const lines: Line[] = [];
  const wanted: Record<string, string> = {};
  const { closed } = toSay(state);
  const byKey = new Map(closed.map((i) => [i.item.key, i]));
  const left = state.steps.filter((s) => s.called && isLeft(s));
  const last = left.findLast((s) => s.step.input.type === 'tick')?.step.key;
  const written = new Set<string>();
  for (const s of left) {
    const { key, input } = s.step;
    if (input.type === 'close') {
      for (const item of input.items) {
        const i = byKey.get(item);
        if (!i || written.has(item)) continue;
        written.add(item);
        const line = closing(i, a);
        if (typeof line === 'string') wanted[item] = line;
        else lines.push({ key: item, entry: line });
      }
      continue;
    }
    if (a.leftOut[key] !== undefined) {
      lines.push({ key, entry: { stepKey: key, action: 'left out', content: { reason: a.leftOut[key] } } });
      continue;
    }
    const content = contentOf(s, a, tools);
    if (typeof content === 'string') wanted[key] = content;
    else {
      const why = a.why[key]?.trim();
      const remark = [key === last ? a.remark.trim() : '', why ?? ''].filter(Boolean).join(' · ');
      lines.push({
        key,
        entry: {
          stepKey: key,
          action: 'done',
          content: {
            ...content,
            afterwards: true,
            ...(remark && { remark }),
            ...(why && input.type === 'oil' && { deviation: why })
          }
        }
      });
    }
  }
  return { lines, wanted };
}

/** What was said at a step; in words what is wanted, where nothing that will do was. */
function contentOf(s: StepState, a: Afterwards, tools: Toolbox): object | string {
  const { key, input, points } = s.step;
  const said = (a.said[key] ?? '').trim();
  switch (input.type) {
    case 'drained':
    case 'pour': {
      const parsed = parseQuantity(said, {
        dimension: 'volume',
        unit: a.units === 'metric' ? 'ml' : 'US qt'
      });
      if (!parsed.ok) return said ? parsed.problem.message : 'How much?';
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
      if (!parsed.ok) return said ? parsed.problem.message : `In ${input.unit}?`;
      return { measured: { value: parsed.quantity.value, unit: parsed.quantity.unit } };
    }
    case 'choice':
      return said === 'yes' || said === 'no' ? { answer: said } : 'Yes or no?';
    case 'debris':
      return GRADES.includes(said as Grade)
        ? { grade: said as Grade, materials: [] }
        : 'What was found, even if it was nothing?';
    case 'oil': {
      const oil = tools.oils.find((o) => o.id === said);
      if (oil) return { oilId: oil.id, oil: oil.name, oilGrade: oil.grade };
      return said ? { oilId: null, oil: said, oilGrade: gradesIn(said)[0] ?? '' } : 'Which oil went in?';
    }
    case 'level': {
      const method = levelMethodOf(s, a.said);
      const level: LevelReading | undefined = levelsAtAGlance(method).find(([label]) => label === said)?.[1];
      if (level) return { level };
      return method === null ? 'How is it read?' : 'Where did it stand?';
    }
    case 'open':
      // Of twins it is confirmed by name among what is closed.
      return input.twins.length > 0 ? { pointedAt: points[0] } : {};
    default:
      return {};
  }
}

/** One opened thing closed again. */
function closing(i: ItemState, a: Afterwards): Unsent | string {
  const { key, kind, torque, name } = i.item;
  if (!a.closed[key]) return `Is ${name} closed?`;
  const seal = i.item.seal === 'none' ? {} : { seal: i.seal ?? sealSuggestion(i.item) };
  const why = a.why[key]?.trim();
  if (kind !== 'fastener')
    return {
      itemKey: key,
      action: 'shut',
      content: { ...seal, ...(why && 'seal' in seal && { sealReason: why }) }
    };
  const typed = (a.said[key] ?? asOnTheSheet(i)).trim();
  if (typed === '') {
    const reason = why || torque?.words;
    return reason
      ? { itemKey: key, action: 'by feel', content: { reason, ...seal } }
      : `${name}: to what torque, or why by feel?`;
  }
  const band = torque?.band;
  const parsed = parseQuantity(typed, {
    dimension: 'torque',
    ...(band && { unit: middle(band).unit })
  });
  if (!parsed.ok) return parsed.problem.message;
  const reason = why || (wantsSequence(i) ? 'written down afterwards' : '');
  return {
    itemKey: key,
    action: 'torqued',
    content: { value: parsed.quantity.value, unit: parsed.quantity.unit, ...(reason && { reason }), ...seal }
  };
}
