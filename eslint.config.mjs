import js from '@eslint/js';
import expo from 'eslint-config-expo/flat.js';
import regexp from 'eslint-plugin-regexp';
import tseslint from 'typescript-eslint';

/** What core may not know: it is plain computation, and time comes in as an argument. */
const outsideCore = ['react', 'react-native', 'express', 'sequelize', 'node:*', '@longbar/*'];

export default tseslint.config(
  {
    ignores: [
      '**/dist/',
      '**/node_modules/',
      '.cache/',
      'data/',
      'app/.expo/',
      'app/expo-env.d.ts',
    ],
  },
  js.configs.recommended,
  tseslint.configs.recommended,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_' },
      ],
      'max-lines': ['error', { max: 400 }],
      eqeqeq: 'error',
    },
  },
  {
    files: ['core/src/**/*.ts'],
    rules: {
      'no-restricted-imports': ['error', { patterns: outsideCore }],
      'no-restricted-syntax': [
        'error',
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'Time comes in as an argument.',
        },
        {
          selector: "CallExpression[callee.object.name='Date'][callee.property.name='now']",
          message: 'Time comes in as an argument.',
        },
        {
          selector: "CallExpression[callee.object.name='Math'][callee.property.name='random']",
          message: 'Chance comes in as a seed.',
        },
      ],
    },
  },
  {
    files: ['server/src/**/*.ts'],
    ignores: ['server/src/store/sql/**', '**/*.test.ts'],
    rules: {
      // What only one database knows stands in the room that knows which one it is.
      'no-restricted-syntax': [
        'error',
        ...['Literal[value=', 'TemplateElement[value.raw='].map((text) => ({
          selector: `${text}/json_|PRAGMA|INSERT OR|sqlite_|rowid|VACUUM/]`,
          message: 'Only store/sql knows a dialect: say it by db.dialect.',
        })),
      ],
    },
  },
  {
    files: ['app/**/*.{ts,tsx}'],
    extends: [expo],
    // The compiler knows what a module exports.
    rules: { 'import/namespace': 'off' },
  },
  {
    files: ['app/**/*.{ts,tsx}'],
    ignores: ['app/api/**'],
    rules: {
      'no-restricted-globals': [
        'error',
        { name: 'fetch', message: 'Every request goes through api/request.' },
      ],
    },
  },
  {
    // What waits for nobody knows its types: a promise that nobody waits for loses its error.
    files: ['{app,server,e2e,bench}/**/*.{ts,tsx}'],
    languageOptions: { parserOptions: { projectService: true } },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: false }],
      '@typescript-eslint/await-thenable': 'error',
    },
  },
  {
    // A type is made, or checked at the edge: what is only said to be of a type may not be.
    files: ['{core,server}/src/**/*.ts', 'app/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}', '**/*.web.{ts,tsx}'],
    rules: {
      '@typescript-eslint/consistent-type-assertions': ['error', { assertionStyle: 'never' }],
    },
  },
  {
    // An expression that tries again and again stands still over a long text, and all with it.
    files: ['{core,server}/src/**/*.ts', 'app/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}'],
    plugins: { regexp },
    rules: {
      'regexp/no-super-linear-backtracking': ['error', { report: 'potential' }],
      'regexp/no-super-linear-move': 'error',
    },
  },
  {
    files: ['**/*.{mjs,cjs}', '**/{babel,metro}.config.js'],
    languageOptions: {
      globals: {
        console: 'readonly',
        process: 'readonly',
        module: 'readonly',
        require: 'readonly',
        __dirname: 'readonly',
        URL: 'readonly',
        fetch: 'readonly',
        setTimeout: 'readonly',
      },
    },
    rules: { '@typescript-eslint/no-require-imports': 'off' },
  },
);
