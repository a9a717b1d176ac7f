import type { TemplateStep } from '../template';
import { BEGIN, step, written } from './steps';

const OFF = '{off}, wheel off the ground: a chain is never touched while anything but a hand turns it.';
/** What is called for only where the slack is not right. */
const wrong = { gate: { step: 'found', is: 'outside' as const } };

/**
 * The chain in the order of the handbook (section 9): clean, inspect, measure, adjust, tighten, measure again, dress. The axle is
 * moved only where the slack is not right.
 */
export function chainSteps(): TemplateStep[] {
  return [
    ...BEGIN,
    step({
      key: 'clean',
      title: 'Clean the chain',
      kind: 'tick',
      minutes: 5,
      needs: ['stand'],
      lines: ['Wheel turned by hand. Brush and solvent that its rings bear; wiped dry.'],
      caution: OFF
    }),
    step({
      key: 'look',
      title: 'Look it over: links, joining link, teeth, guides',
      kind: 'tick',
      minutes: 3,
      needs: ['clean'],
      lines: [
        'Stiff links; the clip’s closed end leads; teeth hooked or thin; guide and slider grooved.',
        'What is wrong is written on the chain sheet, and is a finding there.'
      ]
    }),
    step({
      key: 'found',
      title: 'Slack as found, at the tightest place',
      kind: 'slack',
      stage: 'found',
      minutes: 3,
      needs: ['look'],
      lines: ['{slack}', 'Turn the wheel step by step and read where it is tightest; marks left and right.'],
      caution: OFF,
      mayLeaveOut: false
    }),
    step({
      key: 'axle-loose',
      title: 'Loosen {name} {adjusters}',
      kind: 'open',
      each: 'axle nut',
      orNamed: 'Rear axle nut',
      minutes: 2,
      needs: ['found'],
      ...wrong,
      lines: ['Only loose: it stays in. So far that the axle moves, no further.']
    }),
    step({
      key: 'adjust',
      title: 'Adjust, both sides alike, and read it',
      kind: 'slack',
      stage: 'adjusted',
      minutes: 5,
      needs: ['axle-loose'],
      ...wrong,
      caution: OFF,
      mayLeaveOut: false
    }),
    step({
      key: 'axle-tight',
      title: 'Tighten {name}, the chain pulled over a rag',
      kind: 'close',
      each: 'axle nut',
      orNamed: 'Rear axle nut',
      minutes: 3,
      needs: ['adjust'],
      ...wrong,
      lines: [
        'A rag between chain and sprocket pulls the wheel against its adjusters: so it cannot move. Rag out again.'
      ],
      caution: 'Fingers clear of chain and sprocket.',
      mayLeaveOut: false
    }),
    step({
      key: 'lock-nuts',
      title: '{locked}',
      kind: 'tick',
      minutes: 1,
      lines: ['{carrier}'],
      needs: ['axle-tight'],
      ...wrong,
      mayLeaveOut: false
    }),
    step({
      key: 'tight',
      title: 'Slack with the axle tight',
      kind: 'slack',
      stage: 'tight',
      minutes: 2,
      needs: ['lock-nuts'],
      ...wrong,
      lines: ['Tightening moves it: read it once more at the same place, and both marks.'],
      caution: OFF,
      mayLeaveOut: false
    }),
    step({
      key: 'pedal',
      title: 'Wheel spins free, rear brake pedal right',
      kind: 'tick',
      minutes: 1,
      needs: ['tight'],
      ...wrong,
      lines: ['The axle has moved, and the brake with it. Pump it before anybody rides.'],
      mayLeaveOut: false
    }),
    step({
      key: 'dress',
      title: 'Dress the chain',
      kind: 'dressing',
      minutes: 2,
      needs: ['found', 'pedal'],
      lines: ['{dressing}'],
      caution: OFF
    }),
    written(['dress'])
  ];
}
