import { describe, expect, it } from 'vitest';
import { item, planOf, step } from '../../../../tests/core/bench';
import { pulls } from '../fasteners/pattern';
import { sealSuggestion } from '../job/seal';
import { inWords } from './problems';
import { sealQuestion } from './refuse';
import { freshItem, isShut, isTight, pullsLeft, standInWords } from './items';
import type { OpenedItem } from '../job/plan';
import { visitState } from './state';

const plan = planOf(['engine-oil']);
const plug = plan.items.find((i) => i.key === 'drain-plug-d')!;
const cover = plan.items.find((i) => i.key === 'filter-cover-c')!;
const sealed = (more: Partial<OpenedItem>): OpenedItem => ({ ...plug, ...more });
const after = (...entries: Parameters<typeof visitState>[1]) =>
  visitState(plan, entries).items.find((i) => i.item.key === plug.key)!;

describe('a fastener', () => {
  it('keeps what was said of its washer when it is put off, and every remark', () => {
    const put = { reason: 'x', waitsFor: 'a tool to arrive', part: 'socket', seal: 'again' };
    const i = after(
      step('drain-d'),
      item(plug.key, 'torqued', { value: 20, unit: 'N·m', seal: 'new', remark: 'turned hard' }),
      item(plug.key, 'off'),
      item(plug.key, 'deferred', put)
    );
    expect([i.seal, i.remarks]).toEqual(['again', ['turned hard']]);
    const later = item(plug.key, 'torqued', { value: 20, unit: 'N·m', remark: 'smooth now' });
    const done = after(step('drain-d'), item(plug.key, 'deferred', put), later);
    expect([done.seal, done.remarks]).toEqual(['again', ['smooth now']]);
  });
  it('goes from off by way of hand and snug to torqued and marked', () => {
    const torque = { value: 20, unit: 'N·m', seal: 'new' };
    const off = step('drain-d');
    const stands = [
      after(off),
      after(off, item(plug.key, 'by hand')),
      after(off, item(plug.key, 'by hand'), item(plug.key, 'snug')),
      after(off, item(plug.key, 'torqued', torque)),
      after(off, item(plug.key, 'torqued', torque), item(plug.key, 'marked'))
    ];
    expect(stands.map(standInWords)).toEqual([
      'off',
      'only hand-tight',
      'only snug',
      'torqued, 20 N·m',
      'torqued, 20 N·m, and marked'
    ]);
    expect(stands.map(isShut)).toEqual([false, false, false, true, true]);
    expect(stands.map(isTight)).toEqual([false, false, false, true, true]);
  });
  it('is not marked while it is loose', () => {
    expect(after(step('drain-d'), item(plug.key, 'marked')).stand).toBe('off');
  });
  it('keeps what was found at it when it comes off again', () => {
    const found = after(
      item(plug.key, 'found', { how: 'loose', note: '' }),
      step('drain-d'),
      item(plug.key, 'torqued', { value: 20, unit: 'N·m', seal: 'new', wrenchId: 'w' }),
      item(plug.key, 'off')
    );
    expect(found).toMatchObject({ stand: 'off', torque: null, wrenchId: null, found: [{ how: 'loose' }] });
  });
  it('deferred is shut for closing, not tight, and says what it waits for', () => {
    const deferred = after(
      step('drain-d'),
      item(plug.key, 'deferred', { reason: 'x', waitsFor: 'a tool to arrive', part: 'T-handle' })
    );
    expect([isShut(deferred), isTight(deferred)]).toEqual([true, false]);
    expect(standInWords(deferred)).toBe('deferred, waits for T-handle');
    const again = after(
      step('drain-d'),
      item(plug.key, 'deferred', { reason: 'x', waitsFor: 'a second person', part: '' }),
      item(plug.key, 'torqued', { value: 20, unit: 'N·m', seal: 'new' })
    );
    expect(again.deferred).toBeNull();
  });
  it('of several bolts begins its rounds anew when it comes off again', () => {
    const out = step('filter-out-c');
    const all = pulls(3).map(({ round, bolt }) => item(cover.key, 'bolt', { round, bolt }));
    const state = (entries: Parameters<typeof visitState>[1]) =>
      visitState(plan, entries).items.find((i) => i.item.key === cover.key)!;
    expect(pullsLeft(state([out, ...all]))).toEqual([]);
    expect(pullsLeft(state([out, ...all, item(cover.key, 'off')]))).toHaveLength(6);
    expect(pullsLeft(freshItem(plug))).toEqual([]);
  });
});

describe('washers and rings', () => {
  it('need no answer where there is none', () => {
    expect(sealQuestion(sealed({ seal: 'none' }), undefined, undefined)).toBeNull();
  });
  it('are new where the house wants it, and where their uses are up or unknown', () => {
    expect(sealSuggestion(sealed({ sealMost: 1 }))).toBe('new');
    expect(sealSuggestion(sealed({ sealMost: 3, sealUses: 3 }))).toBe('new');
    expect(sealSuggestion(sealed({ sealMost: 3, sealUses: null }))).toBe('new');
    expect(sealSuggestion(sealed({ sealMost: 3, sealUses: 2 }))).toBe('again');
  });
  it('go in again without a word while they may', () => {
    expect(sealQuestion(sealed({ sealMost: 3, sealUses: 2 }), 'again', undefined)).toBeNull();
    expect(sealQuestion(sealed({ sealMost: 3, sealUses: null }), 'again', undefined)).toBeNull();
    expect(inWords(sealQuestion(sealed({ sealMost: 3, sealUses: 3 }), 'again', '  ')!)).toContain('3 of 3');
    expect(sealQuestion(sealed({ sealMost: 3, sealUses: 3 }), 'again', 'none left')).toBeNull();
  });
});
