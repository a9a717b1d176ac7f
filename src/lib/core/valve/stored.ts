import { z } from 'zod';
import { readStored, type Shape } from '../stored/stored';
import type { Measured } from './clearance';
import {
  guideShape,
  layoutShape,
  measuredSchema,
  NO_GUIDE,
  planSchema,
  type Guide,
  type PlanChoiceInput
} from './form';
import type { Layout } from './head';
import type { Series } from './shim';

/** A head as it is kept. */
export interface Head {
  layout: Layout;
  /** Which shims fit, µm; null: nobody said. */
  series: Series | null;
  /** How far across they are, µm; null: nobody said. */
  acrossUm: number | null;
  guide: Guide;
}

const headShape: Shape<Head> = {
  layout: z.object(layoutShape),
  series: z
    .object({ thinnest: z.number().int(), thickest: z.number().int(), step: z.number().int() })
    .nullable(),
  acrossUm: z.number().int().nullable(),
  guide: z.object(guideShape)
};
export const keptHead = z.object({ v: z.literal(1), ...headShape });

export const newHead = (layout: Layout): Head => ({ layout, series: null, acrossUm: null, guide: NO_GUIDE });
export const writeHead = (head: Head) => ({ v: 1 as const, ...head });
export function readHead(kept: unknown): Head {
  const { layout, series, acrossUm, guide } = readStored('a head', keptHead, kept);
  return { layout, series, acrossUm, guide };
}

export const keptMeasured = z.object({ v: z.literal(1), measured: measuredSchema });
export const writeMeasured = (measured: Measured) => ({ v: 1 as const, measured });
export const readMeasured = (kept: unknown): Measured =>
  readStored('a clearance', keptMeasured, kept).measured;

export type KeptPlan = NonNullable<PlanChoiceInput['plan']>;
export const keptPlan = z.object({ v: z.literal(1), plan: planSchema.shape.plan.unwrap() });
export const writeKeptPlan = (plan: KeptPlan) => ({ v: 1 as const, plan });
export const readKeptPlan = (kept: unknown): KeptPlan => readStored('a shim plan', keptPlan, kept).plan;
