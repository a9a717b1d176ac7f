import { landing, whichField, type Field, type Line } from '$lib/core/instrument/line';
import { markFilled } from './filled-by';
import type { Dimension, UnitName } from '$lib/core/quantity/units';

/**
 * Fields say in their markup what could land in them:
 * `data-takes` dimensions, or `words`; `data-bare` the unit of a number without one; `data-blades` where blades are tried;
 * `data-of` the plate of the machine. So any field is one, and none of them knows of instruments.
 */
type Input = HTMLInputElement | HTMLTextAreaElement;

const fieldOf = (e: Input): Field => ({
  takes: (e.dataset['takes'] ?? '').split(' ').filter(Boolean) as (Dimension | 'words')[],
  bare: (e.dataset['bare'] as UnitName | undefined) ?? null,
  blades: 'blades' in e.dataset,
  text: e.value,
  of: e.dataset['of'] || null
});
const isInput = (e: Element | null): e is Input =>
  e instanceof HTMLInputElement || e instanceof HTMLTextAreaElement;

/** Fields that wait on this page, in the order they stand in. */
function waiting(): { element: Input; field: Field; focused: boolean }[] {
  return [...document.querySelectorAll('[data-takes]')]
    .filter(isInput)
    .filter((e) => !e.disabled && !e.readOnly && e.checkVisibility())
    .map((element) => ({ element, field: fieldOf(element), focused: element === document.activeElement }));
}

/**
 * Lands a reading in the field that waits for it, as if it had been typed there.
 * @returns what is to be said of it, and whether it has landed
 */
export function land(line: Line): { landed: boolean; words: string } {
  const found = whichField(line, waiting());
  const shows =
    'value' in line ? `${line.value} ${line.unit}` : 'keys' in line ? line.keys.trim() : line.words;
  if (!found) return { landed: false, words: `${line.instrument}: ${shows}. Nothing here waits for it.` };
  const is = landing(line, found.field);
  if (!is.lands) return { landed: false, words: `${shows}? ${is.why}` };
  const { element } = found;
  // Enter then writes it; but nobody who is typing elsewhere is torn away from there.
  if (!isInput(document.activeElement)) element.focus();
  element.value = is.text;
  markFilled(element, line.instrument, is.text);
  element.dispatchEvent(new Event('input', { bubbles: true }));
  if (is.enter)
    if (
      element.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true }))
    )
      element.form?.requestSubmit();
  return { landed: true, words: `${is.text} from ${line.instrument}` };
}
