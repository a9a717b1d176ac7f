import { spawn } from 'node:child_process';
import { dataFolder, ownCluster } from './postgres.mjs';
import { say } from './say.mjs';

/** A server that ends sooner than this after its start has not come up. Milliseconds. */
const COME_UP = 5000;
/** So many in a row, and there is no use in trying. */
const MOST_DEATHS = 5;
const LOOK_EVERY = 1000;

/**
 * Runs the server, and again whenever it ends by itself.
 * @param {{ command: string, args: string[], cwd: string, env: NodeJS.ProcessEnv }} what
 * @param {(code: number) => void} gaveUp when it ends as often as it is started
 * @returns {{ stop: () => void }}
 */
export function keepServing(what, gaveUp) {
  let server = null;
  let stopped = false;
  let deaths = 0;
  const start = () => {
    const begun = Date.now();
    // A group of its own, so that Ctrl-C reaches us first and the database outlives the last request. It holds our end of a
    // pipe: when we are killed, it ends too.
    server = spawn(what.command, what.args, {
      cwd: what.cwd,
      env: { ...what.env, HOUR_TRAIL_STARTED: 'yes' },
      stdio: ['pipe', 'inherit', 'inherit'],
      detached: true
    });
    server.on('exit', (code, signal) => {
      if (stopped) return;
      deaths = Date.now() - begun < COME_UP ? deaths + 1 : 1;
      if (deaths >= MOST_DEATHS) {
        gaveUp(code ?? 1);
        return;
      }
      say(`The server ended by itself (${signal ?? code}); what it said stands above. Starting it again.`);
      setTimeout(start, 200 * deaths);
    });
  };
  start();
  return {
    stop: () => {
      stopped = true;
      server?.kill('SIGTERM');
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
