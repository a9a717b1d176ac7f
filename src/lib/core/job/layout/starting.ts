import { has } from '../../machine/has';
import type { Circuit } from '../../specs/sheet';
import { levelFigure, methodOf, type LayoutInput } from './context';

/** What a start says of oil and its pressure, beside what every start says (handbook, section 4, steps 5 and 10). */

const circuitsOf = (input: LayoutInput): Circuit[] => [
  ...new Set(input.jobs.flatMap((j) => j.template.circuits))
];

/** While the plug is out: some pump the rest out. */
export function pumpOut({ rules }: LayoutInput, circuit: Circuit | null): string[] {
  return circuit === 'engine' && (rules.cranking === 'while it drains' || rules.cranking === 'both')
    ? ['House rule: cranked a few times with ignition off, hands clear, to pump the rest out.']
    : [];
}

/** What is counted before any start, of what this machine has. */
export function readyToStart({ kind, sheet }: LayoutInput): string {
  const cooled = sheet.figures.some((f) => f.key === 'coolant' || f.key === 'coolant kind');
  return [
    'oil in',
    ...(has(kind, 'coolant') ? [cooled ? 'coolant in' : 'coolant in, where it has any'] : []),
    'plugs torqued',
    ...(has(kind, 'gears') ? ['neutral'] : []),
    'tools and rags counted in'
  ].join(', ');
}

/** Before the engine is started on new oil: cranked where the house wants it, and a look in the glass. */
export function beforeStart(input: LayoutInput): string[] {
  const circuits = circuitsOf(input);
  const { cranking } = input.rules;
  const cranked =
    circuits.includes('engine') && (cranking === 'before the first start' || cranking === 'both');
  return [
    ...(cranked ? ['House rule: cranked with ignition off first, until the oil is round.'] : []),
    ...circuits.flatMap((circuit) => {
      const named = circuit === 'engine' ? '' : ` of the ${circuit}`;
      const aim = levelFigure(input.sheet, circuit, 'aim before the first run')?.text;
      const should = aim ? ` Before the first run it should stand: ${aim}.` : '';
      if (methodOf(input.sheet, circuit) === 'sight glass')
        return [
          `Look in the glass${named} before the first start: it looks too full until the filter and passages have filled.${should}`
        ];
      return should ? [`Read the level${named} before the first start.${should}`] : [];
    })
  ];
}

/** Just after the start: whether the pump works. A two-stroke has none in its gearbox, an electric motor none at all. */
export function pressure(input: LayoutInput): string[] {
  if (!circuitsOf(input).includes('engine') || !has(input.kind, 'engine oil')) return [];
  return [
    methodOf(input.sheet, 'engine') === 'sight glass'
      ? 'Right after the start the glass empties: the pump works.'
      : 'Right after the start look for its sign of oil pressure, as the manual has it.',
    'No sign of oil pressure: stop it at once, and find out why.'
  ];
}
