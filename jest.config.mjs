/** Node rooms are compiled by swc; the app by Expo's preset. */
const node = (name) => ({
  displayName: name,
  rootDir: import.meta.dirname,
  roots: [`<rootDir>/${name}`],
  testEnvironment: 'node',
  testMatch: ['**/*.test.ts'],
  moduleNameMapper: { '^@plesion/(core|demo)/(.+)$': '<rootDir>/$1/$2/index.ts', '^@plesion/([a-z]+)$': '<rootDir>/$1/index.ts' },
  transform: { '^.+\\.ts$': ['@swc/jest', { jsc: { parser: { syntax: 'typescript' }, target: 'es2022' } }] },
});

export default {
  projects: [
    node('core'),
    node('contract'),
    node('demo'),
    node('server'),
    {
      displayName: 'app',
      preset: 'jest-expo',
      rootDir: `${import.meta.dirname}/app`,
      testMatch: ['**/*.test.ts', '**/*.test.tsx'],
      moduleNameMapper: { '^@plesion/(core|demo)/(.+)$': '<rootDir>/../$1/$2/index.ts', '^@plesion/([a-z]+)$': '<rootDir>/../$1/index.ts' },
      transformIgnorePatterns: [
        'node_modules/(?!((jest-)?react-native|@react-native(-community)?|expo(nent)?|@expo(nent)?/.*|@expo-google-fonts/.*|uuid|@hookform/.*|react-hook-form|react-native-svg)/)',
      ],
    },
  ],
};
