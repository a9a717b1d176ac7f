import { roughInWords, roughMinutes } from '$lib/core/job/rough';
import { db } from '$lib/server/base/db';
import { readTemplates } from '$lib/server/job/templates';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => ({
  templates: (await readTemplates(db(), locals.team!.id)).map((t) => ({
    key: t.key,
    title: t.title,
    about: t.about,
    version: t.version,
    own: t.own,
    steps: t.steps.length,
    minutes: roughInWords(roughMinutes(t))
  }))
});
