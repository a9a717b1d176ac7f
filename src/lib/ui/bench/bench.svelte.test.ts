import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Entry, NewEntry } from '$lib/core/visit/entry';
import { makeStep, readItem, type VisitPlan } from '$lib/core/visit/plan';
import { BenchVisit } from './bench.svelte';

const plan: VisitPlan = {
  jobs: [{ key: 'oil', version: 1, title: 'Oil', taskId: null, circuits: ['engine'] }],
  title: 'Oil',
  points: [],
  estimate: null,
  steps: [
    makeStep({ key: 'off', title: 'Open it', input: { type: 'open', items: ['plug'], twins: [] } }),
    makeStep({ key: 'on', title: 'Refit it', input: { type: 'close', items: ['plug'] }, mayLeaveOut: false }),
    makeStep({ key: 'run', title: 'Run it', input: { type: 'tick' }, after: ['plug'] })
  ],
  items: [
    readItem({
      key: 'plug',
      kind: 'fastener',
      name: 'Plug',
      place: '',
      quantity: 1,
      torque: null,
      seal: 'none',
      note: ''
    })
  ]
};

/** A stand-in for the server's book of one visit. */
class Server {
  taken: Entry[] = [];
  up = true;
  refuse: string | null = null;
  answer = async (_url: string, init?: { body?: string }): Promise<Response> => {
    if (!this.up) throw new TypeError('network');
    if (!init?.body)
      return Response.json({ ok: true, data: { entries: this.taken, recordId: null, photos: [] } });
    const entry = JSON.parse(init.body) as NewEntry;
    if (this.refuse)
      return Response.json({ ok: false, errors: { '': this.refuse }, more: {} }, { status: 422 });
    if (!this.taken.some((e) => e.id === entry.id))
      this.taken = [...this.taken, { ...entry, seq: this.taken.length + 1, at: 'now', by: 'Wren' } as Entry];
    return Response.json({ ok: true, data: this.taken });
  };
}

let server: Server;
let kept: Map<string, string>;
beforeEach(() => {
  server = new Server();
  kept = new Map();
  vi.stubGlobal('fetch', (url: string, init?: { body?: string }) => server.answer(url, init));
  vi.stubGlobal('localStorage', {
    getItem: (k: string) => kept.get(k) ?? null,
    setItem: (k: string, v: string) => kept.set(k, v),
    removeItem: (k: string) => kept.delete(k)
  });
});
afterEach(() => vi.unstubAllGlobals());

const open = (entries: Entry[] = []) => new BenchVisit('v', plan, entries);
const off = { stepKey: 'off', action: 'done', content: {} } as const;
const torqued = { itemKey: 'plug', action: 'torqued', content: { value: 20, unit: 'N·m' } } as const;

describe('a visit on a screen', () => {
  it('shows a tick before the server has it', async () => {
    const bench = open();
    expect(bench.write(off)).toBe(true);
    expect(bench.state.open.map((i) => i.item.name)).toEqual(['Plug']);
    expect(bench.waiting).toBe(1);
    await vi.waitFor(() => expect(bench.waiting).toBe(0));
    expect(server.taken.map((e) => e.stepKey)).toEqual(['off']);
    expect(kept.size).toBe(0);
  });

  it('refuses what the core refuses, at its step, and sends nothing', async () => {
    const bench = open();
    bench.write(off);
    expect(bench.write({ stepKey: 'run', action: 'done', content: {} })).toBe(false);
    expect([bench.problem, bench.problemAt]).toEqual(['Not yet: Plug is off.', 'run']);
    await vi.waitFor(() => expect(bench.waiting).toBe(0));
    expect(server.taken).toHaveLength(1);
  });

  it('keeps ticks while the server is away, in order, over a reload, and sends each once', async () => {
    server.up = false;
    const bench = open();
    bench.write(off);
    bench.write(torqued);
    await vi.waitFor(() => expect(bench.stuck).toBe(true));
    expect(bench.waiting).toBe(2);
    expect(JSON.parse(kept.get('ht_visit_v')!)).toHaveLength(2);

    server.up = true;
    const again = open();
    again.resume();
    expect(again.state.open).toEqual([]);
    await vi.waitFor(() => expect(again.waiting).toBe(0));
    await bench.refresh();
    await vi.waitFor(() => expect(bench.waiting).toBe(0));
    expect(server.taken.map((e) => e.action)).toEqual(['done', 'torqued']);
  });

  it('keeps a tick that a fault or a missing name turned back, and sends it when that is mended', async () => {
    const answer = server.answer;
    const bench = open();
    for (const reply of [
      () => Response.json({ message: 'The database does not answer.', id: 'ab12' }, { status: 500 }),
      () =>
        Response.json(
          { ok: false, errors: { '': 'Say who is working first.' }, more: { needsWho: true } },
          { status: 422 }
        )
    ]) {
      server.answer = async () => reply();
      if (bench.waiting === 0) bench.write(off);
      else await bench.refresh();
      await vi.waitFor(() => expect(bench.stuck).toBe(true));
      expect(bench.waiting).toBe(1);
      expect(kept.size).toBe(1);
    }
    server.answer = answer;
    await bench.refresh();
    expect([bench.waiting, bench.stuck, bench.problem]).toEqual([0, false, null]);
    expect(server.taken).toHaveLength(1);
  });

  it('takes back off the screen what the server refuses, and says why', async () => {
    server.refuse = 'This visit is closed; nothing more can be written in it.';
    const bench = open();
    bench.write(off);
    await vi.waitFor(() => expect(bench.waiting).toBe(0));
    expect(bench.problem).toMatch(/closed/);
    expect(bench.state.open).toEqual([]);
  });

  it('sees what another device wrote', async () => {
    const bench = open();
    const other = open();
    other.write(off);
    await vi.waitFor(() => expect(server.taken).toHaveLength(1));
    await bench.refresh();
    expect(bench.state.open).toHaveLength(1);
    expect(bench.state.steps[0]!.by).toBe('Wren');
    expect(bench.problems.map((p) => p.message)).toEqual([
      'Plug is off.',
      '“Run it” is not done, nor left out with a reason.'
    ]);
  });

  it('begins anew when what it kept is rubbish', () => {
    kept.set('ht_visit_v', '{not json');
    const bench = open();
    bench.resume();
    expect(bench.waiting).toBe(0);
  });
});
