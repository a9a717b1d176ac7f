import { calibrationWord, isOutOfDate, onScale, uncovered, wrenchesFor } from '../../fasteners/wrench';
import { bottles, type BottlePlan } from '../../fluids/ledger';
import type { Air } from '../../fluids/air';
import { gradesIn } from '../../fluids/can';
import { canOf, judgeOil } from '../../fluids/oil';
import { middle, showBand } from '../../quantity/band';
import type { HouseRules } from '../../rules/rules';
import type { Circuit } from '../../specs/sheet';
import type { Day } from '../../time/day';
import { sealSuggestion } from '../seal';
import { forgottenBefore, type Forgotten } from './forgotten';
import type { OpenedItem, VisitPlan } from '../plan';
import type { OilClaim, StockedOil, Toolbox } from '../../stores/toolbox';

export interface Line {
  text: string;
  /** What is wrong with it, or has to be asked; null where nothing is. */
  lack: string | null;
  /** It is a thing that has to be got: bought, lent, calibrated. Else something is to be looked up. */
  toGet?: true;
}
export interface Fluid {
  circuit: Circuit;
  neededMl: number | null;
  /** The one of the stores that suits best; null where none does. */
  oil: StockedOil | null;
  bottles: BottlePlan | null;
  lack: string | null;
  /** Of this oil, what other visits take that stand open. */
  claimed: OilClaim | null;
  /** What it lacks is oil; else something is to be looked up. */
  toGet: boolean;
}
/** Everything to lay out before anything is opened. */
export interface Gathered {
  tools: Line[];
  parts: Line[];
  fluids: Fluid[];
  /** What was not laid out last time, and had to be fetched in the middle of the work. */
  forgotten: { what: string; day: Day }[];
  /** Everything that is missing or has to be asked, in one list. */
  lacks: string[];
  /** Of these, what has to be got. */
  toGet: string[];
}

/** Sizes across flats as a head or a note names them, mm. */
export function sizesIn(text: string): string[] {
  return [...new Set([...text.matchAll(/(\d{1,2}(?:[.,]\d)?)\s*mm/gi)].map((m) => m[1]!.replace(',', '.')))];
}

/**
 * Tools, parts and fluids for a whole visit, from what it opens and what it pours.
 * @param air the air the machine will be ridden in until the next change; null: not asked
 * @param last what was forgotten at the last visit for each job
 */
export function gather(
  plan: Pick<VisitPlan, 'jobs' | 'steps' | 'items'>,
  tools: Toolbox,
  rules: HouseRules,
  today: Day,
  air: Air | null,
  last: readonly Forgotten[] = []
): Gathered {
  const gathered: Gathered = {
    tools: [...heads(plan.items), ...wrenches(plan.items, tools, today), ...usual(plan)],
    parts: parts(plan, rules),
    fluids: fluids(plan, tools, air),
    forgotten: forgottenBefore(
      last,
      plan.jobs.map((j) => j.key)
    ),
    lacks: [],
    toGet: []
  };
  gathered.lacks = [
    ...[...gathered.tools, ...gathered.parts].flatMap((l) => (l.lack ? [l.lack] : [])),
    ...gathered.fluids.flatMap((f) => (f.lack ? [f.lack] : []))
  ];
  gathered.toGet = [
    ...gathered.tools.flatMap((l) => (l.lack && l.toGet ? [l.lack] : [])),
    ...gathered.fluids.flatMap((f) => (f.lack && f.toGet ? [f.lack] : []))
  ];
  return gathered;
}

const bolts = (items: readonly OpenedItem[]) => items.filter((i) => i.kind !== 'part');

function heads(items: readonly OpenedItem[]): Line[] {
  const byHead = new Map<string, OpenedItem[]>();
  for (const i of bolts(items)) byHead.set(i.head, [...(byHead.get(i.head) ?? []), i]);
  return [...byHead]
    .sort(([a], [b]) => Number(a === '') - Number(b === '') || a.localeCompare(b))
    .map(([head, of]) => {
      const names = of.map((i) => i.name).join(', ');
      if (head === '') return { text: `Size not noted: ${names}`, lack: null };
      const sizes = sizesIn(`${head} ${of.map((i) => i.note).join(' ')}`);
      return {
        text: `${head}: ${names}`,
        lack:
          sizes.length > 1 ? `${names}: two sizes on record, ${sizes.join(' and ')} mm. Which is it?` : null
      };
    });
}

