import { aboutServer } from '$lib/server/about';
import { db } from '$lib/server/db';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async () => ({ about: await aboutServer(db()) });
