/**
 * npm run scale: what one machine holds, in figures of this one: pages and commands with one team in the book and with thousands, one
 * process and two, pages that are told live, and how fast it is backed up. docs/scale.md has what was measured, and what follows.
 * `npm run scale -- 500` with so many teams; without it, 10,000. Needs a few GB of disk and some minutes.
 */
import { spawnSync } from 'node:child_process';
import { root } from './lib/build.mjs';
import { main } from './lib/say.mjs';
import { throwawayApp } from './lib/serve.mjs';

await main(() =>
  throwawayApp(async ({ adminUrl: databaseUrl, serve }) => {
    const { status } = spawnSync(
      process.execPath,
      [
        '--import',
        'tsx',
        'bench/scale.ts',
        databaseUrl,
        await serve(),
        await serve(),
        process.argv[2] ?? '10000'
      ],
      { cwd: root, stdio: 'inherit' }
    );
    process.exitCode = status ?? 1;
  })
);
