import { createHash, randomBytes } from 'node:crypto';
import { once } from 'node:events';
import { Agent, get, request, type IncomingMessage } from 'node:http';
import { json } from 'node:stream/consumers';
import type { Sql } from '../src/lib/server/base/db';

// The plain client of Node.js: fetch takes as much of a core as what is measured.
const agent = new Agent({ keepAlive: true });

/** Signs somebody in. @returns the key of their session */
export async function signIn(sql: Sql, team: string, person: string): Promise<string> {
  const key = randomBytes(32).toString('base64url');
  const hash = createHash('sha256').update(key).digest('hex');
  await sql`insert into session (team_id, id, person_id, how, hash) values (${team}, ${crypto.randomUUID()}, ${person}, 'passphrase', ${hash})`;
  return key;
}
/** Opens an address as whoever has the key. @throws where it is not answered with 200 */
export async function ask(address: string, key: string): Promise<IncomingMessage> {
  const asked = get(address, { agent, headers: { cookie: `ht_session=${key}` } });
  const [answer] = (await once(asked, 'response')) as [IncomingMessage];
  if (answer.statusCode !== 200) throw new Error(`${address} answered ${answer.statusCode}`);
  return answer;
}
/** Sends a command. @throws where it is not carried out */
export async function send(url: string, key: string, kind: string, body: object): Promise<void> {
  const asked = request(`${url}/api/commands`, {
    method: 'POST',
    agent,
    headers: { 'content-type': 'application/json', cookie: `ht_session=${key}` }
  });
  const command = { id: crypto.randomUUID(), kind, at: new Date().toISOString(), body };
  asked.end(JSON.stringify({ device: 'bench', commands: [command] }));
  const [answer] = (await once(asked, 'response')) as [IncomingMessage];
  const { outcomes } = (await json(answer)) as { outcomes?: { ok: boolean }[] };
  if (!outcomes?.[0]?.ok) throw new Error(`not written: ${answer.statusCode} ${JSON.stringify(outcomes)}`);
}
/** A ride of under a minute, today. */
export const ride = (machineId: string): object => ({
  id: crypto.randomUUID(),
  machineId,
  typed: '+0.01',
  day: new Date().toISOString().slice(0, 10),
  outing: 'ride'
});
export const median = (list: number[]): number => [...list].sort((a, b) => a - b)[list.length >> 1]!;
/** Of what there is in a generated team. */
export const personOf = async (sql: Sql, team: string): Promise<string> =>
  (await sql`select id from person where team_id = ${team}`)[0]!.id as string;
export const machineOf = async (sql: Sql, team: string): Promise<string> =>
  (await sql`select id from machine where team_id = ${team} order by length(plate), plate limit 1`)[0]!
    .id as string;
