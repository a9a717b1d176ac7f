import { describe, expect, it } from 'vitest';
import { item, planOf, visitEntry } from '../../../../tests/core/bench';
import { closeProblems } from './close';
import { goesIn, thingsInWords } from './goes-in';
import { standInWords } from './items';
import { quickAt } from './quick';
import { visitState } from './state';

const thing = (what: string, name = what, isIn = false) => ({ what, name, in: isIn });

describe('a rag or a wire', () => {
  it('goes in, where a spring or a dowel comes out', () => {
    for (const name of [
      'Rag in the mouth',
      'Wire for the cam chain',
      'rag in a hole',
      'clean rag in the port'
    ])
      expect([name, goesIn(name)]).toEqual([name, true]);
    for (const name of ['spring', 'dowel', 'Bucket and shim, inlet', 'wiring clip', 'Dragged washer'])
      expect([name, goesIn(name)]).toEqual([name, false]);
    // By what it is, however it is called.
    expect(goesIn('rag in a hole', 'the blue one')).toBe(true);
  });
  it('is told as in the engine, and as taken out', () => {
    const plan = planOf(['air-filter']);
    const rag = plan.items.find((i) => i.name === 'Rag in the mouth')!;
    const at = (...entries: Parameters<typeof visitState>[1]) =>
      standInWords(visitState(plan, entries).items.find((i) => i.item.key === rag.key)!);
    const off = item(rag.key, 'off');
    expect([at(off), at(off, item(rag.key, 'shut'))]).toEqual(['in the engine', 'taken out']);
    const state = visitState(plan, [off]);
    expect(closeProblems(plan, state)[0]!.message).toBe('Rag in the mouth is in the engine.');
    const refit = state.steps.find(
      (s) => s.step.input.type === 'close' && s.step.input.items.includes(rag.key)
    )!;
    const hand = { tools: { wrenches: [], oils: [] } as never, today: '2026-06-01', air: null };
    expect(quickAt(state, refit, hand).map((q) => q.label)[0]).toContain('Taken out');
  });
  it('among small things keeps the visit open as what it is', () => {
    const plan = planOf(['air-filter']);
    const rag = visitEntry('thing out', { what: 'rag in a hole', name: 'blue rag', count: 1 });
    const dowel = visitEntry('thing out', { what: 'dowel', name: 'front dowel', count: 1 });
    expect(closeProblems(plan, visitState(plan, [rag, dowel])).map((p) => p.message)).toEqual(
      expect.arrayContaining(['blue rag is still in the engine.', 'front dowel is still out.'])
    );
  });
  it('is counted apart', () => {
    expect(thingsInWords([])).toBe('');
    expect(thingsInWords([thing('dowel'), thing('spring'), thing('wire')])).toBe(
      '2 small things out, 1 in the engine'
    );
    expect(thingsInWords([thing('wire')])).toBe('1 small thing in the engine');
    expect(thingsInWords([thing('dowel', 'dowel', true)])).toBe('');
  });
});
