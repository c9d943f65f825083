// One Jest for all three parts: core and server run in Node, the app with Expo's preset.
// On which day something was done goes by the clock: the same one wherever tests run.
process.env.TZ = 'UTC';
const longbar = {
  '^@longbar/core$': '<rootDir>/../core/src/index.ts',
  '^@longbar/core/listen$': '<rootDir>/../core/src/listen/index.ts',
  '^fast-check$': `${__dirname}/jest.fastCheck.cjs`,
};
// How thoroughly: `short`, `whole` or `soak`.
const tried = process.env.LONGBAR_TRIED ?? 'whole';
const inNode = {
  testEnvironment: 'node',
  globals: { TRIED: tried },
  testRegex: ['\\.test\\.ts$'],
  transformIgnorePatterns: ['/node_modules/(?!(valibot|node-wav|fft\\.js)/)'],
  transform: { '\\.c?[jt]s$': ['babel-jest', { configFile: `${__dirname}/babel.node.cjs` }] },
  moduleNameMapper: longbar,
  // Beside what else is kept: where tests write, it would go with what they leave.
  cacheDirectory: `${__dirname}/.cache/jest`,
  setupFiles: [`${__dirname}/jest.quiet.cjs`],
  // After Jest has said how it tells where an error came from.
  setupFilesAfterEnv: [`${__dirname}/jest.fewFrames.cjs`],
};

module.exports = {
  // A busy machine of two cores needs its time; a test that hangs still fails.
  testTimeout: tried === 'soak' ? 3_600_000 : 300_000,
  // What tests wait for leaves two workers' cores idle for a sixth of the time.
  maxWorkers: 3,
  projects: [
    {
      ...inNode,
      displayName: 'core',
      rootDir: `${__dirname}/core`,
    },
    {
      ...inNode,
      displayName: 'server',
      rootDir: `${__dirname}/server`,
      testPathIgnorePatterns: ['store/sql/postgres/', 'http/several'],
      globalSetup: `${__dirname}/server/test-support/demoOnce.ts`,
    },
    {
      ...inNode,
      displayName: 'server on PostgreSQL',
      rootDir: `${__dirname}/server`,
      // What is asked of the store is asked of both databases; files are SQLite's alone.
      testRegex: [
        'src/store/.*\\.test\\.ts$',
        'src/http/(api|company|isolation|several|shops|stream)\\.test\\.ts$',
      ],
      testPathIgnorePatterns: ['store/sql/(?!database|postgres)', 'journal/damage', 'poison'],
      globals: { TRIED: tried, POSTGRES: true },
      globalSetup: `${__dirname}/server/test-support/onPostgres.ts`,
    },
    `${__dirname}/app/jest.config.cjs`,
  ],
};
