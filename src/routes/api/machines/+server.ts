import { json } from '@sveltejs/kit';
import { machineSchema } from '$lib/core/machine/form';
import { command } from '$lib/server/command';
import { db } from '$lib/server/db';
import { addMachine, listMachines } from '$lib/server/machines';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async ({ locals, url }) =>
  json({
    ok: true,
    data: locals.team
      ? await listMachines(db(), locals.team.id, (url.searchParams.get('q') ?? '').slice(0, 80))
      : []
  });

export const POST: RequestHandler = (event) =>
  command(event, machineSchema, (input, { sql, team, personId, now }) =>
    addMachine(sql, team, personId, input, now)
  );
