import { error, type RequestEvent } from '@sveltejs/kit';
import type { Paper } from '../../core/paper/paper';
import { Refusal } from '../base/refusal';
import { Turns } from '../base/turns';
import { work } from '../work/pool';
import type { PaperSize } from './printer';

/** On Letter where that is asked for. */
export const sizeAsked = (url: URL): PaperSize =>
  url.searchParams.get('paper') === 'letter' ? 'LETTER' : 'A4';

/** One after the other: what stands on a paper is worked out before it is printed, and not all of it at one moment. */
const turns = new Turns({ ofAll: 1, ofOne: 1, waitingOfOne: 50 });

/**
 * Answers with something printed, once its turn has come; it is made away from what answers everybody else.
 * @throws HttpError 503 where so much is being printed that it is better asked again
 */
export const printing =
  <E extends RequestEvent>(print: (event: E) => Promise<Response>) =>
  (event: E): Promise<Response> =>
    turns
      .take(event.locals.person?.id ?? event.locals.team?.id ?? '', () => print(event))
      .catch((e: unknown) => {
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
    await work('paper', [sizeAsked(url), paper, url.origin]),
    [paper.machine?.plate, paper.title].filter(Boolean).join('-').replaceAll(' ', '-')
  );
