import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { flushSync } from 'svelte';
import { inputFor } from '../../../../tests/core/bench';
import { workOut } from '$lib/core/job/minutes';
import type { LayoutInput } from '$lib/core/job/layout/layout';
import type { OrderAnswer, OrderRequest } from '$lib/workers/order.worker';
import { Ordering } from './order.svelte';

/** A stand-in for the worker: keeps what it was asked, answers when told. */
class Stand {
  static last: Stand;
  asked: OrderRequest[] = [];
  ended = false;
  onmessage: ((e: { data: OrderAnswer }) => void) | null = null;
  onerror: (() => void) | null = null;
  constructor() {
    Stand.last = this;
  }
  postMessage(request: OrderRequest) {
    this.asked.push(request);
  }
  terminate() {
    this.ended = true;
  }
  answer(turn: number, more: { failed?: string } = {}) {
    const worked = workOut(inputFor(['engine-oil']), 'cold');
    this.onmessage!({ data: more.failed ? { turn, failed: more.failed } : { turn, ...worked, ms: 1 } });
    flushSync();
  }
}
const input = (jobs: number) => ({ jobs: Array.from({ length: jobs }) }) as unknown as LayoutInput;

beforeEach(() => vi.stubGlobal('Worker', Stand));
afterEach(() => vi.unstubAllGlobals());

describe('ordering away from the screen', () => {
  it('shows only the newest answer', () => {
    const ordering = new Ordering();
    const close = ordering.open();
    ordering.ask(input(1), 'cold');
    ordering.ask(input(2), 'cold');
    expect(ordering.busy).toBe(true);
    Stand.last.answer(1);
    expect(ordering.ordered).toBeNull();
    Stand.last.answer(2);
    expect(ordering.busy).toBe(false);
    expect(ordering.ordered!.plan.jobs[0]!.key).toBe('engine-oil');
    close();
    expect(Stand.last.ended).toBe(true);
  });
  it('asks nothing of nothing', () => {
    const ordering = new Ordering();
    ordering.open();
    ordering.ask(input(0), 'cold');
    expect([ordering.busy, Stand.last.asked.length]).toEqual([false, 0]);
  });
  it('says what went wrong, and is well again with the next', () => {
    const ordering = new Ordering();
    ordering.open();
    ordering.ask(input(1), 'cold');
    Stand.last.answer(1, { failed: 'in a circle' });
    expect(ordering.failed).toBe('in a circle');
    ordering.ask(input(1), 'warm');
    expect([ordering.failed, Stand.last.asked[1]!.engine]).toEqual([null, 'warm']);
    Stand.last.onerror!();
    flushSync();
    expect(ordering.failed).toContain('the server does it');
  });
});
