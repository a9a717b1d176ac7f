/** An adapter (crowfoot) on a torque wrench: where no socket fits. */
export interface AdapterSet {
  /** Drive centre to the middle of the grip, mm. */
  wrenchMm: number;
  /** Drive centre to bolt centre, mm. */
  adapterMm: number;
  /** 0 straight out, 90 square, 180 folded back. */
  angleDeg: number;
}

/** Longer than any wrench of the trade; past it, it is another unit. */
const LONGEST_MM = 2000;

/**
 * What to set the wrench to so that the bolt gets `torqueNm`: T × L / (L + E · cos φ) (handbook, section 7).
 * @param torqueNm at the bolt, more than 0
 * @returns N·m at the wrench: less than the torque with the adapter out, more with it folded back, the same square
 * @throws RangeError for lengths outside 1 mm to 2 m, an angle outside 0 to 180, or an adapter folded back past the grip
 */
export function wrenchSettingNm(torqueNm: number, { wrenchMm, adapterMm, angleDeg }: AdapterSet): number {
  if (!(torqueNm > 0)) throw new RangeError(`no such torque: ${torqueNm} N·m`);
  if (!(wrenchMm >= 1 && wrenchMm <= LONGEST_MM)) throw new RangeError(`no such wrench: ${wrenchMm} mm`);
  if (!(adapterMm >= 0 && adapterMm <= LONGEST_MM)) throw new RangeError(`no such adapter: ${adapterMm} mm`);
  if (!(angleDeg >= 0 && angleDeg <= 180)) throw new RangeError(`no such angle: ${angleDeg}°`);
  const lever = wrenchMm + adapterMm * Math.cos((angleDeg * Math.PI) / 180);
  if (!(lever > 0)) throw new RangeError('the adapter is folded back past the grip');
  return (torqueNm * wrenchMm) / lever;
}

/** The other way: what the bolt gets when the wrench clicks at `settingNm`. Same arguments and errors. */
export function torqueAtBoltNm(settingNm: number, set: AdapterSet): number {
  return settingNm / wrenchSettingNm(1, set);
}
