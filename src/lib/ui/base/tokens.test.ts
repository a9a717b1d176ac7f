import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

/** The colours of both themes, held against each other: what is written in one on another can be read (WCAG 2.2 AA). */
const css = readFileSync(new URL('../../../app.css', import.meta.url), 'utf8');
const TOKENS = Object.fromEntries(
  [...css.matchAll(/--([a-z0-9-]+): light-dark\(\s*(#[0-9a-f]{6}),\s*(#[0-9a-f]{6})\s*\)/g)].map(
    ([, name, light, dark]) => [name!, { light: light!, dark: dark! }]
  )
);
type Theme = 'light' | 'dark';

/** Relative luminance of an sRGB colour. Source: WCAG 2.2, definition. */
function luminance(hex: string): number {
  const [r, g, b] = [1, 3, 5]
    .map((at) => Number.parseInt(hex.slice(at, at + 2), 16) / 255)
    .map((c) => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4)) as [number, number, number];
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}
function contrast(theme: Theme, a: string, b: string): number {
  const [x, y] = [luminance(TOKENS[a]![theme]), luminance(TOKENS[b]![theme])];
  return (Math.max(x, y) + 0.05) / (Math.min(x, y) + 0.05);
}

it('black on white is 21, which is the most there is', () => {
  expect((luminance('#ffffff') + 0.05) / (luminance('#000000') + 0.05)).toBeCloseTo(21);
});

describe.each(['light', 'dark'] as const)('in the %s theme', (theme) => {
  it.each([
    ['ink', 'paper'],
    ['ink', 'sheet'],
    ['ink', 'tape'],
    ['ink-2', 'paper'],
    ['ink-2', 'sheet'],
    ['signal', 'paper'],
    ['signal', 'sheet'],
    ['done', 'paper'],
    ['done', 'sheet'],
    ['on-signal', 'signal'],
    ['paper', 'done'],
    ['paper', 'ink']
  ])('%s is read on %s', (text, ground) => {
    expect(contrast(theme, text, ground)).toBeGreaterThanOrEqual(4.5);
  });
  it.each(['paper', 'sheet'])('the edge of a field is seen on %s', (ground) => {
    expect(contrast(theme, 'rule-strong', ground)).toBeGreaterThanOrEqual(3);
  });
});
