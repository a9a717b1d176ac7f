import { error } from '@sveltejs/kit';
import { suddenRise } from '$lib/core/fluids/ledger';
import { db } from '$lib/server/db';
import { listPhotos } from '$lib/server/photos';
import { earlierConsumption, getRecord, recordsOfVisit } from '$lib/server/records';
import { wrenchNames } from '$lib/server/stores';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, params }) => {
  const sql = db();
  const teamId = locals.team!.id;
  const record = await getRecord(sql, teamId, params.id);
  if (!record) error(404, 'No such record in this team.');
  const used = record.content?.circuits[0]?.used ?? null;
  return {
    record,
    others: record.visitId ? await recordsOfVisit(sql, teamId, record.visitId, record.id) : [],
    photos: record.visitId
      ? Object.fromEntries((await listPhotos(sql, teamId, record.visitId)).map((p) => [p.stepKey, p.id]))
      : ({} as Record<string, string>),
    wrenches: await wrenchNames(sql, teamId),
    rise: used ? suddenRise(used, await earlierConsumption(sql, teamId, record.id)) : null
  };
};
