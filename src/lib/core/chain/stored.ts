import { z } from 'zod';
import { readStored, type Shape } from '../stored/stored';
import type { Adjuster, Drive } from './drive';
import { ADJUSTERS, ATTITUDES } from './drive';
import { DRESSINGS } from './form';
import { GUIDES, JOINTS, TEETH, type ChainLook } from './wear';

const none = z.number().nullable();
const adjuster: Shape<Adjuster> = {
  kind: z.enum(ADJUSTERS),
  back: z.enum(['out', 'in']),
  perMark: none,
  lastMark: none,
  offset: none,
  zero: none
};
const drive: Shape<Drive> = {
  at: z.number(),
  attitude: z.enum(ATTITUDES),
  angle: none,
  adjuster: z.object(adjuster),
  chainSide: z.enum(['left', 'right']),
  front: none,
  rear: none,
  links: none,
  halfLink: z.boolean()
};
export const keptDrive = z.object({ v: z.literal(1), drive: z.object(drive) });
export const writeDrive = (d: Drive) => ({ v: 1 as const, drive: d });
export const readDrive = (kept: unknown): Drive => readStored('a chain drive', keptDrive, kept).drive;

/** A chain measured over pitches, with the pitch it was reckoned by. */
export interface KeptLength {
  measured: number;
  pitches: number;
  /** Of one pitch, new, mm. */
  pitch: number;
}
const keptLength: Shape<KeptLength> = { measured: z.number(), pitches: z.number().int(), pitch: z.number() };
export const lengthV1 = z.object({ v: z.literal(1), ...keptLength });
export const writeLength = (l: KeptLength) => ({ v: 1 as const, ...l });
export function readLength(kept: unknown): KeptLength {
  const { measured, pitches, pitch } = readStored('the length of a chain', lengthV1, kept);
  return { measured, pitches, pitch };
}

export interface KeptLook extends ChainLook {
  note: string;
}
const keptLook: Shape<KeptLook> = {
  front: z.enum(TEETH).nullable(),
  rear: z.enum(TEETH).nullable(),
  joint: z.enum(JOINTS).nullable(),
  stiff: none,
  guides: z.enum(GUIDES).nullable(),
  note: z.string()
};
export const lookV1 = z.object({ v: z.literal(1), ...keptLook });
export const writeLook = (l: KeptLook) => ({ v: 1 as const, ...l });
export function readLook(kept: unknown): KeptLook {
  const { front, rear, joint, stiff, guides, note } = readStored('the look of a chain', lookV1, kept);
  return { front, rear, joint, stiff, guides, note };
}

export interface KeptDressing {
  cleaned: boolean;
  dressing: (typeof DRESSINGS)[number];
}
const keptDressing: Shape<KeptDressing> = { cleaned: z.boolean(), dressing: z.enum(DRESSINGS) };
export const dressingV1 = z.object({ v: z.literal(1), ...keptDressing });
export const writeDressing = (d: KeptDressing) => ({ v: 1 as const, ...d });
export function readDressing(kept: unknown): KeptDressing {
  const { cleaned, dressing } = readStored('a dressing', dressingV1, kept);
  return { cleaned, dressing };
}
