import { describe, expect, it } from 'vitest';
import { fastener, planOf, SHEET } from '../../../../../tests/core/bench';
import { DEFAULT_RULES } from '../../rules/rules';
import { NO_TOOLS } from '../../stores/toolbox';
import { gather } from '../gather/gather';

const others = SHEET.fasteners.filter((f) => f.role !== 'filter cover');
const plan = (...covers: ReturnType<typeof fastener>[]) =>
  planOf(['engine-oil'], { sheet: { ...SHEET, fasteners: [...others, ...covers] } });
const titles = (p: ReturnType<typeof plan>) => p.steps.map((s) => s.title);
const filters = (p: ReturnType<typeof plan>) =>
  gather(p, NO_TOOLS, DEFAULT_RULES, '2026-06-01', null).parts.filter((l) => l.text.includes('oil filter'))
    .length;

describe('a filter cover held by bolts of two lengths, each in a row of its own', () => {
  const p = plan(
    fastener('long', 'filter cover', 'Filter cover bolt, long', { quantity: 1 }),
    fastener('short', 'filter cover', 'Filter cover bolts, short', { quantity: 2, seal: 'O-ring' })
  );
  it('has one filter behind it: laid out once, taken out once, put in once', () => {
    expect(filters(p)).toBe(1);
    for (const title of ['Take the oil filter out', 'Open the old filter and look'])
      expect(titles(p).filter((t) => t === title)).toHaveLength(1);
    expect(p.items.filter((i) => i.kind === 'part' && i.role === 'filter cover')).toHaveLength(1);
  });
  it('has both rows undone with it, and each torqued after it', () => {
    const out = p.steps.find((s) => s.title === 'Take the oil filter out')!;
    expect(out.input).toMatchObject({
      items: ['filter-cover-long', 'filter-cover-short', 'filter-cover-part-long']
    });
    expect(out.points).toEqual(['long', 'short']);
    const at = (title: string) => titles(p).indexOf(title);
    const filterIn = titles(p).findIndex((t) => t.includes('filter in, marked side'));
    for (const bolt of ['filter cover bolt, long', 'filter cover bolts, short'])
      expect(at(`Refit and torque ${bolt}`)).toBeGreaterThan(filterIn);
  });
});

it('bolts of a cover that has a row of its own belong to it', () => {
  const p = plan(
    fastener('bolt', 'filter cover', 'Filter cover bolt, long'),
    fastener('cover', 'filter cover', 'Filter cover')
  );
  expect(filters(p)).toBe(1);
  expect(p.steps.find((s) => s.title === 'Take the oil filter out')!.points).toEqual(['cover', 'bolt']);
});

it('two covers have a filter each', () => {
  const p = plan(
    fastener('a', 'filter cover', 'First filter cover'),
    fastener('b', 'filter cover', 'Second filter cover')
  );
  expect(filters(p)).toBe(2);
  expect(titles(p).filter((t) => t === 'Take the oil filter out')).toHaveLength(2);
});
