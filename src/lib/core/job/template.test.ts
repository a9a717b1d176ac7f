import { describe, expect, it } from 'vitest';
import { BUILT_IN } from './built-in/jobs';
import { step } from './built-in/steps';
import type { FigureKey } from '../specs/sheet';
import { BLANK_JOB } from './plain';
import { templateProblems, templateSchema, type TemplateStep } from './template';

const made = (steps: TemplateStep[], circuits: string[] = ['engine']) => ({
  key: 'x',
  title: 'X',
  circuits,
  steps
});
const plain = (key: string, more: Partial<TemplateStep> = {}) =>
  step({ key, title: key.toUpperCase(), kind: 'tick', minutes: 1, ...more });

describe('the product’s own jobs', () => {
  it.each(BUILT_IN.map((t) => [t.title, t] as const))('%s stands up', (_, t) => {
    expect(templateSchema.safeParse(t).error?.issues ?? []).toEqual([]);
  });
  it('a job of a team’s own can be saved as it begins, once it has a name', () => {
    const named = { ...BLANK_JOB, key: 'mine', title: 'Mine' };
    expect(templateSchema.safeParse(named).error?.issues ?? []).toEqual([]);
  });
  it('have keys and titles of their own', () => {
    expect(new Set(BUILT_IN.map((t) => t.key)).size).toBe(BUILT_IN.length);
    expect(new Set(BUILT_IN.map((t) => t.title)).size).toBe(BUILT_IN.length);
  });
  it('let nothing that a pass needs be left out', () => {
    for (const t of BUILT_IN)
      for (const s of t.steps)
        if (['level', 'pour', 'close', 'oil', 'choice'].includes(s.kind))
          expect([s.key, s.mayLeaveOut]).toEqual([s.key, false]);
  });
});

describe('a template that cannot work', () => {
  const problem = (steps: TemplateStep[], circuits?: string[]) =>
    templateProblems(made(steps, circuits)).map((p) => `${p.path.join('.')}: ${p.message}`);
  it('names the circle', () => {
    expect(
      problem([plain('a', { needs: ['c'] }), plain('b', { during: ['a'] }), plain('c', { needs: ['b'] })])
    ).toEqual(['steps.0.needs: These wait for one another in a circle: “A” → “B” → “C” → “A”.']);
  });
  it('a gate counts as waiting', () => {
    expect(
      problem([
        plain('a', { kind: 'choice', needs: ['b'] }),
        plain('b', { gate: { step: 'a', is: 'yes' } })
      ])[0]
    ).toContain('circle');
  });
  it('names what is not there, twice there, or waits for itself', () => {
    expect(problem([plain('a', { needs: ['z'] })])).toEqual(['steps.0.needs: There is no step “z”.']);
    expect(problem([plain('a'), plain('a')])).toEqual(['steps.1.key: Step 1 has that key too.']);
    expect(problem([plain('a', { during: ['a'] })])).toEqual([
      'steps.0.during: A step cannot wait for itself.'
    ]);
  });
  it('a gate needs a step that answers', () => {
    expect(problem([plain('a'), plain('b', { gate: { step: 'a', is: 'yes' } })])).toEqual([
      'steps.1.gate: “A” never answers “yes”.'
    ]);
    expect(problem([plain('a'), plain('b', { gate: { step: 'q', is: 'yes' } })])[0]).toContain('no step “q”');
  });
  it('a number needs its unit and a band that does not run backwards', () => {
    expect(problem([plain('a', { kind: 'measure' })])).toEqual([
      'steps.0.measure: Say in what unit it is measured.'
    ]);
    expect(
      problem([plain('a', { kind: 'measure', measure: { unit: 'mm', from: 2, to: 1, figure: null } })])
    ).toEqual(['steps.0.measure: The band runs backwards.']);
    const by = (figure: FigureKey, each: TemplateStep['each'] = null) =>
      problem([plain('a', { kind: 'measure', each, measure: { unit: 'mm', from: null, to: null, figure } })]);
    expect(by('chain slack')).toEqual([]);
    expect(by('chain slack place')[0]).toMatch(/is words: nothing is measured by it/);
    expect(by('torque')[0]).toMatch(/belongs to a fastener/);
    expect(by('torque', 'axle nut')).toEqual([]);
  });
  it('oil belongs to a circuit', () => {
    expect(problem([plain('a', { kind: 'pour' })], [])).toEqual([
      'steps.0.kind: A step about oil needs a job with a circuit.'
    ]);
  });
  it('refuses a job of nothing, and one of sixty-one', () => {
    expect(templateSchema.safeParse(made([])).success).toBe(false);
    expect(templateSchema.safeParse(made(Array.from({ length: 61 }, (_, i) => plain(`s${i}`)))).success).toBe(
      false
    );
    expect(templateSchema.safeParse(made([plain('a', { minutes: -1 })])).success).toBe(false);
  });
});
