import { standsOf, type ValveStand } from '../valve/check';
import { bareUm, showUm, type ClearanceUnit } from '../valve/limits';
import { checkInput, type ValveSheet } from '../valve/sheet';
import { stampOf } from '../valve/stamp';
import type { KeptPlan } from '../valve/stored';
import { measuredWords } from '../valve/typed';
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

/** What was settled for a valve, and where it comes from. */
function planned(v: ValveStand, plan: KeptPlan | null, all: readonly ValveStand[]): Cell[] {
  const fit = plan?.fits.find((f) => f.valve === v.valve.id);
  if (!fit) return [];
  if (fit.from === 'itself') return ['stays'];
  const from =
    fit.from === 'another valve' && fit.of
      ? `from ${all.find((o) => o.valve.id === fit.of)?.name ?? fit.of}`
      : fit.from === 'drawer'
        ? 'from the drawer'
        : 'to be bought';
  return [strong(`${showUm(fit.shim)} (${stampOf(fit.shim)}), ${from}`)];
}

/** The valves of a head on paper: limits, what was found and what is in, with room for what is measured and what goes in. */
export function shimCard({ machine, under, opens, sheet, unit }: ShimCardInput): Paper {
  // The unit stands over the column.
  const bare = (um: number) => bareUm(um, unit);
  const plan = sheet.check?.plan ?? null;
  const stands = standsOf(checkInput(sheet, unit));
  const rows = stands.map((v): Cell[] => [
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
    { lines: [...planned(v, plan, stands), blank('stamp'), blank('micrometer')] },
    v.left ? measuredWords(v.left.measured, unit) : blank()
  ]);
  return {
    title: 'Shim card',
    machine,
    under: [
      ...under,
      `${sheet.engine?.name ?? 'Its engine'}${sheet.hours === null ? ', hours not known' : `, ${sheet.hours.toFixed(1)} h`}`
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
      { kind: 'table', head: [], widths: [1, 1, 1], rows: [[blank('h'), blank('day'), blank('name')]] }
    ]
  };
}
