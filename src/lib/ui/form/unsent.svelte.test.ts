import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Unsent } from './unsent.svelte';

const store = new Map<string, string>();
beforeEach(() => {
  store.clear();
  vi.stubGlobal('sessionStorage', {
    getItem: (k: string) => store.get(k) ?? null,
    setItem: (k: string, v: string) => void store.set(k, v),
    removeItem: (k: string) => void store.delete(k)
  });
});
afterEach(() => vi.unstubAllGlobals());

describe('a text that is not written yet', () => {
  it('is there again after a reload, each under its own name', () => {
    new Unsent('v a remark').value = 'weeps';
    expect([new Unsent('v a remark').value, new Unsent('v b remark').value]).toEqual(['weeps', '']);
  });
  it('emptied or written, it is forgotten', () => {
    const text = new Unsent('v a remark');
    text.value = 'weeps';
    text.value = '';
    expect(new Unsent('v a remark').value).toBe('');
    expect(store.size).toBe(0);
  });
  it('is simply typed where nothing can be kept, or rubbish was', () => {
    store.set('x', '{');
    store.set('y', '[1]');
    expect([new Unsent('x').value, new Unsent('y').value]).toEqual(['', '']);
    vi.stubGlobal('sessionStorage', undefined);
    const text = new Unsent('x');
    text.value = 'a';
    expect(text.value).toBe('a');
  });
});
