import type { JobTemplate } from '../template';
import { airFilterSteps } from './air-filter';
import { chainSteps } from './chain';
import { oilSteps } from './oil';
import { sparkPlugSteps } from './spark-plug';
import { step } from './steps';
import { camChainSteps, valveSteps } from './valves';

/** The jobs that come with the product. A team may change any; the product's own stays to go back to. */
export const BUILT_IN: readonly (JobTemplate & { version: number })[] = [
  {
    key: 'engine-oil',
    version: 5,
    title: 'Engine oil, screen and filter',
    about: 'Everything the sheet names: drains, screens, filter.',
    circuits: ['engine'],
    steps: oilSteps({ screens: true, filter: true })
  },
  {
    key: 'engine-oil-only',
    version: 4,
    title: 'Engine oil',
    about: 'The oil; the filter if you say so at the bench, which changes the fill.',
    circuits: ['engine'],
    steps: oilSteps({ filter: 'ask' })
  },
  {
    key: 'engine-oil-filter',
    version: 4,
    title: 'Engine oil with filter',
    about: 'Oil and filter; screens stay in.',
    circuits: ['engine'],
    steps: oilSteps({ filter: true })
  },
  {
    key: 'engine-oil-screens',
    version: 4,
    title: 'Engine oil with screens',
    about: 'For engines that keep their filter in the screen.',
    circuits: ['engine'],
    steps: oilSteps({ screens: true })
  },
  {
    key: 'engine-oil-frame',
    version: 5,
    title: 'Oil in the frame, two drains',
    about: 'Oil kept in the frame: the frame’s drain and the sump’s, both opened, both measured together.',
    circuits: ['engine'],
    steps: oilSteps({
      filter: true,
      drains: 2,
      drainLines: ['Two drains: the frame and the sump. The one left shut is why too little comes out.']
    })
  },
  {
    key: 'engine-oil-first',
    version: 4,
    title: 'First engine oil change, break-in',
    about: 'After new or a rebuild: everything is looked at, glitter is expected and is kept for comparison.',
    circuits: ['engine'],
    steps: oilSteps({
      screens: true,
      filter: true,
      extra: [
        step({
          key: 'first-bolts',
          title: 'Go over the engine and cover bolts once',
          kind: 'tick',
          minutes: 10,
          engine: 'cold',
          needs: ['stand'],
          lines: [
            'New gaskets settle: each to its torque, none past it.',
            'Anything found loose goes in the remark.'
          ]
        })
      ]
    })
  },
  {
    key: 'gearbox-check-screw',
    version: 4,
    title: 'Gearbox oil, level at the check screw',
    about: 'A gearbox of its own, filled until its check screw weeps.',
    circuits: ['gearbox'],
    steps: oilSteps({ screens: true, checkScrew: true, run: false })
  },
  {
    key: 'gearbox-two-stroke',
    version: 4,
    title: 'Gearbox oil of a two-stroke',
    about:
      'Warmed by riding: idling warms the engine, not the gearbox. Never the oil that is burnt with the fuel.',
    circuits: ['gearbox'],
    steps: oilSteps({ screens: true, run: false })
  },
  {
    key: 'differentials',
    version: 3,
    title: 'Differential oils',
    about: 'Front and rear, each with its own plugs and its own oil.',
    circuits: ['front differential', 'rear differential'],
    steps: oilSteps({ checkScrew: true, run: false, warm: false })
  },
  {
    key: 'valve-check',
    version: 3,
    title: 'Valve check',
    about:
      'Every clearance with its number. Only where a valve is out do cams, shims and parts come into it.',
    circuits: [],
    steps: valveSteps({})
  },
  {
    key: 'valve-reshim',
    version: 3,
    title: 'Re-shim',
    about: 'Cams out in any case: measured, planned, fitted, proven.',
    circuits: [],
    steps: valveSteps({ always: true })
  },
  {
    key: 'valve-screws',
    version: 3,
    title: 'Valve check, screw and lock-nut',
    about: 'Goes at one blade, does not at the next; read again after the nut is tight.',
    circuits: [],
    steps: valveSteps({ screws: true })
  },
  {
    key: 'cam-chain',
    version: 3,
    title: 'Cam chain and tensioner',
    about: 'The chain on its wheel, guides, and how far the tensioner has come out.',
    circuits: [],
    steps: camChainSteps()
  },
  {
    key: 'spark-plug',
    version: 2,
    title: 'Spark plug',
    about: 'Out, read, its gap set, in again; while the valves are open it is out in any case.',
    circuits: [],
    steps: sparkPlugSteps()
  },
  {
    key: 'air-filter',
    version: 1,
    title: 'Air filter, washed or changed',
    about:
      'A clean spare goes in, or this one is washed and dried; very dirty, it is washed a second time. Box and sealing face with it.',
    circuits: [],
    steps: airFilterSteps()
  },
  {
    key: 'chain',
    version: 2,
    title: 'Chain: slack, look, dressing',
    about:
      'Cleaned, looked over, slack read at its tightest; adjusted only where it is not right, and read again with the axle tight.',
    circuits: [],
    steps: chainSteps()
  }
];
export const BUILT_IN_KEYS = BUILT_IN.map((t) => t.key);

/** What comes after a job that is done once, after new or a rebuild. */
const AFTERWARDS: Readonly<Record<string, string>> = { 'engine-oil-first': 'engine-oil' };

/**
 * The job a task is done by now: a break-in job is over once it was done.
 * @param job as the task names it; null: none
 * @param done whether the task has been done since new or a rebuild
 */
export function jobNow(job: string | null, done: boolean): string | null {
  return job !== null && done ? (AFTERWARDS[job] ?? job) : job;
}
