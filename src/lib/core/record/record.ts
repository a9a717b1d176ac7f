import type { Found } from '../fasteners/found';
import type { Debris, Verdict } from '../debris/debris';
import { readDrain, type OilLook } from '../debris/trend';
import { consumption, type Consumption } from '../fluids/ledger';
import type { LevelReading } from '../fluids/level';
import type { Band, Judgement } from '../quantity/band';
import { quantity, show, type Quantity } from '../quantity/quantity';
import type { DoneContent, WhichFilter } from '../visit/entry';
import type { HouseRules } from '../rules/rules';
import type { Circuit } from '../specs/sheet';
import type { VisitPlan } from '../job/plan';
import { isShut, isTight } from '../visit/items';
import { writtenInWords } from '../visit/onward';
import { doneInWords } from './done';
import { judgedAt, lastLevel, ledgerOf, measuredAt, type StepState, type VisitState } from '../visit/state';

/** What came out at one place, with what was made of it. */
export interface JudgedDebris extends Debris {
  /** Null for records of before steps had keys. */
  stepKey: string | null;
  oilLook: OilLook | null;
  oilHours: number | null;
  /** Null for records of before there was one. */
  verdict: Verdict | null;
  reasons: string[];
  /** The mechanic's words, where the verdict is the mechanic's own. */
  overruled: string | null;
}

/** One circuit's oil, as found and as left. */
export interface CircuitRecord {
  circuit: Circuit;
  drainedMl: number | null;
  pouredMl: number | null;
  /** Of it, what went into the filter; null: nobody said. */
  intoFilterMl: number | null;
  level: LevelReading | null;
  oil: { id: string | null; name: string; grade: string; deviation: string | null } | null;
  /** Hours that the drained oil had run, hundredths. */
  oilHours: number | null;
  used: Consumption | null;
}

/** A number that a check was passed with. */
export interface MeasuredRecord {
  title: string;
  /** As found, where it was measured more than once. */
  found: Quantity | null;
  /** As left. */
  measured: Quantity;
  /** Null where neither sheet nor job gave one. */
  band: Band | null;
  judged: Judgement | null;
}

/** What a visit leaves in the record of one of its jobs: as found and as left, with the rules that were in force. */
export interface JobRecord {
  job: string;
  version: number;
  /** What was done, by what its steps did; empty for old records. */
  title: string;
  /** Those that were in force; of old records, those that were kept. */
  rules: Partial<HouseRules>;
  circuits: CircuitRecord[];
  debris: JudgedDebris[];
  found: { name: string; place: string; fastenerId: string | null; how: Found; note: string }[];
  fasteners: {
    name: string;
    place: string;
    quantity: number;
    /** `shut`: a cap, with the ring in it. */
    stand: 'torqued' | 'by feel' | 'shut';
    torque: Quantity | null;
    reason: string | null;
    fastenerId: string | null;
    wrenchId: string | null;
    settingNm: number | null;
    seal: 'new' | 'again' | null;
    marked: boolean;
  }[];
  deferred: {
    name: string;
    place: string;
    itemKey: string;
    waitsFor: string;
    part: string;
    reason: string;
    torque: Band | null;
  }[];
  leftOut: { title: string; reason: string }[];
  /** Filters that went in: which, and the number on it. */
  fitted: { name: string; which: WhichFilter; number: string }[];
  /** How long the engine ran, seconds; null: nobody said. */
  ranSeconds: number | null;
  /** Every step that was done, with what was written at it; what all visits begin and end with is not named. */
  done: { title: string; said: string; stepKey: string }[];
  remarks: { title: string; remark: string; stepKey: string | null }[];
  /** Numbers that checks were passed with. */
  measured: MeasuredRecord[];
  passedOver: { name: string; reason: string }[];
  /** Numbers that an instrument said by itself: what it was, what it said, which it was. */
  instruments: { title: string; said: string; instrument: string }[];
  minutes: number;
  /** Written down after the work was done elsewhere: its minutes say nothing. */
  afterwards: boolean;
  estimate: { attended: number; elapsed: number } | null;
}

