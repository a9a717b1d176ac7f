import type { Paper } from '../../core/paper/paper';
import { paperPdf } from './paper';
import type { PaperSize } from './printer';

/** On Letter where that is asked for. */
export const sizeAsked = (url: URL): PaperSize =>
  url.searchParams.get('paper') === 'letter' ? 'LETTER' : 'A4';

/** A PDF that the browser shows, never kept by anything on the way. */
export const pdfResponse = (pdf: Buffer, name: string): Response =>
  new Response(new Uint8Array(pdf), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="${encodeURIComponent(name)}.pdf"`,
      'cache-control': 'no-store'
    }
  });

export const paperResponse = async (paper: Paper, url: URL): Promise<Response> =>
  pdfResponse(
    await paperPdf(sizeAsked(url), paper, url.origin),
    [paper.machine?.plate, paper.title].filter(Boolean).join('-').replaceAll(' ', '-')
  );