function wrenches(items: readonly OpenedItem[], { wrenches: box, adapters }: Toolbox, today: Day): Line[] {
  const byWrench = new Map<string, { text: string; lack: string | null; values: string[] }>();
  const lines: Line[] = [];
  for (const i of bolts(items)) {
    if (i.kind === 'cap') continue;
    const said = i.torque?.words;
    if (said) {
      lines.push({ text: `${i.name}: ${said}`, lack: null });
      continue;
    }
    const band = i.torque?.band;
    if (!band) {
      lines.push({ text: `${i.name}: torque unknown`, lack: `${i.name}: its torque is not on the sheet.` });
      continue;
    }
    const spec = middle(band);
    const lack = uncovered(spec, box);
    if (lack) lines.push({ text: `${i.name}, ${showBand(band)}`, lack: `${i.name}: ${lack}`, toGet: true });
    else {
      const best = wrenchesFor(spec.base, box, today)[0]!;
      const word = calibrationWord(best, today);
      const entry = byWrench.get(best.id) ?? {
        text: `${best.name}${word ? ` (${word})` : ''}`,
        lack: isOutOfDate(best, today) ? `${best.name}: ${word}.` : null,
        values: []
      };
      // As it is set: a sheet in other units is read off beside it.
      const set = onScale(spec.base, best);
      entry.values.push(
        `${i.name} ${spec.unit === best.unit ? showBand(band) : `${set} (${showBand(band)})`}`
      );
      byWrench.set(best.id, entry);
    }
    if (i.adapter)
      lines.push({
        text: `Adapter for ${i.name}: no socket fits`,
        lack: adapters.length === 0 ? `${i.name} takes an adapter, and there is none in the stores.` : null,
        toGet: true
      });
  }
  return [
    ...[...byWrench.values()].map((w) => ({
      text: `${w.text}: ${w.values.join(', ')}`,
      lack: w.lack,
      toGet: true as const
    })),
    ...lines
  ];
}

function usual(plan: Pick<VisitPlan, 'steps' | 'items'>): Line[] {
  const drains = plan.items.some((i) => i.role === 'drain plug');
  const washes = plan.items.some((i) => i.role === 'screen cap');
  const valves = plan.steps.filter((s) => s.input.type === 'clearances');
  // What is wanted only if a valve is out is laid out too: the cams are off by then.
  const shims = valves.find((s) => s.input.type === 'clearances' && s.input.stage === 'fitted');
  const only = shims?.gate ? 'only if a valve is out: ' : '';
  return [
    ...(valves.length > 0
      ? [{ text: 'Feeler blades, rags for every hole, a wrench to turn the crank by hand', lack: null }]
      : []),
    ...(shims
      ? [
          {
            text: `${only}${only ? 'm' : 'M'}icrometer, magnet, wire for the chain, paint pen, trays for caps and buckets`,
            lack: null
          }
        ]
      : []),
    ...(plan.steps.some((s) => s.input.type === 'slack')
      ? [{ text: 'Steel rule, chain brush and solvent, rag for the sprocket', lack: null }]
      : []),
    ...(drains ? [{ text: 'Drain pan, measuring jug, clean rag, gloves', lack: null }] : []),
    ...(washes ? [{ text: 'Solvent, brush, white paper', lack: null }] : []),
    ...bolts(plan.items)
      .filter((i) => i.note)
      .map((i) => ({ text: `${i.name}: ${i.note}`, lack: null }))
  ];
}