/** The verdict of a place that was judged: worked out, or the mechanic's own. */
export function verdictOf(
  s: StepState
): { verdict: Verdict; reasons: string[]; overruled: string | null } | null {
  const { input } = s.step;
  const w = s.written.at(-1);
  if (input.type !== 'debris' || !w?.grade) return null;
  const worked = readDrain(
    {
      place: input.place,
      grade: w.grade,
      materials: w.materials ?? [],
      oilHours: input.oilHours,
      oil: w.oilLook
    },
    input.before,
    input.breakIn
  );
  return w.verdict !== undefined && w.overruled
    ? { verdict: w.verdict, reasons: worked.reasons, overruled: w.overruled }
    : { ...worked, overruled: null };
}

/**
 * Draws up the record of one job of a visit. What the jobs share stands in each.
 * @param jobKey its key in the plan
 * @param minutes from the visit's start to its close
 */
export function drawUpRecord(
  plan: Omit<VisitPlan, 'title' | 'estimate'> & Partial<VisitPlan>,
  state: VisitState,
  rules: HouseRules,
  minutes: number,
  jobKey: string = plan.jobs[0]!.key
): JobRecord {
  const job = plan.jobs.find((j) => j.key === jobKey)!;
  const mine = (s: StepState) => s.step.jobs.length === 0 || s.step.jobs.includes(jobKey);
  const steps = state.steps.filter((s) => mine(s) && s.called);
  const touched = new Set(
    steps.flatMap((s) =>
      s.step.input.type === 'open' || s.step.input.type === 'close' ? s.step.input.items : []
    )
  );
  const items = state.items.filter((i) => touched.has(i.item.key));
  const circuits = job.circuits.map((c) => circuitRecord(c, state, steps));
  return {
    job: job.key,
    version: job.version,
    title: doneInWords(job, state),
    rules,
    circuits,
    debris: steps.flatMap((s) => {
      const w = s.written.at(-1);
      const verdict = verdictOf(s);
      if (s.step.input.type !== 'debris' || !w?.grade || !verdict) return [];
      return [
        {
          place: s.step.input.place,
          grade: w.grade,
          materials: w.materials ?? [],
          stepKey: s.step.key,
          oilLook: w.oilLook ?? null,
          oilHours: s.step.input.oilHours,
          verdict: verdict.verdict,
          reasons: verdict.reasons,
          overruled: verdict.overruled
        }
      ];
    }),
    found: items.flatMap((i) =>
      i.found.map((f) => ({ name: i.item.name, place: i.item.place, fastenerId: i.item.fastenerId, ...f }))
    ),
    fasteners: items.flatMap((i) =>
      isTight(i) && (i.item.kind === 'fastener' || (i.item.kind === 'cap' && i.seal !== null))
        ? [
            {
              name: i.item.name,
              place: i.item.place,
              quantity: i.item.quantity,
              stand:
                i.stand === 'shut'
                  ? ('shut' as const)
                  : i.torque
                    ? ('torqued' as const)
                    : ('by feel' as const),
              torque: i.torque,
              reason: i.reason,
              fastenerId: i.item.fastenerId,
              wrenchId: i.wrenchId,
              settingNm: i.settingNm,
              seal: i.seal,
              marked: i.stand === 'marked'
            }
          ]
        : []
    ),
    deferred: items.flatMap((i) =>
      i.deferred
        ? [
            {
              name: i.item.name,
              place: i.item.place,
              itemKey: i.item.key,
              torque: i.item.torque?.band ?? null,
              ...i.deferred
            }
          ]
        : []
    ),
    leftOut: steps.flatMap((s) => (s.leftOut !== null ? [{ title: s.step.title, reason: s.leftOut }] : [])),
    fitted: items.flatMap((i) =>
      i.filter && isShut(i) ? [{ name: i.item.name, which: i.filter.which, number: i.filter.number }] : []
    ),
    ranSeconds: steps.find((s) => s.step.input.type === 'start')?.written.at(-1)?.ranSeconds ?? null,
    done: steps.flatMap((s) =>
      s.done && !AROUND.has(s.step.key)
        ? [{ title: s.step.title, said: didInWords(state, s), stepKey: s.step.key }]
        : []
    ),
    remarks: [
      ...steps.flatMap((s) =>
        s.written.flatMap((w) =>
          w.remark ? [{ title: s.step.title, remark: w.remark, stepKey: s.step.key }] : []
        )
      ),
      ...items.flatMap((i) => i.remarks.map((remark) => ({ title: i.item.name, remark, stepKey: null }))),
      ...state.reordered.map((remark) => ({ title: 'Another order', remark, stepKey: null }))
    ],
    measured: steps.flatMap((s) => {
      const measured = measuredAt(s);
      const last = measured.at(-1);
      if (s.step.input.type !== 'measure' || !s.done || !last) return [];
      const { band } = s.step.input.number;
      return [
        {
          title: s.step.title,
          found: measured.length > 1 ? measured[0]! : null,
          measured: last,
          band,
          judged: judgedAt(s)
        }
      ];
    }),
    passedOver: [
      ...Object.entries(state.passedOver).flatMap(([id, reason]) => {
        const point = plan.points.find((p) => p.id === id);
        return point ? [{ name: point.name, reason }] : [];
      }),
      ...job.circuits.flatMap((c) => {
        const said = state.fillsAccepted[c];
        return said ? [{ name: `${Math.round(said.inMl)} ml left in the ${c}`, reason: said.reason }] : [];
      })
    ],
    instruments: [
      ...steps.flatMap((s) =>
        s.written.flatMap((w) =>
          w.instrument ? [{ title: s.step.title, said: saidAt(w), instrument: w.instrument }] : []
        )
      ),
      ...items.flatMap((i) =>
        i.instrument && i.torque
          ? [{ title: i.item.name, said: show(i.torque), instrument: i.instrument }]
          : []
      )
    ],
    minutes,
    afterwards: steps.some((s) => s.written.some((w) => w.afterwards)),
    estimate: plan.estimate ?? null
  };
}

