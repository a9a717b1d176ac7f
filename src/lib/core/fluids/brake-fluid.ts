/** What brake circuits take. Glycol and mineral are never mixed (handbook, section 5); silicone goes with neither. */
type BrakeFluid = 'glycol' | 'mineral' | 'silicone';

const NAMED: readonly [BrakeFluid, RegExp][] = [
  ['silicone', /\bsilicone\b|\bdot ?5\b(?!\.1)/i],
  ['glycol', /\bglycol\b|\bdot ?(3|4|5\.1)\b/i],
  ['mineral', /\bmineral\b(?! spirits?)/i]
];
const fluidsIn = (words: string): BrakeFluid[] =>
  NAMED.flatMap(([fluid, said]) => (said.test(words) ? [fluid] : []));

/**
 * Why a fluid that was named for a brake is not taken: it is another than the machine's sheet names, or nobody has written which it
 * takes. Words that name both speak of the change from one to the other.
 *
 * @param words what was done or seen at the brake
 * @param sheet the brake fluid of the machine's sheet; null: nobody has written it
 * @returns what is said at the field; null: no fluid is named, or the right one
 */
export function brakeFluidStop(words: string, sheet: string | null): string | null {
  const named = fluidsIn(words);
  if (named.length === 0) return null;
  const [wanted] = sheet === null ? [] : fluidsIn(sheet);
  if (wanted === undefined)
    return 'Which brake fluid this machine takes is not on its sheet. Read it off the reservoir’s cap or the manual, and write it there first.';
  if (named.includes(wanted)) return null;
  return `The sheet names ${sheet}. With ${named[0]} in it the seals fail, and the brake with them: park the machine, flush it with the right fluid, have the seals looked at, and write that.`;
}
