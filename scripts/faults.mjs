/**
 * npm run faults: what the app survives, done to it here, on loopback: kills of the server and of PostgreSQL, a line that loses
 * answers, crowds, nonsense, a full disk, wrong clocks. Prints what came of each, in figures; exits non-zero where one does not hold.
 * `npm run faults -- --short` does a little of each; `npm run faults -- kills` one of them.
 */
import { ensureBuild, ensurePackages, root } from './lib/build.mjs';
import { main } from './lib/say.mjs';
import { spawnSync } from 'node:child_process';

await main(async () => {
  await ensurePackages();
  await ensureBuild();
  const { status } = spawnSync(
    process.execPath,
    ['--import', 'tsx', 'faults/run.ts', ...process.argv.slice(2)],
    {
      cwd: root,
      stdio: 'inherit'
    }
  );
  process.exitCode = status ?? 1;
});
