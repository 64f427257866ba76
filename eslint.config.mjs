import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';

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
    files: ['app/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  {
    files: ['**/*.mjs', 'app/*.js'],
    languageOptions: { globals: { process: 'readonly', URL: 'readonly', Buffer: 'readonly', module: 'writable' } },
  },
  // Published coefficients are kept with all their printed digits.
  { files: ['core/chance/normalCurve.ts', 'core/chance/gamma.ts'], rules: { 'no-loss-of-precision': 'off' } },
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
