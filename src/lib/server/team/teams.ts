import { z } from 'zod';
import { personSchema, teamSchema } from '../../core/team/form';
import type { Person, Role, Team } from '../../core/team/team';
import type { Db, Tx } from '../base/db';
import { refuse } from '../base/refusal';
import type { Write } from '../book/under-way';

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

/** The demo team, where there is one, and the person of it that a device named: nobody signs in there. */
export async function demoWorkplace(
  sql: Db,
  who: string | null
): Promise<{ team: Team; person: { id: string; role: Role } | null } | null> {
  const [row] = await sql`
    select t.id, t.name, t.time_zone, t.is_demo, p.id as person_id, p.role
    from team t left join person p on p.team_id = t.id and p.id = ${who} and p.left_at is null where t.is_demo`;
  if (!row) return null;
  return { team: asTeam(row), person: row.person_id && { id: row.person_id, role: row.role } };
}

/** Whether any team but the demo is kept here: from then on nobody is shown the demo unasked. */
export async function hasTeams(sql: Db): Promise<boolean> {
  return (await sql`select 1 from team where not is_demo limit 1`).length > 0;
}

/** Teams that nobody can come into yet: brought in as a file, or from before people signed in. */
export async function unclaimedTeams(sql: Db): Promise<Team[]> {
  return (
    await sql`
      select id, name, time_zone, is_demo from team t where not is_demo
        and not exists (select 1 from sign_in s where s.team_id = t.id) and not exists (select 1 from session s where s.team_id = t.id)
      order by name limit 100`
  ).map(asTeam);
}

export async function listTeams(sql: Db): Promise<Team[]> {
  return (await sql`select id, name, time_zone, is_demo from team order by is_demo, name limit 100`).map(
    asTeam
  );
}

export async function listPeople(sql: Db, teamId: string): Promise<Person[]> {
  return (await sql`select id, name, role from person where team_id = ${teamId} and left_at is null order by created_at, name`) as unknown as Person[];
}

/** Whoever wrote something in the team, those who left too. */
export async function listEverybody(sql: Db, teamId: string): Promise<Person[]> {
  return (await sql`select id, name, role from person where team_id = ${teamId} order by left_at is not null, name`) as unknown as Person[];
}

/** Sets up a new, empty team with its first person. */
export async function foundTeam(tx: Tx, input: z.infer<typeof teamSchema>): Promise<Team> {
  await tx`insert into team (id, name, time_zone) values (${input.id}, ${input.name}, ${input.timeZone})`;
  const { id, name, role } = input.you;
  await tx`insert into person (team_id, id, name, role) values (${input.id}, ${id}, ${name}, ${role})`;
  return { id: input.id, name: input.name, timeZone: input.timeZone, isDemo: false };
}

export async function addPerson({ tx, team }: Write, input: z.infer<typeof personSchema>): Promise<void> {
  const [other] =
    await tx`select id from person where team_id = ${team.id} and lower(name) = lower(${input.name})`;
  if (other) refuse('name', 'The team has someone of that name already.');
  await tx`insert into person (team_id, id, name, role) values (${team.id}, ${input.id}, ${input.name}, ${input.role})`;
}

/** Those who left, to be taken on again. */
export async function listLeft(sql: Db, teamId: string): Promise<Person[]> {
  return (await sql`select id, name, role from person where team_id = ${teamId} and left_at is not null and forgotten_at is null order by name`) as unknown as Person[];
}

/** Says what somebody does in the team, and so what they may. */
export async function changeRole(
  { tx, team }: Write,
  { personId, role }: { personId: string; role: Role }
): Promise<void> {
  const chiefs = await tx`
    select id from person where team_id = ${team.id} and role = 'chief mechanic' and left_at is null order by id for no key update`;
  if (role !== 'chief mechanic' && chiefs.length === 1 && chiefs[0]!.id === personId)
    refuse('role', 'The team would be without a chief mechanic. Make somebody else one first.');
  const [is] = await tx`
    update person set role = ${role} where team_id = ${team.id} and id = ${personId} and left_at is null returning id`;
  if (!is) refuse('', 'That person is not of this team.');
}
