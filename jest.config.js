import { SWC } from './scripts/testing/swc.mjs'

/**
 * One Jest run over core, server and what of web needs no server, its pieces in jsdom; ES modules throughout, since Nest 12
 * and culori ship nothing else. Run it by `npm run unit -- FILES`, which gives Node what it needs.
 */
export default {
  globalSetup: '<rootDir>/server/src/test/testRun.mjs',
  // As many as there are processors: most of a test file's time is its own.
  maxWorkers: '100%',
  projects: [
    {
      // All files a worker is given share one set of modules: the framework is loaded and what is hot is compiled once, not
      // once a file. So a test leaves nothing behind in a module that another could stumble over.
      displayName: 'core and server',
      runner: 'jest-light-runner',
      roots: ['<rootDir>/core/src', '<rootDir>/server/src'],
      setupFilesAfterEnv: ['<rootDir>/scripts/testing/setup.mjs'],
      transform: {},
    },
    {
      displayName: 'web',
      roots: ['<rootDir>/web/src'],
      testEnvironment: 'node',
      extensionsToTreatAsEsm: ['.ts', '.tsx'],
      moduleNameMapper: { '^@outfit/core/(.*)$': '<rootDir>/core/src/$1/index.ts' },
      transform: { '^.+\\.tsx?$': ['@swc/jest', SWC] },
    },
  ],
}
