/** What taking a row would do. */
export const WHATS = ['new', 'changed', 'doubtful', 'refused', 'same'] as const;
export type What = (typeof WHATS)[number];
