/**
 * npm test: sets up whatever is missing and runs everything: types, lint, unit and database tests, and the real interface in
 * Chromium, against a throwaway PostgreSQL of its own. Ends with `N passed, N failed`.
 */
import { existsSync, mkdtempSync, readFileSync, rmSync, chmodSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { stripVTControlCharacters } from 'node:util';
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
/** What failed, with why: said once more at the end, where it is found. */
const failures = [];

/** One check that either passes or fails as a whole. */
async function one(what, command, args) {
  say(what);
  const { code, out } = await run(command, args, { cwd: root });
  count(code === 0 ? 1 : 0, code === 0 ? 0 : 1);
  if (code === 0) return;
  console.log(out);
  failures.push(`${what}\n${lastLines(out)}`);
}

const MOST_LINES = 12;
const plain = (text) => stripVTControlCharacters(String(text)).trim().split('\n');
const firstLines = (text) => plain(text).slice(0, MOST_LINES).join('\n');
const lastLines = (text) => plain(text).slice(-MOST_LINES).join('\n');
/** The failed tests of a run of Vitest, by its JSON. */
const failedOf = ({ testResults }) =>
  testResults.flatMap(({ name, message, assertionResults }) => {
    const bad = assertionResults.filter((t) => t.status === 'failed');
    if (bad.length === 0 && message) return [`${name}\n${firstLines(message)}`];
    return bad.map((t) => `${name}: ${t.fullName}\n${firstLines(t.failureMessages.join('\n'))}`);
  });
/** The failed tests of a run of Playwright, by its JSON. */
const unexpectedOf = ({ suites = [], specs = [] }) => [
  ...suites.flatMap(unexpectedOf),
  ...specs
    .filter((s) => !s.ok)
    .map(
      (s) =>
        `${s.file}:${s.line}: ${s.title}\n${firstLines(s.tests.flatMap((t) => t.results.flatMap((r) => r.errors.map((e) => e.message))).join('\n'))}`
    )
];

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
    const env = { ...process.env, HOUR_TRAIL_TEST_URL: cluster.adminUrl };
    // Whatever loads SvelteKit (the build, Vitest) writes the routes' types anew, not all at once: nothing that reads them runs beside it.
    await must('Reading the routes', 'npm', ['run', '--silent', 'made'], { cwd: root });
    await ensureBuild();
    await all([
      () => one('Types', 'npm', ['run', '--silent', 'types']),
      async () => {
        await one('Lint', 'npx', ['eslint', '.']);
        await one('Import rules', 'npx', ['depcruise', 'src', '--config', '.dependency-cruiser.cjs']);
        await one('Format', 'npx', ['prettier', '--check', '.']);
      }
    ]);

    say('Unit and database tests');
    const unit = join(folder, 'unit.json');
    const vitest = await run(
      'npx',
      ['vitest', 'run', '--reporter=dot', '--reporter=json', `--outputFile.json=${unit}`],
      { cwd: root, env, show: true }
    );
    const units = existsSync(unit) ? JSON.parse(readFileSync(unit, 'utf8')) : null;
    if (units) {
      count(units.numPassedTests, units.numFailedTests);
      failures.push(...failedOf(units));
    }
    // A file that did not even load fails without a failed test; so does what was thrown where no test was.
    if (vitest.code !== 0 && !units?.numFailedTests) {
      count(0, 1);
      failures.push('Unit and database tests, and no test of them: see above');
    }

    say('The interface in Chromium');
    const e2e = join(folder, 'e2e.json');
    const play = await run('npx', ['playwright', 'test'], {
      cwd: root,
      env: { ...env, PLAYWRIGHT_JSON_OUTPUT_NAME: e2e, PLAYWRIGHT_JSON_OUTPUT_FILE: e2e },
      show: true
    });
    const report = existsSync(e2e) ? JSON.parse(readFileSync(e2e, 'utf8')) : null;
    if (report) {
      count(report.stats.expected + report.stats.flaky, report.stats.unexpected);
      failures.push(...unexpectedOf(report));
    }
    if (play.code !== 0 && !report?.stats.unexpected) {
      count(0, 1);
      failures.push('The interface in Chromium, and no test of it: see above');
    }
  } finally {
    await tidy();
  }
  for (const f of failures) console.log(`\nFailed: ${f}`);
  console.log(`\n${passed} passed, ${failed} failed`);
  process.exitCode = failed > 0 ? 1 : 0;
});
