import type { TemplateStep } from '../template';
import { BEGIN, step, written } from './steps';

/** As the jobs at the top of the engine call it, which take it out too: then it is changed while it is out. */
export const SPARK_PLUG = 'Spark plug';

/**
 * The spark plug: out, looked at, its gap read, in again by hand and torqued. Before anything heats the engine: out of a hot head
 * it takes the thread with it.
 * @param do_ key of the step at which the work itself is done
 */
export function sparkPlugSteps(do_ = 'look-plug'): TemplateStep[] {
  return [
    ...BEGIN,
    step({
      key: 'plug-out',
      title: 'Take the spark plug out',
      kind: 'open',
      things: [SPARK_PLUG],
      minutes: 3,
      engine: 'cool',
      needs: ['stand'],
      lines: ['Clean round its hole first: what lies there falls in.'],
      caution: 'Not out of a hot head: burns, and the thread comes with it. Ignition off.'
    }),
    step({
      key: do_,
      title: 'Read it, and choose what goes in',
      kind: 'tick',
      minutes: 2,
      needs: ['plug-out'],
      lines: [
        '{plug}',
        'Colour, deposits, electrode, cracks: write what was seen in the remark, and whether a new one goes in.'
      ],
      mayLeaveOut: false
    }),
    step({
      key: 'gap',
      title: 'Gap of the plug that goes in',
      kind: 'measure',
      minutes: 2,
      needs: [do_],
      measure: { unit: 'mm', from: null, to: null, figure: 'plug gap' },
      lines: ['Bend the outer electrode only.']
    }),
    step({
      key: 'plug-in',
      title: 'Plug in by hand, then torqued',
      kind: 'close',
      things: [SPARK_PLUG],
      minutes: 3,
      needs: [do_, 'gap'],
      lines: [
        'By hand down to its seat: no cross-thread. Then as the manual says; cap on until it clicks.',
        '{sparkplug}'
      ],
      mayLeaveOut: false
    }),
    written(['plug-in'])
  ];
}
