import type { OpenedItem } from './plan';

/** What is suggested: new where the house wants it or its uses are up, the old one otherwise. */
export function sealSuggestion(item: OpenedItem): 'new' | 'again' {
  if (item.sealMost === 1) return 'new';
  return item.sealUses === null || (item.sealMost !== null && item.sealUses >= item.sealMost)
    ? 'new'
    : 'again';
}
