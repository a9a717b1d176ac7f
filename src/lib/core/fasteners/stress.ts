import { JUDGED_BY } from '../judged/by';

/** Friction of a thread under the torque formula (handbook, section 7): dry, or with oil on it. */
export const NUT_FACTOR = { dry: 0.2, oiled: 0.15 } as const;
/** Proof stress of property class 8.8, MPa. */
export const PROOF_8_8_MPA = 580;
/** Above this part of the proof stress a value looks like the wrong unit. */
const SUSPECT = JUDGED_BY.bolts.suspect.is;

export interface Thread {
  diameterMm: number;
  pitchMm: number;
}

/** Coarse pitches by nominal diameter, for threads written without one: ISO 261. */
const COARSE: Readonly<Record<number, number>> = {
  4: 0.7,
  5: 0.8,
  6: 1,
  7: 1,
  8: 1.25,
  10: 1.5,
  12: 1.75,
  14: 2,
  16: 2,
  18: 2.5,
  20: 2.5,
  22: 2.5,
  24: 3
};

/**
 * Reads a metric thread as it is written on a sheet: `M6`, `M6x1.0`, `M10 × 1,25`.
 * @returns null where it is no metric thread, or a diameter without a usual pitch
 */
export function parseThread(text: string): Thread | null {
  const m = /\bM\s*(\d{1,2})(?:\s*[x×*]\s*(\d(?:[.,]\d{1,2})?))?/i.exec(text);
  if (!m) return null;
  const diameterMm = Number(m[1]);
  const pitchMm = m[2] ? Number(m[2].replace(',', '.')) : COARSE[diameterMm];
  if (!pitchMm || diameterMm < 3 || pitchMm >= diameterMm / 2) return null;
  return { diameterMm, pitchMm };
}

/**
 * Tensile stress area of a metric thread, mm²: π/4 (d − 0.938 2 p)², to the three figures that tables print (ISO 898-1).
 */
export function stressAreaMm2({ diameterMm, pitchMm }: Thread): number {
  return Number(((Math.PI / 4) * (diameterMm - 0.9382 * pitchMm) ** 2).toPrecision(3));
}

/**
 * Tensile stress that a torque puts on a bolt: σ = T / (K · d · A).
 * @param torqueNm more than 0
 * @param nutFactor K: 0.20 dry, 0.15 oiled
 * @returns MPa
 * @throws RangeError where torque or factor is not more than 0
 */
export function boltStressMpa(torqueNm: number, thread: Thread, nutFactor: number): number {
  if (!(torqueNm > 0)) throw new RangeError(`no such torque: ${torqueNm} N·m`);
  if (!(nutFactor > 0)) throw new RangeError(`no such nut factor: ${nutFactor}`);
  return torqueNm / (nutFactor * (thread.diameterMm / 1000) * stressAreaMm2(thread));
}

/** Whether a torque would load a class 8.8 bolt of this thread past nine tenths of its proof stress. */
export function looksLikeWrongUnit(torqueNm: number, thread: Thread, oiled: boolean): boolean {
  return boltStressMpa(torqueNm, thread, oiled ? NUT_FACTOR.oiled : NUT_FACTOR.dry) > SUSPECT * PROOF_8_8_MPA;
}
