import { z } from 'zod';
import { GRADES, MATERIALS } from '../debris/debris';
import { OIL_LOOKS } from '../debris/trend';
import { FOUND } from '../fasteners/found';
import type { Consumption } from '../fluids/ledger';
import { exactly, JUDGEMENTS } from '../quantity/band';
import { quantity } from '../quantity/quantity';
import { storedBand, storedQuantity, unitWas } from '../quantity/stored';
import { keptRules } from '../rules/stored';
import { CIRCUITS } from '../specs/sheet';
import { readStored, withVersion, type Shape } from '../stored/stored';
import { FILTERS, levelSchema, VERDICTS } from '../visit/entry';
import type { CircuitRecord, JobRecord, JudgedDebris, MeasuredRecord } from './record';

/**
 * Records of jobs as they are kept. Version 1: the engine's oil and nothing else. Version 2: several circuits, wrenches,
 * what was found and deferred, much of it optional; measured numbers in a unit of free text. Version 3: every field there,
 * measured values are quantities with their band.
 */
const maybe = <T>(schema: z.ZodType<T>) => schema.nullable();
const texts = z.array(z.string());

const used = z.object({
  ml: z.number(),
  mlPerHour: maybe(z.number()),
  inFilterMl: z.number().optional()
} satisfies Shape<Consumption>);
const circuitRecord = z.object({
  circuit: z.enum(CIRCUITS),
  drainedMl: maybe(z.number()),
  pouredMl: maybe(z.number()),
  // Records of before did not keep it apart.
  intoFilterMl: z.number().nullable().default(null),
  level: maybe(levelSchema),
  oil: maybe(
    z.object({ id: maybe(z.string()), name: z.string(), grade: z.string(), deviation: maybe(z.string()) })
  ),
  oilHours: maybe(z.number()),
  used: maybe(used)
} satisfies Shape<CircuitRecord>);

const found = z.object({
  name: z.string(),
  place: z.string(),
  fastenerId: maybe(z.string()),
  how: z.enum(FOUND),
  note: z.string().default('')
});
const leftOut = z.object({ title: z.string(), reason: z.string() });
const estimate = z.object({ attended: z.number(), elapsed: z.number() });
const tight = {
  name: z.string(),
  place: z.string(),
  quantity: z.number(),
  stand: z.enum(['torqued', 'by feel', 'shut']),
  torque: maybe(storedQuantity),
  reason: maybe(z.string())
};
const came = { place: z.string(), grade: z.enum(GRADES), materials: z.array(z.enum(MATERIALS)) };
const deferred = {
  name: z.string(),
  place: z.string(),
  itemKey: z.string(),
  waitsFor: z.string(),
  part: z.string(),
  reason: z.string()
};
const common = {
  job: z.string(),
  version: z.number(),
  rules: keptRules,
  leftOut: z.array(leftOut),
  minutes: z.number()
};
const firstOnly = {
  drainedMl: maybe(z.number()),
  pouredMl: maybe(z.number()),
  level: maybe(levelSchema)
};

