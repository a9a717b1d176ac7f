import { redirect } from '@sveltejs/kit';
import { joinSchema } from '$lib/core/access/form';
import { HOME } from '$lib/core/access/places';
import { leaveDemo, readKeys, takeKeys } from '$lib/server/access/cookies';
import { join } from '$lib/server/access/enter';
import { takeForm } from '$lib/server/access/form';
import { invitedBy } from '$lib/server/access/invitations';
import { countTries } from '$lib/server/access/limits';
import { db } from '$lib/server/base/db';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => {
  await countTries(event);
  const invited = await invitedBy(db(), event.params.code, new Date());
  if (!invited) return { invited };
  const { team, people, forOne, hasWords } = invited;
  return { invited: { team, people, forOne, hasWords } };
};

export const actions: Actions = {
  default: async (event) => {
    const secure = event.url.protocol === 'https:';
    const { device } = readKeys(event.cookies, secure);
    const taken = await takeForm(event, joinSchema, (input) =>
      join(db(), event.params.code, input, device, new Date())
    );
    if (!('done' in taken)) return taken;
    takeKeys(event.cookies, secure, taken.done);
    leaveDemo(event.cookies);
    redirect(303, HOME[taken.done.role]);
  }
};
