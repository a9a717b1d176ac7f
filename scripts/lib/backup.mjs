import { createHash, createHmac, timingSafeEqual } from 'node:crypto';
import {
  chmodSync,
  createReadStream,
  createWriteStream,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statfsSync,
  statSync,
  writeFileSync
} from 'node:fs';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { connect } from './migrate.mjs';
import { programs, serverSecret } from './postgres.mjs';
import { secretFor } from './roles.mjs';
import { must } from './run.mjs';
import { Plain } from './say.mjs';

/** As many are kept, the latest. */
export const KEPT = 14;
const NAME = /^hour-trail-\d{4}-\d\d-\d\dT\d{6}Z\.backup$/;
/** A folder that is over as soon as whoever made it ends: nothing half-written is taken for a backup. */
const PART = '.part';
const STATUS = 'status.json';

/** Who made a file is known by a sum that only this server can make. */
const signatureOf = (sha256, secret) =>
  createHmac('sha256', secretFor(secret, 'backup')).update(sha256).digest('hex');

const sha256 = async (path) => {
  const hash = createHash('sha256');
  await pipeline(createReadStream(path), hash);
  return hash.digest('hex');
};

/** pg_dump and pg_restore read the password from their surroundings: on their command line everybody could. */
export function atDatabase(url) {
  const { hostname, port, username, password, pathname } = new URL(url);
  return {
    PGHOST: decodeURIComponent(hostname),
    PGPORT: port || '5432',
    PGUSER: decodeURIComponent(username),
    PGPASSWORD: decodeURIComponent(password),
    PGDATABASE: decodeURIComponent(pathname.slice(1))
  };
}

/** A number, so many bytes to read it from: the file ends with what it is, so that it can be written in one go. */
const TAIL = 8;

/**
 * Writes everything there is, photos too, into one file: what pg_dump says, then a line of JSON that says what it is, its SHA-256, and
 * that this server made it.
 * It is looked at again once it is written; what is not whole does not stay.
 * @param {string} url of the database
 * @param {string} folder where backups are kept
 * @param {Date} now
 * @returns {Promise<{ path: string, bytes: number }>}
 */
export async function backUp(url, folder, now = new Date(), secret = serverSecret()) {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const { folder: bin } = await programs();
  const name = `hour-trail-${now.toISOString().slice(0, 19).replaceAll(':', '')}Z.backup`;
  const part = join(mkdtempSync(join(folder, PART)), name);
  try {
    const sql = await connect(url);
    const [{ bytes }] = await sql`select pg_database_size(current_database())::float as bytes`;
    const [{ schema }] = await sql`select max(name) as schema from schema_migration`;
    await sql.end();
    const { bavail, bsize } = statfsSync(folder);
    // Compressed it is less than that; photos are not.
    if (bavail * bsize < bytes + 100e6)
      throw new Plain(
        `The disk with ${folder} has ${Math.round((bavail * bsize) / 1e6)} MB left; a backup may take ${Math.round(bytes / 1e6)} MB.`
      );
    await must(
      'Backing up',
      join(bin, 'pg_dump'),
      ['--format=custom', '--no-owner', '--no-acl', `--file=${part}`],
      {
        env: { ...process.env, ...atDatabase(url) }
      }
    );
    const sum = await sha256(part);
    const about = {
      made: now.toISOString(),
      schema,
      bytes: statSync(part).size,
      sha256: sum,
      signed: signatureOf(sum, secret)
    };
    const line = Buffer.from(JSON.stringify(about));
    const tail = Buffer.alloc(TAIL);
    tail.writeBigUInt64BE(BigInt(line.length));
    const end = createWriteStream(part, { flags: 'a', mode: 0o600 });
    await new Promise((done, failed) => end.once('error', failed).end(Buffer.concat([line, tail]), done));
    const path = join(folder, name);
    chmodSync(part, 0o600);
    renameSync(part, path);
    await lookAt(path, secret);
    for (const old of listBackups(folder).slice(KEPT)) rmSync(join(folder, old));
    return { path, bytes: about.bytes };
  } finally {
    rmSync(join(part, '..'), { recursive: true, force: true });
  }
}

/** Backups of a folder by name, the latest first. */
export const listBackups = (folder) =>
  existsSync(folder)
    ? readdirSync(folder)
        .filter((n) => NAME.test(n))
        .sort()
        .reverse()
    : [];

