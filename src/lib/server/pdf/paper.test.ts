import jsQR from 'jsqr';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { describe, expect, it } from 'vitest';
import { LABEL_SHEETS, stickerPath, type Sticker } from '../../core/paper/labels';
import { blank, box, strong, type Paper } from '../../core/paper/paper';
import { labelsPdf } from './labels';
import { paperPdf } from './paper';

interface Laid {
  width: number;
  height: number;
  texts: { text: string; x: number; y: number; right: number }[];
}
async function pagesOf(pdf: Buffer): Promise<Laid[]> {
  const doc = await getDocument({ data: new Uint8Array(pdf) }).promise;
  return Promise.all(
    Array.from({ length: doc.numPages }, async (_, i) => {
      const page = await doc.getPage(i + 1);
      const [, , width, height] = page.view as [number, number, number, number];
      const { items } = await page.getTextContent();
      return {
        width,
        height,
        texts: items.flatMap((t) =>
          'str' in t && t.str.trim()
            ? [
                {
                  text: t.str,
                  x: t.transform[4] as number,
                  y: t.transform[5] as number,
                  right: (t.transform[4] as number) + t.width
                }
              ]
            : []
        )
      };
    })
  );
}
interface Canvas {
  context: CanvasRenderingContext2D;
}
/** What a camera reads off the first page: printed at 144 dots an inch, around a place (mm from the top left) or all over. */
async function readCode(pdf: Buffer, at?: { x: number; y: number; side: number }): Promise<string | null> {
  const doc = await getDocument({ data: new Uint8Array(pdf) }).promise;
  const page = await doc.getPage(1);
  const viewport = page.getViewport({ scale: 2 });
  const { context } = (doc.canvasFactory as { create(w: number, h: number): Canvas }).create(
    viewport.width,
    viewport.height
  );
  await page.render({ canvas: null, canvasContext: context, viewport }).promise;
  const dots = 144 / 25.4;
  const { data, width, height } = at
    ? context.getImageData(at.x * dots, at.y * dots, at.side * dots, at.side * dots)
    : context.getImageData(0, 0, viewport.width, viewport.height);
  return jsQR(data, width, height)?.data ?? null;
}
const textOf = (pages: Laid[]) =>
  pages
    .map((p) => p.texts.map((t) => t.text).join(' '))
    .join('\n')
    .replace(/\s+/g, ' ');

const paper = (rows: number): Paper => ({
  title: 'Job card',
  machine: { plate: '141', name: 'Fell 250', maker: 'Halden' },
  under: ['Řezník, engine oil'],
  opens: '/visits/x#written',
  blocks: [
    { kind: 'heading', text: 'At the rear' },
    {
      kind: 'table',
      head: ['', 'Step', 'Stands', 'Written'],
      widths: [0, 3, 0, 2],
      rows: Array.from({ length: rows }, (_, i) => [
        box(i === 0),
        {
          lines: [
            strong(`Step ${i + 1}`),
            'Look at what lies in the pan, and rub it between two fingers, and smell it.'
          ]
        },
        'not ready',
        blank('ml, of which most stays in the filter and the oilways and a little in the jug')
      ])
    }
  ]
});

describe('a paper', () => {
  it.each(['A4', 'LETTER'] as const)(
    'keeps within %s, its plate whole, in as many pages as it takes',
    async (size) => {
      const pages = await pagesOf(await paperPdf(size, paper(60), 'http://127.0.0.1:3000'));
      expect(pages.length).toBeGreaterThan(1);
      for (const p of pages) {
        expect(Math.round(p.width)).toBe(size === 'A4' ? 595 : 612);
        for (const t of p.texts) {
          expect(t.x, t.text).toBeGreaterThanOrEqual(30);
          expect(t.right, t.text).toBeLessThanOrEqual(p.width - 20);
        }
      }
      const text = textOf(pages);
      expect(text).toContain('141');
      // The letter that our first font lacks comes from the second, a run of its own.
      expect(text).toMatch(/Ř ?ezník/);
      expect(text).toContain('Step 60');
      expect(text).toContain(`141 Job card, ${pages.length} of ${pages.length}`);
      expect(text).toContain('a licensed workshop have the last word');
    }
  );
});

it('a paper’s code is read by a camera, and opens the same thing', async () => {
  expect(await readCode(await paperPdf('A4', paper(3), 'http://127.0.0.1:3000'))).toBe(
    'http://127.0.0.1:3000/visits/x#written'
  );
});

describe('labels', () => {
  const stickers: Sticker[] = Array.from({ length: 30 }, (_, i) => ({
    kind: 'machine',
    id: crypto.randomUUID(),
    mark: `M${i}`,
    words: 'A long name of a machine that does not fit in one line of a small label'
  }));
  it.each(LABEL_SHEETS)('of $words keep within their label', async (s) => {
    const pages = await pagesOf(await labelsPdf(s, stickers, 1, 'http://127.0.0.1:3000'));
    expect(pages).toHaveLength(Math.ceil(31 / (s.across * s.down)));
    const mm = 72 / 25.4;
    for (const p of pages)
      for (const t of p.texts) {
        const column = Math.floor((t.x / mm - s.left) / s.stepX);
        expect(t.right / mm, t.text).toBeLessThanOrEqual(s.left + column * s.stepX + s.width);
        const row = Math.floor(((p.height - t.y) / mm - s.top) / s.stepY);
        expect((p.height - t.y) / mm, t.text).toBeLessThanOrEqual(s.top + row * s.stepY + s.height);
      }
    const text = textOf(pages);
    for (const { mark } of stickers) expect(text).toContain(mark);
  });
  it.each(LABEL_SHEETS)('of $words have a code that a camera reads', async (s) => {
    const pdf = await labelsPdf(s, stickers.slice(0, 1), 0, 'https://trail.local:3443');
    const side = Math.min(s.height, s.width / 2);
    expect(await readCode(pdf, { x: s.left, y: s.top, side })).toBe(
      `https://trail.local:3443${stickerPath(stickers[0]!)}`
    );
  });
});
