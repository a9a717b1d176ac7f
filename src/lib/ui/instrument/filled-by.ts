/** Marks a field as filled by an instrument: with what it wrote there. */
export function markFilled(element: HTMLElement, instrument: string, text: string): void {
  element.dataset['filledBy'] = instrument;
  element.dataset['filledWith'] = text;
}

/** The instrument that filled a field; undefined once anything else stands there: whoever typed over it has typed it. */
export function filledBy(element: Element | null | undefined): string | undefined {
  if (!(element instanceof HTMLInputElement || element instanceof HTMLTextAreaElement)) return undefined;
  const { filledBy: instrument, filledWith } = element.dataset;
  return instrument && element.value === filledWith ? instrument : undefined;
}
