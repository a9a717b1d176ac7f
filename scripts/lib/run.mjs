import { spawn } from 'node:child_process';
import { Plain } from './say.mjs';

/**
 * Runs a program to its end and collects what it prints.
 * @param {string} command
 * @param {string[]} args
 * @param {import('node:child_process').SpawnOptions & { show?: boolean }} [options] `show` passes its output through
 * @returns {Promise<{ code: number, out: string }>}
 */
export function run(command, args, { show = false, ...options } = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { stdio: show ? 'inherit' : ['ignore', 'pipe', 'pipe'], ...options });
    let out = '';
    child.stdout?.on('data', (d) => (out += d));
    child.stderr?.on('data', (d) => (out += d));
    child.on('error', (e) => resolve({ code: 127, out: String(e.message) }));
    child.on('exit', (code, signal) => {
      // A child that keeps the pipe open (a server started by pg_ctl) must not keep us waiting for it.
      child.stdout?.destroy();
      child.stderr?.destroy();
      resolve({ code: code ?? (signal ? 128 : 1), out });
    });
  });
}

/** Like {@link run}, but a failure becomes one sentence with the last lines of the output. */
export async function must(what, command, args, options) {
  const { code, out } = await run(command, args, options);
  if (code === 0) return out;
  if (/No space left on device|ENOSPC/.test(out))
    throw new Plain('The disk is full. Free some space (about 1 GB) and start again.');
  const tail = out.trim().split('\n').slice(-12).join('\n    ');
  throw new Plain(`${what} failed.${tail ? ` It said:\n    ${tail}` : ''}`);
}

export const isRoot = () => process.getuid?.() === 0;

/** Whether sudo works without asking for a password. */
export async function canSudo() {
  return !isRoot() && (await run('sudo', ['-n', 'true'])).code === 0;
}
