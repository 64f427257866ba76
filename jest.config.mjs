import { createRequire } from 'node:module';

/** How Expo's preset compiles what Expo and React Native ship; our own files are compiled by swc, in the app too. */
const { transform: expo } = createRequire(import.meta.url)('jest-expo/jest-preset');

/**
 * Told to each module by itself: through the sandbox's global object each use of them
 * costs several times what it does outside of Jest. None that a module may have a thing of its own by the name of.
 */
const sandboxInjectedGlobals = [
  'Array',
  'Float32Array',
  'Float64Array',
  'Int32Array',
  'JSON',
  'Math',
  'Number',
  'Object',
  'String',
  'Uint8Array',
  'Uint8ClampedArray',
];

const node = (name) => ({
  displayName: name,
  rootDir: import.meta.dirname,
  roots: [`<rootDir>/${name}`],
  testEnvironment: `${import.meta.dirname}/scripts/lib/jest/oneRealm.cjs`,
  runtime: `${import.meta.dirname}/scripts/lib/jest/sharedPackages.cjs`,
  testMatch: ['**/*.test.ts'],
  moduleNameMapper: {
    '^@plesion/core/([a-z]+)/schema$': '<rootDir>/core/$1/schema.ts',
    '^@plesion/contract/(.+)$': '<rootDir>/contract/$1.ts',
    '^@plesion/(core|demo)/(.+)$': '<rootDir>/$1/$2/index.ts',
    '^@plesion/([a-z]+)$': '<rootDir>/$1/index.ts',
  },
  transform: {
    '^.+\\.ts$': ['@swc/jest', { jsc: { parser: { syntax: 'typescript' }, target: 'es2022' } }],
    '/node_modules/(@tus|srvx)/.+\\.m?js$': ['@swc/jest', { jsc: { target: 'es2022' }, module: { type: 'commonjs' } }],
  },
  transformIgnorePatterns: ['/node_modules/(?!(@tus|srvx)/)'],
});

export default {
  // Server tests make a database and a thread each; a loaded machine takes its time.
  testTimeout: 300_000,
  projects: [
    node('core'),
    node('contract'),
    node('demo'),
    node('bench'),
    {
      ...node('server'),
      globalSetup: '<rootDir>/server/test/emptyPlace.ts',
      globalTeardown: '<rootDir>/server/test/emptyPlaceGone.ts',
    },
    {
      ...node('e2e'),
      testMatch: ['**/*.e2e.ts'],
      globalSetup: '<rootDir>/e2e/demoPlace.ts',
      globalTeardown: '<rootDir>/e2e/demoPlaceGone.ts',
    },
    {
      displayName: 'app',
      sandboxInjectedGlobals,
      preset: 'jest-expo',
      transform: {
        // The map's projections come as modules only.
        '/node_modules/d3-[a-z]+/.+\\.m?js$': ['@swc/jest', { module: { type: 'commonjs' } }],
        '^(?!.*/node_modules/).+\\.tsx?$': [
          '@swc/jest',
          {
            jsc: {
              parser: { syntax: 'typescript', tsx: true },
              target: 'es2022',
              transform: { react: { runtime: 'automatic' } },
            },
          },
        ],
        ...expo,
      },
      rootDir: `${import.meta.dirname}/app`,
      testMatch: ['**/*.test.ts', '**/*.test.tsx'],
      setupFilesAfterEnv: [`${import.meta.dirname}/app/test/setUp.ts`],
      moduleNameMapper: {
        '^@plesion/core/([a-z]+)/schema$': '<rootDir>/../core/$1/schema.ts',
        '^@plesion/contract/(.+)$': '<rootDir>/../contract/$1.ts',
        '^@plesion/(core|demo)/(.+)$': '<rootDir>/../$1/$2/index.ts',
        '^@plesion/([a-z]+)$': '<rootDir>/../$1/index.ts',
      },
      transformIgnorePatterns: [
        '/node_modules/(?!(react-native|@react-native|expo|@expo|@expo-google-fonts|react-navigation|@react-navigation|uuid|d3-geo|d3-array|internmap|supercluster|kdbush)[^/]*/)',
        '/node_modules/react-native-reanimated/plugin/',
      ],
    },
  ],
};
