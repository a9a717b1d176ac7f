import type { PlanOf } from '$lib/core/valve/choice';
import type { PlanAnswer, PlanRequest } from '$lib/workers/shims.worker';

/** Shim plans worked out by the worker: the screen stays live, and only the newest answer counts. */
export class Planner {
  plans = $state.raw<PlanOf[]>([]);
  busy = $state(false);
  failed = $state<string | null>(null);
  #worker: Worker | null = null;
  #turn = 0;

  open(): () => void {
    // eslint-disable-next-line svelte/prefer-svelte-reactivity -- an address, not a state
    this.#worker = new Worker(new URL('../../workers/shims.worker.ts', import.meta.url), { type: 'module' });
    this.#worker.onmessage = ({ data }: MessageEvent<PlanAnswer>) => {
      if (data.turn !== this.#turn) return;
      this.busy = false;
      if ('failed' in data) this.failed = data.failed;
      else this.plans = data.plans;
    };
    this.#worker.onerror = () => {
      this.busy = false;
      this.failed = 'The plan could not be worked out on this device.';
    };
    return () => this.#worker?.terminate();
  }

  ask(question: Omit<PlanRequest, 'turn'>): void {
    this.failed = null;
    this.busy = true;
    this.#worker?.postMessage({ turn: ++this.#turn, ...question } satisfies PlanRequest);
  }
}
