import { error, json, type RequestEvent } from '@sveltejs/kit';
import { READS, type ReadName } from '../../core/api/reads';
import { errorsByField } from '../../core/forms';
import { db } from '../base/db';
import { ANSWERS } from './reads';

/** Answers a read of a program, in the shape that is published and no other. */
export async function answerRead(event: RequestEvent, name: ReadName): Promise<Response> {
  const { team, person } = event.locals;
  if (!team || !person) error(401, 'A key is needed: Authorization: Bearer ht_…');
  const { params, answer } = READS[name];
  const asked = params.safeParse({ ...Object.fromEntries(event.url.searchParams), ...event.params });
  if (!asked.success)
    return json({ ok: false, errors: errorsByField(asked.error), more: {} }, { status: 400 });
  const found = await ANSWERS[name](
    { sql: db(), team, personId: person.id, now: new Date() },
    asked.data as never
  );
  if (found === null) error(404, 'Nothing of that id in this team.');
  return json(answer.parse(found), { headers: { 'cache-control': 'no-store' } });
}
