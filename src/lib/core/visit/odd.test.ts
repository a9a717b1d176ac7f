import { describe, expect, it } from 'vitest';
import { planOf, step } from '../../../../tests/core/bench';
import { NO_HISTORY } from '../job/layout/context';
import { oddAt, oilSaid } from './odd';
import { visitState } from './state';

const plan = planOf(['engine-oil'], {
  history: { engine: { ...NO_HISTORY, pouredLastTimeMl: 1000 } }
});
const key = (type: string) => plan.steps.find((s) => s.input.type === type)!.key;
const at = (type: string, ...contents: object[]) => {
  const state = visitState(
    plan,
    contents.map((c) => step(key(type), 'done', c))
  );
  return oddAt(
    state,
    state.steps.find((s) => s.step.key === key(type))!
  );
};

describe('what is odd about what was written', () => {
  it('nothing, where nothing was', () => {
    expect([at('drained'), at('pour'), at('level'), at('debris')]).toEqual([null, null, null, null]);
  });
  it('far less out than went in last time', () => {
    // Seven tenths of 1,000 ml is 700.
    expect(at('drained', { ml: 500 })).toBe(
      '500 ml less came out than went in last time: burnt, leaked, or a drain still shut. We draw the line at 70 %.'
    );
    expect(at('drained', { ml: 900 })).toBeNull();
  });
  it('what another circuit holds, at the first change too', () => {
    // 1,100 ml with the filter; the gearbox beside it takes 700.
    const first = planOf(['engine-oil']);
    const state = visitState(first, [step(key('drained'), 'done', { ml: 690 })]);
    expect(
      oddAt(
        state,
        state.steps.find((s) => s.step.key === key('drained'))!
      )
    ).toMatch(/about what the gearbox does. Was the right plug opened/);
  });
  it('a pour far past what the sheet says', () => {
    // 1.0 L without, 1.1 L with the filter: two litres are neither.
    expect(at('pour', { ml: 2000 })).toMatch(/more than the sheet says went in/);
    expect(at('pour', { ml: 950 })).toBeNull();
  });
  it('a level outside its marks, with what to do', () => {
    expect(at('level', { level: { method: 'sight glass', position: -0.2 } })).toBe(
      'below the low mark. Top up and read again.'
    );
    expect(at('level', { level: { method: 'sight glass', position: 0.6 } })).toBeNull();
  });
  it('metal that has to be looked into, until somebody overrules it in words', () => {
    const flakes = { grade: 'flakes you can feel', materials: [] };
    expect(at('debris', flakes)).toMatch(/^find the source\. /);
    expect(at('debris', { ...flakes, verdict: 'carry on', overruled: 'a new gear' })).toBeNull();
    expect(at('debris', { grade: 'none', materials: [] })).toBeNull();
  });
});

describe('the oil itself', () => {
  const looks = plan.steps.filter((s) => s.input.type === 'debris').map((s) => s.key);
  const said = (which: number, ...entries: ReturnType<typeof step>[]) => {
    const state = visitState(plan, entries);
    return oilSaid(
      state,
      state.steps.find((s) => s.step.key === looks[which])!
    );
  };
  const milky = step(looks[0]!, 'done', { grade: 'none', oilLook: 'milky' });
  it('is asked about at whichever look comes first, and not at the others', () => {
    expect(looks.length).toBeGreaterThan(1);
    expect(said(1)).toBeNull();
    expect(said(1, milky)).toEqual({
      look: 'milky',
      at: plan.steps.find((s) => s.key === looks[0])!.title
    });
    // Where it was said, it can be said otherwise.
    expect(said(0, milky)).toBeNull();
  });
  it('undone, it is asked about again', () => {
    expect(said(1, milky, step(looks[0]!, 'undone'))).toBeNull();
  });
});