/** What all visits begin and end with. */
const AROUND: ReadonlySet<string> = new Set(['gather', 'meter', 'stand', 'write']);
/** What was written at a step; where a thing can go in the wrong way round, how it was seen to. */
const didInWords = (state: VisitState, s: StepState): string =>
  [writtenInWords(state, s), ...(s.step.orientation ? s.step.lines : [])].filter(Boolean).join('. ');

/** The number of an entry, as it was read. */
const saidAt = (w: DoneContent): string =>
  w.asWritten ??
  w.slack?.asWritten ??
  (w.measured
    ? show(quantity(w.measured.value, w.measured.unit))
    : w.clearances
      ? `${w.clearances.valves} valves`
      : '');

function circuitRecord(circuit: Circuit, state: VisitState, steps: readonly StepState[]): CircuitRecord {
  const drain = steps.find((s) => s.step.input.type === 'drained' && s.step.input.circuit === circuit);
  const oil = steps
    .find((s) => s.step.input.type === 'oil' && s.step.input.circuit === circuit)
    ?.written.at(-1);
  const look = steps.find((s) => s.step.input.type === 'debris' && s.step.input.circuit === circuit)?.step
    .input;
  const drainedMl = drain?.written.at(-1)?.ml ?? null;
  const asked = drain?.step.input.type === 'drained' ? drain.step.input : null;
  const before = asked?.pouredLastTimeMl ?? null;
  const oilHours = look?.type === 'debris' ? look.oilHours : null;
  const ledger = ledgerOf(state, circuit);
  const pouredMl = ledger.inMl;
  const intoFilter = ledger.lines.filter((l) => l.what === 'into the filter');
  return {
    circuit,
    drainedMl,
    pouredMl: pouredMl > 0 ? pouredMl : null,
    intoFilterMl:
      intoFilter.length > 0 ? intoFilter.reduce((sum, l) => sum + l.ml - (l.residueMl ?? 0), 0) : null,
    level: lastLevel(state, circuit),
    oil:
      oil?.oil !== undefined
        ? {
            id: oil.oilId ?? null,
            name: oil.oil,
            grade: oil.oilGrade ?? '',
            deviation: oil.deviation ?? null
          }
        : null,
    oilHours,
    used:
      before !== null && drainedMl !== null
        ? consumption(before, drainedMl, oilHours, asked?.inFilterMl ?? 0)
        : null
  };
}
