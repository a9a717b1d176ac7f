import type { TemplateStep } from '../template';
import { BEGIN, end, GUARD_OFF, source, step, WARM } from './steps';

interface OilJob {
  screens?: boolean;
  /** `ask`: a choice at the bench that changes the fill. */
  filter?: boolean | 'ask';
  /** The level is read at a screw that is opened for it. */
  checkScrew?: boolean;
  /** The engine runs before the level is read. */
  run?: boolean;
  /** Drained warm. */
  warm?: boolean;
  drainLines?: string[];
  /** How many drain plugs such an engine has. */
  drains?: number;
  extra?: TemplateStep[];
}

/**
 * The steps of an oil change, in the order of the handbook (section 4): open what covers, warm, clean round, let air in, drain,
 * judge, clean screens, filter, refit by hand and torque, pour, run, read the level, look for leaks, cover again.
 */
export function oilSteps(job: OilJob): TemplateStep[] {
  const { screens = false, filter = false, checkScrew = false, run = true, warm = true } = job;
  const gate = filter === 'ask' ? ({ step: 'filter-choice', is: 'yes' } as const) : null;
  const ready = ['clean-round', ...(warm ? ['warm'] : [])];
  const looks = ['magnet', ...(screens ? ['screen-look'] : []), ...(filter ? ['filter-look'] : [])];
  const closed = ['drain-in', ...(screens ? ['screen-cap'] : []), ...(filter ? ['filter-cover'] : [])];
  const traced = source(looks);
  /** Metal is traced while what it came out of is still open. */
  const tracedFrom = (look: string) => traced[looks.indexOf(look)]!.key;
  const levelRead = checkScrew ? ['check-in'] : ['level'];
  return [
    ...BEGIN,
    step({
      key: 'oil',
      title: 'Choose the oil',
      kind: 'oil',
      minutes: 1,
      needs: ['gather'],
      lines: ['Read the can, not the shelf: grade, ratings, what it is for.'],
      mayLeaveOut: false
    }),
    ...(filter === 'ask'
      ? [
          step({
            key: 'filter-choice',
            title: 'Does the filter come out this time?',
            kind: 'choice',
            minutes: 0,
            needs: ['gather'],
            lines: ['It changes how much goes in.'],
            mayLeaveOut: false
          })
        ]
      : []),
    GUARD_OFF,
    ...(warm ? [WARM] : []),
    step({
      key: 'clean-round',
      title: 'Clean round every plug and cap',
      kind: 'tick',
      shared: true,
      minutes: 3,
      during: ['guard-off'],
      needs: ['stand'],
      lines: ['{items}']
    }),
    step({
      key: 'filler-out',
      title: 'Open {name}',
      kind: 'open',
      each: 'filler cap',
      orNamed: 'Oil filler cap',
      minutes: 1,
      needs: ['clean-round'],
      lines: ['{place}', '{fastener}', 'Lets air in behind the oil.']
    }),
    step({
      key: 'drain',
      title: 'Open {name}',
      kind: 'open',
      each: 'drain plug',
      orNamed: 'Drain plug',
      expects: job.drains ?? 1,
      minutes: 2,
      wait: 10,
      waitFor: 'the oil drains',
      engine: warm ? 'warm' : 'any',
      needs: [...ready, 'filler-out', 'oil'],
      lines: [
        '{place}',
        '{fastener}',
        '{lean}',
        '{note}',
        'Pan under it first. Let it run until it drips.',
        '{cranking}',
        ...(job.drainLines ?? [])
      ],
      caution: 'Hot oil{besides}: gloves, and pull the plug away from the stream.'
    }),
    step({
      key: 'magnet',
      title: '{magnet}',
      kind: 'debris',
      each: 'drain plug',
      orNamed: 'Drain plug',
      minutes: 2,
      during: ['drain'],
      lines: ['{wipe}', 'Rub the oil between two fingers in the light, and smell it.']
    }),
    ...(screens
      ? [
          step({
            key: 'screen-out',
            title: 'Take out the screen behind {name}',
            kind: 'open',
            each: 'screen cap',
            part: 'Screen behind {name}',
            minutes: 2,
            needs: ready,
            during: ['drain'],
            lines: ['{place}', '{fastener}', '{note}', '{count}'],
            caution: 'Some hot oil follows it.'
          }),
          step({
            key: 'screen-look',
            title: 'Read the screen behind {name}',
            kind: 'debris',
            each: 'screen cap',
            part: 'Screen behind {name}',
            minutes: 2,
            needs: ['screen-out'],
            lines: ['Tap it out on white paper before it is washed.']
          }),
          step({
            key: 'screen-in',
            title: 'Wash the screen behind {name} and seat it',
            kind: 'close',
            each: 'screen cap',
            part: 'Screen behind {name}',
            partOnly: true,
            minutes: 5,
            needs: ['screen-look'],
            mayLeaveOut: false,
            orientation: true,
            lines: [
              '{screens}',
              'Solvent away from rubber rings; no water, no lint.',
              'Seated all round, the right end in.'
            ],
            caution: 'Solvent: gloves and air.'
          })
        ]
      : []),
    ...(filter
      ? [
          step({
            key: 'filter-out',
            title: 'Take the oil filter out',
            kind: 'open',
            each: 'filter cover',
            part: 'Oil filter',
            minutes: 3,
            needs: ready,
            during: ['drain'],
            gate,
            lines: ['{place}', '{fastener}', '{note}', '{side}', '{count}']
          }),
          step({
            key: 'filter-look',
            title: 'Open the old filter and look',
            kind: 'debris',
            each: 'filter cover',
            part: 'Oil filter',
            minutes: 3,
            needs: ['filter-out'],
            gate,
            lines: ['Collapsed or torn pleats are a finding: write it in the remark.']
          }),
          step({
            key: 'filter-in',
            title: '{filter} in, marked side as the machine wants it',
            kind: 'close',
            each: 'filter cover',
            part: 'Oil filter',
            partOnly: true,
            minutes: 2,
            needs: ['filter-look'],
            gate,
            mayLeaveOut: false,
            orientation: true,
            lines: ['{fill}', 'Spring, small ring, a smear of clean oil on the rings.']
          })
        ]
      : []),
    step({
      key: 'drained',
      title: 'Tip it, then measure what came out',
      kind: 'drained',
      minutes: 3,
      needs: ['drain'],
      lines: ['Lean it to each side. Pour the pan into the jug.', '{drained}']
    }),
    step({
      key: 'drain-in',
      title: 'Refit and torque {name}',
      kind: 'close',
      each: 'drain plug',
      orNamed: 'Drain plug',
      minutes: 3,
      needs: ['drained', 'magnet', tracedFrom('magnet')],
      mayLeaveOut: false,
      lines: ['By hand first: no cross-thread, no oil in a blind hole.', '{seal}']
    }),
    ...(screens
      ? [
          step({
            key: 'screen-cap',
            title: 'Refit and torque {name}',
            kind: 'close',
            each: 'screen cap',
            minutes: 3,
            needs: ['screen-in', tracedFrom('screen-look')],
            mayLeaveOut: false,
            lines: ['By hand first: no cross-thread, no oil in a blind hole.', '{seal}']
          })
        ]
      : []),
    ...(filter
      ? [
          step({
            key: 'filter-cover',
            title: 'Refit and torque {name}',
            kind: 'close',
            each: 'filter cover',
            minutes: 4,
            needs: ['filter-in', tracedFrom('filter-look')],
            gate,
            mayLeaveOut: false,
            lines: ['By hand first: small bolts in alloy strip first.', '{seal}', '{pattern}']
          })
        ]
      : []),
    ...(job.extra ?? []),
    ...traced,
    step({
      key: 'pour',
      title: 'Pour the {circuit} oil',
      kind: 'pour',
      minutes: 3,
      needs: [...closed, 'oil'],
      mayLeaveOut: false,
      lines: ['{oil}', 'What stays in the jug is not in the engine: write what went in.']
    }),
    ...(checkScrew
      ? [
          step({
            key: 'check-out',
            title: 'Open {name}',
            kind: 'open',
            each: 'check screw',
            minutes: 1,
            needs: ['pour', ...(run ? ['run'] : [])],
            lines: ['{place}', '{fastener}', 'A rag under it; standing as its level wants it.']
          })
        ]
      : []),
    step({
      key: 'filler-in',
      title: 'Shut {name}',
      kind: 'close',
      each: 'filler cap',
      orNamed: 'Oil filler cap',
      minutes: 1,
      // A check screw is read with the filler open, or nothing weeps.
      needs: checkScrew && !run ? ['level', 'pour'] : ['pour'],
      mayLeaveOut: false,
      lines: ['{seal}', 'In its groove.']
    }),
    step({
      key: 'level',
      title: 'Read the {circuit} level',
      kind: 'level',
      minutes: 2,
      when: ['a level is read'],
      needs: [...(checkScrew ? ['check-out'] : []), run ? 'run' : 'pour'],
      mayLeaveOut: false,
      lines: ['{protocol}', 'Top up from what was held back, and read again.']
    }),
    ...(checkScrew
      ? [
          step({
            key: 'check-in',
            title: 'Refit and torque {name}',
            kind: 'close',
            each: 'check screw',
            minutes: 2,
            needs: ['level'],
            mayLeaveOut: false,
            lines: ['{seal}']
          })
        ]
      : []),
    ...end(['filler-in', ...closed, ...(run ? [] : levelRead)], run).map((s) =>
      s.key === 'guard-on' ? { ...s, needs: [...s.needs, ...levelRead] } : s
    )
  ];
}
