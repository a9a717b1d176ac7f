import { existsSync } from 'node:fs';
import { aptInstall } from './apt.mjs';
import { say } from './say.mjs';

/** Debian's Chromium without a window, which takes a third less of a machine, and the whole of it. */
const SHELL = '/usr/bin/chromium-headless-shell';
const WHOLE = '/usr/bin/chromium';

/** The browser that pages are looked at with. */
export const chromiumPath = () => (existsSync(SHELL) ? SHELL : WHOLE);

/** Installs it where there is none; where only the whole of it can be had, that serves as well. */
export async function ensureChromium() {
  if (existsSync(SHELL)) return;
  try {
    await aptInstall(['chromium-headless-shell'], 'Chromium');
  } catch (e) {
    if (!existsSync(WHOLE)) await aptInstall(['chromium'], 'Chromium');
    else say(`Goes on with ${WHOLE}: ${e.message.split('\n')[0]}`);
  }
}
