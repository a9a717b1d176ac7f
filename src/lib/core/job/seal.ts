import type { OpenedItem } from './plan';

/** What the house wants of a seal, and what it says when the old one goes in again. */
export function sealQuestion(
  item: OpenedItem,
  seal: 'new' | 'again' | undefined,
  why: string | undefined
): string | null {
  if (item.seal === 'none') return null;
  if (seal === undefined) return `New ${item.seal}, or the old one again?`;
  if (seal === 'new' || why?.trim()) return null;
  const uses = item.sealUses;
  if (item.sealMost === 1)
    return `House rule: a new ${item.seal} every time. If the old one goes in again, say why.`;
  if (uses !== null && item.sealMost !== null && uses >= item.sealMost)
    return `This ${item.seal} has served ${uses} of ${item.sealMost} uses. If it goes in again, say why.`;
  return null;
}
/** What is suggested: new where the house wants it or its uses are up, the old one otherwise. */
export function sealSuggestion(item: OpenedItem): 'new' | 'again' {
  if (item.sealMost === 1) return 'new';
  return item.sealUses === null || (item.sealMost !== null && item.sealUses >= item.sealMost)
    ? 'new'
    : 'again';
}
