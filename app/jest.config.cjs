module.exports = {
  preset: 'jest-expo',
  displayName: 'app',
  rootDir: __dirname,
  testMatch: ['<rootDir>/**/*.test.{ts,tsx}'],
  moduleNameMapper: {
    '^@longbar/core$': '<rootDir>/../core/src/index.ts',
    '^@longbar/core/listen$': '<rootDir>/../core/src/listen/index.ts',
    '\\.woff2$': '<rootDir>/test-support/font.ts',
  },
  transformIgnorePatterns: [
    'node_modules/(?!((jest-)?react-native|@react-native|expo|@expo|react-native-.*|@reduxjs|immer|react-redux|valibot|idb|@hookform|@noble))',
  ],
};
