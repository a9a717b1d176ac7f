/**
 * npm test: sets up whatever is missing and runs everything: types, lint, unit and database tests, and the real interface in
 * Chromium, against a throwaway PostgreSQL of its own. Ends with `N passed, N failed`.
 */
import { existsSync, mkdtempSync, readFileSync, rmSync, chmodSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureChromium } from './lib/chromium.mjs';
import { ensureBuild, ensurePackages, root } from './lib/build.mjs';
import { checkNode } from './lib/checks.mjs';
import { ownCluster } from './lib/postgres.mjs';
import { must, run } from './lib/run.mjs';
import { main, say } from './lib/say.mjs';

let passed = 0;
let failed = 0;
const count = (good, bad) => {
  passed += good;
  failed += bad;
};

/** One check that either passes or fails as a whole. */
async function one(what, command, args) {
  say(what);
  const { code, out } = await run(command, args, { cwd: root });
  count(code === 0 ? 1 : 0, code === 0 ? 0 : 1);
  if (code !== 0) console.log(out);
}

/** Does all of them at once, and is over when the last one is; then fails where one did. */
async function all(jobs) {
  const over = await Promise.allSettled(jobs.map((job) => job()));
  for (const o of over) if (o.status === 'rejected') throw o.reason;
}

await main(async () => {
  checkNode();
  await ensurePackages();
  await ensureChromium();

  const folder = mkdtempSync(join(tmpdir(), 'hour-trail-test-'));
  chmodSync(folder, 0o755);
  const cluster = await ownCluster({ folder, throwaway: true });
  const tidy = async () => {
    await cluster.stop();
    rmSync(folder, { recursive: true, force: true });
  };
  process.on('SIGINT', () => void tidy().then(() => process.exit(130)));
  process.on('SIGTERM', () => void tidy().then(() => process.exit(143)));

  try {
    const env = { ...process.env, HOUR_TRAIL_TEST_URL: cluster.url };
    // All of them read the types of the routes and of the API’s client, made once. Side by side: none of them keeps more than one core busy all along.
    await must('Reading the routes', 'npm', ['run', '--silent', 'made'], { cwd: root });
    await all([
      async () => {
        await one('Types', 'npm', ['run', '--silent', 'types']);
        await ensureBuild();
      },
      async () => {
        await one('Lint', 'npx', ['eslint', '.']);
        await one('Import rules', 'npx', ['depcruise', 'src', '--config', '.dependency-cruiser.cjs']);
        await one('Format', 'npx', ['prettier', '--check', '.']);
      },
      async () => {
        say('Unit and database tests');
        const unit = join(folder, 'unit.json');
        const vitest = await run(
          'npx',
          ['vitest', 'run', '--reporter=dot', '--reporter=json', `--outputFile.json=${unit}`],
          { cwd: root, env, show: true }
        );
        if (existsSync(unit)) {
          const r = JSON.parse(readFileSync(unit, 'utf8'));
          count(r.numPassedTests, r.numFailedTests);
          // A file that did not even load fails without a failed test.
          if (vitest.code !== 0 && r.numFailedTests === 0) count(0, 1);
        } else count(0, 1);
      }
    ]);

    say('The interface in Chromium');
    const e2e = join(folder, 'e2e.json');
    const play = await run('npx', ['playwright', 'test'], {
      cwd: root,
      env: { ...env, PLAYWRIGHT_JSON_OUTPUT_NAME: e2e, PLAYWRIGHT_JSON_OUTPUT_FILE: e2e },
      show: true
    });
    if (existsSync(e2e)) {
      const { stats } = JSON.parse(readFileSync(e2e, 'utf8'));
      count(stats.expected + stats.flaky, stats.unexpected);
      if (play.code !== 0 && stats.unexpected === 0) count(0, 1);
    } else count(0, 1);
  } finally {
    await tidy();
  }
  console.log(`\n${passed} passed, ${failed} failed`);
  process.exitCode = failed > 0 ? 1 : 0;
});
