import { wantedInWords } from '../chain/slack-typed';
import { GRADES } from '../debris/debris';
import { OIL_LOOKS } from '../debris/trend';
import { showHours, type Centihours } from '../hours/hours';
import type { OpenedItem, SheetNumber, Step, StepInput, VisitPlan } from '../job/plan';
import { showBand } from '../quantity/band';
import { blank, box, strong, type Block, type Cell, type Paper } from './paper';

export interface JobCardInput {
  machine: { plate: string; name: string; maker: string };
  plan: Pick<VisitPlan, 'jobs' | 'steps' | 'items' | 'estimate'>;
  /** Keys of steps that are done already. */
  done: ReadonlySet<string>;
  hours: Centihours | null;
  team: string;
  day: string;
  opens: string;
}

/** A number of the sheet, in words; what it does not say is said. */
const wanted = (n: SheetNumber): string =>
  `${n.band ? showBand(n.band) : (n.words ?? 'not on the sheet: the manual has it')}${n.unsure ? ' (not sure)' : ''}`;
const ml = (n: number) => `${Math.round(n)} ml`;

/** What is to be written at a step, as lines with room for it. */
function roomFor(input: StepInput, items: ReadonlyMap<string, OpenedItem>): Cell[] {
  const of = (keys: readonly string[]) => keys.flatMap((k) => items.get(k) ?? []);
  switch (input.type) {
    case 'measure':
      return [`Wanted: ${wanted(input.number)}`, blank(input.unit)];
    case 'close':
      return of(input.items).flatMap((i): Cell[] => [
        `${i.name}${i.quantity > 1 ? ` ×${i.quantity}` : ''}${i.seal === 'none' ? '' : `, ${i.seal}: new / again`}`,
        ...(i.kind === 'fastener'
          ? [`${i.torque ? wanted(i.torque) : 'torque not on the sheet: the manual has it'}`, blank('set to')]
          : [blank('back in')])
      ]);
    case 'drained':
      return [
        input.pouredLastTimeMl === null
          ? 'What went in last time is not known.'
          : `Last time ${ml(input.pouredLastTimeMl)} went in.`,
        blank('came out')
      ];
    case 'pour': {
      const { fill, without } = input;
      return [
        `Goes in: ${wanted(fill.number)}`,
        ...(fill.firstMl !== null && fill.heldBackMl
          ? [`First ${ml(fill.firstMl)}, ${ml(fill.heldBackMl)} held back.`]
          : []),
        ...(without ? [`Otherwise: ${wanted(without.fill.number)}`] : []),
        blank('poured in')
      ];
    }
    case 'oil':
      return [blank('which oil')];
    case 'level':
      return [
        input.protocol.method ?? 'How it is read is not on the sheet.',
        blank('level'),
        blank('topped up')
      ];
    case 'debris':
      return [`Circle: ${GRADES.join(' · ')}`, `Oil: ${OIL_LOOKS.join(' · ')}`, blank('of what')];
    case 'slack':
      return [
        input.wanted ? `Wanted: ${wantedInWords(input.wanted)}` : 'Wanted: not on the sheet.',
        blank('mm at the tightest'),
        blank('left mark'),
        blank('right mark')
      ];
    case 'clearances':
      return ['On the shim card.'];
    case 'choice':
      return ['yes / no'];
    default:
      return [];
  }
}

/**
 * The card of a job to take to a machine: every step in order with its place and its numbers, a box to tick and room for what is
 * read. What is written on it goes into the book in one form, behind the code.
 */
export function jobCard(c: JobCardInput): Paper {
  const items = new Map(c.plan.items.map((i) => [i.key, i]));
  const rows = c.plan.steps.map((s, n): Cell[] => [
    box(c.done.has(s.key)),
    String(n + 1),
    { lines: [strong(s.title), ...saidAt(s)] },
    { lines: roomFor(s.input, items) }
  ]);
  const tools: Block[] =
    c.plan.estimate === null
      ? []
      : [{ kind: 'words', text: `About ${Math.round(c.plan.estimate.elapsed)} min.` }];
  return {
    title: 'Job card',
    machine: c.machine,
    under: [
      c.plan.jobs.map((j) => j.title).join(' · '),
      `${c.hours === null ? 'Hours not known' : `${showHours(c.hours)} running hours`} · ${c.team} · ${c.day}`
    ],
    opens: c.opens,
    blocks: [
      ...tools,
      {
        kind: 'table',
        head: ['Now', 'By'],
        widths: [1, 1],
        rows: [[blank('h on the meter'), blank('name')]]
      },
      { kind: 'table', head: ['', '', 'Step', 'Written'], widths: [0, 0, 3, 2], rows },
      { kind: 'heading', text: 'Found, left out, or put off' },
      { kind: 'table', head: [], widths: [1], rows: [[blank()], [blank()], [blank()]] }
    ]
  };
}

/** The caution stands at its step, before what is to be done. */
const saidAt = (s: Step): Cell[] => [
  ...(s.caution ? [strong(`! ${s.caution}`)] : []),
  ...s.lines,
  ...(s.gate ? [`Only where the step before it was answered so.`] : []),
  ...(s.wait > 0 ? [`Then ${Math.round(s.wait)} min: ${s.waitFor}`] : [])
];
