import type { Column, Content, TableCell } from 'pdfmake/interfaces';
import type { Block, Cell, Paper } from '../../core/paper/paper';
import { printPages, runs, type PaperSize } from './printer';

export const FOOTER = 'The machine’s own manual, local rules and a licensed workshop have the last word.';
const SIDE = 10;
const boxOf = (done: boolean): Content => ({
  canvas: [
    { type: 'rect', x: 0, y: 1, w: SIDE, h: SIDE, lineWidth: 1 },
    ...(done
      ? [
          {
            type: 'polyline' as const,
            lineWidth: 1.5,
            points: [
              { x: 2, y: 6 },
              { x: 4.5, y: 9 },
              { x: 9, y: 2 }
            ]
          }
        ]
      : [])
  ]
});

function content(c: Cell): Content {
  if (typeof c === 'string') return runs(c);
  if ('box' in c) return boxOf(c.done);
  if ('strong' in c) return runs(c.strong, { bold: true });
  if ('lines' in c) return { stack: c.lines.map(content) };
  // Room for a pencil: a line is higher than type.
  return { text: `\u00a0${'_'.repeat(14)} ${c.blank}`, margin: [0, 5, 0, 0] };
}

function block(b: Block): Content {
  if (b.kind === 'heading')
    return { text: b.text, font: 'Figure', bold: true, fontSize: 14, margin: [0, 10, 0, 2] };
  if (b.kind === 'words') return runs(b.text, { bold: b.strong ?? false, margin: [0, 3, 0, 3] });
  const shares = b.widths.reduce((sum, w) => sum + w, 0) || 1;
  // What is left over goes to the widest: with columns as wide as what is in them nobody knows how much that is.
  const widest = b.widths.indexOf(Math.max(...b.widths));
  const body: TableCell[][] = [
    ...(b.head.length > 0 ? [b.head.map((text): TableCell => ({ text, fontSize: 8, color: '#333' }))] : []),
    ...b.rows.map((row) => row.map((c) => content(c) as TableCell))
  ];
  if (body.length === 0) return '';
  return {
    table: {
      headerRows: b.head.length > 0 ? 1 : 0,
      dontBreakRows: true,
      widths: b.widths.map((w, i) => (w === 0 ? 'auto' : i === widest ? '*' : `${(90 * w) / shares}%`)),
      body
    },
    layout: {
      hLineWidth: (i) => (i === 0 ? 0 : 0.5),
      vLineWidth: () => 0,
      hLineColor: () => '#555',
      paddingLeft: () => 0,
      paddingRight: () => 8,
      paddingTop: () => 3,
      paddingBottom: () => 3
    },
    margin: [0, 2, 0, 6]
  };
}

/** A plate as it stands on a machine. */
export const plate = (text: string): Column => ({
  width: 16 + 14 * text.length,
  table: {
    widths: ['*'],
    body: [
      [
        {
          text,
          noWrap: true,
          alignment: 'center',
          font: 'Figure',
          bold: true,
          fontSize: 26,
          color: '#fff',
          fillColor: '#111'
        }
      ]
    ]
  },
  layout: 'noBorders'
});

/**
 * A paper as a PDF, black on white.
 *
 * @param origin of the app, before the path that the code opens
 */
export function paperPdf(size: PaperSize, p: Paper, origin: string): Promise<Buffer> {
  return printPages(size, {
    info: { title: [p.machine?.plate, p.title].filter(Boolean).join(' ') },
    pageMargins: [36, 32, 36, 44],
    content: [
      {
        columns: [
          ...(p.machine ? [plate(p.machine.plate)] : []),
          {
            width: '*',
            stack: [
              { text: p.title, font: 'Figure', bold: true, fontSize: 18 },
              ...(p.machine
                ? [runs([p.machine.name, p.machine.maker].filter(Boolean).join(', '), { bold: true })]
                : []),
              ...p.under.map((u) => runs(u))
            ]
          },
          ...(p.opens ? [{ width: 'auto', qr: `${origin}${p.opens}`, fit: 76, eccLevel: 'M' as const }] : [])
        ],
        columnGap: 12,
        margin: [0, 0, 0, 6]
      },
      ...p.blocks.map(block)
    ],
    footer: (page, pages) => ({
      columns: [
        {
          text: FOOTER,
          width: '*'
        },
        {
          text: `${[p.machine?.plate, p.title].filter(Boolean).join(' ')}, ${page} of ${pages}`,
          width: 'auto'
        }
      ],
      fontSize: 8,
      margin: [36, 10, 36, 0]
    })
  });
}
