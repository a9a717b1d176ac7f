import { slackLines } from '../../chain/at-bench';
import type { AdjusterKind } from '../../chain/drive';
import { has } from '../../machine/has';
import { showBand, upperEnd } from '../../quantity/band';
import { figureOf, type Circuit, type Fastener } from '../../specs/sheet';
import { carriesScreen, circuitFigure, historyOf, levelFigure, methodOf, type LayoutInput } from './context';
import { seatsOf } from './items';
import { namedOnSheet } from './named';
import { beforeStart, pressure, pumpOut, readyToStart } from './starting';
import { figureInWords, lower, sealLine } from './words';

/** What a line of a template can ask for in braces; a line that comes to nothing is dropped. */
export interface LineContext {
  input: LayoutInput;
  circuit: Circuit | null;
  fastener: Fastener | null;
  /** Everything the visit opens, for steps that name them all. */
  all: Fastener[];
}

/** What is said where the sheet does not say which oil, or how a level is read. */
export const oilLine = (grade: string): string => `The sheet wants: ${grade}.`;
export const GRADE_UNKNOWN = 'Which oil it wants is not on the sheet: look it up in the manual.';
/** How plans of before say it: a visit that was begun then has its line replaced as well. */
export const GRADE_UNKNOWN_BEFORE = oilLine('grade unknown, look it up in the manual');
export const METHOD_UNKNOWN = 'The sheet does not say how: see the manual, then pick it here.';

export const TDC_UNKNOWN =
  'Compression stroke: the marks in line and the lobes or rockers free; else one more turn. Which mark it is here nobody has written on the valve sheet.';

/** Longer than this and a pattern is words of the sheet, not a number of bolts. */
const PAIR = 2;

function tokens(c: LineContext): Record<string, () => string[]> {
  const { input, circuit, fastener: f } = c;
  const { rules, sheet } = input;
  const screenLine =
    rules.screens === 'replace'
      ? 'House rule: a new screen goes in.'
      : 'Clean it and look through it at the light: torn is a finding.';
  const figure = (which: Parameters<typeof levelFigure>[2]) =>
    circuit ? levelFigure(sheet, circuit, which) : null;
  const grade = () => (circuit ? (circuitFigure(sheet, circuit, 'grade')?.text ?? null) : null);
  return {
    name: () => (f ? [lower(f.name)] : []),
    place: () => (f?.place ? [f.place] : []),
    note: () => (f?.note ? [f.note] : []),
    // What goes on it, how many there are, and what comes out with it.
    fastener: () => {
      if (!f) return [];
      const said = [
        f.head,
        f.quantity > 1 ? `${f.quantity} bolts` : '',
        f.lengths,
        f.seal === 'none' ? '' : f.seal,
        f.magnet ? 'magnet' : '',
        f.comesWith && `comes out with it: ${f.comesWith}`
      ].filter(Boolean);
      return said.length > 0 ? [said.join(' · ')] : [];
    },
    count: () =>
      !f || f.comesWith
        ? []
        : ['Count out what comes with it, and note it on the sheet: it counts itself from then on.'],
    lean: () => (f?.lean ? [f.lean] : []),
    circuit: () => (circuit ? [circuit] : ['']),
    seal: () => (f ? sealLine(f, rules) : []),
    pattern: () => {
      if (!f) return [];
      const usual = f.quantity > PAIR ? `${f.quantity} bolts, criss-cross, in two rounds.` : '';
      return [f.lengths && `Each where it was: ${f.lengths}.`, f.pattern || usual].filter(Boolean);
    },
    magnet: () => {
      if (!f) return [];
      const screen = carriesScreen(f);
      if (f.magnet) return [`Read the magnet${screen ? ' and the screen' : ''} of ${lower(f.name)}`];
      return [`Look at ${screen ? `the screen of ${lower(f.name)}` : lower(f.name)} and the oil`];
    },
    wipe: () => [
      ...(f?.magnet ? ['Wipe the magnet on a white rag; feel for flakes.'] : []),
      ...(f && carriesScreen(f) ? ['Tap the screen out on white paper before it is washed.', screenLine] : [])
    ],
    screens: () => [screenLine],
    filter: () => [rules.filter === 'washable' ? 'Washed filter' : 'New filter'],
    fill: () => (rules.fillFilterFirst ? ['Fill it with clean oil first, and write it in the ledger.'] : []),
    side: () =>
      rules.sideForFilter ? ['House rule: lay it on its side; fuel tap shut, nothing dripping.'] : [],
    oil: () => {
      const said = grade();
      return [said === null ? GRADE_UNKNOWN : oilLine(said)];
    },
    drained: () => {
      const poured = circuit ? historyOf(input, circuit).pouredLastTimeMl : null;
      return [
        poured === null
          ? 'What went in last time is not known.'
          : `Last time ${Math.round(poured)} ml went in.`
      ];
    },
    attitude: () => {
      const said = input.jobs
        .flatMap((j) => j.template.circuits)
        .flatMap((k) => {
          const text = levelFigure(sheet, k, 'attitude')?.text;
          return text ? [`For the ${k} level: ${text}`] : [];
        });
      return said.length > 0 ? [...new Set(said)] : ['Upright, on level ground, on its stand.'];
    },
    protocol: () => {
      if (!circuit) return [];
      const method = methodOf(sheet, circuit);
      const settle = figureInWords(figure('settle time'));
      const temperature = figure('temperature')?.text;
      const attitude = figure('attitude')?.text;
      return [
        method ?? METHOD_UNKNOWN,
        [
          settle ? `settle ${settle}` : 'settle as the manual says',
          ...(temperature ? [temperature] : []),
          ...(attitude ? [attitude] : [])
        ].join('; ')
      ];
    },
    run: () => {
      const times = input.jobs
        .flatMap((j) => j.template.circuits)
        .flatMap((k) => levelFigure(sheet, k, 'run time')?.band ?? []);
      const longest = times.sort((a, b) => upperEnd(b).base - upperEnd(a).base)[0];
      return [longest ? showBand(longest) : 'briefly'];
    },
    cranking: () => pumpOut(input, circuit),
    tdc: () => {
      // Written with the head, or as a note of the sheet: either is the machine's own.
      const noted = figureOf(sheet, 'top dead centre')?.text;
      const own = [...(input.head?.guide ?? []), ...(noted ? [noted] : [])];
      return own.length > 0 ? own : [TDC_UNKNOWN];
    },
    camcaps: () => namedOnSheet(sheet, 'camcaps'),
    valvecover: () => namedOnSheet(sheet, 'valvecover'),
    sparkplug: () => namedOnSheet(sheet, 'sparkplug'),
    carrier: () => (input.chain?.adjuster === 'eccentric carrier' ? namedOnSheet(sheet, 'carrier') : []),
    // What holds the shims in this head, as it was laid out.
    buckets: () => [seatsOf(input)],
    // What holds the axle's adjusters on this machine.
    adjusters: () => [ADJUSTERS_LOOSE[input.chain?.adjuster ?? 'screws']],
    locked: () => [ADJUSTERS_TIGHT[input.chain?.adjuster ?? 'screws']],
    ready: () => [readyToStart(input)],
    plug: () => {
      const said = figureOf(sheet, 'spark plug')?.text;
      return [said ? `The sheet wants: ${said}.` : 'Which plug the sheet does not say: see the manual.'];
    },
    clearances: () => [...(input.head?.limits ?? [])],
    slack: () => slackLines(input.chain),
    dressing: () => [DRESSED[rules.chainDressing]],
    glass: () => beforeStart(input),
    pressure: () => pressure(input),
    items: () =>
      c.all.map(
        (x) =>
          `${x.name}${x.circuit && x.circuit !== 'engine' ? ` (${x.circuit})` : ''}: ${x.place || 'place not noted'}`
      ),
    // What is hot beside the oil, and what is switched off, on this machine.
    besides: () => [has(input.kind, 'exhaust') ? ' and exhaust' : ''],
    exhaust: () => (has(input.kind, 'exhaust') ? ['Hot exhaust beside the plugs.'] : []),
    inside: () => [
      has(input.kind, 'combustion engine')
        ? 'Side cover off, look at clutch, gears and bushes; cut the filter open.'
        : 'Side cover off, look at gears and bearings.'
    ],
    off: () => [has(input.kind, 'combustion engine') ? 'Engine off' : 'Switched off'],
    // Drawn up apart, from everything the visit needs.
    gather: () => []
  };
}

