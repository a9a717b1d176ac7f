/** What comes out with the oil (handbook, section 6): graded from nothing to chunks, and of what it is made. */
export const GRADES = [
  'none',
  'grey paste or fuzz',
  'fine glitter',
  'flakes you can feel',
  'slivers or needles',
  'chunks'
] as const;
export type Grade = (typeof GRADES)[number];

export const MATERIALS = [
  'steel (magnetic)',
  'aluminium (silver, not magnetic)',
  'bronze (gold)',
  'fibre or rubber'
] as const;
export type Material = (typeof MATERIALS)[number];

export interface Debris {
  place: string;
  grade: Grade;
  materials: Material[];
}

export type Verdict = 'carry on' | 'look again sooner' | 'find the source' | 'park it';

/** How bad a grade is: 0 for none. */
export function gravity(grade: Grade): number {
  return GRADES.indexOf(grade);
}

/**
 * What to make of what was found at one place, with the reason.
 *
 * @param found now
 * @param before the grades found at the same place at earlier changes, the latest first
 * @param breakIn whether the machine is in its first hours after new or a rebuild: glitter is expected then and should fade
 */
export function judge(
  found: Debris,
  before: readonly Grade[],
  breakIn: boolean
): { verdict: Verdict; reason: string } {
  const g = gravity(found.grade);
  if (found.grade === 'chunks')
    return { verdict: 'park it', reason: 'Chunks: the machine is out of service until the source is found.' };
  if (g >= gravity('flakes you can feel'))
    return {
      verdict: 'find the source',
      reason: 'Flakes or slivers: find where they come from before it is ridden.'
    };
  if (found.materials.includes('bronze (gold)') && g >= gravity('fine glitter')) {
    return {
      verdict: 'find the source',
      reason: 'Bronze comes from a bush or a thrust washer: find which before it is ridden.'
    };
  }
  if (found.materials.includes('bronze (gold)') && g > 0)
    return {
      verdict: 'look again sooner',
      reason: 'Bronze among the paste is no clutch wear: it comes from a bush or a thrust washer.'
    };
  const last = before[0];
  if (breakIn && g > 0) {
    return last !== undefined && g > gravity(last)
      ? {
          verdict: 'look again sooner',
          reason: 'Break-in debris should fade at each change; this has grown.'
        }
      : { verdict: 'carry on', reason: 'Expected in the first hours; it should fade at each change.' };
  }
  if (last !== undefined && g > gravity(last))
    return {
      verdict: 'look again sooner',
      reason: `More than last time (${last}): shorten the next interval and look again.`
    };
  if (found.grade === 'fine glitter')
    return { verdict: 'look again sooner', reason: 'Glitter is not usual in normal service.' };
  return {
    verdict: 'carry on',
    reason: g === 0 ? 'Nothing found.' : 'Paste in normal service comes from clutch and gears.'
  };
}
