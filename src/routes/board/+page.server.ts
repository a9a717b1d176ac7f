import { id } from '$lib/core/forms';
import { boardPage } from '$lib/server/readiness/board';
import { db } from '$lib/server/base/db';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, url, depends }) => {
  depends('app:board');
  const asked = url.searchParams.get('outing') ?? '';
  const event = id.safeParse(asked).success ? asked : null;
  return {
    board: await boardPage(db(), locals.team!, event, new Date()),
    wall: url.searchParams.has('wall')
  };
};
