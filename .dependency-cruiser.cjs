/** The rooms of the house, and which of them may know which: what is not allowed here breaks the build. */
const below = (name, from, to, comment) => ({
  name,
  comment,
  severity: 'error',
  from: { path: from },
  to: { path: to },
});

module.exports = {
  forbidden: [
    {
      name: 'no-circle',
      comment: 'Two files that need each other are one thing, or a third is missing.',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    below(
      'core-is-alone',
      '^core/',
      '^(app|server|bench|e2e|tools)/',
      'Core computes and knows nobody.',
    ),
    below('server-is-not-the-screen', '^server/', '^app/', 'The server knows no screen.'),
    below(
      'app-is-not-the-server',
      '^app/',
      '^server/',
      'A screen speaks to the server over the wire.',
    ),
    below(
      'store-sql-stands-below',
      '^server/src/store/sql/(?!.*\\.test\\.)',
      '^server/src/(store/(?!sql/)|http/|demo/)',
      'How rows are kept knows nothing of what they say.',
    ),
    below(
      'only-sql-knows-a-database',
      '^server/src/(?!store/sql/)(?!.*\\.test\\.)',
      'node_modules/(sqlite3|umzug|pg)/',
      'One room speaks to the database; all others ask it.',
    ),
    below(
      'written-knows-no-derived',
      '^server/src/store/(yard/|journal/|[a-zA-Z]+\\.ts)(?!.*\\.test\\.)',
      '^server/src/store/(derived|hours|planning|exchange)/',
      'What is written down rests on nothing that is worked out from it.',
    ),
    below(
      'yard-knows-no-journal',
      '^server/src/store/yard/(?!.*\\.test\\.)',
      '^server/src/store/journal/',
      'Jobs belong to machines and sheets, not the reverse.',
    ),
    below(
      'derived-knows-no-use',
      '^server/src/store/derived/(?!.*\\.test\\.)',
      '^server/src/store/(hours|planning|exchange)/',
      'What is worked out knows not who asks for it.',
    ),
    below('theme-knows-no-ui', '^app/theme/', '^app/(ui|drawing)/', 'Colours know no button.'),
    below(
      'ui-knows-no-state',
      '^app/(theme|ui|drawing)/',
      '^app/(state|sync|features|app)/',
      'What is drawn is given.',
    ),
    below(
      'state-knows-no-screen',
      '^app/(state|sync)/',
      '^app/(features|drawing|ui|app)/',
      'State and sync serve every screen.',
    ),
    below(
      'state-knows-no-sync',
      '^app/state/',
      '^app/sync/',
      'Sync stands on the state, never the reverse.',
    ),
    below('no-route-in-a-feature', '^app/features/', '^app/app/', 'Routes show features.'),
    below(
      'nothing-from-tests',
      '^(core/src|server/src|app)/(?!.*\\.test\\.)',
      'test-support/',
      'What ships needs no test.',
    ),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(dist|node_modules|\\.expo)/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.mjs', '.js', '.json'] },
  },
};
