/** What of a visit's tools, parts and fluids lies on the bench already: ticked on this device, there after a reload. */
export class Laid {
  out = $state<string[]>([]);
  readonly #key: string;

  constructor(visitId: string) {
    this.#key = `ht_laid_${visitId}`;
    try {
      const kept = JSON.parse(sessionStorage.getItem(this.#key) ?? '[]') as unknown;
      if (Array.isArray(kept)) this.out = kept.filter((t) => typeof t === 'string');
    } catch {
      // Nothing was kept, or nothing can be: it is ticked again.
    }
  }

  turn(text: string): void {
    this.out = this.out.includes(text) ? this.out.filter((t) => t !== text) : [...this.out, text];
    try {
      sessionStorage.setItem(this.#key, JSON.stringify(this.out));
    } catch {
      // Private windows keep nothing.
    }
  }
}