function parts(plan: Pick<VisitPlan, 'steps' | 'items'>, rules: HouseRules): Line[] {
  const lines: Line[] = [];
  if (plan.steps.some((s) => s.input.type === 'clearances'))
    lines.push({ text: 'Gasket of the valve cover at hand, sealant for its half moons', lack: null });
  const shims = plan.steps.find((s) => s.input.type === 'clearances' && s.input.stage === 'fitted');
  if (shims)
    lines.push({
      text: `${shims.gate ? 'only if a valve is out: s' : 'S'}hims by the plan, a tensioner gasket`,
      lack: null
    });
  for (const i of plan.items) {
    if (i.seal !== 'none') {
      const uses =
        i.sealUses === null || i.sealMost === 1 ? '' : `, use ${i.sealUses} of ${i.sealMost} behind it`;
      lines.push({
        text:
          sealSuggestion(i) === 'new'
            ? `1 new ${i.seal}: ${i.name}${uses}`
            : `Spare ${i.seal} at hand: ${i.name}${uses}`,
        lack: null
      });
    }
    if (i.kind === 'part' && i.role === 'filter cover')
      lines.push({
        text:
          rules.filter === 'washable'
            ? 'Washable filter: solvent, filter oil'
            : `1 new oil filter with its small ring`,
        lack: null
      });
    if (i.kind === 'part' && i.role === 'screen cap' && rules.screens === 'replace')
      lines.push({ text: `1 new ${i.name.toLowerCase()}`, lack: null });
  }
  return lines;
}

/** The oil of the stores that suits a circuit best: of a grade that fits, no stop, fewest words, most of it there. */
export function bestOil(
  want: Parameters<typeof judgeOil>[1],
  oils: readonly StockedOil[],
  air: Air | null
): StockedOil | null {
  // Nobody knows which it wants: none is laid out in its place.
  if (want.grade === null && want.table.length === 0) return null;
  const named = (o: StockedOil) => gradesIn(want.grade ?? '').includes(gradesIn(o.grade)[0] ?? '');
  return (
    oils
      .map((oil) => ({ oil, verdict: judgeOil(canOf(oil), want, air) }))
      // Nothing that fits is said so; no other is laid out in its place.
      .filter((x) => x.verdict.stop.length === 0 && x.verdict.fits !== false)
      .sort(
        (a, b) =>
          a.verdict.word.length - b.verdict.word.length ||
          // The grade the sheet names before another that its table also allows.
          Number(named(b.oil)) - Number(named(a.oil)) ||
          b.oil.stockMl - a.oil.stockMl
      )[0]?.oil ?? null
  );
}

function fluids(plan: Pick<VisitPlan, 'steps' | 'items'>, tools: Toolbox, air: Air | null): Fluid[] {
  /** By oil, what the circuits before it in this visit take of the same bottles. */
  const taken = new Map<string, number>();
  return plan.steps.flatMap((s): Fluid[] => {
    const { input } = s;
    if (input.type !== 'oil') return [];
    const oil = bestOil(input.want, tools.oils, air);
    const claimed = tools.claims?.find((c) => c.oilId === oil?.id) ?? null;
    const plan_ =
      oil && input.quantityMl !== null
        ? bottles(input.quantityMl, oil.stockMl - (claimed?.ml ?? 0) - (taken.get(oil.id) ?? 0), oil.bottleMl)
        : null;
    if (oil && input.quantityMl !== null) taken.set(oil.id, (taken.get(oil.id) ?? 0) + input.quantityMl);
    const lack =
      input.quantityMl === null
        ? `${input.circuit} oil: how much goes in is not on the sheet.`
        : oil === null
          ? input.want.grade === null && input.want.table.length === 0
            ? `${input.circuit} oil: which it wants is not on the sheet.`
            : `${input.circuit} oil: nothing in the stores suits it (${input.want.grade ?? 'by its table'}).`
          : plan_!.shortMl > 0
            ? `${input.circuit} oil: ${Math.round(plan_!.shortMl)} ml short of ${oil.name}${claimed ? `, with what ${claimed.by.join(' and ')} at the bench ${claimed.by.length === 1 ? 'takes' : 'take'}` : ''}.`
            : null;
    return [
      {
        circuit: input.circuit,
        neededMl: input.quantityMl,
        oil,
        bottles: plan_,
        claimed,
        toGet:
          input.quantityMl !== null &&
          (oil !== null || input.want.grade !== null || input.want.table.length > 0),
        lack: lack && lack.charAt(0).toUpperCase() + lack.slice(1)
      }
    ];
  });
}
