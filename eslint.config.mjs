import js from '@eslint/js';
import { createTypeScriptImportResolver } from 'eslint-import-resolver-typescript';
import imports from 'eslint-plugin-import-x';
import ts from 'typescript-eslint';
import { walls } from './eslint.walls.mjs';

/** What needs types, and circles: `.oxlintrc.json`, which sees them in a fraction of the time. */
export default ts.config(
  { ignores: ['**/node_modules/', 'app/dist/', 'app/.expo/', '.plesion/'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  {
    files: ['**/*.{ts,tsx}'],
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      'no-console': 'error',
    },
  },
  {
    files: ['**/*.{ts,tsx}'],
    plugins: { 'import-x': imports },
    settings: {
      'import-x/extensions': ['.ts', '.tsx'],
      'import-x/parsers': { '@typescript-eslint/parser': ['.ts', '.tsx'] },
      'import-x/resolver-next': [createTypeScriptImportResolver({ project: 'tsconfig.json' })],
    },
  },
  {
    // Tests stand above what they test, and may look down on all of it.
    files: ['**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}', '**/test/**'],
    rules: { 'import-x/no-restricted-paths': ['error', { basePath: import.meta.dirname, zones: walls }] },
  },
  {
    // The bundler's own settings are read by programs that know no modules.
    files: ['app/*.js', 'app/lean/*.js'],
    rules: { '@typescript-eslint/no-require-imports': 'off' },
  },
  {
    // What runs in the page before, or in place of, what is compiled.
    files: ['app/lean/*.js', 'app/public/*.js'],
    languageOptions: { globals: { window: 'readonly', document: 'readonly', localStorage: 'readonly', matchMedia: 'readonly' } },
  },
  {
    files: ['**/*.mjs', 'scripts/lib/jest/*.cjs', 'app/*.js', 'app/lean/*.js'],
    languageOptions: {
      globals: {
        process: 'readonly',
        URL: 'readonly',
        Buffer: 'readonly',
        module: 'writable',
        require: 'readonly',
        __dirname: 'readonly',
        console: 'readonly',
        AbortController: 'readonly',
        setInterval: 'readonly',
        clearInterval: 'readonly',
      },
    },
  },
  // Jest takes its runtime by `require` only.
  { files: ['scripts/lib/jest/*.cjs'], rules: { '@typescript-eslint/no-require-imports': 'off' } },
  // Published coefficients are kept with all their printed digits.
  { files: ['core/probability/normalCurve.ts', 'core/probability/gamma.ts'], rules: { 'no-loss-of-precision': 'off' } },
  {
    // The core knows no clock, no chance of its own, no interface and no machine.
    files: ['core/**/*.ts'],
    ignores: ['core/**/*.test.ts', 'core/test/**'],
    rules: {
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Pass a seed in.' },
        { object: 'Date', property: 'now', message: 'Pass the time in.' },
      ],
      'no-restricted-imports': [
        'error',
        { patterns: ['node:*', 'react', 'react-native*', '@plesion/*', '../../server*', '../../app*', '../../contract*'] },
      ],
    },
  },
);
