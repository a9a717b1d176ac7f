import { z } from 'zod';
import { consumption } from '../fluids/ledger';
import { bad, id } from '../forms';
import { parseQuantity } from '../quantity/parse';
import { CIRCUITS, type Circuit } from '../specs/sheet';
import type { Shape } from '../stored/stored';
import type { CircuitRecord, JobRecord } from './record';

/** Amounts of a record that sums hang on: what went in is held against what comes out next time. */
export const CORRECTED = ['drained', 'poured'] as const;
export type Corrected = (typeof CORRECTED)[number];

/** An amount that was put right, ml. Null before: it was not measured. */
export interface AmountCorrection {
  circuit: Circuit;
  what: Corrected;
  was: number | null;
  now: number;
}
/** Which washer or ring went in, put right: the uses behind it are counted from it. */
export interface SealCorrection {
  fastenerId: string;
  name: string;
  /** Null: nobody had said. */
  was: Seal | null;
  now: Seal;
}
type Seal = 'new' | 'again';

/** A correction as it stands beside its record. */
export interface Correction {
  id: string;
  words: string;
  amount: AmountCorrection | null;
  seal: SealCorrection | null;
  by: string;
  at: Date;
}

/** More than 20 litres is no engine of ours. */
const MOST_ML = 20_000;
export const correctionSchema = z.object({
  id,
  recordId: id,
  /** Null: in words only. */
  amount: z
    .object({
      circuit: z.enum(CIRCUITS, { error: 'Which oil?' }),
      what: z.enum(CORRECTED, { error: 'Drained or poured?' }),
      now: z
        .string({ error: 'How much was it? Such as 950 ml.' })
        .max(200, 'At most 200 characters.')
        .transform((text, ctx): number => {
          const parsed = parseQuantity(text, { dimension: 'volume', unit: 'ml' });
          if (!parsed.ok) return bad(ctx, parsed.problem.message);
          const { base } = parsed.quantity;
          return base >= 0 && base <= MOST_ML
            ? base
            : bad(ctx, 'From nothing to 20 L: is it the right unit?');
        })
    })
    .nullable(),
  seal: z
    .object({ fastenerId: id, now: z.enum(['new', 'again'], { error: 'New, or the old one again?' }) })
    .nullable()
    .default(null),
  words: z
    .string({ error: 'Say what was wrong, in a few words.' })
    .max(10_200, 'At most 10,000 characters.')
    .trim()
    .min(1, 'Say what was wrong, in a few words.')
    .max(10_000, 'At most 10,000 characters.')
    .regex(/[\p{L}\p{N}\p{P}\p{S}]/u, 'Say what was wrong, in a few words.')
});
export type CorrectionInput = z.output<typeof correctionSchema>;

/** A kept amount, as it is read again. */
export const keptAmount = z
  .object({
    circuit: z.enum(CIRCUITS),
    what: z.enum(CORRECTED),
    was: z.number().nullable(),
    now: z.number()
  } satisfies Shape<AmountCorrection>)
  .nullable();

export const keptSeal = z
  .object({
    fastenerId: z.string(),
    name: z.string(),
    was: z.enum(['new', 'again']).nullable(),
    now: z.enum(['new', 'again'])
  } satisfies Shape<SealCorrection>)
  .nullable();

/** What a record says of the washer or ring of a fastener; undefined: that is not in it. */
export const sealIn = (record: Pick<JobRecord, 'fasteners'>, fastenerId: string) =>
  record.fasteners.find((f) => f.fastenerId === fastenerId);

/** A record with a washer or ring put right. */
export const sealCorrected = (
  record: JobRecord,
  { fastenerId, now }: Pick<SealCorrection, 'fastenerId' | 'now'>
): JobRecord => ({
  ...record,
  fasteners: record.fasteners.map((f) => (f.fastenerId === fastenerId ? { ...f, seal: now } : f))
});

/** Both, in words for whoever reads it. */
export const sealSaidInWords = (seal: Seal | null): string =>
  seal === null ? 'not said' : seal === 'new' ? 'new' : 'the old one again';

/** What a record says of an amount; undefined: that oil is not in it. */
export function amountIn(record: JobRecord, circuit: Circuit, what: Corrected): number | null | undefined {
  const c = record.circuits.find((x) => x.circuit === circuit);
  return c && (what === 'drained' ? c.drainedMl : c.pouredMl);
}

/** What had gone in before, by what was worked out from it: null where nobody knew. */
const beforeIn = (c: CircuitRecord): number | null =>
  c.used && c.drainedMl !== null ? c.used.ml + c.drainedMl + inFilter(c) : null;
const inFilter = (c: CircuitRecord): number => c.used?.inFilterMl ?? 0;

/**
 * A record with an amount put right, and what was used between changes with it: what had gone in before it is still known from
 * the sum that was kept.
 */
export function corrected(
  record: JobRecord,
  { circuit, what, now }: Omit<AmountCorrection, 'was'>
): JobRecord {
  return {
    ...record,
    circuits: record.circuits.map((c) => {
      if (c.circuit !== circuit) return c;
      if (what === 'poured') return { ...c, pouredMl: now };
      const before = beforeIn(c);
      return {
        ...c,
        drainedMl: now,
        used: before === null ? null : consumption(before, now, c.oilHours, inFilter(c))
      };
    })
  };
}

/**
 * The record of the change after, once what was poured before it was put right: what was used in between follows. One that was
 * worked out from another amount stays as it is.
 */
export function afterCorrection(
  record: JobRecord,
  { circuit, was, now }: Omit<AmountCorrection, 'what'>
): JobRecord {
  return {
    ...record,
    circuits: record.circuits.map((c) => {
      const before = beforeIn(c);
      const same = before === null || was === null ? before === was : Math.abs(before - was) < 0.5;
      return c.circuit === circuit && c.drainedMl !== null && same
        ? { ...c, used: consumption(now, c.drainedMl, c.oilHours, inFilter(c)) }
        : c;
    })
  };
}
