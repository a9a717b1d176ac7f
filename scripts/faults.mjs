/**
 * npm run faults: what the app survives, done to it here, on loopback: kills of the server and of PostgreSQL, a line that loses
 * answers, crowds, nonsense, a full disk, wrong clocks. Prints what came of each, in figures; exits non-zero where one does not hold.
 * Before them, in Chromium, the tests that do such things to a server a page is open on.
 * `npm run faults -- --short` does a little of each; `npm run faults -- kills` one of them, `npm run faults -- browser` the browser's.
 */
import { spawnSync } from 'node:child_process';
import { ensureBuild, ensurePackages, root } from './lib/build.mjs';
import { ensureChromium } from './lib/chromium.mjs';
import { main } from './lib/say.mjs';

const asked = process.argv.slice(2);
const names = asked.filter((a) => !a.startsWith('--'));

/** @returns whether all of it held */
function holds(command, args, env = {}) {
  const { status } = spawnSync(command, args, {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, ...env }
  });
  return status === 0;
}

await main(async () => {
  await ensurePackages();
  await ensureBuild();
  let good = true;
  if (names.length === 0 || names.includes('browser')) {
    await ensureChromium();
    good = holds('npx', ['playwright', 'test'], { HOUR_TRAIL_FAULTS: '1' });
  }
  const others = asked.filter((a) => a !== 'browser');
  if (names.length === 0 || names.some((n) => n !== 'browser'))
    good = holds(process.execPath, ['--import', 'tsx', 'faults/run.ts', ...others]) && good;
  process.exitCode = good ? 0 : 1;
});
