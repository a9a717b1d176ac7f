import { defineConfig } from '@playwright/test';
import { chromiumPath } from './scripts/lib/chromium.mjs';

export default defineConfig({
  testDir: 'tests/e2e',
  globalSetup: './tests/e2e/global-setup.ts',
  workers: 2,
  // What is done to servers and databases, and what takes ten thousand rows, is with the faults: `npm run faults`.
  ...(process.env.HOUR_TRAIL_FAULTS ? { grep: /@fault/ } : { grepInvert: /@fault/ }),
  fullyParallel: true,
  timeout: 90_000,
  // A bound and no wait: on a machine that others keep busy everything takes several times as long.
  expect: { timeout: 20_000 },
  reporter: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ? [['list'], ['json']] : [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    // What keeps pages on the device stands between a page and its server: only where a test is about it.
    serviceWorkers: 'block',
    // Recording costs a third of the whole run; say TRACE=1 to see what a failing test saw.
    trace: process.env.TRACE ? 'retain-on-failure' : 'off',
    screenshot: 'only-on-failure',
    launchOptions: {
      executablePath: chromiumPath(),
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync'
      ]
    }
  }
});
