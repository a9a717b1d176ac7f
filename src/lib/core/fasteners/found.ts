/** How a fastener may be found when it is undone or checked (handbook, section 7). */
export const FOUND = ['loose', 'over-tight', 'damaged', 'missing'] as const;
export type Found = (typeof FOUND)[number];

/** How a fastener was found, as a finding says it. @param again it was found loose before: its torque once more is not the answer */
export const foundInWords = (name: string, how: string, again: boolean): string =>
  `${name}: found ${how}${again ? ' again: thread-lock, or find the cause' : ''}`;

/** What was found at a fastener at an earlier visit. */
export interface FoundBefore {
  how: Found;
  /** With its day and what was noted: “Found loose, 3 May: a quarter turn”. */
  words: string;
}

/** Found loose twice, the same torque once more is not the answer; null where it was not. */
export function looseAgain(found: readonly FoundBefore[]): string | null {
  return found.filter((f) => f.how === 'loose').length >= 2
    ? 'Found loose twice: thread-lock, or find the cause.'
    : null;
}
