import { keep, kept } from '../base/kept';

/** What of a visit's tools, parts and fluids lies on the bench already: ticked on this device, there after a reload. */
export class Laid {
  out = $state<string[]>([]);
  readonly #name: string;

  constructor(visitId: string) {
    this.#name = `ht_laid_${visitId}`;
    const was = kept('window', this.#name);
    if (Array.isArray(was)) this.out = was.filter((t) => typeof t === 'string');
  }

  turn(text: string): void {
    this.out = this.out.includes(text) ? this.out.filter((t) => t !== text) : [...this.out, text];
    keep('window', this.#name, this.out);
  }
}