const ADJUSTERS_LOOSE: Readonly<Record<AdjusterKind, string>> = {
  screws: 'and both lock-nuts',
  'eccentric carrier': 'and the bolts that hold its carrier',
  'snail cams': ''
};
const ADJUSTERS_TIGHT: Readonly<Record<AdjusterKind, string>> = {
  screws: 'Adjuster lock-nuts tight',
  'eccentric carrier': 'Bolts of the carrier tight, to their torque',
  'snail cams': 'Both cams on the same notch, tight against their stops'
};

const DRESSED = {
  lube: 'Lube on the inside of the lower run, the wheel turned by hand; what drips is wiped off.',
  wax: 'Wax on a clean, dry chain, the wheel turned by hand; left to set before it is ridden.',
  dry: 'Left dry: wiped, and nothing on it.'
} as const;

/** One line or title of a template, for this machine. Several lines where it asks for a list; none where it comes to nothing. */
export function fill(line: string, context: LineContext): string[] {
  const known = tokens(context);
  const whole = /^\{(\w+)\}$/.exec(line);
  if (whole && known[whole[1]!]) return known[whole[1]!]!();
  let empty = false;
  const text = line.replace(/\{(\w+)\}/g, (found, name: string) => {
    const list = known[name]?.();
    if (!list) return found;
    if (list.length === 0) empty = true;
    return list.join(', ');
  });
  return empty ? [] : [text.replace(/\s{2,}/g, ' ').trim()];
}

/** The same for a title: never empty. */
export function fillTitle(title: string, context: LineContext): string {
  const text =
    fill(title, context).join(', ') ||
    title
      .replace(/\{\w+\}/g, '')
      .replace(/\s{2,}/g, ' ')
      .trim();
  return text.charAt(0).toUpperCase() + text.slice(1);
}
