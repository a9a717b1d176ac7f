import { teamFileJsonSchema } from '$lib/core/exchange/team/file';
import type { RequestHandler } from './$types';

/** What stands in a team's file, for whoever reads it elsewhere. */
export const GET: RequestHandler = () =>
  new Response(JSON.stringify(teamFileJsonSchema(), null, 1), {
    headers: { 'content-type': 'application/schema+json; charset=utf-8' }
  });
