import { STATIONS, type Check } from '../round/check';
import { showBand, type Band } from '../quantity/band';
import { blank, box, strong, type Block, type Cell, type Paper } from './paper';

export interface RoundPaperInput {
  title: string;
  machine: Paper['machine'];
  under: string[];
  opens: string;
  checks: readonly Check[];
  bands: Readonly<Record<string, Band | null>>;
  /** What every machine has and this sheet does not name. */
  missing: readonly string[];
}

/** What there is to write at a check. */
function roomFor(check: Check, band: Band | null): Cell[] {
  switch (check.how) {
    case 'torque':
      return [
        band ? showBand(band) : (check.words ?? 'not on the sheet: the manual has it'),
        ...(check.looseBefore > 0
          ? [strong(`loose ${check.looseBefore === 1 ? 'once' : `${check.looseBefore} times`} before`)]
          : []),
        'held / moved / loose'
      ];
    case 'measure':
      return [
        band ? showBand(band) : 'not on the sheet',
        blank(`${check.unit} found`),
        ...(check.sets ? [blank('set to')] : [])
      ];
    case 'choose':
      return [check.choices.map((c) => c.word).join(' / ')];
    case 'count':
      return [blank('pumps')];
    default:
      return ['as it should be / wrong'];
  }
}

/** A round on paper, station by station: every check with what is wanted, a box, and room. */
export function roundPaper(r: RoundPaperInput): Paper {
  const at = (station: string) => r.checks.filter((c) => c.station === station);
  return {
    title: r.title,
    machine: r.machine,
    under: r.under,
    opens: r.opens,
    blocks: [
      ...STATIONS.filter((s) => at(s).length > 0).flatMap((station): Block[] => [
        { kind: 'heading', text: station },
        {
          kind: 'table',
          head: [],
          widths: [0, 3, 2],
          rows: at(station).map((c) => [
            box(),
            {
              lines: [strong(c.title), c.line, ...(c.caution ? [strong(`! ${c.caution}`)] : [])]
            },
            { lines: roomFor(c, r.bands[c.key] ?? null) }
          ])
        }
      ]),
      ...(r.checks.length === 0
        ? [{ kind: 'words' as const, text: 'Nothing is asked for: the spec sheet names nothing to try.' }]
        : []),
      ...(r.missing.length > 0
        ? [
            {
              kind: 'words' as const,
              text: `Not on its sheet, so not asked for: ${r.missing.join(', ')}.`,
              strong: true
            }
          ]
        : []),
      { kind: 'table', head: [], widths: [1, 1, 1], rows: [[blank('h'), blank('day'), blank('name')]] }
    ]
  };
}
