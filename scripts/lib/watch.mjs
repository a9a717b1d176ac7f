import { spawn } from 'node:child_process';
import { dataFolder, ownCluster } from './postgres.mjs';
import { say } from './say.mjs';

/** A server that ends sooner than this after its start has not come up. Milliseconds. */
const COME_UP = 5000;
const LOOK_EVERY = 1000;
const FIRST_PAUSE = 200;
const LONGEST_PAUSE = 30_000;
/** What was begun has ten seconds to end; a server that is there after that does not end by itself. Milliseconds. */
const END_WITHIN = 12_000;

/**
 * How long to wait until a server is started again that ended as soon as it was started, so many times in a row, ms: doubled each time.
 * It is never given up: who runs the team is not there at night, and what ends it may pass.
 */
export const pauseAfter = (deaths) => Math.min(LONGEST_PAUSE, FIRST_PAUSE * 2 ** (deaths - 1));

/**
 * Runs the server, and again whenever it ends by itself.
 * @param {{ command: string, args: string[], cwd: string, env: NodeJS.ProcessEnv }} what
 * @param {{ pause?: (deaths: number) => number, endWithin?: number, started?: (pid: number) => void, waits?: (ms: number) => void }} [how]
 *   `started` and `waits` are told of each start, and of the pause before it
 * @returns {{ stop: () => Promise<void> }} `stop` lets it answer what was begun, and is over when it has ended
 */
export function keepServing(
  what,
  { pause = pauseAfter, endWithin = END_WITHIN, started = () => {}, waits = () => {} } = {}
) {
  let server = null;
  let stopped = false;
  let deaths = 0;
  let again;
  const start = () => {
    const begun = Date.now();
    // A group of its own, so that Ctrl-C reaches us first and the database outlives the last request. It holds our end of a
    // pipe: when we are killed, it ends too.
    const ours = spawn(what.command, what.args, {
      cwd: what.cwd,
      env: { ...what.env, HOUR_TRAIL_STARTED: 'yes' },
      stdio: ['pipe', 'inherit', 'inherit'],
      detached: true
    });
    server = ours;
    started(ours.pid);
    const ended = (why) => {
      server = null;
      if (stopped) return;
      deaths = Date.now() - begun < COME_UP ? deaths + 1 : 1;
      const wait = pause(deaths);
      waits(wait);
      say(
        `The server ended by itself (${why}); what it said stands above. Starting it again${wait < 1000 ? '' : ` in ${Math.round(wait / 1000)} s`}.`
      );
      again = setTimeout(start, wait);
    };
    ours.once('error', (e) => ended(e.message));
    ours.once('exit', (code, signal) => ended(signal ?? code));
  };
  start();
  return {
    stop: async () => {
      stopped = true;
      clearTimeout(again);
      const last = server;
      if (!last) return;
      const over = new Promise((done) => last.once('exit', done));
      last.kill('SIGTERM');
      const late = setTimeout(() => last.kill('SIGKILL'), endWithin);
      await over;
      clearTimeout(late);
    }
  };
}

/**
 * Looks after our own database: when it has died (a full disk, somebody's kill), it is started again on the same port.
 * @param {{ runs: () => boolean, port: number }} db
 * @returns {{ stop: () => void }}
 */
export function keepDatabase(db) {
  let busy = false;
  let told = false;
  const look = setInterval(async () => {
    if (busy || db.runs()) return;
    busy = true;
    try {
      if (!told) say('The database has stopped; starting it again.');
      await ownCluster({ folder: dataFolder(), wanted: db.port });
      say('The database is back.');
      told = false;
    } catch (error) {
      // A full disk stays full for a while: said once, tried until it works.
      if (!told) console.error(`\n  ${error.message}\n  Trying again until it does.\n`);
      told = true;
    } finally {
      busy = false;
    }
  }, LOOK_EVERY);
  return { stop: () => clearInterval(look) };
}
