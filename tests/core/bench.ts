import { DEFAULT_RULES, type HouseRules } from '../../src/lib/core/rules/rules';
import { exactly, middle } from '../../src/lib/core/quantity/band';
import { quantity, type Quantity } from '../../src/lib/core/quantity/quantity';
import { unnoted, type Fastener, type Figure, type Sheet } from '../../src/lib/core/specs/sheet';
import type { Entry, NewEntry } from '../../src/lib/core/visit/entry';
import { sealSuggestion } from '../../src/lib/core/job/seal';
import { layOut, type LayoutInput } from '../../src/lib/core/job/layout/layout';
import { orderPlan } from '../../src/lib/core/job/order/order';
import type { VisitPlan } from '../../src/lib/core/job/plan';
import { wantsSequence } from '../../src/lib/core/visit/refuse';
import { pulls } from '../../src/lib/core/fasteners/pattern';
import type { TorqueWrench } from '../../src/lib/core/fasteners/wrench';
import type { StockedOil } from '../../src/lib/core/stores/toolbox';
import { BUILT_IN } from '../../src/lib/core/job/built-in/jobs';

export const fastener = (
  id: string,
  role: Fastener['role'],
  name: string,
  more: Partial<Fastener> = {}
): Fastener =>
  unnoted({ id, role, name, circuit: role === 'guard' ? null : 'engine', place: 'underneath', ...more });

export const figure = (key: Figure['key'], q: Quantity | null, more: Partial<Figure> = {}): Figure => ({
  id: key,
  key,
  fastenerId: null,
  band: q && exactly(q),
  text: null,
  source: 'Manual',
  page: '12',
  confidence: 'printed',
  variant: '',
  ...more
});

/** An engine and a gearbox with drains that look alike, a screen, a filter of three bolts and a guard. */
export const SHEET: Sheet = {
  fasteners: [
    fastener('g', 'guard', 'Skid plate'),
    fastener('f', 'filler cap', 'Filler cap', { seal: 'O-ring' }),
    fastener('d', 'drain plug', 'Engine drain plug', {
      magnet: true,
      seal: 'crush washer',
      thread: 'M12x1.5',
      head: '17 mm hex',
      at: { x: 0.4, y: 0.5 }
    }),
    fastener('s', 'screen cap', 'Screen cap', { seal: 'O-ring' }),
    fastener('c', 'filter cover', 'Filter cover', { quantity: 3, thread: 'M6' }),
    fastener('x', 'drain plug', 'Gearbox drain plug', { circuit: 'gearbox', at: { x: 0.55, y: 0.52 } }),
    fastener('y', 'check screw', 'Check screw', { circuit: 'gearbox' }),
    fastener('z', 'filler cap', 'Gearbox filler', { circuit: 'gearbox' })
  ],
  figures: [
    figure('engine oil with filter', quantity(1.1, 'L')),
    figure('engine oil without filter', quantity(1, 'L')),
    figure('gearbox oil', quantity(700, 'ml')),
    figure('engine oil grade', null, { text: '10W-50' }),
    figure('torque', quantity(20, 'N·m'), { id: 't', fastenerId: 'd' }),
    figure('torque', quantity(10, 'N·m'), { id: 'u', fastenerId: 'c' }),
    figure('oil level method', null, { text: 'sight glass' }),
    figure('oil level settle time', quantity(3, 'min')),
    figure('clutch runs in', null, { text: 'gearbox oil' })
  ]
};

/** A small click wrench, and an oil that suits the engine above: what a toolbox of a test is made of. */
export const WRENCH: TorqueWrench = {
  id: 'w',
  name: 'Small',
  unit: 'N·m',
  lowNm: 2,
  highNm: 24,
  lengthMm: 210,
  calibratedUntil: null,
  pulls: 0
};
export const GOOD_OIL: StockedOil = {
  id: 'o',
  name: 'Good',
  kind: 'engine oil, four-stroke',
  grade: '10W-50',
  ratings: ['JASO MA2'],
  additives: [],
  bottleMl: 1000,
  stockMl: 5000
};

