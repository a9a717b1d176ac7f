/** What brake circuits take. Glycol and mineral are never mixed (handbook, section 5); silicone goes with neither. */
type BrakeFluid = 'glycol' | 'mineral' | 'silicone';

const NAMED: readonly [BrakeFluid, RegExp][] = [
  ['silicone', /\bsilicone\b|\bdot ?5\b(?!\.1)/i],
  ['glycol', /\bglycol\b|\bdot ?(3|4|5\.1)\b/i],
  ['mineral', /\bmineral\b(?! spirits?)/i]
];
/** The fluid that some words name last: of two, it is the one that went in. */
const fluidIn = (words: string): BrakeFluid | null =>
  NAMED.map(([fluid, said]) => ({ fluid, at: words.search(said) }))
    .filter(({ at }) => at >= 0)
    .sort((a, b) => b.at - a.at)[0]?.fluid ?? null;
/** Of what came out; what it was replaced or flushed with went in, and “flushed” alone may be either: taken to be in. */
const CAME_OUT = /\b(out|drained|removed)\b(?!.*\bwith\b)/i;

/**
 * Why a fluid that was named for a brake is not taken: it is another than the machine's sheet names, or nobody has written which it
 * takes. Of what came out nothing is said.
 *
 * @param words what was done or seen at the brake
 * @param sheet the brake fluid of the machine's sheet; null: nobody has written it
 * @returns what is said at the field; null: no fluid is named, or the right one
 */
export function brakeFluidStop(words: string, sheet: string | null): string | null {
  const wentIn = words
    .split(/[,;]|\.(?!\d)|\band\b|\bbut\b|\bthen\b/i)
    .filter((clause) => !CAME_OUT.test(clause))
    .flatMap((clause) => fluidIn(clause) ?? []);
  if (wentIn.length === 0) return null;
  const wanted = sheet === null ? null : fluidIn(sheet);
  if (wanted === null)
    return 'Which brake fluid this machine takes is not on its sheet. Read it off the reservoir’s cap or the manual, and write it there first.';
  const wrong = wentIn.find((fluid) => fluid !== wanted);
  if (wrong === undefined) return null;
  return `The sheet names ${sheet}. With ${wrong} in it the seals fail, and the brake with them: park the machine, flush it with the right fluid, have the seals looked at, and write that.`;
}
