import { oilInWords } from '../fluids/can';
import { showBoth, quantity, show } from '../quantity/quantity';
import { filterInWords } from '../visit/items';
import { ranInWords } from '../visit/timers';
import type { JobRecord } from './record';

/** In both systems: nobody knows which the reader thinks in. */
const ml = (n: number): string => {
  const { main, other } = showBoth(quantity(Math.round(n), 'ml'), 'metric');
  return `${main} (${other})`;
};

/** The figures of a job, in words for somebody who was not there: how much oil went in and came out, what was measured. */
export function figuresInWords({
  circuits,
  measured,
  fitted,
  ranSeconds
}: Pick<JobRecord, 'circuits' | 'measured' | 'fitted' | 'ranSeconds'>): string[] {
  return [
    ...circuits.flatMap(({ circuit, pouredMl, intoFilterMl, drainedMl, oil }) => {
      const which = oil ? oilInWords(oil) : `${circuit} oil`;
      return [
        ...(pouredMl ? [`${ml(pouredMl)} of ${which} in the ${circuit}`] : []),
        ...(intoFilterMl ? [`${ml(intoFilterMl)} of it in the filter`] : []),
        ...(drainedMl ? [`${ml(drainedMl)} came out`] : [])
      ];
    }),
    ...fitted.map((f) => `${f.name}: ${filterInWords(f)}`),
    ...(ranSeconds ? [`Engine run ${ranInWords(ranSeconds)}`] : []),
    ...measured.map((m) => `${m.title}: ${m.found ? `${show(m.found)}, then ` : ''}${show(m.measured)}`)
  ];
}
