module.exports = {
  preset: 'jest-expo',
  displayName: 'app',
  cacheDirectory: `${__dirname}/../.cache/jest`,
  rootDir: __dirname,
  setupFiles: [`${__dirname}/../jest.quiet.cjs`],
  testMatch: ['<rootDir>/**/*.test.{ts,tsx}'],
  // As the application is built: started from the root, the preset would not find its configuration.
  transform: {
    '\\.[jt]sx?$': [
      'babel-jest',
      {
        configFile: `${__dirname}/babel.config.js`,
        caller: { name: 'metro', bundler: 'metro', platform: 'ios' },
      },
    ],
  },
  moduleNameMapper: {
    '^@longbar/core$': '<rootDir>/../core/src/index.ts',
    '^@longbar/core/listen$': '<rootDir>/../core/src/listen/index.ts',
    '^fast-check$': `${__dirname}/../jest.fastCheck.cjs`,
    '\\.woff2$': '<rootDir>/test-support/font.ts',
  },
  transformIgnorePatterns: [
    'node_modules/(?!((jest-)?react-native|@react-native|expo|@expo|react-native-.*|@reduxjs|immer|react-redux|valibot|idb|@hookform|@noble|uuid))',
  ],
};
