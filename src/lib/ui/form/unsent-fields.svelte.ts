import type { z } from 'zod';
import { forget, keep, kept } from '../base/kept';

/**
 * Fields that are being filled in and not written yet, kept in this window under a name as {@link Unsent} keeps one text. What
 * stands as it began is not kept; what was kept and no longer fits (an earlier release) begins anew. Made in a component.
 */
export class UnsentFields<T extends object> {
  readonly now: T = $state({} as T);
  #start: T;

  /**
   * @param shape what each field may be
   * @param start what they begin with
   */
  constructor(
    readonly name: string,
    shape: z.ZodType<T>,
    start: T
  ) {
    this.#start = start;
    const was = kept('window', name);
    const read = typeof was === 'object' && was !== null ? shape.safeParse({ ...start, ...was }) : null;
    Object.assign(this.now, read?.success ? read.data : start);
    $effect(() => this.keep());
  }

  /** By itself whenever a field changes on screen. */
  keep(): void {
    const now = $state.snapshot(this.now);
    if (JSON.stringify(now) === JSON.stringify(this.#start)) forget('window', this.name);
    else keep('window', this.name, now);
  }
  /** Written, and left standing as it is but for some fields: that is what it begins with from now on. */
  settle(but: Partial<T>): void {
    Object.assign(this.now, but);
    this.#start = $state.snapshot(this.now) as T;
    forget('window', this.name);
  }
  /** Written: it stands as it began, and nothing of it is kept any more. */
  clear(): void {
    Object.assign(this.now, this.#start);
    forget('window', this.name);
  }
}