const recordV1 = z.object({
  v: z.literal(1),
  ...common,
  ...firstOnly,
  debris: z.array(z.object(came)),
  fasteners: z.array(z.object(tight)),
  remarks: z.array(z.object({ title: z.string(), remark: z.string() }))
});
const recordV2 = z.object({
  v: z.literal(2),
  ...common,
  ...firstOnly,
  circuits: z.array(circuitRecord),
  debris: z.array(
    z.object({
      ...came,
      stepKey: z.string().optional(),
      oilLook: z.enum(OIL_LOOKS).optional(),
      oilHours: maybe(z.number()).optional(),
      verdict: z.enum(VERDICTS).optional(),
      reasons: texts.optional(),
      overruled: z.string().optional()
    })
  ),
  found: z.array(found).default([]),
  fasteners: z.array(
    z.object({
      ...tight,
      fastenerId: maybe(z.string()).optional(),
      wrenchId: maybe(z.string()).optional(),
      settingNm: maybe(z.number()).optional(),
      seal: maybe(z.enum(['new', 'again'])).optional(),
      marked: z.boolean().optional()
    })
  ),
  deferred: z.array(z.object({ ...deferred, torque: maybe(storedQuantity) })).default([]),
  remarks: z.array(z.object({ title: z.string(), remark: z.string(), stepKey: z.string().optional() })),
  measured: z.array(z.object({ title: z.string(), value: z.number(), unit: z.string() })).default([]),
  passedOver: z.array(z.object({ name: z.string(), reason: z.string() })).default([]),
  estimate: maybe(estimate).default(null)
});
const recordNow = z.object({
  v: z.literal(3),
  ...({
    ...common,
    // Records of before were all written at the bench.
    afterwards: z.boolean().default(false),
    // Records of before say what was done by their task alone.
    title: z.string().default(''),
    fitted: z.array(z.object({ name: z.string(), which: z.enum(FILTERS), number: z.string() })).default([]),
    ranSeconds: z.number().nullable().default(null),
    done: z.array(z.object({ title: z.string(), said: z.string(), stepKey: z.string() })).default([]),
    circuits: z.array(circuitRecord),
    debris: z.array(
      z.object({
        ...came,
        stepKey: maybe(z.string()),
        oilLook: maybe(z.enum(OIL_LOOKS)),
        oilHours: maybe(z.number()),
        verdict: maybe(z.enum(VERDICTS)),
        reasons: texts,
        overruled: maybe(z.string())
      } satisfies Shape<JudgedDebris>)
    ),
    found: z.array(found),
    fasteners: z.array(
      z.object({
        ...tight,
        fastenerId: maybe(z.string()),
        wrenchId: maybe(z.string()),
        settingNm: maybe(z.number()),
        seal: maybe(z.enum(['new', 'again'])),
        marked: z.boolean()
      })
    ),
    deferred: z.array(z.object({ ...deferred, torque: maybe(storedBand) })),
    remarks: z.array(z.object({ title: z.string(), remark: z.string(), stepKey: maybe(z.string()) })),
    measured: z.array(
      z.object({
        title: z.string(),
        found: maybe(storedQuantity),
        measured: storedQuantity,
        band: maybe(storedBand),
        judged: maybe(z.enum(JUDGEMENTS))
      } satisfies Shape<MeasuredRecord>)
    ),
    passedOver: z.array(z.object({ name: z.string(), reason: z.string() })),
    // Records of before knew of none.
    instruments: z
      .array(z.object({ title: z.string(), said: z.string(), instrument: z.string() }))
      .default([]),
    estimate: maybe(estimate)
  } satisfies Shape<JobRecord>)
});
type RecordV1 = z.infer<typeof recordV1>;
type RecordV2 = z.infer<typeof recordV2>;

const recordV1to2 = ({ drainedMl, pouredMl, level, ...r }: RecordV1): RecordV2 => ({
  ...r,
  v: 2,
  drainedMl,
  pouredMl,
  level,
  circuits: [
    {
      circuit: 'engine',
      drainedMl,
      pouredMl,
      intoFilterMl: null,
      level,
      oil: null,
      oilHours: null,
      used: null
    }
  ],
  found: [],
  deferred: [],
  measured: [],
  passedOver: [],
  estimate: null
});

const recordV2to3 = (r: RecordV2): JobRecord & { v: 3 } => {
  const { drainedMl: _drained, pouredMl: _poured, level: _level, ...rest } = r;
  return {
    ...rest,
    afterwards: false,
    v: 3,
    title: '',
    fitted: [],
    ranSeconds: null,
    done: [],
    instruments: [],
    debris: r.debris.map((d) => ({
      place: d.place,
      grade: d.grade,
      materials: d.materials,
      stepKey: d.stepKey ?? null,
      oilLook: d.oilLook ?? null,
      oilHours: d.oilHours ?? null,
      verdict: d.verdict ?? null,
      reasons: d.reasons ?? [],
      overruled: d.overruled ?? null
    })),
    fasteners: r.fasteners.map((f) => ({
      ...f,
      fastenerId: f.fastenerId ?? null,
      wrenchId: f.wrenchId ?? null,
      settingNm: f.settingNm ?? null,
      seal: f.seal ?? null,
      marked: f.marked ?? false
    })),
    deferred: r.deferred.map((d) => ({ ...d, torque: d.torque && exactly(d.torque) })),
    remarks: r.remarks.map((m) => ({ ...m, stepKey: m.stepKey ?? null })),
    measured: r.measured.map(({ title, value, unit: word }) => {
      const { unit, of } = unitWas(word);
      return {
        title: of ? `${title}, in ${of}` : title,
        found: null,
        measured: quantity(value, unit),
        band: null,
        judged: null
      };
    })
  };
};

export const storedRecord = z.discriminatedUnion('v', [recordV1, recordV2, recordNow]);

/** The record of a job as it is kept. @throws UnreadableError */
export function readRecord(kept: unknown): JobRecord {
  let record = readStored(
    'the record of a job',
    storedRecord,
    withVersion(kept, (r) => ('circuits' in r ? 2 : 1))
  );
  if (record.v === 1) record = recordV1to2(record);
  if (record.v === 2) record = recordV2to3(record);
  const { v: _, ...today } = record;
  return today;
}
export const writeRecord = (record: JobRecord) => ({ v: 3, ...record });
