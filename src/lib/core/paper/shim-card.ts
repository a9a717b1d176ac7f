import { standsOf, type ValveStand } from '../valve/check';
import { showUm, type ClearanceUnit } from '../valve/limits';
import { checkInput, type ValveSheet } from '../valve/sheet';
import { measuredWords } from '../valve/typed';
import { showHours } from '../hours/hours';
import { blank, strong, type Cell, type Paper } from './paper';

export interface ShimCardInput {
  machine: Paper['machine'];
  under: string[];
  opens: string;
  sheet: ValveSheet;
  unit: ClearanceUnit;
}

const shimWords = (s: ValveStand['shim']): string =>
  s === null
    ? 'not known'
    : [
        s.stamp === null ? null : `stamped ${showUm(s.stamp)}`,
        s.measured === null ? null : `measured ${showUm(s.measured)}`
      ]
        .filter(Boolean)
        .join(', ') || 'not known';

/** The valves of a head on paper: limits, what was found and what is in, with room for what is measured and what goes in. */
export function shimCard({ machine, under, opens, sheet, unit }: ShimCardInput): Paper {
  // The unit stands over the column.
  const bare = (um: number) => showUm(um, unit).replace(/ \w+$/u, '');
  const rows = standsOf(checkInput(sheet, unit)).map((v): Cell[] => [
    strong(v.name),
    v.limits
      ? `${bare(v.limits.lo)}–${bare(v.limits.hi)}${v.aim === null ? '' : `, aim ${bare(v.aim)}`}`
      : 'not on the sheet: the manual has it',
    {
      lines: [
        v.found ? measuredWords(v.found.measured, unit) : blank('goes'),
        ...(v.found ? [] : [blank('does not go')])
      ]
    },
    { lines: [shimWords(v.shim), ...(v.shim === null ? [blank('stamp')] : [])] },
    { lines: [blank('stamp'), blank('micrometer')] },
    v.left ? measuredWords(v.left.measured, unit) : blank()
  ]);
  const { plan } = sheet.check ?? { plan: null };
  return {
    title: 'Shim card',
    machine,
    under: [
      ...under,
      `${sheet.engine?.name ?? 'Its engine'}${sheet.hours === null ? ', hours not known' : `, ${showHours(Math.round(sheet.hours * 100))}`}`
    ],
    opens,
    blocks: [
      {
        kind: 'words',
        text: `Stone cold only. Blades: ${sheet.blades.length === 0 ? 'none in the stores' : sheet.blades.map((b) => showUm(b.um, b.unit)).join(', ')}.`
      },
      {
        kind: 'table',
        head: ['Valve', `Wanted, ${unit}`, 'As found', 'Shim in it', 'Goes in', 'As left'],
        widths: [2, 2, 2, 2, 2, 2],
        rows
      },
      ...(plan
        ? [{ kind: 'words' as const, text: 'A plan of shims was settled; it stands behind the code.' }]
        : []),
      { kind: 'table', head: [], widths: [1, 1, 1], rows: [[blank('h'), blank('day'), blank('name')]] }
    ]
  };
}
