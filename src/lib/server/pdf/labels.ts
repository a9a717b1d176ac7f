import type { Content } from 'pdfmake/interfaces';
import { labelPlaces, stickerPath, type LabelSheet, type Sticker } from '../../core/paper/labels';
import { printPages, runs } from './printer';

const POINTS = 72 / 25.4;
/** Free all round a label, mm: printers do not hit it to the millimetre. */
const EDGE = 2.5;

/**
 * Stickers on a sheet of labels: a code with its plate or name beside it.
 *
 * @param skip how many labels of the first sheet are used already
 * @param origin of the app, before the path of the code
 */
export function labelsPdf(
  sheet: LabelSheet,
  stickers: readonly Sticker[],
  skip: number,
  origin: string
): Promise<Buffer> {
  const side = Math.min(sheet.height, sheet.width / 2) - 2 * EDGE;
  const places = labelPlaces(sheet, stickers.length, skip);
  const content = stickers.flatMap((s, i): Content[] => {
    const { page, x, y } = places[i]!;
    const turned = page > (places[i - 1]?.page ?? 0);
    const at = (dx: number, dy: number) => ({ x: (x + dx) * POINTS, y: (y + dy) * POINTS });
    const beside = EDGE + side + 2;
    const width = (sheet.width - beside - EDGE) * POINTS;
    return [
      ...(turned ? [{ text: '', pageBreak: 'before' as const }] : []),
      {
        qr: `${origin}${stickerPath(s)}`,
        fit: side * POINTS,
        eccLevel: 'M',
        absolutePosition: at(EDGE, EDGE)
      },
      {
        absolutePosition: at(beside, EDGE),
        // Held in a table, which keeps to its width.
        table: {
          widths: [width],
          body: [
            [
              {
                stack: [
                  { text: s.mark, font: 'Figure', bold: true, fontSize: sheet.height > 27 ? 20 : 15 },
                  runs(s.words, { fontSize: 8 })
                ]
              }
            ]
          ]
        },
        layout: 'noBorders'
      }
    ];
  });
  return printPages(sheet.page, { pageMargins: [0, 0, 0, 0], content });
}
