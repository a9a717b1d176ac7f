import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import pdfmake from 'pdfmake';
import type { ContentText, Style, TDocumentDefinitions } from 'pdfmake/interfaces';

const { resolve } = createRequire(import.meta.url);
const font = (of: string, file: string) =>
  readFileSync(resolve(`@fontsource/${of}/files/${of}-${file}-normal.woff`));
const FILES: Record<string, Buffer> = {
  'text.woff': font('atkinson-hyperlegible', 'latin-400'),
  'text-bold.woff': font('atkinson-hyperlegible', 'latin-700'),
  'ext.woff': font('atkinson-hyperlegible', 'latin-ext-400'),
  'ext-bold.woff': font('atkinson-hyperlegible', 'latin-ext-700'),
  'figure.woff': font('barlow-condensed', 'latin-500'),
  'plate.woff': font('barlow-condensed', 'latin-700')
};
/** What it reads in place of the disk; its types do not know of it. */
const files = (pdfmake as unknown as { virtualfs: { writeFileSync: (name: string, bytes: Buffer) => void } })
  .virtualfs;
for (const [name, bytes] of Object.entries(FILES)) files.writeFileSync(name, bytes);
pdfmake.addFonts({
  Text: { normal: 'text.woff', bold: 'text-bold.woff' },
  Ext: { normal: 'ext.woff', bold: 'ext-bold.woff' },
  Figure: { normal: 'figure.woff', bold: 'plate.woff' }
});
// Nothing is fetched, and no file read: a page is made of what it is given.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy(() => false);

/** What the first of our two text fonts has; what is beyond it is set in the second. */
const LATIN = /[\s\u0020-\u00ff\u0152\u0153\u2000-\u206f\u20ac\u2122\u2212]+/gu;

/** A text in runs of the font that has its characters. */
export function runs(
  text: string,
  style: Style & Partial<Pick<ContentText, 'margin'>> & { width?: string } = {}
): ContentText {
  const out: ContentText[] = [];
  let from = 0;
  for (const m of text.matchAll(LATIN)) {
    if (m.index > from) out.push({ text: text.slice(from, m.index), font: 'Ext' });
    out.push({ text: m[0] });
    from = m.index + m[0].length;
  }
  if (from < text.length) out.push({ text: text.slice(from), font: 'Ext' });
  return { ...style, text: out };
}

export type PaperSize = 'A4' | 'LETTER';
type Page = Omit<TDocumentDefinitions, 'pageSize' | 'defaultStyle'>;

async function print(paper: PaperSize, page: Page, fontSize: number): Promise<Buffer> {
  const made = pdfmake.createPdf({
    ...page,
    pageSize: paper,
    defaultStyle: { font: 'Text', fontSize, lineHeight: 1.2 }
  });
  return Buffer.from(await made.getBuffer());
}

/** Makes a PDF of A4 or Letter, of as many pages as it takes. */
export const printPages = (paper: PaperSize, page: Page): Promise<Buffer> => print(paper, page, 9);

/** Sizes a page is tried in, points: the smallest can still be read by whoever holds it. */
const SIZES = [10, 9, 8, 7];
const pagesOf = (pdf: Buffer): number => pdf.toString('latin1').match(/\/Type \/Page\b/g)?.length ?? 0;

/**
 * Makes a PDF of A4 or Letter that keeps to one page: in the largest type that does.
 *
 * @param page what stands on it
 */
export async function printOnePage(paper: PaperSize, page: Page): Promise<Buffer> {
  let pdf: Buffer = Buffer.alloc(0);
  for (const fontSize of SIZES) {
    // It writes into what it is given: each try begins with its own.
    pdf = await print(paper, structuredClone(page), fontSize);
    if (pagesOf(pdf) === 1) break;
  }
  return pdf;
}
