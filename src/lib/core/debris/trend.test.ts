import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { GRADES, gravity, type Grade } from './debris';
import { readDrain, worstOf, type Earlier, type Reading } from './trend';

const now = (grade: Grade, more: Partial<Reading> = {}): Reading => ({
  place: 'magnet',
  grade,
  materials: [],
  oilHours: 1500,
  ...more
});
const then = (grade: Grade, more: Partial<Earlier> = {}): Earlier => ({
  grade,
  materials: [],
  oilHours: 1500,
  day: '2026-05-01',
  photoId: null,
  ...more
});

describe('reading the drain', () => {
  it('lets paste pass and judges growth', () => {
    expect(readDrain(now('grey paste or fuzz'), [then('grey paste or fuzz')], false).verdict).toBe(
      'carry on'
    );
    expect(readDrain(now('fine glitter'), [then('grey paste or fuzz')], false).verdict).toBe(
      'look again sooner'
    );
  });
  it('says when longer hours may account for it', () => {
    const verdict = readDrain(now('fine glitter', { oilHours: 3000 }), [then('grey paste or fuzz')], false);
    expect(verdict.reasons.join(' ')).toContain('2.0 times as long');
  });
  it('finds the same amount in far fewer hours worth a look', () => {
    const verdict = readDrain(now('fine glitter', { oilHours: 500 }), [then('fine glitter')], false);
    expect(verdict.reasons).toContain('As much as last time in far fewer hours.');
  });
  it('three times growing means find the source', () => {
    const verdict = readDrain(now('fine glitter'), [then('grey paste or fuzz'), then('none')], false);
    expect(verdict.verdict).toBe('find the source');
  });
  it('allows for break-in, but not for water', () => {
    const fading = [then('flakes you can feel')];
    expect(readDrain(now('fine glitter'), fading, true).verdict).toBe('carry on');
    expect(readDrain(now('none', { oil: 'milky: water' }), [], true).verdict).toBe('find the source');
  });
  it('notices a metal that was never there', () => {
    const verdict = readDrain(
      now('fine glitter', { materials: ['aluminium (silver, not magnetic)'] }),
      [then('fine glitter', { materials: ['steel (magnetic)'] })],
      false
    );
    expect(verdict.reasons.join(' ')).toContain('New since the last changes: aluminium');
  });
  it('never gets milder by finding more', () => {
    const order = ['carry on', 'look again sooner', 'find the source', 'park it'];
    fc.assert(
      fc.property(
        fc.constantFrom(...GRADES),
        fc.constantFrom(...GRADES),
        fc.array(fc.constantFrom(...GRADES), { maxLength: 3 }),
        (a, b, history) => {
          const before = history.map((g) => then(g));
          const [small, large] = gravity(a) <= gravity(b) ? [a, b] : [b, a];
          expect(order.indexOf(readDrain(now(large), before, false).verdict)).toBeGreaterThanOrEqual(
            order.indexOf(readDrain(now(small), before, false).verdict)
          );
        }
      )
    );
  });
  it('takes the worst of several places', () => {
    expect(worstOf([])).toBe('carry on');
    expect(worstOf(['carry on', 'park it', 'look again sooner'])).toBe('park it');
  });
});
