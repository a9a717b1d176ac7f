/**
 * Nouns of the core that lean on one another in a circle cannot be understood, or moved, one at a time. Which way imports
 * point between core, server, interface and routes is a rule of ESLint's (eslint.config.js), because it reads Svelte files too.
 */
module.exports = {
  forbidden: [
    {
      name: 'no-cycle-between-nouns',
      comment:
        'A folder of the core is one noun of the trade; two that need each other are one, or want a third below them.',
      severity: 'error',
      scope: 'folder',
      from: { path: '^src/lib/core/[^/]+$' },
      to: { circular: true }
    },
    ...['server', 'ui'].map((side) => ({
      name: `no-cycle-between-nouns-of-${side}`,
      comment: 'As in the core: what two nouns share belongs to one of them, or to a third below both.',
      severity: 'error',
      scope: 'folder',
      from: { path: `^src/lib/${side}/[^/]+$` },
      to: { circular: true }
    })),
    {
      name: 'no-cycle-between-files',
      severity: 'error',
      from: {},
      to: { circular: true }
    },
    {
      name: 'ordering-knows-no-visit',
      comment: 'The scheduler orders work with waits and covers; what the work is, is none of its business.',
      severity: 'error',
      from: { path: '^src/lib/core/ordering/', pathNot: '[.]test[.]ts$' },
      to: { path: '^src/lib/core/(?!ordering/)' }
    }
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    // Ways in stand above all nouns, as routes do: what each noun says of its commands, and the jobs of the workers, another thread's.
    exclude: {
      path: '[.]test[.]ts$|^src/lib/(core|server)/(?!command/)[^/]+/commands[.]ts$|^src/lib/server/work/jobs[.]ts$'
    },
    tsPreCompilationDeps: true,
    // It reads no alias without a base: the app's own config has none.
    tsConfig: { fileName: 'tsconfig.imports.json' }
  }
};
