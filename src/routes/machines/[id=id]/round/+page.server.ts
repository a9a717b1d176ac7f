import { error } from '@sveltejs/kit';
import { isLeft, stillStands } from '$lib/core/round/age';
import { LISTS } from '$lib/core/round/check';
import { dayOf } from '$lib/core/time/day';
import { db } from '$lib/server/base/db';
import { getMachine } from '$lib/server/machine/machines';
import { roundSheet } from '$lib/server/round/sheet';
import { readinessOf } from '$lib/server/readiness/board';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, params, url, depends }) => {
  depends('app:round');
  const sql = db();
  const team = locals.team!;
  const machine = await getMachine(sql, team.id, params.id);
  if (!machine) error(404, 'No such machine in this team.');
  const now = new Date();
  const list = LISTS.find((l) => l === url.searchParams.get('list')) ?? 'ready';
  const [sheet, stands] = await Promise.all([
    roundSheet(sql, team.id, machine, list),
    readinessOf(sql, team, machine.id, now)
  ]);
  const reasons = stands?.readiness.reasons ?? [];
  return {
    machine,
    sheet,
    others: reasons.filter((r) => r.blocks && r.kind !== 'round').map((r) => r.words),
    holds: stands !== null && stillStands(list, sheet.round, stands.round, now),
    left: isLeft(sheet.round, now),
    today: dayOf(now, team.timeZone),
    timeZone: team.timeZone
  };
};
