import type { Server } from 'node:http';
import { availableParallelism } from 'node:os';
import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vitest/config';
import { relay, teamByApp } from './scripts/lib/relay.mjs';

export default defineConfig({
  plugins: [
    tailwindcss(),
    sveltekit(),
    // Instruments speak to the app while it is worked on, too.
    {
      name: 'instruments',
      configureServer: ({ httpServer }) => void (httpServer && relay([httpServer as Server], teamByApp))
    }
  ],
  test: {
    // Half of their time the database tests wait for PostgreSQL.
    maxWorkers: Math.max(2, availableParallelism() - 1),
    projects: [
      {
        extends: true,
        test: {
          name: 'core',
          include: ['src/lib/core/**/*.test.ts', 'scripts/**/*.test.ts'],
          // What is pure leaves nothing behind: loaded once for all files, not anew for each, it takes half as long.
          isolate: false,
          // Against a test that hangs; how fast it is hangs on the machine.
          testTimeout: 30_000
        }
      },
      {
        extends: true,
        test: { name: 'ui', include: ['src/lib/ui/**/*.test.ts'] }
      },
      {
        extends: true,
        test: {
          name: 'database',
          include: ['src/lib/server/**/*.test.ts', 'demo/**/*.test.ts', 'tests/database/**/*.test.ts'],
          globalSetup: ['tests/database/cluster.ts'],
          // Each file has a database of its own, and what the server remembers it remembers by team.
          isolate: false,
          testTimeout: 30_000,
          hookTimeout: 60_000
        }
      }
    ]
  }
});
