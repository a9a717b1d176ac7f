import { error } from '@sveltejs/kit';
import { z } from 'zod';
import { LABEL_SHEETS } from '$lib/core/paper/labels';
import { db } from '$lib/server/base/db';
import { pdfResponse, printing } from '$lib/server/pdf/respond';
import { stickersOf } from '$lib/server/machine/stickers';
import { work } from '$lib/server/work/pool';
import type { RequestHandler } from './$types';

const used = z.coerce.number().int().min(0);

/** A sheet of stickers: those that are picked, on labels of the size that is there. */
export const GET: RequestHandler = printing(async ({ locals, url }) => {
  const team = locals.team;
  if (!team) error(404, 'There is no team yet.');
  const sheet = LABEL_SHEETS.find((s) => s.key === url.searchParams.get('sheet'));
  if (!sheet) error(400, 'Which labels?');
  const skip = used.max(sheet.across * sheet.down - 1).safeParse(url.searchParams.get('used') ?? 0);
  if (!skip.success)
    error(400, `0 to ${sheet.across * sheet.down - 1} labels of that sheet can be used already.`);
  const kinds = url.searchParams.getAll('kind');
  const ids = url.searchParams.getAll('id');
  const stickers = (await stickersOf(db(), team.id)).filter(
    (s) => kinds.includes(s.kind) || ids.includes(s.id)
  );
  if (stickers.length === 0) error(404, 'Nothing is picked.');
  return pdfResponse(await work('labels', [sheet, stickers, skip.data, url.origin]), 'stickers');
});
