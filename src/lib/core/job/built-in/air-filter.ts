import type { TemplateStep } from '../template';
import { BEGIN, step, written } from './steps';

const SOLVENT =
  'Filter cleaner: gloves, fresh air, no flame. Never petrol. What is left goes where local rules say.';
/** Counted out, and in again. */
const OPEN = ['Rag in the mouth', 'Air box cover'];
/** What is called for only where no clean one goes in. */
const washed = { gate: { step: 'spare', is: 'no' as const } };

/**
 * The air filter in the order of the handbook (section 10): out, box, wash, wait, a second wash where it was very dirty, dry, oil,
 * grease on the sealing face, in. A clean one that was oiled before goes in at once, and the other is washed when there is time.
 */
export function airFilterSteps(): TemplateStep[] {
  return [
    ...BEGIN,
    step({
      key: 'out',
      title: 'Cover off, filter out, a clean rag in the mouth',
      kind: 'open',
      things: OPEN,
      minutes: 2,
      needs: ['stand'],
      lines: ['Lift it straight out: what falls off it falls into the engine.'],
      mayLeaveOut: false
    }),
    step({
      key: 'past',
      title: 'Look past it: is the mouth clean?',
      kind: 'choice',
      minutes: 1,
      needs: ['out'],
      lines: [
        'A finger round the inside of the mouth, white rag. Dirt there came past the filter: find where.'
      ],
      mayLeaveOut: false
    }),
    step({
      key: 'trace',
      title: 'Find where it came past, and how far it went',
      kind: 'tick',
      minutes: 20,
      needs: ['past'],
      gate: { step: 'past', is: 'no' },
      lines: [
        'Torn foam, a bad seat, a boot or clamp. Write it as a finding; who knows the engine decides whether it runs.'
      ]
    }),
    step({
      key: 'box',
      title: 'Wipe the box, its drain open, boot and clamps whole',
      kind: 'tick',
      minutes: 3,
      needs: ['past']
    }),
    step({
      key: 'spare',
      title: 'Does a clean, oiled one go in?',
      kind: 'choice',
      minutes: 1,
      needs: ['out'],
      lines: ['No: this one is washed, and waits until it is dry.'],
      mayLeaveOut: false
    }),
    step({
      key: 'wash',
      title: 'Wash it',
      kind: 'tick',
      minutes: 5,
      wait: 10,
      waitFor: 'soaking',
      needs: ['spare'],
      ...washed,
      lines: ['Press it, never wring it: seams tear. From the clean side outwards.'],
      caution: SOLVENT
    }),
    step({
      key: 'dirty',
      title: 'Still dirty where it is squeezed?',
      kind: 'choice',
      minutes: 1,
      needs: ['wash'],
      ...washed,
      lines: ['Seams and glue whole? Torn is a finding, and another goes in.'],
      mayLeaveOut: false
    }),
    step({
      key: 'wash-again',
      title: 'Wash it a second time',
      kind: 'tick',
      minutes: 5,
      wait: 10,
      waitFor: 'soaking',
      needs: ['dirty'],
      gate: { step: 'dirty', is: 'yes' },
      caution: SOLVENT
    }),
    step({
      key: 'dry',
      title: 'Rinse it, press it out, let it dry',
      kind: 'tick',
      minutes: 2,
      wait: 45,
      waitFor: 'drying',
      needs: ['dirty', 'wash-again'],
      ...washed,
      lines: ['In air, not over heat. Wet foam takes no oil.']
    }),
    step({
      key: 'oil',
      title: 'Oil it all through, and knead it even',
      kind: 'tick',
      minutes: 3,
      needs: ['dry'],
      ...washed,
      lines: ['One colour everywhere; what drips is pressed out.'],
      caution: 'Gloves.'
    }),
    step({
      key: 'rim',
      title: 'Grease on its sealing face',
      kind: 'tick',
      minutes: 1,
      needs: ['oil', 'spare', 'box'],
      lines: ['A thin bead all the way round: it seals, and holds what creeps.']
    }),
    step({
      key: 'in',
      title: 'Rag out, filter in and seated all the way round, cover on',
      kind: 'close',
      things: OPEN,
      minutes: 3,
      needs: ['rim'],
      lines: ['The rag first. Look and feel round the whole edge, then the clamp or screw.'],
      orientation: true,
      mayLeaveOut: false
    }),
    written(['in', 'trace'])
  ];
}
