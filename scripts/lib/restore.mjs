import { createReadStream, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createHash, randomBytes } from 'node:crypto';
import { spawn } from 'node:child_process';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { atDatabase, lookAt } from './backup.mjs';
import { connect, migrate, MIGRATIONS } from './migrate.mjs';
import { programs, serverSecret } from './postgres.mjs';
import { freshForRestore } from './roles.mjs';
import { must } from './run.mjs';
import { Plain } from './say.mjs';

/** Nobody else’s rows, and no words of a file: names and rights are ours. */
const PLAIN = ['--no-owner', '--no-acl', '--no-comments'];

/**
 * Puts a backup back: beside what is there, and then in its place; what was there stays under another name.
 *
 * Of the file its rows are taken and nothing else: tables, checks and triggers are those of our own migrations, up to the one the file was
 * made by. It is put in by a role that has nothing but that new database, and what came of it is held against what the migrations make.
 *
 * @param {string} adminUrl of the database that it becomes, as who may make databases there
 * @param {string} path
 * @param {{ now?: Date, secret?: string, foreign?: boolean }} [how] `foreign`: somebody said yes to a file that this server did not make
 * @returns {Promise<{ made: string, before: string | null }>} what it is of, and what the one before is called now
 * @throws {Plain} where it is no backup, not whole, not of this server, or holds more or less than a book
 */
export async function restore(
  adminUrl,
  path,
  { now = new Date(), secret = serverSecret(), foreign = false } = {}
) {
  const about = await lookAt(path, secret);
  if (!about.own && !foreign)
    throw new Plain(
      `${path} was not made by this server, or by it before it signed what it makes. What stands in it may be anybody’s. If you know where it is from:\n\n    npm run restore -- ${path} --foreign`
    );
  const { folder: bin } = await programs();
  const level = await levelOf(bin, path, about);
  const name = decodeURIComponent(new URL(adminUrl).pathname.slice(1));
  const stamp = now.toISOString().slice(0, 19).replaceAll(/[-:T]/g, '');
  const made = [];
  const folder = mkdtempSync(join(tmpdir(), 'hour-trail-restore-'));
  const admin = await connect(Object.assign(new URL(adminUrl), { pathname: '/postgres' }).href);
  try {
    const open = async (what) => {
      const database = await freshForRestore(
        adminUrl,
        `${name}_${what}_${stamp}_${randomBytes(3).toString('hex')}`
      );
      made.push(database);
      return database;
    };
    const model = await open('model');
    await migrate(model.url, MIGRATIONS, level);
    const shape = join(folder, 'shape');
    await must(
      'Making its tables',
      join(bin, 'pg_dump'),
      ['--format=custom', '--schema-only', ...PLAIN, `--file=${shape}`],
      { env: { ...process.env, ...atDatabase(model.url) } }
    );
    // The same without a row: what the other is held against.
    const twin = await open('twin');
    await putIn(bin, twin.url, createReadStream(shape), []);
    const fresh = await open('restored');
    await putIn(bin, fresh.url, createReadStream(shape), ['--section=pre-data']);
    // What follows the dump is not its own: it is read from the front, and only as far as it goes.
    await putIn(bin, fresh.url, createReadStream(path, { end: about.bytes - 1 }), ['--section=data']);
    await putIn(bin, fresh.url, createReadStream(shape), ['--section=post-data']);
    await lookOver(bin, twin.url, fresh.url, level);
    made.pop();
    await fresh.done();
    const [there] = await admin`select 1 from pg_database where datname = ${name}`;
    const before = there ? `${name}_before_${stamp}` : null;
    if (before) {
      await admin`select pg_terminate_backend(pid) from pg_stat_activity where datname = ${name}`;
      await admin.unsafe(`alter database "${name}" rename to "${before}"`);
    }
    await admin.unsafe(`alter database "${fresh.name}" rename to "${name}"`);
    return { made: about.made, before };
  } finally {
    for (const one of made) await one.drop();
    await admin.end();
    rmSync(folder, { recursive: true, force: true });
  }
}

const MORE =
  'There is more or less in this file than the book of any Hour Trail holds. Nothing was put back.';

/**
 * The migration a file was made by, as it says: one of ours, after all before it, each with our own text.
 * @throws {Plain}
 */
async function levelOf(bin, path, about) {
  const text = await reading(bin, createReadStream(path, { end: about.bytes - 1 }), [
    '--data-only',
    '--table=schema_migration',
    '--file=-'
  ]);
  const rows = [...text.matchAll(/^(\d{4}_\w+\.sql)\t([0-9a-f]{64})\t/gm)].map(([, name, sum]) => ({
    name,
    sum
  }));
  rows.sort((a, b) => (a.name < b.name ? -1 : 1));
  const last = rows.at(-1);
  if (!last) throw new Plain(MORE);
  for (const { name, sum } of rows) {
    let ours;
    try {
      ours = createHash('sha256')
        .update(readFileSync(join(MIGRATIONS, name)))
        .digest('hex');
    } catch {
      throw new Plain(
        `The backup was made by a newer Hour Trail (it has ${name}). Update this checkout first.`
      );
    }
    if (ours !== sum) throw new Plain(MORE);
  }
  return last.name;
}

/** Runs pg_restore on what it is given. @returns {Promise<string>} what it prints */
async function reading(bin, input, args, env = {}) {
  const child = spawn(join(bin, 'pg_restore'), args, {
    env: { ...process.env, ...env },
    stdio: ['pipe', 'pipe', 'pipe']
  });
  let [out, said] = ['', ''];
  child.stdout.on('data', (d) => (out += d));
  child.stderr.on('data', (d) => (said += d));
  const over = new Promise((done) => child.on('exit', done).on('error', () => done(1)));
  // One that ends early has said why.
  await pipeline(input, child.stdin).catch(() => {});
  if ((await over) !== 0)
    throw new Plain(
      `Putting it back failed. It said:\n    ${said.trim().split('\n').slice(-6).join('\n    ')}`
    );
  return out;
}
const putIn = (bin, url, input, args) => {
  const env = atDatabase(url);
  return reading(bin, input, ['--exit-on-error', ...PLAIN, ...args, `--dbname=${env.PGDATABASE}`], env);
};

/** Everything a database is made of, but for its rows: a line each, in an order of their own. */
async function shapeOf(bin, url) {
  const text = await must('Looking it over', join(bin, 'pg_dump'), ['--schema-only', ...PLAIN], {
    env: { ...process.env, ...atDatabase(url) }
  });
  return text
    .split('\n')
    .filter((line) => line.trim() && !line.startsWith('--') && !line.startsWith('\\'))
    .sort()
    .join('\n');
}

/** @throws {Plain} where what was put in is not what the migrations make, or says of itself that it is something else */
async function lookOver(bin, twin, fresh, level) {
  if ((await shapeOf(bin, twin)) !== (await shapeOf(bin, fresh))) throw new Plain(MORE);
  const sql = await connect(fresh);
  try {
    const [row] = await sql`select max(name) as level from schema_migration`;
    if (row.level !== level) throw new Plain(MORE);
  } finally {
    await sql.end();
  }
}
