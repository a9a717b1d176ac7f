import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { patiently } from '../../../../tests/patiently';
import type { Entry, NewEntry } from '$lib/core/visit/entry';
import { makeStep, type VisitPlan } from '$lib/core/job/plan';
import { readItem } from '$lib/core/job/stored';
import { shell } from '../base/page.svelte';
import { BenchVisit } from './bench.svelte';
import { outbox } from '../outbox/outbox.svelte';
import { store } from '../offline/store';

const plan: VisitPlan = {
  jobs: [{ key: 'oil', version: 1, title: 'Oil', taskId: null, circuits: ['engine'] }],
  title: 'Oil',
  points: [],
  coolsIn: 480,
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
  /** How far its clock is ahead of the device's, ms. */
  ahead = 0;
  /** Step keys over which it fails. */
  fails: string[] = [];
  /** How many entries it was asked for, at each asking. */
  asked: string[] = [];
  /** What it carried out, by kind. */
  order: string[] = [];
  answer = async (url: string, init?: { body?: string }): Promise<Response> => {
    if (!this.up) throw new TypeError('network');
    if (!init?.body) {
      this.asked.push(url);
      const after = Number(new URL(url, 'http://x').searchParams.get('after'));
      const entries = this.taken.filter((e) => e.seq > after);
      return Response.json({
        ok: true,
        data: { entries, recordId: this.order.includes('visit.close') ? 'record' : null, photos: [] }
      });
    }
    const { commands } = JSON.parse(init.body) as {
      commands: { id: string; kind: string; after?: string; body: { entry: NewEntry } }[];
    };
    const refused = new Set<string>();
    const outcomes = commands.map(({ id, kind, after, body: { entry } }) => {
      const no = (errors: object, more: object) => {
        refused.add(id);
        return { id, ok: false, errors, more };
      };
      if (after && refused.has(after)) return no({ '': 'It waits.' }, { waits: true });
      if (this.refuse) return no({ '': this.refuse }, {});
      this.order.push(kind);
      if (kind === 'visit.close') return { id, ok: true, data: 'record' };
      if (kind === 'visit.start') return { id, ok: true, data: 'another' };
      if (entry.stepKey !== null && this.fails.includes(entry.stepKey))
        return no({ '': 'Our side.' }, { retry: true, fault: 'ab12' });
      const seq = this.taken.length + 1;
      const stamp = { seq, at: new Date(Date.now() + this.ahead).toISOString(), by: 'Wren' };
      if (!this.taken.some((e) => e.id === entry.id))
        this.taken = [...this.taken, { ...entry, ...stamp } as Entry];
      return { id, ok: true, data: stamp };
    });
    return Response.json({ ok: true, outcomes });
  };
}

let server: Server;
beforeEach(async () => {
  server = new Server();
  vi.stubGlobal('fetch', (url: string, init?: { body?: string }) => server.answer(url, init));
  vi.stubGlobal('localStorage', { getItem: () => 'this one', setItem: () => {} });
  await clear();
});
afterEach(() => {
  for (const leave of left.splice(0)) leave();
  vi.unstubAllGlobals();
  vi.useRealTimers();
});
async function clear() {
  for (const { id } of outbox.items) outbox.drop(id);
  await patiently(async () => expect(await store.all()).toEqual([]));
  await store.clearTaken();
}

const unsent = async () => (await store.all()).length;
const unsentIs = (n: number) => patiently(async () => expect(await unsent()).toBe(n));
/** A level that is read once the oil has run down for three minutes. */
const settled = makeStep({
  key: 'level',
  title: 'Read it',
  input: {
    type: 'level',
    circuit: 'engine',
    protocol: {
      method: 'sight glass',
      runSeconds: null,
      settleSeconds: 180,
      temperature: null,
      attitude: null,
      aim: null,
      betweenMl: null
    }
  }
});
const started = makeStep({ key: 'run', title: 'Run it', input: { type: 'start' } });
const settling: VisitPlan = { ...plan, steps: [started, settled], items: [] };
const level = { level: { method: 'sight glass', position: 0.5 } };

/** What a page that is left stops hearing. */
const left: (() => void)[] = [];
function open(entries: Entry[] = [], of = plan): BenchVisit {
  const bench = new BenchVisit('v', of, entries);
  left.push(bench.resume());
  return bench;
}
/** The page is loaded anew: nothing is known but what the device has kept. */
async function reload(): Promise<BenchVisit> {
  for (const leave of left.splice(0)) leave();
  outbox.items = [];
  const bench = open();
  await outbox.load();
  return bench;
}
const off = { stepKey: 'off', action: 'done', content: {} } as const;
const torqued = { itemKey: 'plug', action: 'torqued', content: { value: 20, unit: 'N·m' } } as const;

