import { forget, keep, kept } from '../base/kept';

/**
 * A text being typed that is not written yet, kept in this window under a name: a reload, or a phone that lets the page go, loses
 * nothing of it. Emptied or written, it is forgotten.
 */
export class Unsent {
  #text = $state('');
  constructor(readonly name: string) {
    const was = kept('window', name);
    if (typeof was === 'string') this.#text = was;
  }
  get value(): string {
    return this.#text;
  }
  set value(text: string) {
    this.#text = text;
    if (text === '') forget('window', this.name);
    else keep('window', this.name, text);
  }
}
