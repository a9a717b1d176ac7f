import { z } from 'zod';
import { personSchema, teamSchema } from '../core/machine/form';
import type { Person, Team } from '../core/team/team';
import type { Db, Sql } from './db';
import { refuse } from './refusal';

const asTeam = (r: Record<string, unknown>): Team => ({
  id: r.id as string,
  name: r.name as string,
  timeZone: r.time_zone as string,
  isDemo: r.is_demo as boolean
});

export async function getTeam(sql: Db, id: string): Promise<Team | null> {
  const [row] = await sql`select id, name, time_zone, is_demo from team where id = ${id}`;
  return row ? asTeam(row) : null;
}

export async function getDemoTeam(sql: Db): Promise<Team | null> {
  const [row] = await sql`select id, name, time_zone, is_demo from team where is_demo`;
  return row ? asTeam(row) : null;
}

export async function listTeams(sql: Db): Promise<Team[]> {
  return (await sql`select id, name, time_zone, is_demo from team order by is_demo, name limit 100`).map(
    asTeam
  );
}

export async function listPeople(sql: Db, teamId: string): Promise<Person[]> {
  return (await sql`select id, name, role from person where team_id = ${teamId} order by created_at, name`) as unknown as Person[];
}

/** Sets up a new, empty team with its first person. Sent twice, it is one team. */
export async function createTeam(sql: Sql, input: z.infer<typeof teamSchema>): Promise<Team> {
  await sql.begin(async (tx) => {
    const made = await tx`
      insert into team (id, name, time_zone) values (${input.id}, ${input.name}, ${input.timeZone}) on conflict (id) do nothing returning id`;
    if (made.length > 0) await addPerson(tx, input.id, input.you);
  });
  return (await getTeam(sql, input.id))!;
}

export async function addPerson(sql: Db, teamId: string, input: z.infer<typeof personSchema>): Promise<void> {
  const [other] =
    await sql`select id from person where team_id = ${teamId} and lower(name) = lower(${input.name}) and id <> ${input.id}`;
  if (other) refuse('name', 'The team has someone of that name already.');
  await sql`insert into person (team_id, id, name, role) values (${teamId}, ${input.id}, ${input.name}, ${input.role}) on conflict (team_id, id) do nothing`;
}
