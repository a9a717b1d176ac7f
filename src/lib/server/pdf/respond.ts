import { error } from '@sveltejs/kit';
import type { Paper } from '../../core/paper/paper';
import { Refusal } from '../refusal';
import { work } from '../work/pool';
import type { PaperSize } from './printer';

/** On Letter where that is asked for. */
export const sizeAsked = (url: URL): PaperSize =>
  url.searchParams.get('paper') === 'letter' ? 'LETTER' : 'A4';

/**
 * Has something printed, away from what answers everybody else.
 * @throws HttpError 503 where so much is being printed that it is better asked again
 */
export const printed: typeof work = (job, given) =>
  work(job, given).catch((e: unknown) => {
    if (e instanceof Refusal) error(503, e.message);
    throw e;
  });

/** A PDF that the browser shows, never kept by anything on the way. */
export const pdfResponse = (pdf: Uint8Array, name: string): Response =>
  new Response(new Uint8Array(pdf), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="${encodeURIComponent(name)}.pdf"`,
      'cache-control': 'no-store'
    }
  });

export const paperResponse = async (paper: Paper, url: URL): Promise<Response> =>
  pdfResponse(
    await printed('paper', [sizeAsked(url), paper, url.origin]),
    [paper.machine?.plate, paper.title].filter(Boolean).join('-').replaceAll(' ', '-')
  );
