import type { LayoutInput } from '$lib/core/job/layout/layout';
import type { VisitMinutes } from '$lib/core/job/minutes';
import type { Ordered } from '$lib/core/job/order/order';
import type { OrderAnswer, OrderRequest } from '$lib/workers/order.worker';

/** A visit being put in order by the worker: the screen stays live, and only the newest answer counts. */
export class Ordering {
  ordered = $state.raw<Ordered | null>(null);
  /** How long that takes; of an older answer while a newer one is worked out. */
  minutes = $state.raw<VisitMinutes | null>(null);
  busy = $state(false);
  failed = $state<string | null>(null);
  #worker: Worker | null = null;
  #turn = 0;

  open(): () => void {
    // eslint-disable-next-line svelte/prefer-svelte-reactivity -- an address, not a state
    this.#worker = new Worker(new URL('../../workers/order.worker.ts', import.meta.url), { type: 'module' });
    this.#worker.onmessage = ({ data }: MessageEvent<OrderAnswer>) => {
      if (data.turn !== this.#turn) return;
      this.#rest();
      if ('failed' in data) this.failed = data.failed;
      else {
        this.ordered = data.ordered;
        this.minutes = data.minutes;
      }
    };
    this.#worker.onerror = () => {
      this.#rest();
      this.failed =
        'The order could not be worked out on this device; the server does it when the visit starts.';
    };
    return () => this.#worker?.terminate();
  }

  #waiting: (() => void)[] = [];
  /** Once nothing is being worked out any more: what is pressed meanwhile goes by the newest answer. */
  settled(): Promise<void> {
    return this.busy ? new Promise((done) => this.#waiting.push(done)) : Promise.resolve();
  }
  #rest(): void {
    this.busy = false;
    for (const done of this.#waiting.splice(0)) done();
  }

  ask(input: LayoutInput, engine: 'cold' | 'warm'): void {
    this.failed = null;
    if (input.jobs.length === 0) {
      this.ordered = null;
      this.#rest();
      return;
    }
    this.busy = true;
    this.#worker?.postMessage({ turn: ++this.#turn, input, engine } satisfies OrderRequest);
  }
}
