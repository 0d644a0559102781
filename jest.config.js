/** One Jest run over core, server and what of web needs no server, its pieces in jsdom; ES modules throughout, since Nest 12 and culori ship nothing else. */
export default {
  roots: ['<rootDir>/core/src', '<rootDir>/server/src', '<rootDir>/web/src'],
  testEnvironment: 'node',
  globalSetup: '<rootDir>/server/src/test/testRun.mjs',
  // As many as there are processors: most of a test file's time is its own.
  maxWorkers: '100%',
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  moduleNameMapper: { '^@outfit/core/(.*)$': '<rootDir>/core/src/$1/index.ts' },
  transform: {
    '^.+\\.tsx?$': [
      '@swc/jest',
      {
        jsc: {
          parser: { syntax: 'typescript', tsx: true, decorators: true },
          transform: { legacyDecorator: true, decoratorMetadata: true, react: { runtime: 'automatic' } },
          target: 'es2022',
        },
        module: { type: 'es6' },
      },
    ],
  },
  testTimeout: 300_000,
}
