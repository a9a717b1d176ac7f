import { error } from '@sveltejs/kit';
import { day } from '$lib/core/forms';
import { db } from '$lib/server/base/db';
import { getMachine } from '$lib/server/machine/machines';
import { ownerSheetOf } from '$lib/server/owner/sheet';
import { pdfResponse, printing, sizeAsked } from '$lib/server/pdf/respond';
import { readPhoto } from '$lib/server/photo/photos';
import { work } from '$lib/server/work/pool';
import type { RequestHandler } from './$types';

/** The owner’s sheet as a PDF, on A4 or, asked for, on Letter. */
export const GET: RequestHandler = printing(async ({ locals, params, url }) => {
  const sql = db();
  const team = locals.team;
  const machine = team && (await getMachine(sql, team.id, params.id));
  if (!machine) error(404, 'No such machine in this team.');
  const asked = day.safeParse(url.searchParams.get('since'));
  const { today, hours, ...sheet } = await ownerSheetOf(
    sql,
    team,
    machine,
    asked.success ? asked.data : null,
    new Date()
  );
  const pictures = new Map<string, Buffer>();
  for (const { id } of sheet.photos) {
    const bytes = await readPhoto(sql, team.id, id, true);
    if (bytes) pictures.set(id, bytes);
  }
  const opens = `${url.origin}/machines/${machine.id}/owner`;
  const pdf = await work('owner', [
    sizeAsked(url),
    sheet,
    { team: team.name, machine, hours, today, pictures, opens }
  ]);
  return pdfResponse(pdf, `machine-${machine.plate}-${today}`);
});
