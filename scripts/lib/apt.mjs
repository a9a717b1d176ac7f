import { existsSync } from 'node:fs';
import { canSudo, isRoot, must, run } from './run.mjs';
import { during, Plain } from './say.mjs';

/**
 * Installs Debian packages, where this person may.
 * @param {string[]} packages
 * @param {string} why one word for the message, such as "PostgreSQL"
 */
export async function aptInstall(packages, why) {
  const byHand = `sudo apt-get update && sudo apt-get install -y ${packages.join(' ')}`;
  if (!existsSync('/usr/bin/apt-get'))
    throw new Plain(
      `${why} is missing and this is not Debian. Install it with your system's package manager and start again.`
    );
  const sudo = isRoot() ? [] : (await canSudo()) ? ['sudo', '-n'] : null;
  if (!sudo) throw new Plain(`${why} is missing. Type this, then start again:\n\n    ${byHand}`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const apt = (args) => {
    const [command, ...rest] = [...sudo, 'apt-get', ...args];
    return [command, rest, { env }];
  };
  await during(`Installing ${why} from Debian's packages (a minute or two)`, async () => {
    // An old list of packages is no reason to stop: the install says what it really lacks.
    await run(...apt(['update', '-q']));
    await must(`Installing ${why}`, ...apt(['install', '-y', '-q', '--no-install-recommends', ...packages]));
  });
}
