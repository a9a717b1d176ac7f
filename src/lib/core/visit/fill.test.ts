import { describe, expect, it } from 'vitest';
import { figure, planOf, SHEET, step, visitEntry, whole } from '../../../../tests/core/bench';
import { quantity } from '../quantity/quantity';
import { closeProblems } from './close';
import { visitState } from './state';

const LEVEL = 'oil level method' as const;
const sheet = (figures: typeof SHEET.figures) => ({
  ...SHEET,
  figures: [...SHEET.figures.filter((f) => !figures.some((x) => x.key === f.key)), ...figures]
});
const measured = sheet([
  figure(LEVEL, null, { text: 'measured quantity only' }),
  figure('engine oil with filter', quantity(748, 'ml'))
]);
const fillOf = (plan: ReturnType<typeof planOf>) => {
  const input = plan.steps.find((s) => s.input.type === 'pour')!.input;
  return input.type === 'pour' ? input.fill : null;
};
/** Everything done, with so much poured and, where it is read, so much topped up. */
const poured = (plan: ReturnType<typeof planOf>, ml: number, toppedUpMl = 0) =>
  whole(plan).map((e) => {
    if (e.action !== 'done') return e;
    if (e.content.ml !== undefined && e.stepKey.startsWith('pour')) return { ...e, content: { ml } };
    return e.content.level ? { ...e, content: { ...e.content, toppedUpMl } } : e;
  });
const said = (plan: ReturnType<typeof planOf>, entries: ReturnType<typeof whole>) =>
  closeProblems(plan, visitState(plan, entries));

describe('oil that nobody can read the level of', () => {
  const plan = planOf(['engine-oil'], { sheet: measured });
  it('is poured whole: nothing is held back for a level that is never read', () => {
    expect(plan.steps.some((s) => s.input.type === 'level')).toBe(false);
    expect(fillOf(plan)).toMatchObject({ quantityMl: 748, firstMl: 748, heldBackMl: 0 });
    expect(fillOf(plan)!.number.label).toBe('First pour');
  });
  it('is not closed over 690 of 748 ml without a reason', () => {
    expect(said(plan, poured(plan, 690))).toEqual([
      {
        key: 'fill:engine',
        message: '690 ml of the 748 ml of engine oil are in it: pour the rest, or say why it stays so.'
      }
    ]);
    // A jug shows a fiftieth: 15 ml of it.
    expect(said(plan, poured(plan, 735))).toEqual([]);
    expect(said(plan, poured(plan, 800))[0]!.message).toBe(
      '800 ml are in it, and the engine takes 748 ml: let the rest out, or say why it stays so.'
    );
  });
  it('is, with one; poured on after that, it is asked again', () => {
    const why = visitEntry('fill accepted', {
      circuit: 'engine',
      inMl: 690,
      reason: 'the sump is not drained whole'
    });
    const entries = [...poured(plan, 690), why];
    expect(said(plan, entries)).toEqual([]);
    const key = plan.steps.find((s) => s.input.type === 'pour')!.key;
    expect(said(plan, [...entries, step(key, 'done', { ml: 300, pour: 'poured in' })])).toHaveLength(1);
  });
});

describe('oil whose level was read', () => {
  it('may differ by a tenth, or by all between the marks; more needs a reason', () => {
    // 1,100 ml with the filter: a tenth is 110.
    const plan = planOf(['engine-oil']);
    expect(said(plan, poured(plan, 1000))).toEqual([]);
    expect(said(plan, poured(plan, 980))[0]!.key).toBe('fill:engine');
    const wide = planOf(['engine-oil'], {
      sheet: sheet([figure('engine oil between marks', quantity(250, 'ml'))])
    });
    expect(said(wide, poured(wide, 860))).toEqual([]);
    expect(said(wide, poured(wide, 840))[0]!.key).toBe('fill:engine');
  });
  it('of a range, from its lower end to its upper', () => {
    const plan = planOf(['engine-oil'], {
      sheet: sheet([
        figure('engine oil with filter', null, {
          band: { from: quantity(1000, 'ml'), to: quantity(1200, 'ml') }
        })
      ])
    });
    expect(said(plan, poured(plan, 910))).toEqual([]);
    expect(said(plan, poured(plan, 1290))).toEqual([]);
    expect(said(plan, poured(plan, 1330))).toHaveLength(1);
  });
  it('by the method picked at the bench, where the sheet names none', () => {
    const plan = planOf(['engine-oil'], {
      sheet: { ...SHEET, figures: SHEET.figures.filter((f) => f.key !== LEVEL) }
    });
    const entries = poured(plan, 1050).map((e) =>
      e.action === 'done' && e.content.level
        ? { ...e, content: { level: { method: 'measured quantity only' as const } } }
        : e
    );
    expect(said(plan, entries)[0]!.key).toBe('fill:engine');
  });
  it('says nothing of an engine that was not drained, nor of a quantity nobody knows', () => {
    const plan = planOf(['engine-oil']);
    expect(said(plan, []).some((p) => p.key.startsWith('fill:'))).toBe(false);
    const unknown = planOf(['engine-oil'], { sheet: { ...SHEET, figures: [] } });
    expect(said(unknown, poured(unknown, 10))).toEqual([]);
  });
});
