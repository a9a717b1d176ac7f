/**
 * Puts the hand on the next field once an answer is there; not where it has gone on by itself meanwhile: what it types there must not
 * land elsewhere.
 * @param from where the hand was when it asked
 * @param to where it goes on; none: it stays
 */
export function goOn(from: Element, to: HTMLElement | null | undefined): void {
  const at = document.activeElement;
  // What was disabled while it was sent, or is gone since, holds no focus.
  if (at === from || at === null || at === document.body) to?.focus();
}
