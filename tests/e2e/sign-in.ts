import { createHash, randomBytes } from 'node:crypto';
import type { Sql } from '../../src/lib/server/base/db';

/**
 * Signs somebody in, as the server would have it after their passphrase.
 * @returns the cookie of their session
 */
export async function signedIn(
  sql: Sql,
  name: string
): Promise<{ name: string; value: string; httpOnly: boolean }> {
  const key = randomBytes(32).toString('base64url');
  const hash = createHash('sha256').update(key).digest('hex');
  await sql`
    insert into session (team_id, id, person_id, how, hash) select team_id, ${crypto.randomUUID()}, id, 'passphrase', ${hash} from person where name = ${name}`;
  return { name: 'ht_session', value: key, httpOnly: true };
}

/** A key of a program, of somebody. */
export async function keyOf(sql: Sql, name: string): Promise<string> {
  const key = `ht_${randomBytes(32).toString('base64url')}`;
  const hash = createHash('sha256').update(key).digest('hex');
  await sql`
    insert into api_token (team_id, id, person_id, name, hash, created_by) select team_id, ${crypto.randomUUID()}, id, 'a test', ${hash}, id from person where name = ${name}`;
  return key;
}
