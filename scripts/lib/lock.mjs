import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Plain } from './say.mjs';

/** Whether a process is there and is a start command of ours: numbers are given out again. */
function isStart(pid) {
  try {
    process.kill(pid, 0);
  } catch (error) {
    if (error.code !== 'EPERM') return false;
  }
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('start.mjs');
  } catch {
    // Where nobody can look, the number has to do.
    return true;
  }
}

/**
 * Claims a data folder for this start: one at a time may make, run and stop what is in it. What a start that was killed left
 * behind is taken over.
 *
 * @param {string} folder
 * @param {{ pid: number, address: string }} mine
 * @param {(pid: number) => boolean} [alive]
 * @returns {{ takenOver: boolean, release: () => void }}
 * @throws {Plain} where another start has it
 */
export function claimFolder(folder, mine, alive = isStart) {
  mkdirSync(folder, { recursive: true, mode: 0o755 });
  const path = join(folder, 'start.lock');
  for (let takenOver = false; ; takenOver = true) {
    try {
      writeFileSync(path, JSON.stringify(mine), { flag: 'wx', mode: 0o644 });
      return { takenOver, release: () => release(path, mine.pid) };
    } catch (error) {
      if (error.code !== 'EEXIST') throw error;
    }
    const other = read(path);
    if (other && other.pid !== mine.pid && alive(other.pid))
      throw new Plain(
        `Hour Trail is running or starting already (process ${other.pid}, ${other.address}). Open that, or stop it with Ctrl-C first; another one at the same time needs a folder of its own in HOUR_TRAIL_DATA.`
      );
    rmSync(path, { force: true });
  }
}

function read(path) {
  try {
    const { pid, address } = JSON.parse(readFileSync(path, 'utf8'));
    return Number.isInteger(pid) ? { pid, address: String(address) } : null;
  } catch {
    return null;
  }
}

/** Gives the folder up, if it is still ours. */
function release(path, pid) {
  if (read(path)?.pid === pid) rmSync(path, { force: true });
}