/** Lays out the product's own jobs for a machine and puts them in order. */
export function planOf(jobs: string[], more: Partial<LayoutInput> & { rules?: HouseRules } = {}): VisitPlan {
  return orderPlan(laidOut(jobs, more), 'cold').plan;
}
/** What a visit of the product's own jobs is laid out from. */
export const inputFor = (jobs: string[], more: Partial<LayoutInput> = {}): LayoutInput => ({
  kind: 'four-stroke enduro',
  sheet: SHEET,
  rules: DEFAULT_RULES,
  jobs: jobs.map((key, i) => ({ template: BUILT_IN.find((t) => t.key === key)!, taskId: `task${i}` })),
  history: {},
  sealUses: {},
  found: {},
  last: {},
  ...more
});
export const laidOut = (jobs: string[], more: Partial<LayoutInput> = {}) => layOut(inputFor(jobs, more));

let seq = 0;
const id = () => `00000000-0000-4000-8000-${String(++seq).padStart(12, '0')}`;
const stamp = () => ({ id: id(), seq, at: '2026-06-10T10:00:00Z', by: 'p' });
export const step = (stepKey: string, action: NewEntry['action'] = 'done', content: object = {}): Entry =>
  ({ ...stamp(), stepKey, itemKey: null, action, content }) as Entry;
export const item = (itemKey: string, action: NewEntry['action'], content: object = {}): Entry =>
  ({ ...stamp(), stepKey: null, itemKey, action, content }) as Entry;
export const visitEntry = (action: NewEntry['action'], content: object = {}): Entry =>
  ({ ...stamp(), stepKey: null, itemKey: null, action, content }) as Entry;

/** Does everything a visit asks for, in its order, as the sheet has it. */
export function whole(plan: Pick<VisitPlan, 'steps' | 'items'>): Entry[] {
  return plan.steps.flatMap((s): Entry[] => {
    if (s.gate) return [];
    const { input } = s;
    switch (input.type) {
      case 'close':
        return input.items.flatMap((key) => {
          const i = plan.items.find((x) => x.key === key)!;
          const seal = i.seal === 'none' ? {} : { seal: sealSuggestion(i) };
          if (i.kind !== 'fastener') return [item(key, 'shut', seal)];
          const bolts = wantsSequence({ item: i })
            ? pulls(i.quantity).map(({ round, bolt }) => item(key, 'bolt', { round, bolt }))
            : [];
          const q = i.torque?.band ? middle(i.torque.band) : quantity(20, 'N·m');
          return [...bolts, item(key, 'torqued', { value: q.value, unit: q.unit, ...seal })];
        });
      case 'open':
        return [step(s.key, 'done', input.twins.length > 0 ? { pointedAt: s.points[0] } : {})];
      case 'oil':
        return [
          step(s.key, 'done', {
            oilId: null,
            oil: 'Brindle Four',
            oilGrade: '10W-50',
            deviation: 'no rating on the can'
          })
        ];
      case 'choice':
        return [step(s.key, 'done', { answer: 'yes' })];
      case 'measure':
        return [step(s.key, 'done', { value: 1 })];
      case 'drained':
        return [step(s.key, 'done', { ml: 950 })];
      case 'debris':
        return [step(s.key, 'done', { grade: 'none', materials: [] })];
      case 'pour':
        return [step(s.key, 'done', { ml: input.fill.firstMl ?? 900 })];
      case 'level':
        return [
          step(s.key, 'done', {
            level:
              input.protocol.method === 'check screw'
                ? { method: 'check screw', flow: 'weeps' }
                : { method: 'sight glass', position: 0.6 },
            toppedUpMl: 60
          })
        ];
      default:
        return [step(s.key)];
    }
  });
}
