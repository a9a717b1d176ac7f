/** The instrument that filled a field, for as long as nobody typed over it. */
export const filledBy = (element: Element | null | undefined): string | undefined =>
  (element instanceof HTMLElement && element.dataset['filledBy']) || undefined;
