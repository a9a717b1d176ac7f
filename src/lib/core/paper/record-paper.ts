import { oilInWords } from '../fluids/can';
import type { JobRecord } from '../record/record';
import { show } from '../quantity/quantity';
import { filterInWords } from '../visit/items';
import { showBand } from '../quantity/band';
import { slackStand, type Reading } from '../chain/check';
import { showSlack } from '../chain/slack-typed';
import type { RecordedValve } from '../valve/history';
import { showUm } from '../valve/limits';
import { thickness, type Shim } from '../valve/shim';
import { measuredWords } from '../valve/typed';
import { strong, type Block, type Cell, type Paper } from './paper';

export interface RecordPaperInput {
  machine: Paper['machine'];
  under: string[];
  opens: string;
  remark: string;
  content: JobRecord | null;
  corrections: readonly string[];
  /** The check of the valves and of the chain it was written with; null: there was none. */
  valves: { struck: string | null; valves: readonly RecordedValve[] } | null;
  slack: { struck: string | null; readings: readonly Reading[] } | null;
}

const struckOut = (struck: string | null): Block[] =>
  struck ? [{ kind: 'words', text: `Struck out: ${struck}`, strong: true }] : [];

function valveBlocks({ struck, valves }: NonNullable<RecordPaperInput['valves']>): Block[] {
  const thick = (s: Shim | null) => (s ? showUm(thickness(s)!) : 'not known');
  return [
    { kind: 'heading', text: 'Valves' },
    ...struckOut(struck),
    {
      kind: 'table',
      head: ['', 'As found', 'As left', 'Shim'],
      widths: [2, 2, 2, 3],
      rows: valves.map((v) => [
        strong(v.name),
        v.found ? measuredWords(v.found, 'mm') : '',
        v.left ? measuredWords(v.left, 'mm') : '',
        v.fitted ? `${thick(v.shim)} → ${thick(v.fitted)}` : v.shim ? thick(v.shim) : ''
      ])
    }
  ];
}

function slackBlocks({ struck, readings }: NonNullable<RecordPaperInput['slack']>): Block[] {
  const stand = slackStand([...readings], null);
  const rows = [
    ['As found', stand.found],
    ['Adjusted', stand.adjusted],
    ['Axle tight', stand.tight]
  ] as const;
  return [
    { kind: 'heading', text: 'Chain slack' },
    ...struckOut(struck),
    {
      kind: 'table',
      head: ['', 'Slack', 'Slackest place', 'Marks'],
      widths: [2, 2, 2, 2],
      rows: rows.flatMap(([name, r]): Cell[][] =>
        r
          ? [
              [
                strong(name),
                showSlack(r.slack),
                r.slackest === null ? '' : showSlack(r.slackest),
                [r.left, r.right].filter((m) => m !== null).join(' / ')
              ]
            ]
          : []
      )
    }
  ];
}

const ml = (n: number | null) => (n === null ? 'not measured' : `${Math.round(n)} ml`);
const CIRCUIT = (c: JobRecord['circuits'][number]): Cell[] => [
  c.circuit,
  `drained ${ml(c.drainedMl)}, poured in ${ml(c.pouredMl)}${c.intoFilterMl ? `, ${ml(c.intoFilterMl)} of it into the filter` : ''}${c.oil ? `; ${oilInWords(c.oil)}` : ''}${c.oil?.deviation ? ` (${c.oil.deviation})` : ''}`
];

/** A record as it is kept, on paper: as found, as left, what was put off, and what was put right in it since. */
export function recordPaper(r: RecordPaperInput): Paper {
  const { content: f } = r;
  const table = (head: string, rows: Cell[][]): Block[] =>
    rows.length === 0
      ? []
      : [
          { kind: 'heading', text: head },
          { kind: 'table', head: [], widths: [2, 3], rows }
        ];
  return {
    title: 'Record',
    machine: r.machine,
    under: r.under,
    opens: r.opens,
    blocks: [
      ...(r.remark ? [{ kind: 'words' as const, text: r.remark }] : []),
      ...(f === null
        ? r.valves || r.slack
          ? []
          : [{ kind: 'words' as const, text: 'Written down as done; its steps were not.' }]
        : [
            ...table('Fluids', f.circuits.map(CIRCUIT)),
            ...table('As found', [
              ...f.debris.map((d): Cell[] => [
                d.place,
                [d.grade, d.materials.join(', '), d.verdict, d.overruled && `overruled: ${d.overruled}`]
                  .filter(Boolean)
                  .join('; ')
              ]),
              ...f.found.map((x): Cell[] => [x.name, `found ${x.how}${x.note ? `: ${x.note}` : ''}`]),
              ...f.measured.map((m): Cell[] => [
                `${m.title}${m.band ? `, ${showBand(m.band)}` : ''}`,
                `${m.found ? `${show(m.found)}, then ` : ''}${show(m.measured)}${m.judged ? `, ${m.judged}` : ''}`
              ])
            ]),
            ...table(
              'As left',
              f.fasteners.map((t): Cell[] => [
                `${t.name}${t.quantity > 1 ? ` ×${t.quantity}` : ''}`,
                [
                  t.torque ? show(t.torque) : `${t.stand}${t.reason ? `: ${t.reason}` : ''}`,
                  t.seal === null ? null : `washer or ring ${t.seal === 'new' ? 'new' : 'used again'}`,
                  t.marked ? 'marked' : null
                ]
                  .filter(Boolean)
                  .join(', ')
              ])
            ),
            ...table(
              'Filters',
              f.fitted.map((x): Cell[] => [x.name, filterInWords(x)])
            ),
            ...table(
              'What was done',
              f.done.filter((d) => d.said !== 'off').map((d): Cell[] => [d.title, d.said])
            ),
            ...table(
              'Read off by instruments',
              f.instruments.map((x): Cell[] => [x.title, `${x.said}, ${x.instrument}`])
            ),
            ...table(
              'Put off',
              f.deferred.map((d): Cell[] => [d.name, `${d.reason}; waits for ${d.part || d.waitsFor}`])
            ),
            ...table('Left out', [
              ...f.leftOut.map((l): Cell[] => [l.title, l.reason]),
              ...f.passedOver.map((l): Cell[] => [l.name, l.reason])
            ]),
            ...table(
              'Remarks',
              f.remarks.map((x): Cell[] => [x.title, x.remark])
            )
          ]),
      ...(r.valves ? valveBlocks(r.valves) : []),
      ...(r.slack ? slackBlocks(r.slack) : []),
      ...(r.corrections.length > 0
        ? [
            { kind: 'heading' as const, text: 'Put right since' },
            ...r.corrections.map((text) => ({ kind: 'words' as const, text }))
          ]
        : [])
    ]
  };
}
