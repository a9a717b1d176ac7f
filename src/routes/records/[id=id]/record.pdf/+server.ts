import { error } from '@sveltejs/kit';
import { showHours } from '$lib/core/hours/hours';
import { recordPaper } from '$lib/core/paper/record-paper';
import { wholeVisit } from '$lib/core/record/whole';
import { dayOf, showDay } from '$lib/core/time/day';
import { slackOfRecord } from '$lib/server/chain/sheet';
import { sealSaidInWords } from '$lib/core/record/correction';
import { correctionsOf } from '$lib/server/record/corrections';
import { db } from '$lib/server/base/db';
import { getMachine } from '$lib/server/machine/machines';
import { paperResponse, printing } from '$lib/server/pdf/respond';
import { getRecord, recordsOfVisit } from '$lib/server/record/records';
import { checkOfRecord } from '$lib/server/valve/records';
import type { RequestHandler } from './$types';

/** A record on paper, with the whole visit it is from. */
export const GET: RequestHandler = printing(async ({ locals, params, url }) => {
  const sql = db();
  const team = locals.team;
  const record = team && (await getRecord(sql, team.id, params.id));
  if (!record) error(404, 'No such record in this team.');
  const [visit, corrections, machine, valves, slack] = await Promise.all([
    record.visitId ? recordsOfVisit(sql, team.id, record.visitId) : { records: [record] },
    correctionsOf(sql, team.id, record),
    record.machineId ? getMachine(sql, team.id, record.machineId) : null,
    checkOfRecord(sql, team.id, record),
    slackOfRecord(sql, team.id, record)
  ]);
  const contents = visit.records.flatMap((r) => r.content ?? []);
  const today = dayOf(new Date(), team.timeZone);
  const paper = recordPaper({
    machine,
    under: [
      visit.records.map((r) => r.content?.title || r.task).join(' · '),
      [
        showDay(record.doneOn, today),
        record.hours === null ? 'hours not known' : `at ${showHours(record.hours)}`,
        record.part,
        record.by,
        team.name
      ]
        .filter(Boolean)
        .join(' · ')
    ],
    opens: `/records/${record.id}`,
    remark: record.remark,
    content: contents.length > 0 ? wholeVisit(contents) : null,
    valves,
    slack,
    corrections: corrections.map(
      (c) =>
        `${c.seal ? `${c.seal.name}, washer or ring ${sealSaidInWords(c.seal.now)}: ` : ''}${c.words} (${c.by})`
    )
  });
  return paperResponse(paper, url);
});
