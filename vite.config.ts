import type { Server } from 'node:http';
import { availableParallelism } from 'node:os';
import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { SvelteKitPWA } from '@vite-pwa/sveltekit';
import { defineConfig } from 'vitest/config';
import { admitByApp, relay } from './scripts/lib/relay.mjs';

export default defineConfig({
  plugins: [
    tailwindcss(),
    sveltekit(),
    SvelteKitPWA({
      strategies: 'injectManifest',
      srcDir: 'src',
      filename: 'service-worker.ts',
      injectRegister: false,
      injectManifest: {
        globPatterns: ['client/**/*.{js,css,svg,png,woff2,webmanifest}'],
        maximumFileSizeToCacheInBytes: 8 * 1024 * 1024
      },
      manifest: {
        id: '/',
        name: 'Hour Trail',
        short_name: 'Hour Trail',
        description:
          'Engine-hour maintenance of dirt bikes and quads: what is due, and the bench to do it at.',
        start_url: '/',
        scope: '/',
        display: 'standalone',
        background_color: '#f4efe3',
        theme_color: '#1f1b16',
        icons: [
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
          { src: '/icon-maskable-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' }
        ]
      }
    }),
    // Instruments speak to the app while it is worked on, too.
    {
      name: 'instruments',
      configureServer: ({ httpServer }) => void (httpServer && relay([httpServer as Server], admitByApp))
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
        test: {
          name: 'ui',
          include: ['src/lib/ui/**/*.test.ts', 'src/lib/workers/**/*.test.ts'],
          testTimeout: 30_000
        }
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
