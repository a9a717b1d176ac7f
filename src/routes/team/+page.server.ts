import { db } from '$lib/server/db';
import { listTeams } from '$lib/server/teams';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async () => ({ teams: await listTeams(db()) });