describe('a visit on a screen', () => {
  it('shows a tick before the server has it', async () => {
    const bench = open();
    expect(bench.write(off)).toBe(true);
    expect(bench.state.open.map((i) => i.item.name)).toEqual(['Plug']);
    expect(bench.waiting).toBe(1);
    await patiently(() => expect(bench.waiting).toBe(0));
    expect(server.taken.map((e) => e.stepKey)).toEqual(['off']);
    await unsentIs(0);
  });

  it('refuses what the core refuses, at its step, and sends nothing', async () => {
    const bench = open();
    bench.write(off);
    expect(bench.write({ stepKey: 'run', action: 'done', content: {} })).toBe(false);
    expect([bench.problem?.words, bench.problemAt]).toEqual(['Not yet: Plug is off.', 'run']);
    await patiently(() => expect(bench.waiting).toBe(0));
    expect(server.taken).toHaveLength(1);
  });

  it('sends what is written after a beginning with nothing to send, and waits for what is on its way', async () => {
    const bench = open();
    bench.write(off);
    bench.write(torqued);
    // Whoever closes asks for this first: all of it is in the book then, not merely some.
    await bench.refresh();
    expect(bench.waiting).toBe(0);
    expect(server.taken.map((e) => e.action)).toEqual(['done', 'torqued']);
  });

  it('asks by the server’s clock whether the oil has settled, however wrong its own', async () => {
    vi.useFakeTimers({ toFake: ['Date'], now: new Date('2026-06-10T18:00:00Z') });
    server.ahead = 9 * 3600_000;
    const bench = open([], settling);
    bench.write({ stepKey: 'run', action: 'done', content: {} });
    await patiently(() => expect(bench.waiting).toBe(0));
    vi.setSystemTime(new Date('2026-06-10T18:01:00Z'));
    expect(bench.write({ stepKey: 'level', action: 'done', content: level })).toBe(false);
    expect(bench.problem!.words).toMatch(/settled for 1:00, and its level wants 3:00/);
    vi.setSystemTime(new Date('2026-06-10T18:03:00Z'));
    expect(bench.write({ stepKey: 'level', action: 'done', content: level })).toBe(true);
    await patiently(() => expect(bench.waiting).toBe(0));
    expect(server.taken.map((e) => e.stepKey)).toEqual(['run', 'level']);
  });

  it('without a signal it asks by the clock as the last answer showed it, while a reason can still be given', async () => {
    vi.useFakeTimers({ toFake: ['Date'], now: new Date('2026-06-10T18:00:00Z') });
    server.up = false;
    shell.clockAheadMs = -9 * 3600_000;
    const bench = open([], settling);
    bench.write({ stepKey: 'run', action: 'done', content: {} });
    expect(bench.entries[0]!.at).toBe('2026-06-11T03:00:00.000Z');
    vi.setSystemTime(new Date('2026-06-10T18:01:00Z'));
    expect(bench.write({ stepKey: 'level', action: 'done', content: level })).toBe(false);
    expect(bench.write({ stepKey: 'level', action: 'done', content: { ...level, remark: 'cold day' } })).toBe(
      true
    );
    shell.clockAheadMs = null;
    await patiently(() => expect(bench.stuck).not.toBeNull());
  });

  it('keeps ticks while the server is away, in order, over a reload, and sends each once', async () => {
    server.up = false;
    const bench = open();
    bench.write(off);
    bench.write(torqued);
    await patiently(() => expect(bench.stuck).toMatch(/No answer/));
    expect(bench.waiting).toBe(2);
    await unsentIs(2);

    const again = await reload();
    expect([again.waiting, again.state.open]).toEqual([2, []]);
    server.up = true;
    await again.refresh();
    await patiently(() => expect(again.waiting).toBe(0));
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
      await patiently(() => expect(bench.stuck).not.toBeNull());
      expect(bench.waiting).toBe(1);
      await unsentIs(1);
    }
    server.answer = answer;
    await bench.refresh();
    expect([bench.waiting, bench.stuck, bench.problem]).toEqual([0, null, null]);
    expect(server.taken).toHaveLength(1);
  });

  it('takes back off the screen what the server refuses, and says why', async () => {
    server.refuse = 'This visit is closed; nothing more can be written in it.';
    const bench = open();
    bench.write(off);
    await patiently(() => expect(bench.waiting).toBe(0));
    expect(bench.problem!.words).toMatch(/closed/);
    expect(bench.state.open).toEqual([]);
  });

  it('sees what another device wrote', async () => {
    const bench = open();
    const other = open();
    other.write(off);
    await patiently(() => expect(server.taken).toHaveLength(1));
    await bench.refresh();
    expect(bench.state.open).toHaveLength(1);
    expect(bench.state.steps[0]!.by).toBe('Wren');
    expect(bench.problems.map((p) => p.message)).toEqual([
      'Plug is off.',
      '“Run it” is not done, nor left out with a reason.'
    ]);
  });

  it('what had to wait and is refused stays, with why, until somebody has looked at it', async () => {
    server.up = false;
    const bench = open();
    bench.write(off);
    await patiently(() => expect(bench.stuck).not.toBeNull());
    server.up = true;
    server.refuse = 'This visit is closed; nothing more can be written in it.';
    await bench.refresh();
    expect(bench.aside).toEqual([
      { kept: expect.anything(), what: 'Open it: done', why: expect.stringMatching(/closed/) }
    ]);
    expect([bench.waiting, bench.state.open]).toEqual([0, []]);
    const again = await reload();
    expect(again.aside).toHaveLength(1);
    outbox.letGo(again.aside[0]!.kept.id);
    await unsentIs(0);
  });

  it('what was sent is there on a page from before, too: nothing looks undone for want of a signal', async () => {
    const bench = open();
    bench.write(off);
    await patiently(() => expect([server.taken.length, bench.waiting]).toEqual([1, 0]));
    await unsentIs(0);
    server.up = false;
    const again = await reload();
    await patiently(() => expect(again.state.steps[0]!.by).toBe('Wren'));
    expect(again.entries).toHaveLength(1);
    expect(again.state.open).toHaveLength(1);
    // Once the page itself has it, it need not be kept; of another visit nothing is shown.
    open(server.taken);
    await patiently(async () => expect(await store.takenAt('v')).toEqual([]));
    expect(again.entries).toHaveLength(1);
  });

  it('closed without a signal it is closed after what was written before, and shows its record', async () => {
    server.up = false;
    const bench = open();
    bench.write(off);
    const known = { id: crypto.randomUUID(), at: new Date().toISOString() };
    expect(await outbox.send('visit.close', { visitId: 'v' }, known)).toMatchObject({ more: { kept: true } });
    expect(bench.closes).toBe(known.id);
    server.up = true;
    await bench.refresh();
    expect(server.order).toEqual(['visit.enter', 'visit.close']);
    expect([bench.closes, bench.closedRecord]).toEqual([null, 'record']);
  });

  it('begun without a signal it goes into the book first, under the id the server says; its close goes last', async () => {
    server.up = false;
    const bench = open();
    await outbox.send(
      'visit.start',
      { id: 'v', machineId: 'm' },
      { id: crypto.randomUUID(), at: '2026-06-10T09:59:00Z' }
    );
    bench.write(off);
    const known = { id: crypto.randomUUID(), at: new Date().toISOString() };
    await outbox.send('visit.close', { visitId: 'v' }, known);
    expect([bench.begins, bench.inBook, bench.waiting]).toEqual([true, null, 3]);
    server.up = true;
    await bench.refresh();
    expect(server.order).toEqual(['visit.start', 'visit.enter', 'visit.close']);
    expect([bench.begins, bench.inBook, bench.closedRecord]).toEqual([false, 'another', 'record']);
  });

  it('is not closed while something of it was refused: that could never be written any more', async () => {
    server.up = false;
    const bench = open();
    bench.write(off);
    await outbox.send(
      'visit.close',
      { visitId: 'v' },
      { id: crypto.randomUUID(), at: '2026-06-10T10:00:00Z' }
    );
    server.up = true;
    server.refuse = 'No such step.';
    await bench.refresh();
    expect(server.order).not.toContain('visit.close');
    expect([bench.aside.length, bench.closes === null]).toEqual([1, false]);
    server.refuse = null;
    bench.tryAside(bench.aside[0]!.kept.id);
    await patiently(() => expect(bench.closedRecord).toBe('record'));
  });

  it('sets aside what the server fails over, so that it holds nothing else up, until somebody says', async () => {
    server.fails = ['off'];
    const bench = open();
    bench.write(off);
    bench.write({ action: 'thing out', content: { what: 'key', name: 'Key', count: 1 } });
    await patiently(() => expect(bench.aside).toHaveLength(1));
    await patiently(() => expect(server.taken.map((e) => e.action)).toEqual(['thing out']));
    await patiently(() => expect([bench.aside[0]!.what, bench.waiting]).toEqual(['Open it: done', 0]));
    await unsentIs(1);
    server.fails = [];
    bench.tryAside(bench.aside[0]!.kept.id);
    await patiently(() => expect([server.taken.length, bench.aside.length]).toEqual([2, 0]));
    await unsentIs(0);
  });

  it('asks only for what it does not know yet', async () => {
    const bench = open();
    bench.write(off);
    await patiently(() => expect(bench.waiting).toBe(0));
    await bench.refresh();
    await bench.refresh();
    expect(server.asked.map((u) => u.split('?')[1])).toEqual(['after=0', 'after=1']);
    expect(bench.entries).toHaveLength(1);
  });

  it('says that nothing is kept where the browser keeps nothing, and goes on all the same', async () => {
    server.up = false;
    const full = vi.spyOn(store, 'put').mockRejectedValue(new DOMException('full', 'QuotaExceededError'));
    const bench = open();
    bench.write(off);
    await patiently(() => expect([bench.unkept, bench.stuck !== null]).toEqual([true, true]));
    expect(bench.waiting).toBe(1);
    full.mockRestore();
    server.up = true;
    await bench.refresh();
    expect([server.taken.length, bench.waiting]).toEqual([1, 0]);
  });
});
