import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

/**
 * Which way an import may point: core <- server, ui, workers <- routes, and nothing imports routes.
 * Each entry lists what a folder may NOT import.
 */
const direction = (files, banned, why, extra = {}) => ({
  files,
  ...extra,
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [{ group: banned, message: why }],
        paths: [
          { name: 'flowbite-svelte', message: 'Its index has all of it compiled: ui/form/controls.ts.' }
        ]
      }
    ]
  }
});

export default ts.config(
  {
    ignores: [
      'build/',
      '.svelte-kit/',
      'node_modules/',
      'test-results/',
      'playwright-report/',
      'tests/e2e/made/**'
    ]
  },
  js.configs.recommended,
  ...ts.configs.recommended,
  ...svelte.configs.recommended,
  { languageOptions: { globals: { ...globals.browser, ...globals.node } } },
  {
    files: ['**/*.svelte', '**/*.svelte.ts'],
    languageOptions: { parserOptions: { parser: ts.parser, svelteConfig } }
  },
  {
    // A query that nobody waits for is an error: it may fail unseen, or run outside its transaction.
    files: ['src/**/*.ts', 'demo/**/*.ts', 'tests/**/*.ts', 'faults/**/*.ts'],
    // What runs beside the pages has another world around it (tsconfig.worker.json).
    ignores: ['src/**/*.svelte.ts', 'src/**/*.svelte.test.ts', 'src/service-worker.ts'],
    languageOptions: { parserOptions: { projectService: true, extraFileExtensions: ['.svelte'] } },
    rules: { '@typescript-eslint/no-floating-promises': 'error' }
  },
  {
    files: ['src/service-worker.ts'],
    languageOptions: { parserOptions: { project: './tsconfig.worker.json' } },
    rules: { '@typescript-eslint/no-floating-promises': 'error' }
  },
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'svelte/no-navigation-without-resolve': 'off',
      'no-undef': 'off'
    }
  },
  direction(
    ['src/lib/core/**/*.ts'],
    [
      '$lib/**',
      '$app/**',
      '$env/**',
      '**/server/**',
      '**/ui/**',
      '**/workers/**',
      '**/routes/**',
      'node:*',
      'svelte*',
      '@sveltejs/**',
      'postgres',
      'flowbite*'
    ],
    'The core imports nothing outside the core, and zod only.',
    { ignores: ['src/lib/core/**/*.test.ts'] }
  ),
  {
    files: ['src/lib/core/**/*.ts'],
    ignores: ['src/lib/core/**/*.test.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: "CallExpression[callee.object.name='Date'][callee.property.name='now']",
          message: 'Time comes into the core as an argument.'
        },
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'Time comes into the core as an argument.'
        },
        {
          selector: "CallExpression[callee.object.name='Math'][callee.property.name='random']",
          message: 'Chance comes into the core as an argument.'
        }
      ]
    }
  },
  direction(
    ['src/lib/server/**/*.ts'],
    ['**/ui/**', '$lib/ui/**', '**/routes/**', 'svelte', 'flowbite*'],
    'The server knows the core, not the interface.'
  ),
  direction(
    ['src/lib/ui/**/*.{ts,svelte}'],
    ['$lib/server/**', '**/server/**', '**/routes/**', 'postgres'],
    'The interface knows the shapes of the trade, not its storage.'
  ),
  direction(
    ['src/routes/**/*.{ts,svelte}'],
    ['**/routes/**', 'postgres'],
    'Routes speak to the server modules; nothing imports routes.'
  )
);