/**
 * What a file says of itself, held against what is in it; and whether this server made it.
 * @returns {Promise<{ made: string, schema: string, bytes: number, own: boolean }>}
 * @throws {Plain} where it is no backup, or not whole
 */
export async function lookAt(path, secret = serverSecret()) {
  const broken = new Plain(`${path} is no backup of Hour Trail, or it is not whole. Take another.`);
  if (!existsSync(path)) throw new Plain(`There is no file ${path}.`);
  const { size } = statSync(path);
  if (size < TAIL + 2) throw broken;
  const bytes = (from, to) =>
    new Promise((done, failed) => {
      const parts = [];
      createReadStream(path, { start: from, end: to - 1 })
        .on('data', (d) => parts.push(d))
        .on('error', failed)
        .on('end', () => done(Buffer.concat(parts)));
    });
  const length = Number((await bytes(size - TAIL, size)).readBigUInt64BE());
  if (length < 2 || length > 10_000 || length > size - TAIL) throw broken;
  let about;
  try {
    about = JSON.parse((await bytes(size - TAIL - length, size - TAIL)).toString());
  } catch {
    throw broken;
  }
  if (about.bytes !== size - TAIL - length) throw broken;
  const hash = createHash('sha256');
  await pipeline(createReadStream(path, { end: about.bytes - 1 }), hash);
  const sum = hash.digest('hex');
  if (sum !== about.sha256) throw broken;
  const signed = Buffer.from(signatureOf(sum, secret));
  const shown = Buffer.from(String(about.signed ?? ''));
  return { ...about, own: shown.length === signed.length && timingSafeEqual(shown, signed) };
}

/**
 * What is known of the backups of a folder: for the home screen.
 * @returns {{ last: string | null, error: string | null, tried: string | null }}
 */
export function readStatus(folder) {
  try {
    return JSON.parse(readFileSync(join(folder, STATUS), 'utf8'));
  } catch {
    return { last: null, error: null, tried: null };
  }
}
/** Backs up, and writes down what came of it. @returns what failed, in words; null: nothing */
export async function backUpAndTell(url, folder, now = new Date()) {
  let error = null;
  try {
    await backUp(url, folder, now);
  } catch (e) {
    error = e instanceof Plain || e?.code === 'ENOSPC' ? e.message : `It failed: ${e?.message ?? e}`;
  }
  const was = readStatus(folder);
  const status = { last: error ? was.last : now.toISOString(), error, tried: now.toISOString() };
  try {
    mkdirSync(folder, { recursive: true, mode: 0o700 });
    writeFileSync(join(folder, `${STATUS}.new`), JSON.stringify(status));
    renameSync(join(folder, `${STATUS}.new`), join(folder, STATUS));
  } catch {
    // A full disk keeps no note either; that the last good one grows old says the same.
  }
  return error;
}

const HOUR = 3_600_000;
const LOOK_EVERY = 10 * 60_000;
/** When nobody is likely at the bench, hours of the server's own day. */
const NIGHT = { from: 2, to: 5 };
/** After so long without one, it is made by day too. */
const OVERDUE = 26 * HOUR;
const RETRY_AFTER = HOUR;

/** Whether a backup is to be made now: at night when today's is not made yet; by day when it is overdue; an hour after one that failed. */
export function isTime({ last, error, tried }, now = new Date()) {
  const since = (moment) => (moment === null ? Infinity : now.getTime() - Date.parse(moment));
  if (error !== null) return since(tried) > RETRY_AFTER;
  if (since(last) > OVERDUE) return true;
  const hour = now.getHours();
  return hour >= NIGHT.from && hour < NIGHT.to && since(last) > 20 * HOUR;
}

/** Backs up by itself for as long as the server runs. */
export function keepBackingUp(url, folder, tell) {
  let busy = false;
  const look = async () => {
    if (busy || !isTime(readStatus(folder))) return;
    busy = true;
    const error = await backUpAndTell(url, folder);
    if (error) tell(`The backup failed: ${error}`);
    busy = false;
  };
  const timer = setInterval(look, LOOK_EVERY);
  // Not while everything else starts.
  const first = setTimeout(look, 60_000);
  return {
    stop: () => {
      clearInterval(timer);
      clearTimeout(first);
    }
  };
}
