import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { z } from 'zod';
import { UnsentFields } from './unsent-fields.svelte';

const SHAPE = z.object({ grade: z.enum(['none', 'paste']).nullable(), why: z.string() });
type Fields = z.infer<typeof SHAPE>;
const START: Fields = { grade: null, why: '' };

let store: Map<string, string>;
beforeEach(() => {
  store = new Map();
  vi.stubGlobal('sessionStorage', {
    getItem: (k: string) => store.get(k) ?? null,
    setItem: (k: string, v: string) => store.set(k, v),
    removeItem: (k: string) => store.delete(k)
  });
});
afterEach(() => vi.unstubAllGlobals());

const fields = () => new UnsentFields('v magnet', SHAPE, START);
/** A page on which something is filled in; a screen keeps it by itself, which needs a browser. */
function page(work: (f: UnsentFields<Fields>) => void): void {
  const f = fields();
  work(f);
  f.keep();
}
const found = () => ({ ...fields().now });

describe('fields that are not written yet', () => {
  it('are there again after a reload, under their own name', () => {
    page((f) => {
      f.now.grade = 'paste';
      f.now.why = 'seen it before';
    });
    expect(found()).toEqual({ grade: 'paste', why: 'seen it before' });
    expect([...store.keys()]).toEqual(['v magnet']);
  });
  it('are not kept as they begin, nor once they are written', () => {
    page((f) => (f.now.why = 'x'));
    page((f) => (f.now.why = ''));
    expect(store.size).toBe(0);
    page((f) => {
      f.now.grade = 'paste';
      f.clear();
    });
    expect([found(), store.size]).toEqual([START, 0]);
  });
  it('stand as they were written where they are not begun anew', () => {
    page((f) => {
      f.now.grade = 'paste';
      f.now.why = 'poured';
      f.settle({ why: '' });
      expect(f.now).toEqual({ grade: 'paste', why: '' });
    });
    expect(store.size).toBe(0);
  });
  it('begin anew where what was kept is rubbish, or of a release that knew other words', () => {
    for (const was of ['{', '7', 'null', '{"grade":"sludge","why":"x"}', '{"why":4}']) {
      store.set('v magnet', was);
      expect(found()).toEqual(START);
    }
    store.set('v magnet', '{"why":"of before there were grades","more":1}');
    expect(found()).toEqual({ grade: null, why: 'of before there were grades' });
  });
});
