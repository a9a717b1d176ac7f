import { createHmac, randomBytes } from 'node:crypto';
import { connect } from './migrate.mjs';

/** What the app comes in as: it owns what is in its schema, and nothing else on the server. */
const APP = 'hourtrail_app';
/** Made for one restore and gone after it. */
const RESTORE = 'hourtrail_restore';
/** Roles are of the whole server: two that make them at once wait for one another. */
const LOCK = 478047804781;
const PLAIN = 'login nosuperuser nocreatedb nocreaterole noreplication nobypassrls';

/** A secret of its own for each purpose, all from the one that the server keeps. */
export const secretFor = (secret, purpose) =>
  createHmac('sha256', secret).update(purpose).digest('base64url');

/** The same database as the app reaches it, by the address of who may do everything on our own server. */
export function appUrlOf(adminUrl) {
  const url = new URL(adminUrl);
  url.password = secretFor(decodeURIComponent(url.password), APP);
  url.username = APP;
  return url.href;
}
const nameOf = (url) => decodeURIComponent(new URL(url).pathname.slice(1));
const at = (url, name) => Object.assign(new URL(url), { pathname: `/${encodeURIComponent(name)}` }).href;

/** Makes a role, or gives it its password anew; whatever it may have been allowed before, it is plain. */
async function ensureRole(admin, role, password) {
  const [there] = await admin`
    select rolsuper or rolcreatedb or rolcreaterole or rolreplication or rolbypassrls as more from pg_roles where rolname = ${role}`;
  if (!there) await admin.unsafe(`create role ${role} ${PLAIN} password '${password}'`);
  else if (there.more) await admin.unsafe(`alter role ${role} ${PLAIN}`);
}

/** Does it while nobody else does the same on this server. */
async function alone(admin, run) {
  await admin`select pg_advisory_lock(${LOCK})`;
  try {
    return await run();
  } finally {
    await admin`select pg_advisory_unlock(${LOCK})`;
  }
}

/** Hands the schema and all that is in it to a role; what belongs to an extension stays with it. */
async function handOver(sql, role) {
  const objects = await sql`
    with theirs as (select oid from pg_roles where rolname = ${role}),
      extended as (select classid, objid from pg_depend where deptype = 'e')
    select format('alter %s %s owner to %I', kind, name, ${role}::text) as command from (
      select 'schema' as kind, quote_ident(nspname) as name, nspowner as owner, 'pg_namespace'::regclass as class, oid, 0 as ord from pg_namespace where nspname = 'public'
      union all
      select case relkind when 'v' then 'view' when 'm' then 'materialized view' when 'S' then 'sequence' else 'table' end, oid::regclass::text, relowner, 'pg_class'::regclass, oid, 1
      from pg_class c where relnamespace = 'public'::regnamespace and relkind in ('r', 'p', 'v', 'm', 'S')
        and not (relkind = 'S' and exists (select 1 from pg_depend d where d.classid = 'pg_class'::regclass and d.objid = c.oid and d.deptype in ('a', 'i')))
      union all
      select 'routine', oid::regprocedure::text, proowner, 'pg_proc'::regclass, oid, 2 from pg_proc where pronamespace = 'public'::regnamespace
      union all
      select 'type', oid::regtype::text, typowner, 'pg_type'::regclass, oid, 3 from pg_type where typnamespace = 'public'::regnamespace and typtype in ('e', 'd')
    ) o
    where owner not in (select oid from theirs) and not exists (select 1 from extended e where e.classid = o.class and e.objid = o.oid)
    order by ord`;
  for (const { command } of objects) await sql.unsafe(command);
}

/**
 * Makes a database for a role, if it is not there yet: it comes into that one and no other, and owns the schema in it.
 * @param admin a connection of who may do everything on the server
 * @param {string} adminUrl the same, at the database to be made
 * @param {string} role
 */
async function prepare(admin, adminUrl, role) {
  const name = nameOf(adminUrl);
  const [there] = await admin`select 1 from pg_database where datname = ${name}`;
  if (!there) await admin`create database ${admin(name)} encoding 'UTF8' template template0`;
  await admin`revoke connect, temporary on database ${admin(name)} from public`;
  await admin`grant connect, temporary on database ${admin(name)} to ${admin(role)}`;
  const inside = await connect(adminUrl);
  try {
    // Extensions are the server's; the app's role may make none.
    await inside`create extension if not exists btree_gist`;
    await handOver(inside, role);
  } finally {
    await inside.end();
  }
}

/**
 * Makes the database that an address names on our own server, and the role the app comes in as, if they are not there yet. One that the
 * app used to own as the server's own user is handed over.
 * @param {string} adminUrl who may do everything on the server, at that database
 */
export async function ensureDatabase(adminUrl) {
  const admin = await connect(at(adminUrl, 'postgres'));
  try {
    await alone(admin, async () => {
      await ensureRole(admin, APP, new URL(appUrlOf(adminUrl)).password);
      await prepare(admin, adminUrl, APP);
    });
  } finally {
    await admin.end();
  }
}

/**
 * Makes a new database for as long as a backup is put into it, and a role that can do nothing but that.
 * @returns {Promise<{ name: string, url: string, done: () => Promise<void>, drop: () => Promise<void> }>} `done` hands it to the app; `drop` undoes it all
 */
export async function freshForRestore(adminUrl, name) {
  const admin = await connect(at(adminUrl, 'postgres'));
  const role = `${RESTORE}_${randomBytes(4).toString('hex')}`;
  const password = randomBytes(24).toString('base64url');
  const inside = at(adminUrl, name);
  const forget = async () => {
    await admin.unsafe(`drop role if exists ${role}`);
    await admin.end();
  };
  const drop = async () => {
    await admin.unsafe(`drop database if exists "${name}" with (force)`);
    await forget();
  };
  try {
    await alone(admin, async () => {
      await ensureRole(admin, role, password);
      await prepare(admin, inside, role);
    });
  } catch (e) {
    await drop();
    throw e;
  }
  const url = new URL(inside);
  url.username = role;
  url.password = password;
  return {
    name,
    url: url.href,
    drop,
    done: async () => {
      const sql = await connect(inside);
      // On somebody else's server the app comes in as whoever it was given.
      const [own] = await sql`select 1 from pg_roles where rolname = ${APP}`;
      const owner = own ? APP : decodeURIComponent(new URL(adminUrl).username);
      await handOver(sql, owner);
      await sql.unsafe(`drop owned by ${role}`);
      await sql.end();
      await prepare(admin, inside, owner);
      await forget();
    }
  };
}
