import type { Content } from 'pdfmake/interfaces';
import { showHours } from '../../core/hours/hours';
import type { Line, OwnerSheet } from '../../core/owner/sheet';
import { showDay, type Day } from '../../core/time/day';
import { FOOTER, plate } from './paper';
import { printOnePage, runs } from './printer';

/** What stands on the sheet besides what it tells. */
export interface OwnerPaper {
  team: string;
  machine: { plate: string; name: string; maker: string };
  hours: number | null;
  today: Day;
  /** Address that its code opens; null: it has none. */
  opens: string | null;
  /** By photo id, its JPEG. */
  pictures: ReadonlyMap<string, Uint8Array>;
}

const section = (title: string, lines: readonly Line[], none: string, more = 0): Content[] => [
  { text: title, font: 'Figure', bold: true, fontSize: 15, margin: [0, 12, 0, 2] },
  { canvas: [{ type: 'line', x1: 0, y1: 0, x2: 515, y2: 0, lineWidth: 1 }], margin: [0, 0, 0, 4] },
  ...(lines.length === 0
    ? [{ text: none, color: '#555' }]
    : lines.map((l): Content => ({
        columns: [runs(l.what, { width: '42%', bold: true }), runs(l.more, { width: '*' })],
        columnGap: 10,
        margin: [0, 1, 0, 1]
      }))),
  ...(more > 0 ? [{ text: `And ${more} more.`, color: '#555' }] : [])
];

/** The owner’s sheet as a PDF of one page. */
export function ownerPdf(paper: 'A4' | 'LETTER', s: OwnerSheet, p: OwnerPaper): Promise<Buffer> {
  const pictures = s.photos.flatMap(({ id, words }) => {
    const jpeg = p.pictures.get(id);
    return jpeg
      ? [
          {
            stack: [
              {
                image: `data:image/jpeg;base64,${Buffer.from(jpeg).toString('base64')}`,
                fit: [120, 90] as [number, number]
              },
              runs(words, { fontSize: 8 })
            ]
          }
        ]
      : [];
  });
  return printOnePage(paper, {
    info: { title: `${p.machine.plate} ${p.machine.name}, ${p.today}` },
    pageMargins: [40, 36, 40, 48],
    content: [
      {
        columns: [
          plate(p.machine.plate),
          {
            width: '*',
            stack: [
              runs(`${p.machine.name}${p.machine.maker ? `, ${p.machine.maker}` : ''}`, {
                fontSize: 16,
                bold: true
              }),
              {
                text: `${p.hours === null ? 'Hours not known' : `${showHours(p.hours)} running hours`}, ${showDay(p.today, p.today)}`
              }
            ]
          },
          runs(p.team, { width: 'auto', alignment: 'right' }),
          ...(p.opens ? [{ width: 'auto', qr: p.opens, fit: 60, eccLevel: 'M' as const }] : [])
        ],
        columnGap: 12
      },
      ...section(
        `Done since ${showDay(s.since, p.today)}`,
        s.done,
        'Nothing was done in that time.',
        s.more.done
      ),
      ...section('Found, and what became of it', s.found, 'Nothing else was found.', s.more.found),
      ...section('Advised', s.advised, 'Nothing stands open.', s.more.advised),
      ...section('Next due', s.next, 'Nothing is counted on it yet.', s.more.next),
      ...(pictures.length > 0
        ? [{ columns: pictures, columnGap: 8, margin: [0, 12, 0, 0] as [number, number, number, number] }]
        : [])
    ],
    footer: {
      text: FOOTER,
      fontSize: 8,
      margin: [40, 10, 40, 0]
    }
  });
}
