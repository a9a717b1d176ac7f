import { expect, it } from 'vitest';
import { BUILT_IN } from './built-in/jobs';
import { step } from './built-in/steps';
import { roughInWords, roughMinutes } from './rough';

it('adds up what every machine has, once; what a gate opens or only some have comes on top', () => {
  const of = (more: object) => step({ key: 'a', title: 'A', kind: 'tick', minutes: 5, ...more });
  expect(
    roughMinutes({
      steps: [
        of({ minutes: 10 }),
        of({ key: 'b' }),
        of({ key: 'c', when: ['two-stroke'] }),
        of({ key: 'd', gate: { step: 'b', is: 'yes' } })
      ]
    })
  ).toEqual({ least: 15, most: 25 });
  // Every job of ours takes a while.
  for (const t of BUILT_IN) expect(roughMinutes(t).least, t.key).toBeGreaterThan(5);
  expect(roughInWords({ least: 15, most: 25 })).toBe('15 to 25 min');
  expect(roughInWords({ least: 15, most: 15 })).toBe('15 min');
});
