import { json } from '@sveltejs/kit';
import { db } from '$lib/server/base/db';
import { listMachines } from '$lib/server/machine/machines';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async ({ locals, url }) => {
  const words = (url.searchParams.get('q') ?? '').replaceAll('\0', '').slice(0, 80);
  const { team, person } = locals;
  const machines = team ? await listMachines(db(), team.id, words) : [];
  // A rider picks among their own.
  const own = person?.role === 'rider' ? machines.filter((m) => m.riderId === person.id) : machines;
  return json({ ok: true, data: own });
};
