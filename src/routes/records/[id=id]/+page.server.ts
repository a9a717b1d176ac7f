import { error } from '@sveltejs/kit';
import { suddenRise } from '$lib/core/fluids/ledger';
import { atSteps, wholeVisit } from '$lib/core/record/whole';
import { correctionsOf } from '$lib/server/record/corrections';
import { db } from '$lib/server/base/db';
import { listPhotos } from '$lib/server/photo/photos';
import { earlierConsumption, getRecord, recordsOfVisit } from '$lib/server/record/records';
import { wrenchNames } from '$lib/server/stores/stores';
import { slackOfRecord } from '$lib/server/chain/sheet';
import { checkOfRecord } from '$lib/server/valve/records';
import type { PageServerLoad } from './$types';

/** A record, with the whole visit it is from: its jobs inside, what they share once. */
export const load: PageServerLoad = async ({ locals, params }) => {
  const sql = db();
  const teamId = locals.team!.id;
  const record = await getRecord(sql, teamId, params.id);
  if (!record) error(404, 'No such record in this team.');
  const { visitId } = record;
  const [visit, photos, wrenches, corrections, valves, slack] = await Promise.all([
    visitId ? recordsOfVisit(sql, teamId, visitId) : { records: [record], steps: [] },
    visitId ? listPhotos(sql, teamId, visitId) : [],
    wrenchNames(sql, teamId),
    correctionsOf(sql, teamId, record),
    checkOfRecord(sql, teamId, record),
    slackOfRecord(sql, teamId, record)
  ]);
  const contents = visit.records.flatMap((r) => r.content ?? []);
  const whole = contents.length > 0 ? wholeVisit(contents) : null;
  const judged = new Set(whole?.debris.flatMap((d) => d.stepKey ?? []));
  const rises = await Promise.all(
    visit.records.map(async (r) => {
      const used = r.content?.circuits[0]?.used;
      return used ? suddenRise(used, await earlierConsumption(sql, teamId, r.id)) : null;
    })
  );
  return {
    record,
    jobs: visit.records,
    whole,
    photos: photos.map((p) => ({ id: p.id, stepKey: p.stepKey })),
    atSteps: atSteps(whole?.remarks ?? [], photos, visit.steps, judged),
    wrenches,
    corrections,
    valves,
    slack,
    rises: rises.filter((r) => r !== null)
  };
};
