import { error } from '@sveltejs/kit';
import { dayOf } from '$lib/core/time/day';
import { BUILT_IN_KEYS } from '$lib/core/job/built-in/jobs';
import { BLANK_JOB } from '$lib/core/job/plain';
import { db } from '$lib/server/base/db';
import { listTemplateChanges, readTemplates } from '$lib/server/job/templates';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals, params }) => {
  const team = locals.team!;
  const templates = await readTemplates(db(), team.id);
  const fresh = params.key === 'new';
  const template = templates.find((t) => t.key === params.key);
  if (!fresh && !template) error(404, 'No such job in this team.');
  return {
    fresh,
    builtIn: BUILT_IN_KEYS.includes(params.key),
    taken: templates.map((t) => t.key),
    today: dayOf(new Date(), team.timeZone),
    changes: fresh
      ? []
      : (await listTemplateChanges(db(), team.id, params.key)).map((c) => ({
          ...c,
          day: dayOf(c.at, team.timeZone)
        })),
    template: template ?? BLANK_JOB
  };
};
