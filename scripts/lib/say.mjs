/** What the commands print: one line for each thing that happens, a moving count on what takes long, one sentence when it fails. */

/** A failure with one clear sentence for the person at the keyboard. Anything else that is thrown is our mistake. */
export class Plain extends Error {}

export function say(line) {
  process.stdout.write(`  ${line}\n`);
}

/**
 * Runs something that takes a while, and shows that it is still running.
 * @param {string} what in words, such as "Installing packages (about a minute)"
 * @param {() => Promise<T>} work
 * @returns {Promise<T>}
 * @template T
 */
export async function during(what, work) {
  const started = Date.now();
  const live = process.stdout.isTTY;
  const seconds = () => Math.round((Date.now() - started) / 1000);
  if (!live) say(`${what} …`);
  const tick = setInterval(
    () => {
      if (live) process.stdout.write(`\r  ${what} … ${seconds()} s`);
      else if (seconds() > 0) say(`${what} … ${seconds()} s`);
    },
    live ? 500 : 20_000
  );
  try {
    return await work();
  } finally {
    clearInterval(tick);
    if (live) process.stdout.write(`\r  ${what} … ${seconds()} s\n`);
  }
}

/** Runs a command's main function; a Plain failure becomes its sentence, exit code 1. */
export async function main(run) {
  try {
    await run();
  } catch (error) {
    const plain = inPlainWords(error);
    if (plain) console.error(`\n  ${plain}\n`);
    else console.error(error);
    process.exitCode = 1;
    process.exit();
  }
}

function inPlainWords(error) {
  if (error instanceof Plain) return error.message;
  if (error?.code === 'ENOSPC') return 'The disk is full. Free some space (about 1 GB) and start again.';
  if (error?.code === 'EACCES')
    return `No permission to write ${error.path ?? 'where Hour Trail keeps its data'}. Set HOUR_TRAIL_DATA to a folder of yours.`;
  return null;
}
