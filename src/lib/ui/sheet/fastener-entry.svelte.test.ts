import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { unnoted } from '$lib/core/specs/sheet';
import { FastenerEntry } from './fastener-entry.svelte';

const store = new Map<string, string>();
const plug = unnoted({ id: 'f', role: 'drain plug', name: 'Drain plug', circuit: 'engine' });
let there = plug;
const row = (now = true) =>
  new FastenerEntry(
    'm',
    'f',
    () => (now ? there : null),
    () => ({ ...plug, quantity: '1' }),
    async () => {
      there = { ...there, head: '17 mm hex' };
    }
  );
beforeEach(() => {
  store.clear();
  there = plug;
  vi.stubGlobal('sessionStorage', {
    getItem: (k: string) => store.get(k) ?? null,
    setItem: (k: string, v: string) => void store.set(k, v),
    removeItem: (k: string) => void store.delete(k)
  });
  vi.stubGlobal('localStorage', { getItem: () => 'here' });
  vi.stubGlobal('fetch', async (_: string, init: { body: string }) => {
    const [{ id }] = JSON.parse(init.body).commands;
    return Response.json({ ok: true, outcomes: [{ id, ok: true, data: null }] });
  });
});
afterEach(() => vi.unstubAllGlobals());

it('a field of a row that was not left survives a reload, and is forgotten once it is on the sheet', async () => {
  row().set('head', '17 mm hex');
  const again = row();
  expect(again.fields.head).toBe('17 mm hex');
  expect(await again.save()).toBe(true);
  expect(again.fields.head).toBe('17 mm hex');
  expect(store.size).toBe(0);
  expect(row().fields.head).toBe('17 mm hex');
});
it('a row that is only offered keeps nothing: it has no name yet to keep it under', () => {
  row(false).set('head', '17 mm hex');
  expect(store.size).toBe(0);
  expect(row(false).fields.head).toBe('');
});
